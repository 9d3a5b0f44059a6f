import { expect, it } from 'vitest';
import { planJob } from '../case/planJob';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { USES } from '../house/schools';
import { type JobInputs, newInputs } from '../job/job';
import { length } from '../units/length';
import { paintedStart } from './paintedStart';

const of = (use: JobInputs['brief']['use'], change: (inputs: JobInputs) => void = () => undefined): JobInputs => {
  const inputs = newInputs('Harbour', length(600), length(400));
  inputs.brief.use = use;
  change(inputs);
  return paintedStart(inputs, DEFAULT_RULES);
};

it.each(USES.filter(({ painted }) => painted))(
  '$name starts as a painting is fastened: nothing it begins with draws a warning',
  ({ id }) => {
    const { bars, fasten } = of(id);
    expect([bars.tensionNPerM, fasten.route]).toEqual([200, 'registered']);
    const { verdicts } = planJob(of(id), { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') }, 0).fasten;
    expect(verdicts.map((one) => one.id).filter((one) => one === 'paintedTension' || one === 'route')).toEqual([]);
  },
);

it('what somebody chose stays, and a blank canvas is left alone', () => {
  expect(of('new')).toEqual(newInputs('Harbour', length(600), length(400)));
  const chosen = of('restretch', ({ bars, fasten }) => {
    bars.tensionNPerM = 150;
    fasten.route = 'halving';
  });
  expect([chosen.bars.tensionNPerM, chosen.fasten.route]).toEqual([150, 'halving']);
});
