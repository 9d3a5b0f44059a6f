import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { stapleModel } from '../../stages/fasten/stapleModel';
import { length } from '../../units/length';
import { firstSteps } from './firstSteps';
import { condensedMembrane } from './membrane';
import { clothMeasures, edgeWidths, principal, spread } from './clothMeasures';
import { nodeAt } from './membraneMesh';
import { type RouteRun, type RunFrame, type RunOptions, type StapleModel, simulateRoute, tensionField } from './simulateRoute';

function told<P, R>(steps: Generator<P | undefined, R>): { result: R; shown: P[] } {
  const shown: P[] = [];
  let step = steps.next();
  while (!step.done) {
    if (step.value !== undefined) shown.push(step.value);
    step = steps.next();
  }
  return { result: step.value, shown };
}

function modelOf(patch: Partial<JobInputs['fasten']> = {}): StapleModel {
  const inputs = newInputs('t', length(900), length(600));
  inputs.fasten = { ...inputs.fasten, spacing: length(50), lastFromCorner: length(50), ...patch };
  return { ...stapleModel(inputs, DEFAULT_RULES), bars: null };
}
const base = modelOf();
const { result: membrane } = told(condensedMembrane(base.mesh, base.cloth));
const run = (model: StapleModel, options?: RunOptions): { result: RouteRun; shown: RunFrame[] } =>
  told(simulateRoute(membrane, model, options));
const at = (model: StapleModel, side: string, offsetMm: number) =>
  model.places.findIndex((one) => one.side === side && Math.abs(one.offsetMm - offsetMm) < 1);

describe('a route on the simulated cloth', () => {
  it('is told event by event, and brings the tension aimed at when no pull is typed', () => {
    const { result, shown } = run(base);
    expect(shown.map((frame) => frame.order)).toEqual(base.events.map((event) => event.order));
    const last = shown.at(-1)!;
    expect((result.end.acrossNPerM + result.end.downNPerM) / 2).toBeCloseTo(250, 6);
    last.edgeNPerM.forEach((value, place) => expect(value).toBeCloseTo(result.end.edgeNPerM[place]!, 2));
    const field = tensionField(membrane, base.places, last.forcesN);
    field.forEach((value, at) => expect(value).toBeCloseTo(result.endNPerM[at]!, 2));
    const typed = run({ ...base, firmN: 2 * result.firmN });
    expect(typed.result.end.meanEdgeNPerM).toBeCloseTo(2 * result.end.meanEdgeNPerM, 6);
    expect(typed.result.end.unevenness).toBeCloseTo(result.end.unevenness, 12);
    expect(typed.result.end.skewDeg).toBeCloseTo(2 * result.end.skewDeg, 9);
  });

  it('never turns the cloth about what holds it: two or three starters, a knot in the middle, small or large', () => {
    for (const [wide, high] of [
      [900, 600],
      [306, 306],
      [189, 189],
      [100, 100],
    ] as const)
      for (const starters of [1, 2, 3] as const)
        for (const knots of [[], [{ side: 'top' as const, at: length(wide / 2) }]]) {
          const inputs = newInputs('t', length(wide), length(high));
          inputs.fasten = { ...inputs.fasten, spacing: length(45), starters, knots };
          const model = stapleModel(inputs, DEFAULT_RULES);
          const { result } = told(simulateRoute(told(condensedMembrane(model.mesh, model.cloth)).result, model));
          const { drift } = result.end;
          expect(Math.hypot(drift.xMm, drift.yMm), `${wide} × ${high}, ${starters}`).toBeLessThan(10 + 0.06 * high);
          expect(result.unopposed).toBeLessThanOrEqual(starters + 2);
        }
  });

  it('leaves the first, seated fasteners slack, and a second round evens the edge more than any order does', () => {
    const once = run(base).result.end;
    expect(once.edgeNPerM[at(base, 'top', 0)]!).toBeLessThan(0.5 * once.meanEdgeNPerM);
    expect(once.low).toContain(at(base, 'top', 0));
    const again = run(modelOf({ secondRound: true })).result.end;
    const others = (['diagonal', 'longFirst', 'cornerHeld'] as const).map(
      (route) => run(modelOf({ route })).result.end.unevenness,
    );
    expect(again.unevenness).toBeLessThan(Math.min(once.unevenness, ...others) / 1.5);
  });

  it('shows the first steps of a long route on a coarse cloth, near to what the whole one says', () => {
    expect(firstSteps(base)).toBeNull();
    const inputs = newInputs('long', length(1500), length(1000));
    inputs.fasten.spacing = length(25);
    const long = stapleModel(inputs, DEFAULT_RULES);
    const first = firstSteps(long)!;
    expect((first.mesh.xs.length - 1) * (first.mesh.ys.length - 1)).toBeLessThan(900);
    expect(first.events.map(({ order }) => order)).toEqual(long.events.slice(0, 24).map(({ order }) => order));
    const rough = told(simulateRoute(told(condensedMembrane(first.mesh, first.cloth)).result, first));
    const whole = told(simulateRoute(told(condensedMembrane(long.mesh, long.cloth)).result, { ...long, firmN: first.firmN }));
    for (const step of [3, 11, 23]) {
      const [coarse, fine] = [rough.shown[step]!, whole.shown[step]!];
      const sums = [0, 0];
      first.places.forEach((place, index) => {
        const own = long.places.findIndex((one) => one.side === place.side && one.offsetMm === place.offsetMm);
        sums[0]! += coarse.edgeNPerM[index]!;
        sums[1]! += fine.edgeNPerM[own]!;
      });
      expect(sums[0]! / sums[1]!).toBeGreaterThan(0.8);
      expect(sums[0]! / sums[1]!).toBeLessThan(1.25);
    }
  });

  it('counts a fastener that would push as holding nothing, and how many would', () => {
    const inputs = newInputs('t', length(1500), length(1000));
    const wide = stapleModel(inputs, DEFAULT_RULES);
    const { result: cloth } = told(condensedMembrane(wide.mesh, wide.cloth));
    const { end } = told(simulateRoute(cloth, wide)).result;
    const edge = [...end.edgeNPerM];
    expect(end.pushing).toBe(edge.filter((one) => one < 0).length);
    expect(end.pushing).toBeGreaterThan(0);
    expect(end.unevenness).toBeLessThan(spread(edge).unevenness - 0.02);
    expect(end.unevenness).toBeCloseTo(spread(edge.map((one) => Math.max(0, one))).unevenness, 9);
    expect(run(modelOf({ secondRound: true })).result.end.pushing).toBe(0);
  });

  it('finds nothing to pull against when one side is finished first', () => {
    const places = base.places.map((_place, index) => index);
    const sideBySide = ['top', 'right', 'bottom', 'left'].flatMap((side) =>
      places.filter((place) => base.places[place]!.side === side),
    );
    const events = sideBySide.map((place, index) => ({ order: index + 1, act: 'fasten' as const, place, part: 1 }));
    const badly = run({ ...base, events }).result;
    expect(badly.unopposed).toBeGreaterThan(run(base).result.unopposed);
    expect(badly.end.unevenness).toBeGreaterThan(1.3 * run(base).result.end.unevenness);
  });

  it('gives every hand its own end: one that never varies has the exact one, ±15 % moves evenness by about 0.1', () => {
    const normal = randomNormal.source(randomLcg(0.2))(1, 0.15);
    const steady = base.events.map(() => 1);
    const varied = Array.from({ length: 6 }, () => base.events.map(() => Math.max(0, normal())));
    const { result } = run(base, { handFactors: [steady, ...varied] });
    expect(result.hands[0]!.unevenness).toBeCloseTo(result.end.unevenness, 9);
    for (const hand of result.hands.slice(1)) {
      expect(Math.abs(hand.unevenness - result.end.unevenness)).toBeLessThan(0.15);
      expect(Math.abs(hand.unevenness - result.end.unevenness)).toBeGreaterThan(0.001);
    }
  });
});

describe('measures of the cloth', () => {
  it('are those of a field known by heart: 1 % across, half of it down, threads 0.02 out of square', () => {
    const { mesh } = membrane;
    const moves = new Float64Array(2 * mesh.xs.length * mesh.ys.length);
    mesh.xs.forEach((x, i) =>
      mesh.ys.forEach((y, j) => {
        moves[2 * nodeAt(mesh, i, j)] = 0.01 * (x - 450) + 0.02 * (y - 300) + 3;
        moves[2 * nodeAt(mesh, i, j) + 1] = 0.005 * (y - 300) - 2;
      }),
    );
    // Every fastener is pulled outwards with as many newtons as its edge has centimetres, one with none to speak of.
    const forces = base.places.flatMap(({ side }, place) => {
      const pull = place === 5 ? 1e-9 : base.widths[place]! / 10;
      return { top: [0, -pull], right: [pull, 0], bottom: [0, pull], left: [-pull, 0] }[side];
    });
    const measures = clothMeasures(membrane, base.places, base.widths, forces, moves);
    const [ex, ey, nu] = [13.2, 10.8, 0.2];
    const q = 1 - (nu * nu * ey) / ex;
    const nuYX = (nu * ey) / ex;
    expect(measures.acrossNPerM).toBeCloseTo((1000 * (0.01 * ex + 0.005 * nuYX * ex)) / q, 6);
    expect(measures.downNPerM).toBeCloseTo((1000 * (0.01 * nuYX * ex + 0.005 * ey)) / q, 6);
    expect(measures.skewDeg).toBeCloseTo((0.02 * 180) / Math.PI, 9);
    expect(measures.slackShare).toBe(0);
    expect(measures.drift.xMm).toBeCloseTo(3, 9);
    expect(measures.drift.yMm).toBeCloseTo(-2, 9);
    expect(measures.edgeNPerM[0]).toBeCloseTo(100, 9);
    expect(measures.low).toEqual([5]);
  });

  it('reckon a place’s edge half-way to its neighbours', () => {
    const side = 'left' as const;
    expect(edgeWidths([-100, 0, 40].map((offsetMm) => ({ side, offsetMm })))).toEqual([100, 70, 40]);
  });

  it('find the greatest pull and its direction', () => {
    const { major, minor, angle } = principal(100, 100, 50);
    expect([major, minor]).toEqual([150, 50]);
    expect(angle).toBeCloseTo(Math.PI / 4, 12);
  });
});
