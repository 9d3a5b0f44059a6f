/*
 * How much to mix for a coat: area × absorption, plus what stays in pot and brush. Glue is weighed against
 * water (1 part to 10–14); grounds are thinned by volume. Thin size is taken as 1 g a ml.
 */
import type { Coat } from './grounds';

export interface CoatRecipe {
  totalMl: number;
  /** Dry glue, g; 0 for grounds. */
  glueG: number;
  groundMl: number;
  waterMl: number;
}

/** Area to coat, m²: face, edges when they are primed, back when it is. */
export function primedArea(face: { widthMm: number; heightMm: number }, depthMm: number, edges: boolean, back: boolean): number {
  const faceArea = face.widthMm * face.heightMm;
  const edgeArea = edges ? 2 * (face.widthMm + face.heightMm) * depthMm : 0;
  return (faceArea + edgeArea + (back ? faceArea : 0)) / 1e6;
}

/**
 * The mix for one coat.
 *
 * @param areaM2 above 0 and at most 200 m²
 * @param absorbMlPerM2 ml a square metre
 * @param lossPercent left in pot and brush
 * @throws RangeError for an area nobody primes
 * @example coatRecipe(1, { kind: 'size', waterParts: 12 }, 130, 0).glueG // 10
 */
export function coatRecipe(
  areaM2: number,
  coat: Pick<Coat, 'kind' | 'waterParts'>,
  absorbMlPerM2: number,
  lossPercent: number,
): CoatRecipe {
  if (!(areaM2 > 0 && areaM2 <= 200)) throw new RangeError(`area must be above 0 and at most 200 m², got ${areaM2}`);
  const totalMl = areaM2 * absorbMlPerM2 * (1 + lossPercent / 100);
  const waterMl = (totalMl * coat.waterParts) / (1 + coat.waterParts);
  const rest = totalMl - waterMl;
  return { totalMl, waterMl, glueG: coat.kind === 'size' ? rest : 0, groundMl: coat.kind === 'size' ? 0 : rest };
}
