import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../../house/houseRules';
import { newInputs } from '../../job/job';
import { stapleModel } from '../../stages/fasten/stapleModel';
import { quietly, toEnd } from '../../toEnd';
import { length } from '../../units/length';
import type { PullBounds } from './bestPulls';
import { clothMeasures } from './clothMeasures';
import { edgeForces } from './edgePlaces';
import { condensedMembrane, movesUnder } from './membrane';
import { middleGive } from './middleGive';
import type { StapleModel } from './simulateRoute';
import { guessedCloths, workedPulls } from './workedPulls';

const BOUNDS = { leastN: 2, mostN: 30, noise: 0.15 };

function modelOf(width: number, height: number, change: Partial<ReturnType<typeof newInputs>['fasten']> = {}): StapleModel {
  const fresh = newInputs('Worked', length(width), length(height));
  return stapleModel({ ...fresh, fasten: { ...fresh.fasten, ...change } }, DEFAULT_RULES);
}

const workOut = (model: StapleModel, most = 4, bounds: PullBounds = BOUNDS) =>
  toEnd(quietly(workedPulls((cloth) => condensedMembrane(model.mesh, cloth), model, bounds, most)));

describe('pulls worked out for cloths that nobody knows well', () => {
  it('are never worse than as taught on any of the six, whole or in four levels', () => {
    for (const model of [modelOf(600, 450), modelOf(400, 300), modelOf(600, 450, { route: 'halving' })]) {
      const found = workOut(model)!;
      for (const [id, { taught, worked, levelled }] of Object.entries(found.edges)) {
        expect(worked.expected, id).toBeLessThanOrEqual(taught.expected + 1e-9);
        expect(levelled.expected, id).toBeLessThanOrEqual(taught.expected + 0.03);
      }
      expect(found.edges.reckoned.worked.expected).toBeLessThan(0.75 * found.edges.reckoned.taught.expected);
    }
  });

  it('bring the cloth inside to the tension aimed at, and say how far its middle is drawn', () => {
    const model = modelOf(600, 450);
    const found = workOut(model)!;
    expect(found.laidOn.indexOf(true)).toBe(0);
    expect(found.workedN[0]).toBe(0);
    expect(Math.hypot(found.drift.xMm, found.drift.yMm)).toBeLessThan(15);
    const { meanNPerM } = found.edges.reckoned.worked;
    expect(Math.abs(meanNPerM / model.targetNPerM - 1)).toBeLessThan(0.15);
    expect(found.levels.levelsN.length).toBeLessThanOrEqual(4);
  });

  it('know half and double the stiffness by the bars, other shear by the cloth, and slip at every place', () => {
    const model = modelOf(400, 300);
    const guesses = guessedCloths(model);
    expect(guesses.map(({ id }) => id)).toEqual(['reckoned', 'half', 'double', 'softShear', 'stiffShear', 'slips']);
    const own = (bars: Float64Array | null, at: number) => bars![at * (model.places.length + 1)]!;
    expect(own(guesses[5]!.bars, 3) - own(model.bars, 3)).toBeCloseTo(0.08, 9);
    expect(own(guesses[1]!.bars, 3)).toBeCloseTo(own(model.bars, 3) / 2, 12);
    expect(guesses[3]!.cloth.shearNPerMm).toBeCloseTo(0.3 * model.cloth.shearNPerMm, 9);
    expect(guessedCloths({ ...model, bars: null })[5]!.bars!.filter((give) => give > 0)).toHaveLength(model.places.length);
  });

  it('draw the middle less where that is weighed, at some cost, and ever less the more it weighs', () => {
    const model = modelOf(600, 450);
    const ends = [0, 0.05, 0.2].map((driftPerMm) => workOut(model, 4, { ...BOUNDS, driftPerMm })!);
    const [free, weighed, heavy] = ends.map(({ drift }) => Math.hypot(drift.xMm, drift.yMm));
    expect(free).toBeGreaterThan(4);
    expect(weighed).toBeLessThan(0.6 * free!);
    expect(heavy).toBeLessThan(weighed!);
    const [best, dearer] = ends.map(({ edges }) => edges.reckoned.levelled.expected);
    expect(dearer).toBeGreaterThan(best!);
    expect(dearer).toBeLessThan(best! + 0.1);
    // Nothing that was tried comes under the floor, whatever is weighed.
    expect(ends[1]!.floor).toBeCloseTo(ends[0]!.floor, 2);
  });

  it('know how the middle goes without working out the whole cloth', () => {
    const model = modelOf(600, 450);
    const membrane = toEnd(quietly(condensedMembrane(model.mesh, model.cloth)));
    const give = middleGive(membrane, model.places);
    const forces = Float64Array.from({ length: 2 * model.places.length }, (_, at) => Math.sin(at * at));
    const moves = movesUnder(membrane, edgeForces(membrane, model.places, forces));
    const { drift } = clothMeasures(membrane, model.places, model.widths, forces, moves);
    const sum = (of: Float64Array) => of.reduce((total, one, at) => total + one * forces[at]!, 0);
    expect(sum(give.right)).toBeCloseTo(drift.xMm, 9);
    expect(sum(give.down)).toBeCloseTo(drift.yMm, 9);
  });

  it('are none where the order stretches nothing', () => {
    const model = modelOf(400, 300);
    expect(workOut({ ...model, events: model.events.slice(0, 1) })).toBeNull();
  });
});
