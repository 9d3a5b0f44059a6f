import { FRONT_WORDS, sideWords } from '../../job/sideWords';
import { describe, expect, it } from 'vitest';
import { condensedMembrane } from '../../fasten/membrane/membrane';
import { bestRepulls } from '../../fasten/membrane/bestRepulls';
import { type RouteRun, type StapleModel, simulateRoute } from '../../fasten/membrane/simulateRoute';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { toEnd } from '../../toEnd';
import { length } from '../../units/length';
import { bandsMeet, clothRunVerdicts, handBand, placeWords } from './clothRunVerdicts';
import { stapleModel } from './stapleModel';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
function job(change: (inputs: JobInputs) => void = () => undefined): { inputs: JobInputs; model: StapleModel; run: RouteRun } {
  const inputs = newInputs('t', length(700), length(500));
  change(inputs);
  const model = stapleModel(inputs, DEFAULT_RULES);
  const membrane = toEnd(condensedMembrane(model.mesh, model.cloth));
  const steady = model.events.map(() => 1);
  return { inputs, model, run: toEnd(simulateRoute(membrane, model, { handFactors: [steady, steady] })) };
}
const about = (
  what: string,
  { inputs, model, run }: ReturnType<typeof job>,
  repulls: Parameters<typeof clothRunVerdicts>[3] = null,
) => clothRunVerdicts(inputs, model, run, repulls, context).find((one) => one.id === what);

describe('what the simulated cloth says of a route', () => {
  it('asks for a pull in newtons, and for pliers where fingers do not reach it', () => {
    const light = about(
      'pull',
      job(({ bars }) => (bars.tensionNPerM = 150)),
    )!;
    expect(light.says).toMatch(/^Pull about \d+ N at each place for 150 N\/m\.$/);
    expect(light.doThis).toMatch(/^Fingers do/);
    const hard = about(
      'pull',
      job(({ bars, fasten }) => {
        bars.tensionNPerM = 400;
        fasten.spacing = length(80);
      }),
    )!;
    expect(hard.level).toBe('watch');
    expect(hard.measured!).toBeGreaterThan(hard.limit!);
    expect(hard.doThis).toMatch(/^Take pliers/);
    const withPliers = about(
      'pull',
      job(({ bars, fasten, cloth }) => {
        bars.tensionNPerM = 400;
        fasten.spacing = length(80);
        cloth.grip = 'pliers';
      }),
    )!;
    expect(withPliers).toMatchObject({ level: 'good', limit: 120 });
  });

  it('says what a typed pull brings, and how hard the last ones are where the pull rises', () => {
    const typed = about(
      'pull',
      job(({ fasten }) => (fasten.firmPull = 9)),
    )!;
    expect(typed.says).toMatch(/^9 N at each place brings about \d+ N\/m; 250 N\/m is aimed at\.$/);
    const gentle = job(({ fasten }) => (fasten.route = 'registered'));
    expect(about('pull', gentle)!.measured).toBeCloseTo(0.35 * gentle.run.firmN, 6);
    const rising = job(({ fasten }) => (fasten.ramp = 1.5));
    expect(about('pull', rising)!.measured).toBeCloseTo(1.5 * rising.run.firmN, 6);
    expect(about('pull', rising)!.says).toMatch(/, up to \d+ N at the last\.$/);
  });

  it('counts what went slack, and names what to set again with its gain', () => {
    const one = job();
    const plain = about('evenness', one)!;
    expect(plain.measured).toBe(one.run.end.low.length);
    expect(plain.doThis).toMatch(/second round/);
    const membrane = toEnd(condensedMembrane(one.model.mesh, one.model.cloth));
    const bounds = { leastN: 2, mostN: 30, noise: 0.15 };
    const look = toEnd(bestRepulls(membrane, one.model, { most: 2, firmN: one.run.firmN, bounds, felt: [] }));
    expect(about('evenness', one, look)!.doThis).toBe(
      `Draw and set again: ${look.repulls.map(({ place, pullN }) => `${placeWords(one.model.places[place]!, context.tape, FRONT_WORDS)}, at ${pullN} N`).join('; ')}. Expected unevenness ${look.before.toFixed(2)} → ${look.repulls[1]!.unevenness.toFixed(2)}.`,
    );
    expect(about('evenness', one, { before: 0.2, repulls: [] })!.doThis).toBe(
      'No fastener set again makes it more even by what hands bring.',
    );
    const twice = about(
      'evenness',
      job(({ fasten }) => (fasten.secondRound = true)),
    )!;
    expect(twice).toMatchObject({ level: 'good', says: 'Every fastener holds at least half of the mean.', doThis: '' });
  });

  it('says plainly where nothing held the other side', () => {
    expect(about('unopposed', job())).toBeUndefined();
    const one = job();
    expect(about('unopposed', { ...one, run: { ...one.run, unopposed: 7 } })).toMatchObject({ level: 'watch', measured: 7 });
  });

  it('says of fasteners that would push that they hold nothing', () => {
    const one = job();
    const because = (pushing: number) =>
      about('evenness', { ...one, run: { ...one.run, end: { ...one.run.end, pushing } } })!.because;
    expect(because(3)).toContain('have to push (3), a fastener holds nothing');
    expect(because(0)).not.toContain('push');
  });

  it('tells a difference only where bands do not meet', () => {
    expect(bandsMeet([0.3, 0.4], [0.4, 0.5])).toBe(true);
    expect(bandsMeet([0.3, 0.4], [0.41, 0.5])).toBe(false);
    const { run } = job();
    const band = handBand(run);
    expect(band[0]).toBeCloseTo(run.end.unevenness, 9);
    expect(band[1]).toBeCloseTo(run.end.unevenness, 9);
    expect(handBand({ ...run, hands: [] })).toEqual([run.end.unevenness, run.end.unevenness]);
    const spread = Array.from({ length: 12 }, (_, index) => ({ ...run.hands[0]!, unevenness: index / 100 }));
    expect(handBand({ ...run, hands: spread })).toEqual([0.01, 0.1]);
  });

  it('names places as they are seen from the front', () => {
    expect(placeWords({ side: 'top', offsetMm: 0.2 }, context.tape, FRONT_WORDS)).toBe('top, middle');
    expect(placeWords({ side: 'bottom', offsetMm: -40 }, context.tape, FRONT_WORDS)).toBe('bottom, 40 mm left of the middle');
    expect(placeWords({ side: 'left', offsetMm: 40 }, context.tape, FRONT_WORDS)).toBe('left, 40 mm below the middle');
    expect(placeWords({ side: 'bottom', offsetMm: -40 }, context.tape, sideWords('back'))).toBe(
      'bottom, 40 mm right of the middle',
    );
  });
});

describe('a job as a model', () => {
  it('lays the warp where it runs, and primed cloth stiffer against racking', () => {
    const across = stapleModel(newInputs('t', length(700), length(500)), DEFAULT_RULES).cloth;
    const upright = newInputs('t', length(700), length(500));
    upright.cloth = { ...upright.cloth, warp: 'height' };
    const down = stapleModel(upright, DEFAULT_RULES).cloth;
    expect([down.exNPerMm, down.eyNPerMm]).toEqual([across.eyNPerMm, across.exNPerMm]);
    // The same cloth, turned: what draws in along the warp draws in along it still.
    expect(down.nuXY / down.exNPerMm).toBeCloseTo(across.nuXY / across.exNPerMm, 12);
    expect(across.shearNPerMm).toBe(0.5);
  });

  it('has every place of the route once but the folds, pulls as parts of the firm one, and bars that give at their own side', () => {
    const inputs = newInputs('t', length(700), length(500));
    inputs.fasten = { ...inputs.fasten, route: 'cornerHeld', ramp: 1.4 };
    const { places, events, bars, jawMm } = stapleModel(inputs, DEFAULT_RULES);
    expect(new Set(places.map(({ side, offsetMm }) => `${side} ${offsetMm.toFixed(3)}`)).size).toBe(places.length);
    expect(events.filter((event) => event.act === 'takeOut')).toHaveLength(4);
    expect(Math.max(...events.map((event) => event.part))).toBeCloseTo(1.4, 9);
    expect(events.slice(0, 4).every((event) => event.part === 0.5)).toBe(true);
    expect(jawMm).toBe(25);
    const top = places.findIndex((one) => one.side === 'top');
    const left = places.findIndex((one) => one.side === 'left');
    expect(bars![top * places.length + top]!).toBeGreaterThan(0);
    expect(bars![top * places.length + left]).toBe(0);
  });
});
