/* What the wood of one frame costs by the lists of its bar: pairs as they are sold, timber by whole lengths. */
import { type HouseRules, assumed } from '../../house/houseRules';
import { cutTimber } from './cutTimber';
import type { TimberPart } from './timberStock';
import type { FramePart } from '../frameParts';
import { totalMinor } from '../../units/money';
import type { PricedLength, Profile } from '../profiles';

/** What one kind of part of a frame costs. */
export interface WoodPrice {
  from: FramePart['from'];
  /** Minor units; null when the list has no length for a part. */
  minor: number | null;
}

export interface FramePrice {
  /** Minor units; null when a list has no length for a part. */
  minor: number | null;
  /** Bar lengths that are not on the list and must be made to order, mm. */
  special: number[];
}

/** The listed lengths on either side of one, or the one itself; null where the list ends. */
export function nearestListed(mm: number, list: readonly PricedLength[]): { below: number | null; above: number | null } {
  const lengths = list.map((one) => one.mm);
  return {
    below: lengths.filter((one) => one <= mm + 0.25).at(-1) ?? null,
    above: lengths.find((one) => one >= mm - 0.25) ?? null,
  };
}

/** Single pieces of the parts that are sawn from a list. */
export const pieces = (parts: readonly FramePart[], from: FramePart['from'], whose = ''): TimberPart[] =>
  parts
    .filter((part) => part.from === from)
    .flatMap((part) =>
      Array.from({ length: part.count }, () => ({
        label: whose ? `${whose}, ${part.name}` : part.name,
        lengthMm: part.lengthMm,
      })),
    );

/** The list as lengths that can be bought without limit. */
export const boughtLengths = (list: readonly PricedLength[]) =>
  list.map(({ mm, priceMinor }) => ({ id: `new ${mm}`, lengthMm: mm, priceMinor, available: null }));

/** Never asked for: a frame has fewer parts than the proven search takes. */
const steady = () => 0.5;

function sawnPrice(parts: TimberPart[], list: readonly PricedLength[], kerfMm: number): number | null {
  if (parts.length === 0) return 0;
  const result = cutTimber(parts, boughtLengths(list), kerfMm, steady);
  return result.kind === 'plan' ? result.priceMinor : null;
}

/** Price of a pair of this length: from the list, or made to order. */
export function pairPrice(mm: number, profile: Profile, rules: HouseRules): { minor: number | null; special: boolean } {
  const { below, above } = nearestListed(mm, profile.pairs);
  const at = (length: number) => profile.pairs.find((one) => one.mm === length)!.priceMinor;
  if (below !== null && below === above) return { minor: at(below), special: false };
  if (above !== null) return { minor: Math.round(at(above) * assumed(rules, 'specialFactor')), special: true };
  if (below === null) return { minor: null, special: true };
  return { minor: Math.round(((at(below) * mm) / below) * assumed(rules, 'specialFactor')), special: true };
}

/** Price of the wood of a frame: bars and braces, whole lengths paid; bead strips too where the house buys them. */
export function framePrice(parts: readonly FramePart[], profile: Profile, rules: HouseRules): FramePrice {
  const pairs = parts
    .filter((part) => part.from === 'pairs')
    .map((part) => ({ part, ...pairPrice(part.lengthMm, profile, rules) }));
  return {
    minor: totalMinor(woodPrices(parts, profile, rules).map(({ minor }) => minor)),
    special: pairs.filter((one) => one.special).map((one) => one.part.lengthMm),
  };
}

/** What the parts of a frame cost, kind by kind; only those that it has. */
export function woodPrices(parts: readonly FramePart[], profile: Profile, rules: HouseRules): WoodPrice[] {
  const kerf = assumed(rules, 'kerf');
  const paired = parts.filter((part) => part.from === 'pairs').map((part) => pairPrice(part.lengthMm, profile, rules).minor);
  const prices: Record<FramePart['from'], number | null> = {
    pairs: totalMinor(paired),
    timber: sawnPrice(pieces(parts, 'timber'), profile.timber, kerf),
    brace: sawnPrice(pieces(parts, 'brace'), profile.brace.lengths, kerf),
    bead: profile.beads.length === 0 ? 0 : sawnPrice(pieces(parts, 'bead'), profile.beads, kerf),
  };
  return (['pairs', 'timber', 'brace', 'bead'] as const)
    .filter((from) => parts.some((part) => part.from === from))
    .map((from) => ({ from, minor: prices[from] }));
}
