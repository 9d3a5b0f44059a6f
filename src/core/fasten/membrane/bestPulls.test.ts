import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../../house/houseRules';
import { newInputs } from '../../job/job';
import { rounds } from '@/testRounds';
import { stapleModel } from '../../stages/fasten/stapleModel';
import { quietly, toEnd } from '../../toEnd';
import { length } from '../../units/length';
import { type PullBounds, bestPulls, expectedEdge, pullEquations } from './bestPulls';
import { outwardForces, spread } from './clothMeasures';
import { placeCompliance } from './edgePlaces';
import { pullGrid, pullLevels } from './pullLevels';
import { type Influence, influence } from './influence';
import { KNOWN_PULLS, type KnownPulls } from './testPulls';
import { condensedMembrane } from './membrane';
import type { StapleModel } from './simulateRoute';
import { Stapling } from './Stapling';

const BOUNDS = { leastN: 2, mostN: 30, noise: 0.15 };

/** Lines of a side in elements of one pitch from its middle on, and what is left beyond the last place: what the known figures stand on. */
function evenLinesOf(sideMm: number, offsetsMm: readonly number[]): Float64Array {
  const half = [...new Set(offsetsMm.map((offset) => Math.round(1000 * Math.abs(offset)) / 1000))]
    .filter((offset) => offset > 1)
    .sort((a, b) => a - b);
  const [reach, pitch] = [half.at(-1)!, half.at(-1)! - half.at(-2)!];
  const inner = Array.from(
    { length: Math.round(reach / pitch) },
    (_, index) => ((index + 1) * reach) / Math.round(reach / pitch),
  );
  const lines = [...inner, sideMm / 2];
  return Float64Array.from([
    ...lines.map((line) => sideMm / 2 - line).reverse(),
    sideMm / 2,
    ...lines.map((line) => sideMm / 2 + line),
  ]);
}

function onKnownMesh(model: StapleModel, { w, h, known }: KnownPulls): StapleModel {
  const offsets = (side: 'top' | 'left') => model.places.filter((one) => one.side === side).map(({ offsetMm }) => offsetMm);
  const mesh = { xs: evenLinesOf(w, offsets('top')), ys: evenLinesOf(h, offsets('left')) };
  return model.mesh.xs.length - 1 === known.mesh[0] ? model : { ...model, mesh };
}

function modelOf({ w, h, profile, upright, level, spacing, grip }: Omit<KnownPulls, 'known'>): StapleModel {
  const fresh = newInputs('Known', length(w), length(h));
  return stapleModel(
    {
      ...fresh,
      bars: { ...fresh.bars, profile, bracesUpright: upright, bracesLevel: level },
      cloth: { ...fresh.cloth, grip },
      fasten: { ...fresh.fasten, spacing: length(spacing), lastFromCorner: length(spacing) },
    },
    DEFAULT_RULES,
  );
}

function influenceOf(model: StapleModel) {
  const membrane = toEnd(condensedMembrane(model.mesh, model.cloth));
  const compliance = placeCompliance(membrane, model.places, model.jawMm);
  return { compliance, found: toEnd(influence(compliance, model)) };
}

const edgeOf = ({ rows, events, nPerMPerN }: Influence, pulls: ArrayLike<number>) =>
  rows.map((_at, row) =>
    events.reduce((sum, _event, column) => sum + nPerMPerN[row * events.length + column]! * pulls[column]!, 0),
  );

/** Routes that take nothing out again: what is taken out lets go of those that came after it. */
const STAYING = ['compass', 'diagonal', 'longFirst', 'halving', 'quick'] as const;

describe('the influence of pulls', () => {
  it('of any frame and order touches nothing that is set later, and any pulls add up to what the cloth does', () => {
    const random = randomLcg(0.29);
    for (let turn = 0; turn < rounds(15, 100); turn += 1) {
      const fresh = newInputs('Any', length(200 + Math.round(700 * random())), length(200 + Math.round(500 * random())));
      const spacing = length(40 + Math.round(50 * random()));
      const model = stapleModel(
        {
          ...fresh,
          cloth: { ...fresh.cloth, grip: random() < 0.5 ? 'hand' : 'pliers' },
          fasten: {
            ...fresh.fasten,
            spacing,
            lastFromCorner: spacing,
            route: STAYING[turn % STAYING.length]!,
            starters: random() < 0.3 ? 2 : 1,
            perTurn: random() < 0.3 ? 3 : 1,
          },
        },
        DEFAULT_RULES,
      );
      const { compliance, found } = influenceOf(model);
      const columns = found.events.length;
      expect(found.rows).toHaveLength(columns);
      const set = new Map(found.events.map((event, column) => [model.events[event]!.place, column]));
      const pulls = found.events.map(() => 2 + 28 * random());
      const stapling = new Stapling(compliance, model.bars);
      found.events.forEach((event, column) => stapling.fasten(model.events[event]!.place, [pulls[column]!]));
      const outwards = outwardForces(model.places, stapling.forces());
      const edge = edgeOf(found, pulls);
      found.rows.forEach((at, row) => {
        expect(Math.abs(edge[row]! - (1000 * outwards[at]!) / model.widths[at]!), `${turn} place ${at}`).toBeLessThan(1e-2);
        for (let column = 0; column < set.get(at)!; column += 1)
          expect(Math.abs(found.nPerMPerN[row * columns + column]!), `${turn} place ${at}`).toBeLessThan(1e-5);
        // What a place ends with grows with its own pull, by no more than the pull.
        const own = (found.nPerMPerN[row * columns + set.get(at)!]! * model.widths[at]!) / 1000;
        if (!found.laidOn[set.get(at)!]) expect(own > 0 && own < 1.001, `${turn} place ${at}: ${own}`).toBe(true);
      });
    }
  });

  it.each(KNOWN_PULLS)('$w × $h: is triangular in the order of setting, and its sums are known', (known) => {
    const model = onKnownMesh(modelOf(known), known);
    expect([model.mesh.xs.length - 1, model.mesh.ys.length - 1]).toEqual(known.known.mesh);
    const { found } = influenceOf(model);
    const columns = found.events.length;
    const columnOf = new Map(found.events.map((event, column) => [model.events[event]!.place, column]));
    let [diagonal, above, below] = [0, 0, 0];
    found.rows.forEach((at, row) => {
      for (let column = 0; column < columns; column += 1) {
        const value = found.nPerMPerN[row * columns + column]!;
        const own = columnOf.get(at)!;
        if (own === column) diagonal += value ** 2;
        else if (own < column) above += value ** 2;
        else below = Math.max(below, Math.abs(value));
      }
    });
    expect(below).toBeLessThan(1e-6);
    expect(Math.abs(diagonal / known.known.diagonal - 1)).toBeLessThan(1e-3);
    expect(Math.abs(above / known.known.above - 1)).toBeLessThan(1e-3);
    expect(found.laidOn.flatMap((one, column) => (one ? [column] : []))).toEqual([0]);
  });

  it('says of any pulls what the cloth does, fastened one after the other', () => {
    const model = modelOf(KNOWN_PULLS[0]!);
    const { compliance, found } = influenceOf(model);
    const random = randomLcg(0.43);
    for (let turn = 0; turn < 5; turn += 1) {
      const pulls = found.events.map(() => 3 + 20 * random());
      const stapling = new Stapling(compliance, model.bars);
      let column = 0;
      for (const { act, place } of model.events)
        if (act === 'takeOut') stapling.takeOut(place);
        else stapling.fasten(place, [pulls[column++]!]);
      const forces = outwardForces(model.places, stapling.forces());
      edgeOf(found, pulls).forEach((nPerM, row) => {
        const at = found.rows[row]!;
        expect(nPerM).toBeCloseTo((1000 * forces[at]!) / model.widths[at]!, 4);
      });
    }
  });
});

const bestOf = (cloths: Influence[], targetNPerM: number, bounds: PullBounds) =>
  toEnd(quietly(bestPulls(toEnd(quietly(pullEquations(cloths, bounds.noise))), targetNPerM, bounds)));

describe('pulls worked out', () => {
  it.each(KNOWN_PULLS)('$w × $h: end as even as is known, far evener than as taught', (frame) => {
    const { known } = frame;
    const model = onKnownMesh(modelOf(frame), frame);
    const { found } = influenceOf(model);
    const taughtN = found.events.map((event) => known.firmN * model.events[event]!.part);
    // What is known is of a cloth whose fasteners may push; where none does that is the same.
    expect(spread(edgeOf(found, taughtN)).unevenness).toBeCloseTo(known.asIs[0], 2);
    expect(expectedEdge(found, taughtN, BOUNDS.noise).expected).toBeLessThan(known.asIs[1] + 0.005);
    const bounds = { ...BOUNDS, mostN: frame.grip === 'pliers' ? 120 : 30 };
    const pulls = bestOf([found], known.meanNPerM, bounds);
    const best = expectedEdge(found, pulls, BOUNDS.noise);
    expect(best.unevenness).toBeLessThan(known.best[0] + 0.01);
    expect(Math.abs(best.expected - known.best[1])).toBeLessThan(0.01);
    expect(best.pushing).toBe(0);
    expect(pulls[0]).toBe(0);
    for (const pull of pulls.slice(1)) expect(pull).toBeGreaterThanOrEqual(2);
  });

  it.each(KNOWN_PULLS)('$w × $h: four levels that a hand can hold lose little of it', (frame) => {
    const { known } = frame;
    const { found } = influenceOf(onKnownMesh(modelOf(frame), frame));
    const bounds = { ...BOUNDS, mostN: frame.grip === 'pliers' ? 120 : 30 };
    const best = bestOf([found], known.meanNPerM, bounds);
    const { levelsN, pullsN } = toEnd(quietly(pullLevels([found], best, bounds, 4)));
    expect(levelsN.length).toBeLessThanOrEqual(4);
    for (const level of levelsN) expect(pullGrid(bounds.leastN, bounds.mostN)).toContain(level);
    const { expected, meanNPerM } = expectedEdge(found, pullsN, BOUNDS.noise);
    expect(expected).toBeLessThan(known.fourLevels + 0.01);
    expect(expected).toBeGreaterThanOrEqual(known.best[1] - 0.01);
    expect(Math.abs(meanNPerM / known.meanNPerM - 1)).toBeLessThan(0.1);
    const one = toEnd(quietly(pullLevels([found], best, bounds, 1)));
    expect(one.levelsN).toHaveLength(1);
    expect(expectedEdge(found, one.pullsN, BOUNDS.noise).expected).toBeGreaterThan(expected);
  });

  it.each(KNOWN_PULLS)('$w × $h: expects what drawn hands give, also where fasteners would push', (frame) => {
    const model = modelOf(frame);
    const { found } = influenceOf(model);
    const taught = Float64Array.from(found.events, (event) => frame.known.firmN * model.events[event]!.part);
    const factor = randomNormal.source(randomLcg(0.7))(1, BOUNDS.noise);
    for (const pulls of [bestOf([found], 250, BOUNDS), taught]) {
      const hands = Array.from({ length: 200 }, () => {
        const drawn = pulls.map((pull) => pull * Math.max(0, factor()));
        return expectedEdge(found, drawn, 0).unevenness;
      });
      const root = Math.sqrt(hands.reduce((sum, one) => sum + one * one, 0) / hands.length);
      expect(Math.abs(root - expectedEdge(found, pulls, BOUNDS.noise).expected)).toBeLessThan(0.01);
    }
    if (frame.w > 300) expect(expectedEdge(found, taught, 0).pushing).toBeGreaterThan(0);
  });

  it('is refused without a cloth, a tension or room for a pull', () => {
    expect(() => bestOf([], 250, BOUNDS)).toThrow(RangeError);
    const { found } = influenceOf(modelOf(KNOWN_PULLS[0]!));
    expect(() => bestOf([found], 0, BOUNDS)).toThrow(/above 0/);
    expect(() => bestOf([found], 250, { ...BOUNDS, mostN: 1 })).toThrow(/no pull lies/);
    expect(() => bestOf([found], 250, { ...BOUNDS, noise: -0.1 })).toThrow(/0 or more, got -0.1/);
    expect(() => toEnd(pullLevels([found], [], BOUNDS, 0))).toThrow(/one level/);
    expect(() => toEnd(pullLevels([], [], BOUNDS, 4))).toThrow(/one cloth/);
  });
});
