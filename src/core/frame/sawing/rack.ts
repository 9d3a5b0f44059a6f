/*
 * The rack: bars, timber and braces that lie in the workshop. Slotted bars fit only their own family, and a frame
 * wants two pairs; what the rack lacks is ordered.
 */
import type { FramePart } from '../frameParts';
import type { Profile } from '../profiles';

export interface RackBar {
  id: string;
  profile: string;
  /** A slotted bar ready to use, timber to be sawn, or timber of the brace's section. */
  kind: 'pairs' | 'timber' | 'brace';
  /** Pieces of one family fit each other. */
  family: string;
  lengthMm: number;
  /** Single pieces. */
  count: number;
  /** What is written on it: a tag, where it came from. */
  mark: string;
}

/** Two bars are of one length when no tape tells them apart, mm. */
const SAME_MM = 0.5;
const alike = (a: number, b: number) => Math.abs(a - b) <= SAME_MM;

/** One line of a pick list: bars of one length for one frame. */
export interface Pick {
  profile: string;
  lengthMm: number;
  wanted: number;
  fromRack: number;
  order: number;
  family: string;
}

export interface PickList {
  family: string;
  lines: Pick[];
  /** Lengths that lie there, but in another family, which does not fit. */
  otherFamily: { family: string; lengthMm: number; count: number }[];
}

/**
 * What of a frame's slotted bars lies on the rack and what to order, all in one family: the one that leaves the
 * fewest bars to order, the profile's own family among equals.
 */
export function pickList(parts: readonly FramePart[], profile: Profile, rack: readonly RackBar[]): PickList {
  const wanted = new Map<number, number>();
  for (const part of parts.filter((one) => one.from === 'pairs'))
    wanted.set(part.lengthMm, (wanted.get(part.lengthMm) ?? 0) + part.count);
  const here = rack.filter((bar) => bar.kind === 'pairs' && bar.profile === profile.id);
  const families = [profile.family, ...here.map((bar) => bar.family)].filter((one, index, all) => all.indexOf(one) === index);
  const lists = families.map((family) => {
    // Two lengths that no tape tells apart share the bars that lie there: what one line takes is gone for the next.
    const free = here.filter((bar) => bar.family === family).map(({ lengthMm, count }) => ({ lengthMm, count }));
    return [...wanted].map(([lengthMm, count]): Pick => {
      const there = free.filter((bar) => alike(bar.lengthMm, lengthMm));
      const lying = there.reduce((sum, bar) => sum + bar.count, 0);
      // Ordered in pairs: one bar that lies there does not help where two are wanted of a length.
      const fromRack = Math.min(count, lying - (lying % 2));
      let taken = fromRack;
      for (const bar of there) {
        const now = Math.min(taken, bar.count);
        bar.count -= now;
        taken -= now;
      }
      return { profile: profile.id, lengthMm, wanted: count, fromRack, order: count - fromRack, family };
    });
  });
  const toOrder = (list: Pick[]) => list.reduce((sum, line) => sum + line.order, 0);
  const lines = lists.reduce((a, b) => (toOrder(b) < toOrder(a) ? b : a), lists[0] ?? []);
  const family = lines[0]?.family ?? profile.family;
  const otherFamily = lines.flatMap((line) =>
    line.order === 0
      ? []
      : here
          .filter((bar) => bar.family !== family && alike(bar.lengthMm, line.lengthMm))
          .map((bar) => ({ family: bar.family, lengthMm: bar.lengthMm, count: bar.count })),
  );
  return { family, lines, otherFamily };
}

/** The rack after bars were taken from it; rows that are used up are gone. */
export function withoutPicked(rack: readonly RackBar[], { family, lines }: PickList): RackBar[] {
  const left = rack.map((bar) => ({ ...bar }));
  for (const line of lines) {
    let need = line.fromRack;
    for (const bar of left) {
      if (bar.kind !== 'pairs' || bar.profile !== line.profile || bar.family !== family || !alike(bar.lengthMm, line.lengthMm))
        continue;
      const taken = Math.min(need, bar.count);
      bar.count -= taken;
      need -= taken;
    }
  }
  return left.filter((bar) => bar.count > 0);
}

export interface MakeableFrame {
  profile: string;
  family: string;
  widthMm: number;
  heightMm: number;
}

/**
 * Every frame that two pairs on the rack make, the longer side as the width; of one profile and one family.
 *
 * @example makeableFrames([{ id: 'a', profile: 'standard', kind: 'pairs', family: 'f', lengthMm: 600, count: 4, mark: '' }]).length // 1
 */
export function makeableFrames(rack: readonly RackBar[]): MakeableFrame[] {
  const frames: MakeableFrame[] = [];
  const groups = new Map<string, Map<number, number>>();
  for (const { profile, family, kind, lengthMm, count } of rack) {
    if (kind !== 'pairs') continue;
    const key = JSON.stringify([profile, family]);
    const lengths = groups.get(key) ?? new Map<number, number>();
    lengths.set(lengthMm, (lengths.get(lengthMm) ?? 0) + count);
    groups.set(key, lengths);
  }
  for (const [key, lengths] of groups) {
    const [profile, family] = JSON.parse(key) as [string, string];
    const ascending = [...lengths].sort(([a], [b]) => a - b);
    ascending.forEach(([heightMm, count], index) => {
      if (count >= 4) frames.push({ profile, family, widthMm: heightMm, heightMm });
      if (count < 2) return;
      for (const [widthMm, others] of ascending.slice(index + 1))
        if (others >= 2) frames.push({ profile, family, widthMm, heightMm });
    });
  }
  return frames;
}
