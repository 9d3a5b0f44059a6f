import type { JobCase } from '../case/jobCase';
import { planJob } from '../case/planJob';
import type { JobInputs } from '../job/job';
import { withRecommendedBars } from '../stages/bars/planBars';
import { type Prices, billOf } from './bill';
import { type SizeCost, scaledFaces } from './readyMade';

/** What the make-up of a job costs in other sizes, with the bars that each asks for; none for a painting, whose size is its own. */
export function sizeCurve({ inputs, house, taught, history }: JobCase, prices: Prices): SizeCost[] {
  const { rules, tape } = house;
  return scaledFaces(inputs).map(({ widthMm, heightMm }) => {
    const brief = { ...inputs.brief, width: { mm: widthMm, unit: 'mm' as const }, height: { mm: heightMm, unit: 'mm' as const } };
    const sized: JobInputs = withRecommendedBars({ ...inputs, brief }, rules);
    const plan = planJob(sized, { rules, tape, view: 'front', taught, history }, 0);
    return { widthMm, heightMm, minor: billOf({ plan, inputs: sized, rules }, prices).knownMinor };
  });
}
