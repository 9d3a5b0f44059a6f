import { byId, isPainted } from '../house/schools';
import type { JobInputs } from '../job/job';
import { CORNER_FOLDS, type CornerFold } from './cornerFolds';
import { wholeCorner } from './cornerTemplate';
import { type CornerLayers, cornerLayers } from './foldedCorner';

/**
 * The fold that the corners are made with: as chosen, but a single one where the chosen fold cuts into a painting’s cloth.
 *
 * @example usedFold({ brief: { use: 'restretch' }, cloth: { corner: 'trimmed' } }).id // 'single'
 */
export function usedFold({
  brief,
  cloth,
}: {
  brief: Pick<JobInputs['brief'], 'use'>;
  cloth: Pick<JobInputs['cloth'], 'corner'>;
}): CornerFold {
  const fold: CornerFold = byId(CORNER_FOLDS, cloth.corner);
  return isPainted(brief.use) && fold.cut !== 'never' ? byId(CORNER_FOLDS, 'single') : fold;
}

/** A margin on the back that every fold can be laid from, mm. */
const AMPLE_MM = 45;
const counted = new Map<string, CornerLayers>();

/**
 * Layers of cloth at a folded corner with ample margins: on the edge where the seam lies, and on the back; the one that lies there
 * everywhere among them.
 *
 * @param depthMm of the edge that the fold goes over
 * @example foldLayers(usedFold({ brief: { use: 'new' }, cloth: { corner: 'single' } }), 20).edge // 3
 */
export function foldLayers(fold: CornerFold, depthMm: number): CornerLayers {
  const key = `${fold.id} ${depthMm}`;
  const margin = depthMm + AMPLE_MM;
  const layers = counted.get(key) ?? cornerLayers(fold.creases, wholeCorner({ depthMm, sideMm: margin, endMm: margin }));
  counted.set(key, layers);
  return layers;
}
