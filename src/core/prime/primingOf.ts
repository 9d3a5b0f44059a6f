import { type UseId, byId, isPainted } from '../house/schools';
import type { JobInputs } from '../job/job';
import { runOf } from '../stages/stages';
import { type PrimingSystem, SYSTEMS } from './grounds';

/**
 * What a canvas is primed with: what was chosen, and nothing where the run of its use has no priming. Whatever a field was left
 * at, no list, weight, pull or price of a painting holds a ground.
 *
 * @example primingOf({ brief: { use: 'restretch' }, prime: { system: 'acrylic' } }).coats // []
 */
export function primingOf({ brief, prime }: { brief: { use: UseId }; prime: Pick<JobInputs['prime'], 'system'> }): PrimingSystem {
  return byId(SYSTEMS, runOf(isPainted(brief.use)).includes('prime') ? prime.system : 'none');
}
