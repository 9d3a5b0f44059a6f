/* A corner of a job on the screen, as far as it is folded. */
import type { Corner } from '@/core/frame/square/corners';
import { FRONT_WORDS } from '@/core/job/sideWords';
import { cornerPattern, cornerSize } from '@/core/stages/cloth/planFold';
import { cornerStepScene } from './cornerStepScene';
import { cornerTemplateScene } from './cornerTemplateScene';
import type { Scene } from '../scene/scene';
import type { SceneInput } from '../stageScenes';

/**
 * A corner at a step of its fold, or what is cut off it first.
 *
 * @param step of the fold, from 0; beyond its last it is the last
 */
export function cornerScene({ inputs, plan, tape, say = FRONT_WORDS }: SceneInput, corner: Corner, step: number): Scene {
  const { cloth, bars } = plan;
  const parts = { profile: bars.profile, fabric: cloth.fabric, cut: cloth.cut, painting: cloth.painting };
  const size = cornerSize(corner, inputs, parts);
  const pattern = cloth.painting ? null : cornerPattern(cloth.corners.fold, size);
  const { fold } = cloth.corners;
  const { shows } = fold.steps[Math.min(step, fold.steps.length - 1)]!;
  if (pattern && shows === 'cut') return cornerTemplateScene(pattern, corner, inputs.cloth.seams, tape, 'screen', say);
  const folded = {
    fold,
    shows,
    depthMm: size.depthMm,
    barMm: bars.profile.widthMm,
    returnMm: Math.max(1, Math.min(size.sideMm, size.endMm) - size.depthMm),
    pattern,
  };
  return cornerStepScene(folded, corner, inputs.cloth.seams, say);
}
