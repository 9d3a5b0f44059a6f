import { foldLayers, usedFold } from '../cloth/usedFold';
import type { Profile } from '../frame/profiles';
import type { HouseRules } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import type { JobInputs } from '../job/job';

/**
 * How deep a canvas is, front to back, mm: the bar with its bead and the cloth on the face and on the back; and at a corner, where
 * the cloth is folded over itself on the back. Bars, place, section and the framer’s order all take it from here.
 *
 * @param backLayers layers of cloth on the back of a folded corner, at least the one that lies there everywhere
 * @example canvasDepth({ depthMm: 17, beadMm: 2 }, 0.6, 3) // { bodyMm: 20.2, cornerMm: 21.4 }
 */
export function canvasDepth(
  { depthMm, beadMm }: Pick<Profile, 'depthMm' | 'beadMm'>,
  thicknessMm: number,
  backLayers = 1,
): { bodyMm: number; cornerMm: number } {
  const bodyMm = depthMm + beadMm + 2 * thicknessMm;
  return { bodyMm, cornerMm: bodyMm + (Math.max(1, backLayers) - 1) * thicknessMm };
}

/** How deep the canvas of a job is, mm: its body, and where its corners are folded. */
export function wholeDepth({ brief, bars, cloth }: Pick<JobInputs, 'brief' | 'bars' | 'cloth'>, rules: HouseRules) {
  const profile = profileOf(rules, bars.profile);
  const { thicknessMm } = fabricOf(rules, cloth.fabric);
  const { back } = foldLayers(usedFold({ brief, cloth }), canvasDepth(profile, thicknessMm).bodyMm);
  return canvasDepth(profile, thicknessMm, back);
}
