import type { JobInputs } from '@/core/job/job';

/** Hands that vary, for the band. */
export const HANDS = 12;

/** What the simulated cloth depends on, as text: not how it was laid, nor how the fastening went. */
export const clothKey = ({ brief, bars, cloth, fasten }: JobInputs, rules: object, ...more: unknown[]): string =>
  JSON.stringify([
    brief.width,
    brief.height,
    bars,
    cloth.fabric,
    cloth.warp,
    cloth.grip,
    { ...fasten, laid: null, asDone: null },
    rules,
    ...more,
  ]);
