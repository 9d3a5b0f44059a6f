/* A painting off its bars: what is measured and written down when it is rolled, and the job that stretches it again. */
import { textOf } from '../shape/texts';
import { type JobInputs, newInputs } from '../job/job';
import { SIDES } from '../job/sides';
import { type ShapeOf, each, flag, lengthOf, oneOf, part, numberOf } from '../shape/shape';
import { faceLength } from '../stages/brief/briefInputs';

export const rolledShape = {
  /** The image, as it was measured. */
  width: faceLength,
  height: faceLength,
  /** What is left around it. */
  margins: part('rolledMargins', each(SIDES, lengthOf('margin'))),
  /** The painted side outside, as it should be. */
  faceOut: flag(true),
  /** Which way the roll runs. */
  along: oneOf(['width', 'height']),
  /** Diameter of the core, mm: the wider the better. */
  coreMm: numberOf('core', 150),
  place: textOf('place'),
};
export interface Rolled extends ShapeOf<typeof rolledShape> {}

/** What a re-stretch of rolled work starts with: its image as the face, its margins as they are. */
export function restretchInputs(title: string, { width, height, margins }: Rolled): JobInputs {
  const fresh = newInputs(title, width, height);
  const left = Object.fromEntries(
    SIDES.map((side) => [side, { first: margins[side], second: margins[side] }]),
  ) as JobInputs['cloth']['left'];
  return {
    ...fresh,
    brief: { ...fresh.brief, use: 'restretch' },
    cloth: {
      ...fresh.cloth,
      left,
      painting: { ...fresh.cloth.painting, top: width, bottom: width, left: height, right: height },
    },
  };
}
