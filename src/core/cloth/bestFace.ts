/*
 * The largest face a painted image fills, when the size is still free: the frame is turned so that the edges that
 * must stay parallel waver least, then as wide and high as the image is everywhere.
 */
import { type PaintedImage, type Priorities, UNSEEN_MM, edgeWeight, leastTurn, mean, outlineOf, turned } from './registration';
import { SIDES, type Side } from '../job/sides';
import { withoutDust } from '../units/numeral';

export interface FaceSize {
  widthMm: number;
  heightMm: number;
}

/** The largest face without bare cloth, mm; with bare cloth allowed, the mean size. */
export function bestFace(image: PaintedImage, { keep, mayBare }: Pick<Priorities, 'keep' | 'mayBare'>): FaceSize {
  const points = outlineOf(image);
  const across = (lying: typeof points, side: Side) =>
    lying[side].map(({ x, y }) => (side === 'top' || side === 'bottom' ? y : x));
  const turn = leastTurn((at) => {
    const lying = turned(points, at);
    return SIDES.reduce((sum, side) => sum + edgeWeight(side, keep) * variance(across(lying, side)), 0);
  });
  const best = turned(points, turn);
  const near = (side: Side) => (mayBare ? mean(across(best, side)) : Math.max(...across(best, side)));
  const far = (side: Side) => (mayBare ? mean(across(best, side)) : Math.min(...across(best, side)));
  return { widthMm: far('right') - near('left'), heightMm: far('bottom') - near('top') };
}

const variance = (values: readonly number[]) => {
  const middle = mean(values);
  return mean(values.map((one) => (one - middle) ** 2));
};

export interface OfferedFace extends FaceSize {
  why: 'folds' | 'exact' | 'round' | 'bars';
}

/**
 * Faces to choose from, each no larger than the image fills: to the tape’s step, to 5 mm, and from lengths of bars
 * that are sold in pairs.
 *
 * @param pairsMm lengths of pairs, mm
 * @param stepMm of the tape
 * @example offeredFaces({ widthMm: 803.4, heightMm: 611.2 }, [500, 600, 800], 1)[2] // { widthMm: 800, heightMm: 600, why: 'bars' }
 */
export function offeredFaces({ widthMm, heightMm }: FaceSize, pairsMm: readonly number[], stepMm: number): OfferedFace[] {
  const down = (mm: number, step: number) => withoutDust(Math.floor((mm + UNSEEN_MM) / step) * step);
  const pair = (mm: number) => Math.max(0, ...pairsMm.filter((one) => one <= mm + UNSEEN_MM));
  const offered: OfferedFace[] = [
    { widthMm: down(widthMm, stepMm), heightMm: down(heightMm, stepMm), why: 'exact' },
    { widthMm: down(widthMm, 5), heightMm: down(heightMm, 5), why: 'round' },
    { widthMm: pair(widthMm), heightMm: pair(heightMm), why: 'bars' },
  ];
  return offered.filter(
    (one, index) =>
      one.widthMm > 0 &&
      one.heightMm > 0 &&
      offered.findIndex((other) => other.widthMm === one.widthMm && other.heightMm === one.heightMm) === index,
  );
}
