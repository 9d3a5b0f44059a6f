/*
 * Tear or cut, and in what order: a plain raw weave follows one thread after a snip; primed, dense or printed cloth
 * does not.
 */
import { type Tape, printLength } from '../units/length';
import type { Fabric } from './fabrics';

export interface CuttingPlan {
  way: 'tear' | 'cut';
  steps: string[];
}

/**
 * How to take a piece off the roll, in order.
 *
 * @param fit size along and across the roll, mm
 */
export function cuttingSteps(
  fabric: Fabric,
  fit: { alongMm: number; acrossMm: number; sparesMm: number },
  washFirst: boolean,
  tape: Tape,
): CuttingPlan {
  const way = fabric.tearsTrue ? 'tear' : 'cut';
  const [along, across] = [printLength(fit.alongMm, tape, 'up'), printLength(fit.acrossMm, tape, 'up')];
  const second =
    fit.sparesMm < 1
      ? `The whole width is used: keep the selvedge out of the fold.`
      : way === 'tear'
        ? `Snip at ${across} from the selvedge, tear along the warp.`
        : `Mark ${across} from the selvedge at both ends, cut along the rule.`;
  const first =
    way === 'tear'
      ? [`Snip ${printLength(20, tape)} into the selvedge at ${along}, tear across in one pull: it follows one thread.`]
      : [`Draw or mark one thread across at ${along}; cut along it on the table, blade upright.`];
  const wash = washFirst ? ['Wash, dry flat, iron damp along the threads; then measure again.'] : [];
  const side = fabric.primed
    ? 'Primed side down on a clean sheet.'
    : 'Choose the side with fewer knots and slubs for the face; lay it down.';
  return { way, steps: [...first, second, ...wash, side] };
}
