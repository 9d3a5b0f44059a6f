/* Faults that were found once in the fastening: each of these was planned or said wrongly. */
import { describe, expect, it } from 'vitest';
import { planJob } from '../../case/planJob';
import { condensedMembrane } from '../../fasten/membrane/membrane';
import { simulateRoute } from '../../fasten/membrane/simulateRoute';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { SIDES } from '../../job/sides';
import { toEnd } from '../../toEnd';
import { length } from '../../units/length';
import { clothRunVerdicts } from './clothRunVerdicts';
import { stapleModel } from './stapleModel';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
const inputsOf = (widthMm: number, heightMm: number, change: (inputs: JobInputs) => void = () => undefined): JobInputs => {
  const inputs = newInputs('t', length(widthMm), length(heightMm));
  change(inputs);
  return inputs;
};
const fastened = (inputs: JobInputs) => planJob(inputs, context, 0).fasten;
const verdictOf = (inputs: JobInputs, id: string) => fastened(inputs).verdicts.find((one) => one.id === id);
const allLaid = (mm: number): JobInputs['fasten']['laid'] =>
  Object.fromEntries(SIDES.map((side) => [side, { first: length(mm), second: length(mm) }])) as JobInputs['fasten']['laid'];

describe('the simulated cloth with two or three starters', () => {
  const runOf = (starters: 1 | 2 | 3, change: (inputs: JobInputs) => void = () => undefined) => {
    const inputs = inputsOf(900, 600, (one) => {
      one.fasten.starters = starters;
      change(one);
    });
    const model = stapleModel(inputs, DEFAULT_RULES);
    return { inputs, model, run: toEnd(simulateRoute(toEnd(condensedMembrane(model.mesh, model.cloth)), model)) };
  };

  it.each([1, 2, 3] as const)('%i: ends near the tension aimed at, no fastener beyond what cloth bears', (starters) => {
    const { run } = runOf(starters);
    expect(run.doubt).toBeNull();
    expect((run.end.acrossNPerM + run.end.downNPerM) / 2).toBeCloseTo(250, 0);
    expect(run.firmN).toBeGreaterThan(3);
    expect(run.firmN).toBeLessThan(80);
    for (const value of run.end.edgeNPerM) expect(Math.abs(value)).toBeLessThan(5 * 250);
    expect(run.end.unevenness).toBeGreaterThan(0.05);
    expect(run.end.unevenness).toBeLessThan(1);
  });

  it('places moved by a brace, and tacks in sight, stay within bounds too', () => {
    const crossed = runOf(3, ({ bars }) => Object.assign(bars, { bracesUpright: [0.5], bracesLevel: [0.5] })).run;
    const tacks = runOf(1, ({ fasten, cloth }) => {
      fasten.fastener = 'tack';
      cloth.marginStyle = 'edge';
    }).run;
    for (const run of [crossed, tacks]) {
      expect(run.doubt).toBeNull();
      for (const value of run.end.edgeNPerM) expect(Math.abs(value)).toBeLessThan(6 * 250);
    }
  });

  it('what breaks the model is doubted, and nothing of it is told', () => {
    const { inputs, model, run } = runOf(1);
    const oneSided = { ...model, events: model.events.filter(({ place }) => model.places[place]!.side === 'top') };
    const alone = toEnd(simulateRoute(toEnd(condensedMembrane(model.mesh, model.cloth)), oneSided));
    expect(alone.doubt).toBe('noTension');
    expect(clothRunVerdicts(inputs, model, alone, null, context).map((one) => one.id)).toEqual(['simulation']);
    expect(clothRunVerdicts(inputs, model, run, null, context).map((one) => one.id)).toContain('evenness');
  });
});

describe('small frames', () => {
  it('100 × 100 mm: one at each middle and the folds, said as they stand', () => {
    const plan = fastened(inputsOf(100, 100));
    expect(plan.route.steps.filter((step) => step.act === 'fix')).toHaveLength(8);
    const spacing = plan.verdicts.find((one) => one.id === 'spacing')!;
    expect(spacing.says).toMatch(/^One at each middle, then the corners/);
    expect(spacing.says).not.toMatch(/ 0 mm| 5 mm/);
  });

  it('a last distance at the fold’s own fastener does not put two in one hole', () => {
    const plan = fastened(inputsOf(600, 400, ({ fasten }) => (fasten.lastFromCorner = length(14))));
    const top = plan.route.steps.filter((step) => step.act === 'fix' && step.side === 'top').map((step) => step.offsetMm);
    const sorted = top.sort((a, b) => a - b);
    expect(Math.min(...sorted.slice(1).map((at, index) => at - sorted[index]!))).toBeGreaterThanOrEqual(15 - 1e-9);
  });

  it('a place that finds no clear wood is left out, and said to be', () => {
    const knots = (inputs: JobInputs) => {
      inputs.fasten.spacing = length(15);
      inputs.fasten.knots = [{ side: 'top', at: length(150) }];
    };
    const plan = fastened(inputsOf(300, 200, knots));
    expect(plan.route.leftOut.length).toBeGreaterThan(0);
    expect(plan.verdicts.find((one) => one.id === 'leftOut')!.says).toMatch(/left out: top, /);
  });
});

describe('what was laid on the bench', () => {
  it('10 mm all round where 76 were planned cannot be stretched, centred as it may lie', () => {
    const short = inputsOf(900, 600, ({ fasten }) => (fasten.laid = allLaid(10)));
    expect(verdictOf(short, 'centring')).toMatchObject({ level: 'watch' });
    expect(verdictOf(short, 'centring')!.says).toMatch(/smaller than planned: 10 mm at the \w+, 7\d(\.\d)? mm planned/);
    for (const side of SIDES) expect(verdictOf(short, `${side}Laid`)).toMatchObject({ level: 'stop', measured: 10 });
  });

  it('a little short is judged by what can still be held, as planned is as planned', () => {
    const lean = inputsOf(900, 600, ({ fasten }) => (fasten.laid = allLaid(45)));
    expect(verdictOf(lean, 'topLaid')).toMatchObject({ level: 'watch' });
    const planned = inputsOf(900, 600, ({ fasten }) => (fasten.laid = allLaid(79)));
    expect(verdictOf(planned, 'centring')).toMatchObject({ level: 'good' });
    expect(verdictOf(planned, 'topLaid')).toBeUndefined();
  });
});

describe('paintings', () => {
  const painting = (change: (inputs: JobInputs) => void = () => undefined) =>
    inputsOf(900, 600, (inputs) => {
      inputs.brief.use = 'restretch';
      inputs.fasten.route = 'registered';
      inputs.cloth.left = allLaid(60);
      change(inputs);
    });

  it('a side with 6 mm left gets no place and stops the step', () => {
    const inputs = painting(({ cloth }) => (cloth.left.left = { first: length(6), second: length(6) }));
    const plan = fastened(inputs);
    expect(plan.route.steps.some((step) => step.side === 'left')).toBe(false);
    expect(plan.route.steps.some((step) => step.side === 'right')).toBe(true);
    expect(verdictOf(inputs, 'unheld')).toMatchObject({ level: 'stop' });
  });

  it('a second round is no firmer than the route itself', () => {
    const again = fastened(painting(({ fasten }) => (fasten.secondRound = true))).route.steps.filter(
      (step) => step.act === 'again',
    );
    expect(again.length).toBeGreaterThan(20);
    expect(new Set(again.map((step) => step.pull))).toEqual(new Set(['gentle']));
    const fresh = fastened(inputsOf(900, 600, ({ fasten }) => (fasten.secondRound = true))).route.steps;
    expect(fresh.find((step) => step.act === 'again')!.pull).toBe('firm');
  });

  it('is stretched gently: 250 N/m is watched, 400 stopped, and a new canvas is not asked', () => {
    const at = (nPerM: number) =>
      verdictOf(
        painting(({ bars }) => (bars.tensionNPerM = nPerM)),
        'paintedTension',
      );
    expect(at(200)).toBeUndefined();
    expect(at(250)).toMatchObject({ level: 'watch', limit: 200 });
    expect(at(400)).toMatchObject({ level: 'stop' });
    expect(
      verdictOf(
        inputsOf(900, 600, ({ bars }) => (bars.tensionNPerM = 400)),
        'paintedTension',
      ),
    ).toBeUndefined();
  });
});
