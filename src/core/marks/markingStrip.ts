/*
 * What a strip of paper along a bar carries: the places of its fasteners with their numbers, the ends of braces with their
 * pilots, the stretches that nothing goes into. Measured along the bar as the frame lies back up: from the end at the left hand,
 * or from the top.
 */
import { profileOf } from '../house/materials';
import type { JobCase } from '../case/jobCase';
import { type Side, isLevel } from '../job/sides';
import { type SideWords, sideWords } from '../job/sideWords';
import { barredPlaces } from '../stages/fasten/jobRoute';

export interface MarkingStrip {
  side: Side;
  /** What the bar is called, seen from the back. */
  name: string;
  lengthMm: number;
  /** Its fasteners go into the edge of the bar, not into its back. */
  onEdge: boolean;
  /** The ends it runs from and to, as seen from the back. */
  from: string;
  to: string;
  /** By the number they have in the route; of a pair "12 · 13" where both bars have one there. */
  fasteners: { atMm: number; label: string }[];
  /** Middle and width of each brace that ends on this bar, and its pilot holes. */
  braces: { atMm: number; widthMm: number; pilots: number[] }[];
  barred: { fromMm: number; toMm: number }[];
}

/** Screws in the end of a brace stand a quarter of its width from its edges when there are two. */
const TWO_PILOTS = 0.25;

/**
 * The strip of one bar.
 *
 * @param here under any view: a strip lies on the back
 */
export function markingStrip({ inputs, plan, house }: JobCase, side: Side): MarkingStrip {
  const { brief, bars } = inputs;
  const level = isLevel(side);
  const lengthMm = level ? brief.width.mm : brief.height.mm;
  // From the back a level bar runs the other way.
  const along = (mm: number) => (level ? lengthMm - mm : mm);
  const say = sideWords('back');
  const { profile } = plan.bars;
  const parts = level ? bars.bracesUpright : bars.bracesLevel;
  const screws = plan.bars.fixings.find((one) => one.where === 'brace end' && one.what === 'screw');
  const ends = 2 * (bars.bracesUpright.length + bars.bracesLevel.length);
  const each = screws && ends > 0 ? Math.round(screws.count / ends) : 0;
  const braceMm = profileOf(house.rules, profile.id).brace.widthMm;
  const pilots = (atMm: number) => {
    if (each === 0) return [];
    return each === 1 ? [atMm] : [atMm - TWO_PILOTS * braceMm, atMm + TWO_PILOTS * braceMm];
  };
  const barred = barredPlaces(inputs, house.rules, plan.fasten.seen, plan.cloth.painting)[side];
  return {
    side,
    name: `${say.side(side)} bar`,
    lengthMm,
    onEdge: plan.cloth.painting ? plan.fasten.seen.includes(side) : plan.cloth.cut.margins[side].onEdge,
    from: endWord(say, side, 0),
    to: endWord(say, side, 1),
    fasteners: plan.fasten.route.steps
      .filter((step) => step.act === 'fix' && step.side === side)
      .map(({ offsetMm, order }) => ({ atMm: along(lengthMm / 2 + offsetMm), label: String(order) }))
      .sort((a, b) => a.atMm - b.atMm),
    braces: parts
      .map((part) => along(part * lengthMm))
      .sort((a, b) => a - b)
      .map((atMm) => ({ atMm, widthMm: braceMm, pilots: pilots(atMm) })),
    barred: barred.map(({ fromMm, toMm }) => {
      const [one, other] = [along(lengthMm / 2 + fromMm), along(lengthMm / 2 + toMm)];
      return { fromMm: Math.max(0, Math.min(one, other)), toMm: Math.min(lengthMm, Math.max(one, other)) };
    }),
  };
}

/** Two places on one strip that are nearer than this are one, mm. */
const SAME_MM = 0.05;

/**
 * One strip for two opposite bars: a place that both have carries both numbers, one that only one has says which.
 *
 * @throws RangeError for bars of different lengths
 */
export function pairStrip(one: MarkingStrip, other: MarkingStrip): MarkingStrip {
  if (one.lengthMm !== other.lengthMm)
    throw new RangeError(`a pair of bars is alike, got ${one.lengthMm} and ${other.lengthMm} mm`);
  const beside = (atMm: number, { fasteners }: MarkingStrip) => fasteners.find((place) => Math.abs(place.atMm - atMm) < SAME_MM);
  const own = one.fasteners.map(({ atMm, label }) => {
    const there = beside(atMm, other);
    return { atMm, label: there ? `${label} · ${there.label}` : `${label} ${one.name.split(' ')[0]}` };
  });
  const rest = other.fasteners
    .filter(({ atMm }) => !beside(atMm, one))
    .map(({ atMm, label }) => ({ atMm, label: `${label} ${other.name.split(' ')[0]}` }));
  return {
    ...one,
    name: `${one.name.split(' ')[0]} and ${other.name}`,
    fasteners: [...own, ...rest].sort((a, b) => a.atMm - b.atMm),
    onEdge: one.onEdge || other.onEdge,
    barred: [...one.barred, ...other.barred.filter((two) => !one.barred.some((zone) => zone.fromMm === two.fromMm))],
  };
}

/** Which corner the first (0) or last (1) end of a strip lies at, as seen from the back. */
function endWord(say: SideWords, side: Side, index: 0 | 1): string {
  if (isLevel(side)) return index === 0 ? 'left' : 'right';
  return index === 0 ? 'top' : 'bottom';
}

/** What a margin goes through from the cut edge to the face, mm from the cut edge. */
export interface MarginLine {
  atMm: number;
  what: 'cut edge' | 'hem fold' | 'fasteners' | 'back fold' | 'face';
}

/**
 * The lines of a margin along one side of the cloth, from its cut edge inward.
 *
 * @example marginLines({ edgeMm: 20, returnMm: 40, hemMm: 10, reserveMm: 0, gripMm: 5, fastenerAtMm: 22, onEdge: false }).map((line) => line.atMm) // [0, 15, 33, 55, 75]
 */
export function marginLines(margin: {
  edgeMm: number;
  returnMm: number;
  hemMm: number;
  reserveMm: number;
  gripMm: number;
  fastenerAtMm: number;
  onEdge: boolean;
}): MarginLine[] {
  const hemFold = margin.gripMm + margin.reserveMm + margin.hemMm;
  const backFold = hemFold + margin.returnMm;
  const face = backFold + margin.edgeMm;
  const fasteners = margin.onEdge ? face - margin.fastenerAtMm : backFold - margin.fastenerAtMm;
  const line = (what: MarginLine['what'], atMm: number): MarginLine => ({ what, atMm });
  return [
    line('cut edge', 0),
    ...(margin.hemMm > 0 ? [line('hem fold', hemFold)] : []),
    line('fasteners', fasteners),
    ...(margin.returnMm > 0 ? [line('back fold', backFold)] : []),
    line('face', face),
  ];
}
