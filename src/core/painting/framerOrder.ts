/* The frame to order for a canvas: what its rebate, lip and depth must be, so that it goes in, can be keyed and nothing shows. */
import { assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import type { PlanContext } from '../stages/planContext';
import { wholeDepth } from './canvasDepth';
import { bulkOf, wholeGrowth } from './planRebate';
import { rebateToOrder } from './rebateFit';

interface Size {
  widthMm: number;
  heightMm: number;
}

export interface FramerOrder {
  /** The opening with the clearance of the brief, mm. */
  rebate: Size;
  /** The opening that also takes the corners opened to their end; null where they do not open. */
  keyed: Size | null;
  /** How far the lip must reach over the opening so that no light falls past it, also once keyed, mm. */
  lipMm: number;
  /** From the step to the back of the frame, so that nothing stands proud, its folded corners neither, mm. */
  depthMm: number;
}

/**
 * What to order of a framer for the face of a job; its clearance is that of the brief.
 *
 * @param bareMm the widest strip of bare cloth inside the edge of the face, which the lip must cover wherever the canvas slides
 * @example framerOrder(newInputs('Study', length(400), length(300)), context).rebate.widthMm > 404 // true
 */
export function framerOrder(inputs: JobInputs, { rules }: PlanContext, bareMm = 0): FramerOrder {
  const { brief, bars, cloth } = inputs;
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const canvas = { ...face, bulkMm: bulkOf(inputs, rules) };
  const gapMm = brief.rebateClearance.mm / 2;
  const growth = wholeGrowth(inputs, rules);
  const rebate = rebateToOrder(canvas, gapMm, { widthMm: 0, heightMm: 0 });
  const keyed = growth && rebateToOrder(canvas, gapMm, growth);
  const widest = keyed ?? rebate;
  // Laid against one step, the whole gap is at the other: there the lip must still reach over the face.
  const across = Math.max(widest.widthMm - face.widthMm, widest.heightMm - face.heightMm);
  return {
    rebate,
    keyed,
    lipMm: across + bareMm + assumed(rules, 'lipHides'),
    depthMm: wholeDepth({ brief, bars, cloth }, rules).cornerMm,
  };
}
