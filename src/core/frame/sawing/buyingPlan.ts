/*
 * One plan for the frames of several jobs: slotted bars picked from the rack or ordered, timber and braces sawn
 * together, each section on its own, at the least price; what is left of sawn lengths goes back to the rack.
 */
import { type HouseRules, assumed } from '../../house/houseRules';
import { totalMinor } from '../../units/money';
import { type CuttingResult, type SawnBar, cutTimber } from './cutTimber';
import type { TimberPart, TimberStock } from './timberStock';
import { BEAD_WIDTH_MM, type FramePart, partsIfOpen } from '../frameParts';
import type { BarsInputs } from '../../stages/bars/barsInputs';
import { boughtLengths, pairPrice, pieces } from './framePrice';
import { profileOf } from '../../house/materials';
import type { Profile } from '../profiles';
import { type PickList, type RackBar, pickList, withoutPicked } from './rack';

export interface FrameWanted {
  /** Whose frame: "No. 131". */
  whose: string;
  profile: string;
  parts: FramePart[];
}

/**
 * The frame of a face with these bars; without parts where the bars leave no opening.
 *
 * @param whose "No. 131"
 */
export const frameWanted = (
  whose: string,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  bars: Pick<BarsInputs, 'profile' | 'joint' | 'bracesUpright' | 'bracesLevel'>,
  rules: HouseRules,
): FrameWanted => ({
  whose,
  profile: bars.profile,
  parts: partsIfOpen(
    { widthMm, heightMm, bracesUpright: bars.bracesUpright.length, bracesLevel: bars.bracesLevel.length },
    profileOf(rules, bars.profile),
    bars.joint,
  ),
});

/** What is sawn from bought lengths. */
export type SawnKind = 'timber' | 'brace' | 'bead';

export interface SectionPlan {
  profile: string;
  kind: SawnKind;
  section: { widthMm: number; depthMm: number };
  parts: TimberPart[];
  result: CuttingResult;
}

export interface BuyingPlan {
  picks: { whose: string; list: PickList; orderMinor: number | null; special: number[] }[];
  sections: SectionPlan[];
  /** Null when something has no price or does not fit. */
  priceMinor: number | null;
  /** Every sawn section is at its proven least. */
  proven: boolean;
}

/**
 * The plan for these frames with this rack.
 *
 * @param random for the best effort beyond sixteen parts of a section; the same source gives the same plan
 */
export function buyingPlan(
  frames: readonly FrameWanted[],
  rack: readonly RackBar[],
  rules: HouseRules,
  random: () => number,
): BuyingPlan {
  let left = [...rack];
  const picks = frames.flatMap(({ whose, profile: id, parts }) => {
    if (!parts.some((part) => part.from === 'pairs')) return [];
    const profile = profileOf(rules, id);
    const list = pickList(parts, profile, left);
    left = withoutPicked(left, list);
    const ordered = list.lines
      .filter((line) => line.order > 0)
      .map((line) => ({ line, ...pairPrice(line.lengthMm, profile, rules) }));
    const orderMinor = totalMinor(ordered.map(({ line, minor }) => (minor === null ? null : minor * (line.order / 2))));
    return [{ whose, list, orderMinor, special: ordered.filter((one) => one.special).map((one) => one.line.lengthMm) }];
  });
  const ids = [...new Set(frames.map((frame) => frame.profile))];
  const sections = ids.flatMap((id) => {
    const profile = profileOf(rules, id);
    return (['timber', 'brace', 'bead'] as const).flatMap((kind) => sectionPlan(frames, profile, kind, left, rules, random));
  });
  const prices = [
    ...picks.map((one) => one.orderMinor),
    ...sections.map(({ result }) => (result.kind === 'plan' ? result.priceMinor : null)),
  ];
  return {
    picks,
    sections,
    priceMinor: totalMinor(prices),
    proven: sections.every(({ result }) => result.kind === 'plan' && result.proven),
  };
}

function sectionPlan(
  frames: readonly FrameWanted[],
  profile: Profile,
  kind: SawnKind,
  rack: readonly RackBar[],
  rules: HouseRules,
  random: () => number,
): SectionPlan[] {
  const parts = frames.filter((frame) => frame.profile === profile.id).flatMap((frame) => pieces(frame.parts, kind, frame.whose));
  const list = { timber: profile.timber, brace: profile.brace.lengths, bead: profile.beads }[kind];
  // Bead strips that the house does not buy come from its offcuts.
  if (parts.length === 0 || (kind === 'bead' && list.length === 0)) return [];
  const onRack = rack
    .filter((bar) => bar.kind === kind && bar.profile === profile.id)
    .map((bar): TimberStock => ({ id: bar.id, lengthMm: bar.lengthMm, priceMinor: 0, available: bar.count }));
  const section = {
    timber: { widthMm: profile.widthMm, depthMm: profile.depthMm },
    brace: profile.brace,
    bead: { widthMm: BEAD_WIDTH_MM, depthMm: profile.beadMm },
  }[kind];
  const result = cutTimber(parts, [...onRack, ...boughtLengths(list)], assumed(rules, 'kerf'), random);
  return [{ profile: profile.id, kind, section: { widthMm: section.widthMm, depthMm: section.depthMm }, parts, result }];
}

/** Slotted bars to order for all frames of a plan together, by bar and length: "24 of 400 mm, 24 of 300 mm". */
export function orderTotals({ picks }: BuyingPlan): { profile: string; family: string; lengthMm: number; bars: number }[] {
  const totals = new Map<string, { profile: string; family: string; lengthMm: number; bars: number }>();
  for (const { profile, family, lengthMm, order } of picks.flatMap(({ list }) => list.lines)) {
    if (order === 0) continue;
    const key = JSON.stringify([profile, family, lengthMm]);
    const there = totals.get(key) ?? { profile, family, lengthMm, bars: 0 };
    totals.set(key, { ...there, bars: there.bars + order });
  }
  return [...totals.values()].sort((a, b) => a.profile.localeCompare(b.profile) || b.lengthMm - a.lengthMm);
}

/** What a plan takes from the rack and puts back: counts by row id, and offcuts that the house keeps. */
export function rackChanges(
  plan: BuyingPlan,
  rack: readonly RackBar[],
  rules: HouseRules,
): { taken: Map<string, number>; offcuts: Omit<RackBar, 'id'>[] } {
  const taken = new Map<string, number>();
  const take = (id: string, count: number) => taken.set(id, (taken.get(id) ?? 0) + count);
  let left = [...rack];
  for (const { list } of plan.picks) {
    const after = withoutPicked(left, list);
    for (const bar of left) take(bar.id, bar.count - (after.find((one) => one.id === bar.id)?.count ?? 0));
    left = after;
  }
  const offcuts: Omit<RackBar, 'id'>[] = [];
  const least = assumed(rules, 'leastBar');
  for (const { profile, kind, result } of plan.sections) {
    if (result.kind !== 'plan') continue;
    for (const bar of result.bars) {
      if (bar.stock.available !== null) take(bar.stock.id, 1);
      if (kind !== 'bead' && bar.leftoverMm >= least) offcuts.push(offcut(profile, kind, bar));
    }
  }
  for (const [id, count] of taken) if (count === 0) taken.delete(id);
  return { taken, offcuts };
}

const offcut = (profile: string, kind: 'timber' | 'brace', bar: SawnBar): Omit<RackBar, 'id'> => ({
  profile,
  kind,
  family: 'sawn',
  lengthMm: Math.floor(bar.leftoverMm),
  count: 1,
  mark: 'offcut',
});
