/* What is measured canvas by canvas where a stage is recorded for a whole set: everything else of it is typed once. */
import type { JobInputs } from '../job/job';
import { NOTHING_READ } from '../frame/square/readings';
import type { Length } from '../units/length';

/** Stages at which each canvas is measured. */
export const MEASURED_STAGES = ['square', 'tune', 'handover'] as const;
export type MeasuredStage = (typeof MEASURED_STAGES)[number];

export interface Measured {
  down: Length | null;
  up: Length | null;
  lift: Length | null;
  feel: JobInputs['tune']['feel'];
  weighedKg: number | null;
}

export const measuredOf = ({ square, tune, handover }: JobInputs): Measured => ({
  down: square.down,
  up: square.up,
  lift: square.lift,
  feel: tune.feel,
  weighedKg: handover.weighedKg,
});

/** Inputs with what was measured at one stage; readings of the other stages stay as they are. */
export function withMeasured(inputs: JobInputs, stage: MeasuredStage, { down, up, lift, feel, weighedKg }: Measured): JobInputs {
  if (stage === 'square') {
    const { square } = inputs;
    // Beside readings of one's own nothing of the practice tape is left standing.
    const own = square.tape === 'own' ? square : { ...square, ...NOTHING_READ, tries: [], tape: 'own' as const };
    return { ...inputs, square: { ...own, down, up, lift } };
  }
  if (stage === 'tune') return { ...inputs, tune: { ...inputs.tune, feel } };
  return { ...inputs, handover: { ...inputs.handover, weighedKg } };
}
