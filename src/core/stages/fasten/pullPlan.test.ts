import { describe, expect, it } from 'vitest';
import { condensedMembrane } from '../../fasten/membrane/membrane';
import { simulateRoute } from '../../fasten/membrane/simulateRoute';
import { NO_PULLS_TOLD, NO_PULLS_YET, newtonWords, newtonWordsOf } from '../../fasten/newtonWords';
import { planJob } from '../../case/planJob';
import { DEFAULT_RULES } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { quietly, toEnd } from '../../toEnd';
import { length } from '../../units/length';
import { type PullPlan, pullBounds, pullPlan, pulledModel, runsOf, shortForm, stepsByPull } from './pullPlan';
import { takenRoute } from './fastenInputs';
import { driftAnswer, pullVerdicts } from './pullVerdicts';
import { stapleModel } from './stapleModel';

const fresh = newInputs('Pulled', length(600), length(450));
const context = { tape: { unit: 'mm', stepMm: 1 }, view: 'back' } as const;

function planned(change: Partial<JobInputs['fasten']> = {}, noise: number | null = null): { plan: PullPlan; inputs: JobInputs } {
  const inputs = { ...fresh, fasten: { ...fresh.fasten, ...change } };
  const model = stapleModel(inputs, DEFAULT_RULES);
  const plan = toEnd(
    quietly(
      pullPlan(
        (cloth) => condensedMembrane(model.mesh, cloth),
        model,
        pullBounds(inputs, DEFAULT_RULES, noise === null ? null : { noise, simulated: false }),
        4,
      ),
    ),
  );
  return { plan: plan!, inputs };
}

describe('the pulls of a job', () => {
  const { plan, inputs } = planned();

  it('say what to pull at every fastening, laid on where nothing holds yet, in a few levels and in short', () => {
    const model = stapleModel(inputs, DEFAULT_RULES);
    expect(plan.pulls.map(({ order }) => order)).toEqual(model.events.map(({ order }) => order));
    expect(plan.pulls[0]).toMatchObject({ laidOn: true, workedN: 0, shortN: 0 });
    expect(plan.levelsN.length).toBeLessThanOrEqual(4);
    for (const { workedN, laidOn } of plan.pulls.slice(1)) expect(!laidOn && plan.levelsN.includes(workedN)).toBe(true);
    expect(shortForm(plan.pulls)).toMatch(/^first: laid on; its answer \d+ N; third \d+ N; fourth \d+ N; all others \d+ N$/);
    expect(new Set(plan.pulls.slice(4).map(({ shortN }) => shortN)).size).toBe(1);
    // Telling four starters their own pull is about three quarters of the gain.
    const gain = plan.taught.expected - plan.floor;
    expect((plan.taught.expected - plan.short!.expected) / gain).toBeGreaterThan(0.65);
    expect(plan.worked.expected).toBeLessThan(plan.short!.expected);
    expect(plan.floor).toBeLessThanOrEqual(plan.worked.expected);
    const told = stepsByPull(plan.pulls).flatMap(({ orders }) => orders);
    expect(told.sort((a, b) => a - b)).toEqual(plan.pulls.map(({ order }) => order));
    expect(runsOf([3])).toBe('3');
    expect(runsOf([1, 2, 4, 5, 6])).toBe('1, 2, 4–6');
  });

  it('weigh on painted work how far the image is drawn, and say what that costs', () => {
    const image = { ...inputs, brief: { ...inputs.brief, use: 'finished' as const } };
    expect(pullBounds(inputs, DEFAULT_RULES, null).driftPerMm).toBe(0);
    const bounds = pullBounds(image, DEFAULT_RULES, null);
    expect(bounds.driftPerMm).toBe(0.05);
    const model = stapleModel(inputs, DEFAULT_RULES);
    const still = toEnd(quietly(pullPlan((cloth) => condensedMembrane(model.mesh, cloth), model, bounds, 4)))!;
    expect(Math.hypot(still.drift.xMm, still.drift.yMm)).toBeLessThan(0.5 * Math.hypot(plan.drift.xMm, plan.drift.yMm));
    const dear = { ...still, worked: { ...still.worked, expected: still.taught.expected + 0.1 } };
    const says = (of: PullPlan) => pullVerdicts(of, image, context, { hand: null, noise: null })[0]!;
    expect(says(dear).says).toContain('gains in an image that stays where it was laid');
    expect(says(dear).level).toBe('watch');
    expect(says({ ...dear, bounds: plan.bounds }).says).toContain('gains in safety on cloth stiffer');
  });

  it('carried out on the simulated cloth, leave it as even as they say', () => {
    const model = stapleModel(inputs, DEFAULT_RULES);
    const membrane = toEnd(condensedMembrane(model.mesh, model.cloth));
    const end = (of: typeof model) => toEnd(quietly(simulateRoute(membrane, of))).end;
    const pulled = end(pulledModel(model, plan));
    expect(pulled.unevenness).toBeCloseTo(plan.worked.unevenness, 3);
    expect(pulled.unevenness).toBeLessThan(0.4 * end(model).unevenness);
    expect((pulled.acrossNPerM + pulled.downNPerM) / 2 / inputs.bars.tensionNPerM).toBeCloseTo(1, 1);
  });

  it('tell how many fasteners end with nothing, as taught and by the list', () => {
    const hands = { hand: null, noise: null };
    const pushing = (taught: number, worked: number) =>
      pullVerdicts(
        { ...plan, taught: { ...plan.taught, pushing: taught }, worked: { ...plan.worked, pushing: worked } },
        inputs,
        context,
        hands,
      ).find(({ id }) => id === 'pullPushing');
    expect(pushing(0, 0)).toBeUndefined();
    expect(pushing(1, 0)).toMatchObject({
      level: 'good',
      says: 'As taught one fastener ends holding nothing, by this list none.',
      doThis: '',
    });
    expect(pushing(4, 2)).toMatchObject({
      level: 'watch',
      measured: 2,
      says: 'As taught 4 fasteners end holding nothing, by this list 2.',
      doThis: 'Draw those and set them again at the end.',
    });
  });

  it('are judged by what they gain, by what a hand reaches, by the drift they bring, and by whether the hand was tried', () => {
    const hands = { hand: null, noise: null };
    const level = (of: PullPlan, on: JobInputs = inputs) =>
      Object.fromEntries(pullVerdicts(of, on, context, hands).map((one) => [one.id, one.level]));
    expect(level(plan)).toMatchObject({ pullGain: 'good', handTrial: 'watch' });
    const no = { ...plan, worked: { ...plan.worked, expected: plan.taught.expected } };
    const says = (of: PullPlan) => pullVerdicts(of, inputs, context, hands).find(({ id }) => id === 'pullGain')!;
    expect(says(no).says).toContain('make no difference');
    expect(says(no).doThis).toBe('Go by the feel of the cloth.');
    expect(level({ ...plan, bounds: { ...plan.bounds, mostN: Math.max(...plan.levelsN) } })).toHaveProperty('pullReach');
    expect(level(plan)).not.toHaveProperty('pullReach');
    const drifting = { ...plan, drift: { xMm: 2, yMm: -0.2 } };
    expect(level(drifting)).not.toHaveProperty('pullDrift');
    const painted = { ...inputs, brief: { ...inputs.brief, use: 'finished' as const } };
    expect(level(drifting, painted)).toMatchObject({ pullDrift: 'watch' });
    expect(pullVerdicts(drifting, painted, context, hands).find(({ id }) => id === 'pullDrift')!.says).toMatch(
      /drawn about 2 mm .* as taught about [34] mm\.$/,
    );
    const tried = { maker: 'Me', feels: [], simulated: false };
    expect(pullVerdicts(plan, inputs, context, { hand: tried, noise: null }).map(({ id }) => id)).not.toContain('handTrial');
  });

  it('are kept back in short where that ends no better than as taught, and nothing shown comes under the floor', () => {
    const { plan: halving } = planned({ route: 'halving' });
    expect(halving.short).toBeNull();
    const three = planned({ starters: 3 }).plan;
    expect(shortForm(three.pulls)).toMatch(/^first: laid on; second laid on; third laid on; fourth \d+ N; all others \d+ N$/);
    for (const { taught, worked, short, floor } of [plan, halving, three])
      for (const list of [taught, worked, short]) if (list) expect(list.expected).toBeGreaterThanOrEqual(floor);
  });

  it('that miss the tension aimed at say so', () => {
    const low = { ...plan, aimedNPerM: 20, reachedNPerM: 39 };
    const tension = (of: PullPlan) =>
      pullVerdicts(of, inputs, context, { hand: null, noise: null }).find(({ id }) => id === 'pullTension');
    expect(tension(plan)).toBeUndefined();
    expect(tension(low)).toMatchObject({ level: 'watch', measured: 39, limit: 20 });
    expect(tension(low)!.because).toContain('No hand pulls less than 2 N');
    expect(tension(low)!.doThis).toContain('Aim higher');
    expect(tension({ ...plan, reachedNPerM: 0.8 * plan.aimedNPerM })!.doThis).toContain('take pliers');
    expect(tension({ ...plan, reachedNPerM: 0.8 * plan.aimedNPerM })!.because).toMatch(/^No pull goes over/);
  });

  it('a drift beyond belief is told as not worked out, and nobody is sent to lay the cloth by it', () => {
    const drifted = (xMm: number) =>
      pullVerdicts({ ...plan, drift: { xMm, yMm: 0 } }, inputs, context, { hand: null, noise: null }).find(
        ({ id }) => id === 'pullDrift',
      )!;
    expect(drifted(13).doThis).toContain('13 mm towards');
    expect(drifted(14)).toMatchObject({ level: 'watch', measured: null });
    expect(drifted(14).says).toContain('could not be worked out');
    expect(drifted(362).doThis).not.toMatch(/\d/);
  });

  it('a drift is answered the other way, left and right as they are named where one looks from', () => {
    expect(driftAnswer({ xMm: 3, yMm: -2 }, context)).toBe('3 mm towards right and 2 mm towards bottom');
    expect(driftAnswer({ xMm: 3.4, yMm: 0.2 }, { ...context, view: 'front' })).toBe('3 mm towards left');
  });

  it('a steadier hand takes the same order further; pliers may pull more than fingers', () => {
    const steady = planned({}, 0.05).plan;
    const practice = { noise: 0.05, pulls: 6, simulated: true };
    const because = (noise: typeof practice) =>
      pullVerdicts(steady, inputs, context, { hand: null, noise }).find(({ id }) => id === 'pullGain')!.because;
    expect(because(practice)).toContain('as is assumed');
    expect(because({ ...practice, simulated: false })).toContain('as 6 pulls on the scale told');
    expect(steady.floor).toBeLessThan(0.6 * plan.floor);
    const pliers = { ...fresh, cloth: { ...fresh.cloth, grip: 'pliers' as const } };
    expect(pullBounds(pliers, DEFAULT_RULES, null).mostN).toBeGreaterThan(plan.bounds.mostN);
    expect(pullBounds(fresh, DEFAULT_RULES, { noise: 0.08, simulated: false }).noise).toBe(0.08);
    expect(pullBounds(fresh, DEFAULT_RULES, { noise: 0.08, simulated: true }).noise).toBe(0.15);
  });

  it('are refused where there are too many fasteners, and stop an order that needs them; so does leaving them out', () => {
    const told = (fasten: Partial<JobInputs['fasten']>, mm = 600) => {
      const wide = newInputs('Wide', length(mm), length(mm));
      const one = { ...wide, fasten: { ...wide.fasten, ...fasten } };
      const { verdicts } = planJob(one, { rules: DEFAULT_RULES, ...context }, 0).fasten;
      return Object.fromEntries(verdicts.map(({ id, level }) => [id, level]));
    };
    const many = { spacing: length(15), lastFromCorner: length(15) };
    expect(told({ ...many, pulls: 'worked' }, 4000)).toMatchObject({ pullsRefused: 'watch' });
    expect(told({ ...many, pulls: 'worked', route: 'quick' }, 4000)).toMatchObject({ pullsRefused: 'stop' });
    expect(told({ ...many, pulls: 'taught' }, 4000)).not.toHaveProperty('pullsRefused');
    expect(told({ pulls: 'taught', route: 'quick' })).toMatchObject({ routePulls: 'stop' });
    for (const fasten of [takenRoute('quick'), takenRoute('compass')]) {
      expect(told(fasten)).not.toHaveProperty('routePulls');
      expect(told(fasten)).not.toHaveProperty('pullsRefused');
    }
  });

  it('are told in words at the bench, and say that they wait; a corner is pulled as taught', () => {
    const feels = [{ feel: 'firm' as const, meanN: plan.pulls[1]!.workedN, pulls: 3 }];
    const words = newtonWords(plan.pulls, { feels });
    expect(newtonWordsOf(words, 1)).toBe('laid on, no pull');
    expect(newtonWordsOf(words, 2)).toBe(`pull ${plan.pulls[1]!.workedN} N, a firm pinch`);
    expect(newtonWordsOf(words, 999)).toBeNull();
    expect(newtonWordsOf(NO_PULLS_YET, 2)).toBe('its pull is being worked out');
    expect(newtonWordsOf(NO_PULLS_TOLD, 2)).toBe('its pull could not be worked out');
    expect(newtonWordsOf(null, 2)).toBeNull();
  });
});
