/*
 * Readings of a frame as observations for the fit: each with its value, its standard deviation and what it measures.
 * Soft knowledge joins them: opposite bars are a pair, and have their planned length.
 */
import { SIDES, type Side, isLevel } from '../../job/sides';
import { CORNERS, type Corner, type Corners, LENGTHS, TAPE_NAMES, type TapeName, cornerOver } from './corners';

/** mm above 0, null where nothing was read. `down` runs top left to bottom right, `up` bottom left to top right. */
export type TapeReadings = Record<TapeName, number | null>;
/** How far a corner opens beyond (+) or falls short of (−) a right angle over the blade, mm; null where not tried. */
export type CornerGaps = Record<Corner, number | null>;

export interface Knowledge {
  /** One standard deviation of a tape reading, mm. */
  tapeMm: number;
  /** Of the difference between opposite bars, mm; Infinity when nothing is known. */
  pairMm: number;
  /** Of a pair's mean length against the plan, mm; Infinity when nothing is known. */
  nominalMm: number;
  /** Of a gap under the blade, mm. */
  gapMm: number;
  bladeMm: number;
}

export const NOTHING_READ = { top: null, right: null, bottom: null, left: null, down: null, up: null } satisfies TapeReadings;
export const NO_GAPS: CornerGaps = { topLeft: null, topRight: null, bottomRight: null, bottomLeft: null };

export interface Observation {
  is:
    | { kind: 'tape'; name: TapeName }
    | { kind: 'gap'; corner: Corner }
    | { kind: 'pair'; pair: 'width' | 'height' }
    | { kind: 'size'; pair: 'width' | 'height' };
  value: number;
  sd: number;
  of: (corners: Corners) => number;
}

const PAIRS = { width: ['top', 'bottom'], height: ['right', 'left'] } as const;

/** Everything that was read or is known, as observations. */
export function observationsOf(
  readings: TapeReadings,
  gaps: CornerGaps,
  nominal: { widthMm: number; heightMm: number },
  { tapeMm, pairMm, nominalMm, gapMm, bladeMm }: Knowledge,
): Observation[] {
  const tape = TAPE_NAMES.flatMap((name): Observation[] =>
    readings[name] === null ? [] : [{ is: { kind: 'tape', name }, value: readings[name], sd: tapeMm, of: LENGTHS[name] }],
  );
  const square = CORNERS.flatMap((corner): Observation[] =>
    gaps[corner] === null
      ? []
      : [{ is: { kind: 'gap', corner }, value: gaps[corner] / bladeMm, sd: gapMm / bladeMm, of: (at) => cornerOver(at, corner) }],
  );
  const known = (['width', 'height'] as const).flatMap((pair): Observation[] => {
    const [one, other] = PAIRS[pair].map((side) => LENGTHS[side]) as [(at: Corners) => number, (at: Corners) => number];
    const wanted = pair === 'width' ? nominal.widthMm : nominal.heightMm;
    return [
      { is: { kind: 'pair', pair }, value: 0, sd: Math.min(pairMm, UNKNOWN_MM), of: (at) => one(at) - other(at) },
      { is: { kind: 'size', pair }, value: wanted, sd: Math.min(nominalMm, UNKNOWN_MM), of: (at) => (one(at) + other(at)) / 2 },
    ];
  });
  return [...tape, ...square, ...known];
}

/** Standing in for "nothing is known", so that a side not read still has a length. */
const UNKNOWN_MM = 200;
/** An observation so many times less sure has no say. */
export const HARDLY = 400;

/** A reading that no frame of this plan has, with the most or the least that it could be and why. */
export interface ImpossibleReading {
  kind: 'impossible';
  /** A length, or the gap under a set square in a corner. */
  reading: TapeName | Corner;
  readMm: number;
  limitMm: number;
  because: string;
}

/** The gap of a set square that no corner of a frame has, or null: one that leans by more than 30 degrees. */
export function impossibleGap(gaps: CornerGaps, bladeMm: number): ImpossibleReading | null {
  const [widest] = CORNERS.flatMap((corner) => (gaps[corner] === null ? [] : [{ corner, mm: Math.abs(gaps[corner]) }])).sort(
    (a, b) => b.mm - a.mm,
  );
  if (!widest || widest.mm <= bladeMm * MOST_LEAN) return null;
  const because = 'so wide a gap would lean the frame by more than 30 degrees';
  return { kind: 'impossible', reading: widest.corner, readMm: widest.mm, limitMm: bladeMm * MOST_LEAN, because };
}

/** A frame that leans by more than 30 degrees is none: the sine of it. */
const MOST_LEAN = 0.5;

/** A side this part longer or shorter than planned is none of this frame. */
const OFF_PLAN = 0.25;

/** The reading that cannot be, or null: of sides the one furthest off the plan, then of diagonals the longest or the shortest. */
export function impossibleReading(
  readings: TapeReadings,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): ImpossibleReading | null {
  const impossible = (reading: TapeName, limitMm: number, because: string): ImpossibleReading => ({
    kind: 'impossible',
    reading,
    readMm: readings[reading]!,
    limitMm,
    because,
  });
  const nothing = TAPE_NAMES.find((name) => readings[name] !== null && !(readings[name] > 0 && Number.isFinite(readings[name])));
  if (nothing) return impossible(nothing, 0, 'a length is above 0');
  const planned = (name: Side) => (isLevel(name) ? widthMm : heightMm);
  const side = (name: Side) => readings[name] ?? planned(name);
  const [farthest] = SIDES.map((name) => {
    const part = side(name) / planned(name);
    return { name, limit: part > 1 ? 1 + OFF_PLAN : 1 - OFF_PLAN, off: Math.max(part / (1 + OFF_PLAN), (1 - OFF_PLAN) / part) };
  }).sort((a, b) => b.off - a.off);
  if (farthest!.off > 1) {
    const { name, limit } = farthest!;
    return impossible(name, limit * planned(name), 'it is more than a quarter off the plan; a unit may have slipped');
  }
  const { down, up } = readings;
  const most = Math.min(side('top') + side('right'), side('left') + side('bottom'));
  const longer = (down ?? 0) > (up ?? 0) ? 'down' : 'up';
  if ((readings[longer] ?? 0) >= most) return impossible(longer, most, 'a diagonal is shorter than two sides together');
  const least = Math.max(Math.abs(side('top') - side('right')), Math.abs(side('left') - side('bottom')));
  const shorter = (down ?? Infinity) < (up ?? Infinity) ? 'down' : 'up';
  if ((readings[shorter] ?? Infinity) <= least)
    return impossible(shorter, least, 'a diagonal is longer than the difference of two sides');
  if (down !== null && up !== null && Math.abs(down ** 2 - up ** 2) > 2 * widthMm * heightMm)
    return impossible(longer, widthMm + heightMm, 'two diagonals so unlike would lean the frame by more than 30 degrees');
  return null;
}
