/*
 * A simulated tape and frame to learn on: a frame that is off in a way drawn from a seed, and readings with the
 * noise of a tape, one of them wrong on demand. The same seed gives the same frame and the same readings.
 */
import { normal } from '../../normal';
import { CORNERS, type Corner, type Corners, type TapeName, cornerOver, lengthsOf } from './corners';
import { type TapeReadings } from './readings';
import { barsAtLean } from './press';

export interface PracticeFrame {
  /** What the tape would read without error, mm. */
  truth: Record<TapeName, number>;
  corners: Corners;
}

/** Standard deviations of the simulated workshop, mm. */
export interface PracticeErrors {
  pairMm: number;
  nominalMm: number;
}

/** A source of numbers from 0 to below 1, as d3-random's and Math.random. */
export type Random = () => number;

/**
 * A frame as built: pairs near their nominal length, bars of a pair a little unlike, leaning by up to a few mm.
 *
 * @param leanMm one standard deviation of how far the top slides
 */
export function practiceFrame(
  nominal: { widthMm: number; heightMm: number },
  errors: PracticeErrors,
  leanMm: number,
  random: Random,
): PracticeFrame {
  const pair = (wanted: number) => {
    const mean = wanted + normal(random, errors.nominalMm);
    const half = normal(random, errors.pairMm) / 2;
    return [mean + half, mean - half] as const;
  };
  const [top, bottom] = pair(nominal.widthMm);
  const [right, left] = pair(nominal.heightMm);
  const lean = Math.asin(Math.max(-0.5, Math.min(0.5, normal(random, leanMm) / nominal.heightMm)));
  return framed(barsAtLean({ top, right, bottom, left }, lean));
}

const framed = (corners: Corners): PracticeFrame => ({ truth: lengthsOf(corners), corners });

/** The frame after its longer diagonal was pressed until it slid by so many mm of its top towards square. */
export function pressed({ truth, corners }: PracticeFrame, slideMm: number): PracticeFrame {
  const lean = cornerOver(corners, 'bottomLeft');
  return framed(barsAtLean(truth, lean - slideMm / truth.left));
}

/**
 * Six readings of a frame with the tape's noise, to the half millimetre the eye reads; the blunder, when asked
 * for, is a misread of several mm on that reading.
 */
export function readPractice(
  { truth }: PracticeFrame,
  tapeMm: number,
  random: Random,
  blunder: { name: TapeName; offMm: number } | null = null,
): TapeReadings {
  return Object.fromEntries(
    (Object.keys(truth) as TapeName[]).map((name) => {
      const off = blunder?.name === name ? blunder.offMm : 0;
      return [name, Math.round(2 * (truth[name] + normal(random, tapeMm) + off)) / 2];
    }),
  ) as unknown as TapeReadings;
}

/** Set-square gaps of a frame over a blade, with the noise of a feeler, mm. */
export const readGaps = ({ corners }: PracticeFrame, bladeMm: number, gapMm: number, random: Random): Record<Corner, number> =>
  Object.fromEntries(CORNERS.map((corner) => [corner, cornerOver(corners, corner) * bladeMm + normal(random, gapMm)])) as Record<
    Corner,
    number
  >;
