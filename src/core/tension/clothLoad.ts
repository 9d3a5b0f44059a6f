/*
 * What pulls at the bars: the tension the cloth is stretched to, and what size, ground and dry air add to it later.
 */
import { type HouseRules, assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { primingOf } from '../prime/primingOf';

export interface ClothLoad {
  firstNPerM: number;
  lastingNPerM: number;
  /** What is added, in words, N/m. */
  added: { what: string; nPerM: number }[];
}

/**
 * The pull of the cloth on a bar at first and at its hardest, N/m.
 *
 * @example clothLoad(newInputs('Study', length(400), length(300)), DEFAULT_RULES).lastingNPerM // 335
 */
export function clothLoad(inputs: Pick<JobInputs, 'brief' | 'bars' | 'prime'>, rules: HouseRules): ClothLoad {
  const { coats } = primingOf(inputs);
  const { bars } = inputs;
  const sizes = coats.filter((coat) => coat.kind === 'size').length;
  const grounds = coats.length - sizes;
  const added = [
    { what: 'size', nPerM: sizes > 0 ? assumed(rules, 'sizeRise') : 0 },
    { what: grounds === 1 ? 'one coat of ground' : `${grounds} coats of ground`, nPerM: grounds * assumed(rules, 'groundRise') },
    { what: 'dry air', nPerM: assumed(rules, 'dryRise') },
  ].filter((one) => one.nPerM > 0);
  return {
    firstNPerM: bars.tensionNPerM,
    lastingNPerM: bars.tensionNPerM + added.reduce((sum, one) => sum + one.nPerM, 0),
    added,
  };
}
