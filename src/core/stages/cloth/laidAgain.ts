/* The frame laid on the cloth before the cut: a look at one cut says nothing of another. */
import type { JobInputs } from '../../job/job';

/** What the size of the piece, and how it lies, follow from. */
const cutOf = ({ brief, bars, cloth }: JobInputs): string =>
  JSON.stringify([
    brief.use,
    brief.width.mm,
    brief.height.mm,
    bars.profile,
    cloth.fabric,
    cloth.marginStyle,
    cloth.ownMargin,
    cloth.grip,
    cloth.warp,
    cloth.washFirst,
    cloth.takeOffStretch,
  ]);

/**
 * A job after a change: where the change is of what the cut follows from, the frame was not laid on it again.
 *
 * @param before as it was when the frame was laid on the cloth, or not yet
 */
export function laidForItsCut(before: JobInputs, after: JobInputs): JobInputs {
  if (!before.cloth.laidAgain || !after.cloth.laidAgain || cutOf(before) === cutOf(after)) return after;
  return { ...after, cloth: { ...after.cloth, laidAgain: false } };
}
