/* What of the inputs each record closes. */
import { USES, byId } from '../house/schools';
import type { JobInputs } from '../job/job';
import { STAGE_IDS, type StageId } from '../stages/stages';

/**
 * What a record of a stage closes: what is typed for it. Of a painting its measures alone are closed with the measuring, and how
 * it is folded and held with its place.
 */
export function closedBy(stage: StageId, inputs: JobInputs): { [S in StageId]?: Partial<JobInputs[S]> } {
  if (!byId(USES, inputs.brief.use).painted) return { [stage]: inputs[stage] };
  const { fabric, left, painting, found, ...chosen } = inputs.cloth;
  if (stage === 'cloth') return { cloth: { fabric, left, painting, found } };
  return stage === 'brief' ? { brief: inputs.brief, cloth: chosen } : { [stage]: inputs[stage] };
}

/** Inputs with what every closed stage was recorded with. */
export function inputsAsClosed(inputs: JobInputs, recorded: (stage: StageId) => JobInputs | null): JobInputs {
  return STAGE_IDS.reduce((whole, stage) => {
    const then = recorded(stage);
    if (!then) return whole;
    const parts = Object.entries(closedBy(stage, then)) as [StageId, object][];
    return { ...whole, ...Object.fromEntries(parts.map(([of, part]) => [of, { ...whole[of], ...part }])) };
  }, inputs);
}
