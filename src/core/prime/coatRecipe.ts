/*
 * How much to mix for a coat, for one canvas or a batch: area × what the cloth takes up, plus what stays in pot and brush.
 * Dry glue is weighed against water, everything else thinned by volume. Weights are whole grams that add up: water makes
 * up what rounding leaves.
 */
import { byId } from '../house/schools';
import type { Coat } from './grounds';
import { SUBSTANCES, type SubstanceId } from './substances';

/** One canvas of a batch. */
export interface CoatedArea {
  areaM2: number;
  absorbMlPerM2: number;
}

export interface CoatRecipe {
  substance: SubstanceId;
  totalMl: number;
  /** Dry glue, g; 0 where everything is poured. */
  glueG: number;
  /** What is poured, undiluted, ml; 0 for dry glue. */
  groundMl: number;
  waterMl: number;
  /** On the scale, whole grams: substance + water = total. */
  substanceG: number;
  waterG: number;
  totalG: number;
  /** What is left on the cloth when dry, without the loss, g. */
  dryG: number;
}

/** Most that is mixed at once, m². */
export const MOST_AREA_M2 = 200;

/** Area to coat, m²: face, edges when they are primed, back when it is. */
export function primedArea(face: { widthMm: number; heightMm: number }, depthMm: number, edges: boolean, back: boolean): number {
  const faceArea = face.widthMm * face.heightMm;
  const edgeArea = edges ? 2 * (face.widthMm + face.heightMm) * depthMm : 0;
  return (faceArea + edgeArea + (back ? faceArea : 0)) / 1e6;
}

/**
 * The mix for one coat on a batch of canvases.
 *
 * @param areas each above 0, together at most 200 m²; ml a square metre above 0
 * @param lossPercent left in pot and brush
 * @throws RangeError for an area that nobody primes, or no canvas at all
 * @example batchRecipe([{ areaM2: 1, absorbMlPerM2: 130 }], { substance: 'animalGlue', waterParts: 12 }, 0).substanceG // 10
 */
export function batchRecipe(
  areas: readonly CoatedArea[],
  coat: Pick<Coat, 'substance' | 'waterParts'>,
  lossPercent: number,
): CoatRecipe {
  const whole = areas.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  if (!(whole > 0 && whole <= MOST_AREA_M2 && areas.every(({ areaM2 }) => areaM2 > 0)))
    throw new RangeError(
      `area must be above 0 and at most ${MOST_AREA_M2} m², got ${areas.map(({ areaM2 }) => areaM2).join(' + ') || 'none'}`,
    );
  const soaked = areas.reduce((sum, { areaM2, absorbMlPerM2 }) => sum + areaM2 * absorbMlPerM2, 0);
  const totalMl = soaked * (1 + lossPercent / 100);
  const { unit, gPerMl, solids } = byId(SUBSTANCES, coat.substance);
  const waterMl = (totalMl * coat.waterParts) / (1 + coat.waterParts);
  const rest = totalMl - waterMl;
  const substanceG = Math.round(rest * gPerMl);
  const totalG = Math.round(rest * gPerMl + waterMl);
  return {
    substance: coat.substance,
    totalMl,
    glueG: unit === 'g' ? rest : 0,
    groundMl: unit === 'g' ? 0 : rest,
    waterMl,
    substanceG,
    waterG: totalG - substanceG,
    totalG,
    dryG: (soaked * gPerMl * solids) / (1 + coat.waterParts),
  };
}

/**
 * What each canvas took of the pot, ml: by what it was reckoned to take, so that the shares add up to what was used.
 *
 * @throws RangeError for less used than 0
 */
export function sharesOf(usedMl: number, areas: readonly CoatedArea[]): number[] {
  if (!(usedMl >= 0)) throw new RangeError(`used must be 0 ml or more, got ${usedMl}`);
  const soaked = areas.map(({ areaM2, absorbMlPerM2 }) => areaM2 * absorbMlPerM2);
  const whole = soaked.reduce((sum, one) => sum + one, 0);
  return soaked.map((one) => (usedMl * one) / whole);
}
