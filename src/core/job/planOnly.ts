/* What one canvas hands on to another: its plan, and nothing that was read, done or noted on it. */
import { type JobInputs, newInputs } from './job';

/** Titles are at most so long, letters. */
const LONGEST_TITLE = 120;

/**
 * The plan of a job for another canvas: brief, bars, cloth, route, ground and label-free hand-over as they are; readings, knots,
 * ticks, measured air, notes on how it went and the day it is wanted are left behind. A painting and the frame it goes into are measured anew.
 *
 * @example planOnly({ ...newInputs('Study', length(400), length(300)), kit: ['keys'] }, 'Study, again').kit // []
 */
export function planOnly(inputs: JobInputs, title: string): JobInputs {
  const { brief, bars, square, cloth, fasten, tune, prime, handover } = inputs;
  const fresh = newInputs(title, brief.width, brief.height);
  return {
    brief: { ...brief, title, dueOn: null, rebate: fresh.brief.rebate, notKnown: [] },
    look: fresh.look,
    kit: [],
    bars,
    square: { ...fresh.square, blade: square.blade, trust: square.trust },
    cloth: { ...cloth, laidAgain: false, left: fresh.cloth.left, painting: fresh.cloth.painting, found: fresh.cloth.found },
    fasten: { ...fasten, knots: [], laid: fresh.fasten.laid, asDone: fresh.fasten.asDone },
    tune: { ...fresh.tune, weight: { ...tune.weight, lightSag: null, heavySag: null } },
    prime: {
      ...prime,
      roomC: fresh.prime.roomC,
      roomRh: fresh.prime.roomRh,
      airBy: fresh.prime.airBy,
      waterParts: null,
      mixedMl: null,
      leftMl: null,
    },
    handover: { ...fresh.handover, hanging: handover.hanging },
  };
}

/**
 * A title for each of several canvases: the same with its place among them; cut where it would get too long.
 *
 * @param count from 1
 * @example numberedTitles('Class canvas', 2) // ['Class canvas, 1 of 2', 'Class canvas, 2 of 2']
 */
export const numberedTitles = (title: string, count: number): string[] => {
  if (count === 1) return [title];
  const ends = Array.from({ length: count }, (_, index) => `, ${index + 1} of ${count}`);
  return ends.map((end) => `${title.slice(0, LONGEST_TITLE - end.length).trimEnd()}${end}`);
};
