import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { stapleModel } from '../../stages/fasten/stapleModel';
import { quietly, toEnd } from '../../toEnd';
import { length } from '../../units/length';
import { type FeltPlace, type SecondLookOptions, bestRepulls } from './bestRepulls';
import { condensedMembrane } from './membrane';
import { pullGrid } from './pullLevels';
import { type StapleModel, simulateRoute } from './simulateRoute';

function modelOf(width: number, height: number, patch: Partial<JobInputs['fasten']> = {}): StapleModel {
  const inputs = newInputs('t', length(width), length(height));
  inputs.fasten = { ...inputs.fasten, spacing: length(60), lastFromCorner: length(60), ...patch };
  return stapleModel(inputs, DEFAULT_RULES);
}
const model = modelOf(500, 400);
const membrane = toEnd(condensedMembrane(model.mesh, model.cloth));
const end = (of: StapleModel, factors: number[][] = [], cloth = membrane) =>
  toEnd(quietly(simulateRoute(cloth, of, factors.length > 0 ? { handFactors: factors } : {})));
const { firmN } = end(model);
const exact = { leastN: 2, mostN: 30, noise: 0 };
const look = (options: Partial<SecondLookOptions> = {}, of = model, cloth = membrane) =>
  toEnd(quietly(bestRepulls(cloth, of, { most: 1, firmN, bounds: exact, felt: [], ...options })));
/** The order with one more fastener drawn and set again. */
const again = (place: number, pullN: number): StapleModel => ({
  ...model,
  firmN,
  events: [
    ...model.events,
    { order: 999, act: 'takeOut', place, part: 0 },
    { order: 999, act: 'fasten', place, part: pullN / firmN },
  ],
});

describe('a second look at a fastened canvas', () => {
  it('names the place and the pull that even the edge most: as trying every one at every pull does', () => {
    const found = look();
    expect(found.before).toBeCloseTo(end(model).end.unevenness, 6);
    const tried = model.places.flatMap((_place, place) =>
      pullGrid(exact.leastN, exact.mostN).map((pullN) => ({ place, pullN, unevenness: end(again(place, pullN)).end.unevenness })),
    );
    const best = tried.reduce((a, b) => (b.unevenness < a.unevenness ? b : a));
    expect(found.repulls[0]!.place).toBe(best.place);
    expect(found.repulls[0]!.pullN).toBe(best.pullN);
    expect(found.repulls[0]!.unevenness).toBeCloseTo(best.unevenness, 6);
    const [first, second] = look({ most: 2 }).repulls;
    expect(second!.unevenness).toBeLessThan(first!.unevenness);
  });

  const noise = 0.15;
  const drawn = randomNormal.source(randomLcg(0.4))(1, noise);
  /** Root of the mean square of 200 drawn hands. */
  const root = (of: StapleModel, cloth = membrane) => {
    const hands = Array.from({ length: 200 }, () => Array.from({ length: of.events.length }, () => drawn()));
    const ends = end(of, hands, cloth).hands;
    return Math.sqrt(ends.reduce((sum, one) => sum + one.unevenness ** 2, 0) / ends.length);
  };

  it('expects under noise what drawn hands come to', () => {
    const found = look({ bounds: { ...exact, noise } });
    const { place, pullN, unevenness } = found.repulls[0]!;
    expect(Math.abs(root({ ...model, firmN }) - found.before)).toBeLessThan(0.01);
    expect(Math.abs(root(again(place, pullN)) - unevenness)).toBeLessThan(0.01);
  });

  it('counts a fastener that would push as holding nothing, as the played cloth does', () => {
    const wide = modelOf(1500, 1000, { spacing: length(50), lastFromCorner: length(50) });
    const cloth = toEnd(condensedMembrane(wide.mesh, wide.cloth));
    const taught = end(wide, [], cloth);
    expect(taught.end.pushing).toBeGreaterThan(0);
    const told = { most: 0, firmN: taught.firmN };
    expect(look(told, wide, cloth).before).toBeCloseTo(taught.end.unevenness, 6);
    const expected = look({ ...told, bounds: { ...exact, noise } }, wide, cloth).before;
    expect(Math.abs(root({ ...wide, firmN: taught.firmN }, cloth) - expected)).toBeLessThan(0.01);
  });

  it('goes by what is felt: loose, a fastener is named that is left alone when it feels right; each feel tells a little', () => {
    const bounds = { ...exact, noise: 0.15 };
    const at = model.places.findIndex(({ side, offsetMm }) => side === 'right' && offsetMm > 60);
    const named = (felt: FeltPlace['felt']) =>
      look({ bounds, most: 8, felt: [{ place: at, felt }] }).repulls.filter(({ place }) => place === at);
    expect(named('loose')).toHaveLength(1);
    expect(named('right')).toEqual([]);
    expect(look({ bounds, felt: [{ place: at, felt: 'right' }] }).before).toBeLessThan(look({ bounds }).before);
    // Felt twice it is known better, and whoever pulls exactly need not feel at all.
    const twice = Array.from({ length: 6 }, () => ({ place: at, felt: 'loose' as const }));
    expect(look({ bounds, felt: twice }).before).toBeGreaterThan(look({ bounds, felt: twice.slice(0, 1) }).before);
    expect(look({ felt: twice })).toEqual(look());
  });

  it('names nothing where there is nothing to gain, and takes no felt place without a fastener', () => {
    expect(look({ most: 0 }).repulls).toEqual([]);
    expect(() => look({ felt: [{ place: 9999, felt: 'loose' }] })).toThrow(RangeError);
    expect(() => look({ firmN: 0 })).toThrow(RangeError);
    const one = { ...model, events: model.events.slice(0, 1) };
    expect(look({}, one).repulls).toEqual([]);
  });
});
