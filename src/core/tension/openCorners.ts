/*
 * Opening the corners of a stretcher. At a corner both bars step out by its opening g, so a side grows by the openings of
 * its two corners; the gap across a mitre is g √2. Strain is growth over length, tension rises by stiffness × strain
 * (linear cloth, nothing slips at the fasteners: an upper estimate). Derived here.
 */
import { CORNERS, type Corner } from '../frame/square/corners';

/** How far each bar steps out at a corner, mm. */
export type Openings = Record<Corner, number>;

export const NOT_OPENED: Openings = { topLeft: 0, topRight: 0, bottomRight: 0, bottomLeft: 0 };

export const allCorners = (mm: number): Openings => ({ topLeft: mm, topRight: mm, bottomRight: mm, bottomLeft: mm });

/** Each corner of two openings by a rule. */
export const eachCorner = (of: (corner: Corner) => number): Openings =>
  Object.fromEntries(CORNERS.map((corner) => [corner, of(corner)])) as unknown as Openings;

export interface OpenedFrame {
  /** Growth of every side, mm. */
  top: number;
  bottom: number;
  left: number;
  right: number;
  /** Growth of the frame as it must fit a rebate: the larger of each pair, mm. */
  widthMm: number;
  heightMm: number;
  /** Diagonal from top left to bottom right less the other one, after less before, mm. */
  skewMm: number;
  strainWidth: number;
  strainHeight: number;
  riseWidthNPerM: number;
  riseHeightNPerM: number;
}

/**
 * What openings do to a frame and to the cloth on it.
 *
 * @param openings 0 mm or more at each corner
 * @param face outside of the frame before, mm
 * @param stiffness of the cloth along the width and along the height, kN/m
 * @throws RangeError for an opening below 0 or a face of 0
 * @example openCorners(allCorners(0.5), { widthMm: 1000, heightMm: 500 }, [20, 20]).riseWidthNPerM // 20
 */
export function openCorners(
  openings: Openings,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  [stiffWidth, stiffHeight]: readonly [width: number, height: number],
): OpenedFrame {
  for (const corner of CORNERS)
    if (!(openings[corner] >= 0)) throw new RangeError(`opening must be 0 mm or more, got ${openings[corner]} at ${corner}`);
  if (!(widthMm > 0 && heightMm > 0)) throw new RangeError(`face must be above 0, got ${widthMm} × ${heightMm} mm`);
  const { topLeft, topRight, bottomRight, bottomLeft } = openings;
  const sides = {
    top: topLeft + topRight,
    bottom: bottomLeft + bottomRight,
    left: topLeft + bottomLeft,
    right: topRight + bottomRight,
  };
  const strainWidth = (sides.top + sides.bottom) / 2 / widthMm;
  const strainHeight = (sides.left + sides.right) / 2 / heightMm;
  const diagonal = (one: number, other: number) => Math.hypot(widthMm + one + other, heightMm + one + other);
  return {
    ...sides,
    widthMm: Math.max(sides.top, sides.bottom),
    heightMm: Math.max(sides.left, sides.right),
    skewMm: diagonal(topLeft, bottomRight) - diagonal(topRight, bottomLeft),
    strainWidth,
    strainHeight,
    riseWidthNPerM: stiffWidth * 1000 * strainWidth,
    riseHeightNPerM: stiffHeight * 1000 * strainHeight,
  };
}

/** What opens a corner: a wedge by its depth and taper, or a bolt across the mitre by its turns and pitch. */
export type Opener = { kind: 'key'; taper: number } | { kind: 'bolt'; pitchMm: number };

/**
 * How much deeper a wedge goes, mm, or how many turns a bolt is given, for an opening.
 *
 * @param opener taper: mm of thickness a mm of depth, above 0; pitch: mm across the mitre a turn, above 0
 * @example driveFor(0.5, { kind: 'bolt', pitchMm: 1.4142135623730951 }) // 0.5
 */
export const driveFor = (openingMm: number, opener: Opener): number =>
  opener.kind === 'key' ? openingMm / opener.taper : (openingMm * Math.SQRT2) / opener.pitchMm;

/** The opening that a drive makes: the other way round. */
export const openingBy = (drive: number, opener: Opener): number =>
  opener.kind === 'key' ? drive * opener.taper : (drive * opener.pitchMm) / Math.SQRT2;

/** A quarter turn of a bolt, and the wedge that opens as little: what is done at one corner before going to the next, mm. */
const LEAST_STEP_MM = 0.2;

export interface OpeningStep {
  /** What every corner opens in this step, mm. */
  opens: Openings;
  /** Turns of the bolt or mm of the wedge, at each corner. */
  drive: Openings;
}

/**
 * From the openings so far to those wanted, in rounds over all four corners, no corner more than a quarter turn a round.
 *
 * @throws RangeError when a corner is open further than is wanted: it is not closed again by its opener
 */
export function openingSteps(soFar: Openings, wanted: Openings, opener: Opener): OpeningStep[] {
  const toGo = eachCorner((corner) => wanted[corner] - soFar[corner]);
  const back = CORNERS.find((corner) => toGo[corner] < -1e-9);
  if (back) throw new RangeError(`${back} is open by ${soFar[back]} mm already, more than the ${wanted[back]} mm wanted`);
  const quarter = opener.kind === 'bolt' ? openingBy(0.25, opener) : LEAST_STEP_MM;
  const most = Math.max(...CORNERS.map((corner) => toGo[corner]));
  const rounds = Math.ceil(most / quarter - 1e-9);
  return Array.from({ length: rounds }, () => {
    const opens = eachCorner((corner) => toGo[corner] / rounds);
    return { opens, drive: eachCorner((corner) => driveFor(opens[corner], opener)) };
  });
}
