/* What a slip of the tape, the jug or the hand brings about is not told as an answer. */
import { describe, expect, it } from 'vitest';
import { frameWeightKg } from '../frame/frameParts';
import { PROFILES } from '../frame/profiles';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { byId } from '../house/schools';
import { type JobInputs, newInputs } from '../job/job';
import { everySide } from '../job/sides';
import type { StageId } from '../stages/stages';
import { length } from '../units/length';
import { planJob } from './planJob';

const planned = (change: (inputs: JobInputs) => void, [wide, high]: [number, number] = [900, 600]) => {
  const inputs = newInputs('Slip', length(wide), length(high));
  change(inputs);
  return planJob(inputs, { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') }, 0);
};
const verdictOf = (plan: ReturnType<typeof planned>, stage: StageId, id: string) =>
  plan[stage].verdicts.find((one) => one.id === id);

describe('a slip is not taken for an answer', () => {
  const read = (inputs: JobInputs, up: number) =>
    Object.assign(inputs.square, {
      ...{ top: length(900), bottom: length(900), left: length(600), right: length(600) },
      ...{ down: length(1081.5), up: length(up), lift: length(0) },
    });

  it('a misread diagonal changes no face: it is read again', () => {
    const size = (up: number) =>
      verdictOf(
        planned((inputs) => void read(inputs, up)),
        'square',
        'size',
      )!;
    expect(size(1101.5)).toMatchObject({ level: 'watch', doThis: expect.stringMatching(/^A reading is doubted/) as string });
    expect(size(1082).level).toBe('good');
  });

  it('of several sides that cannot be, the one furthest off is named, with the end of what it could be', () => {
    const reading = (top: number, right: number) => {
      const plan = planned((inputs) => {
        read(inputs, 1082);
        Object.assign(inputs.square, { top: length(top), right: length(right) });
      });
      return verdictOf(plan, 'square', 'reading')!;
    };
    expect(reading(1200, 100)).toMatchObject({ level: 'stop', measured: 100, limit: 450 });
    expect(reading(9000, 400)).toMatchObject({ measured: 9000, limit: 1125 });
    expect(reading(9000, 400).says).toMatch(/^The top side reads 9000 mm/);
  });

  it('readings of an image that fit no shape are not said to agree, and the doubtful one is named', () => {
    const image = (patch: Partial<JobInputs['cloth']['painting']>) =>
      verdictOf(
        planned(
          (inputs) => {
            inputs.brief.use = 'finished';
            Object.assign(inputs.cloth.painting, {
              ...{ top: length(741), bottom: length(742), left: length(558), right: length(557.5) },
              ...{ down: length(928.5), up: length(928.5), ...patch },
            });
          },
          [742, 558],
        ),
        'cloth',
        'image',
      )!;
    expect(image({})).toMatchObject({ level: 'good', says: 'The readings of the image agree.' });
    expect(image({ top: length(714) })).toMatchObject({ level: 'stop' });
    expect(image({ top: length(714) }).says).toMatch(/contradict each other/);
    expect(image({ down: length(962.5) })).toMatchObject({ level: 'stop' });
    expect(image({ down: length(962.5) }).says).toMatch(/one of the diagonals is misread/);
    expect(image({ up: null })).toMatchObject({ level: 'watch', says: expect.stringMatching(/not read in full/) as string });
  });

  it('on an image or in a rebate whose readings contradict each other nothing is placed', () => {
    const plan = (up: number, rebateUp: number) =>
      planned(
        (inputs) => {
          inputs.brief.use = 'finished';
          inputs.brief.edges = 'rebate';
          const sides = { top: length(742), bottom: length(742), left: length(558), right: length(558), down: length(928.5) };
          Object.assign(inputs.cloth.painting, { ...sides, up: length(up) });
          Object.assign(inputs.brief.rebate, {
            ...{ top: length(752), bottom: length(752), left: length(568), right: length(568) },
            ...{ down: length(942.4), up: length(rebateUp) },
          });
        },
        [742, 558],
      );
    const ids = (up: number, rebateUp: number) => plan(up, rebateUp).brief.verdicts.map(({ id }) => id);
    expect(ids(928.5, 942.4)).toEqual(expect.arrayContaining(['framePlace', 'rebateReadings', 'rebateFit']));
    expect(ids(950, 942.4)).not.toContain('framePlace');
    expect(ids(928.5, 970)).not.toContain('rebateFit');
    expect(verdictOf(plan(928.5, 970), 'brief', 'rebateReadings')).toMatchObject({
      level: 'stop',
      says: expect.stringMatching(/one of the diagonals is misread/) as string,
    });
  });

  it('a gap that would lean the frame by more than a third of a right angle is no gap of a frame', () => {
    const square = (gapMm: number) =>
      planned((inputs) => {
        inputs.square.gaps.topLeft = { gap: length(gapMm), wider: true };
      });
    expect(verdictOf(square(2), 'square', 'reading')).toBeUndefined();
    expect(verdictOf(square(160), 'square', 'reading')).toMatchObject({ level: 'stop', measured: 160, limit: 150 });
    expect(verdictOf(square(160), 'square', 'reading')!.says).toMatch(/^The set square at the top left reads 160 mm/);
  });

  it('how good readings are is told in millimetres only where they tell something', () => {
    const tape = (up: number) =>
      verdictOf(
        planned((inputs) => void read(inputs, up)),
        'square',
        'tape',
      );
    expect(tape(1101.5)).toMatchObject({ measured: null, says: 'What was read so far does not tell whether it is square.' });
  });

  it('a lift of a fifth of the diagonal is no wind', () => {
    const wind = (liftMm: number) =>
      verdictOf(
        planned((inputs) => {
          inputs.square.lift = length(liftMm);
        }),
        'square',
        'wind',
      )!;
    expect(wind(8).measured).toBeGreaterThan(7);
    expect(wind(240)).toMatchObject({ level: 'watch', measured: null, says: expect.stringMatching(/is no wind/) as string });
  });

  it('a pot that gave more than any cloth takes, or less than nothing, is read again, and nothing of it is learned', () => {
    const pot = (mixedMl: number, leftMl: number) => {
      const plan = planned((inputs) => Object.assign(inputs.prime, { mixedMl, leftMl }));
      return { pot: verdictOf(plan, 'prime', 'pot')!, usedMl: plan.prime.usedMl };
    };
    expect(pot(200, 260)).toMatchObject({ usedMl: null, pot: { level: 'stop', measured: 260, limit: 200 } });
    expect(pot(90_000, 0).pot).toMatchObject({
      level: 'stop',
      says: 'No cloth takes up so much.',
      doThis: 'Read the jug again.',
    });
    expect(pot(200, 100)).toMatchObject({ usedMl: 100, pot: { measured: 100 } });
  });

  it('old folds that leave no face between them throw nothing and offer no size', () => {
    const plan = planned(
      ({ brief, cloth }) => {
        brief.use = 'restretch';
        const sides = { top: length(324), right: length(400), bottom: length(324), left: length(400) };
        Object.assign(cloth.painting, { ...sides, down: length(515), up: length(515) });
        cloth.left = everySide(() => ({ first: length(60), second: length(60) }));
        cloth.found.fold = everySide((side) => ({ by: length(side === 'left' ? 500 : 2), within: side === 'left' }));
      },
      [324, 400],
    );
    expect(plan.brief.verdicts.length).toBeGreaterThan(3);
  });

  it('a short brace bears no more than its wood, bars that leave no opening weigh what a board weighs', () => {
    const braced = planned(
      ({ bars }) => Object.assign(bars, { bracesUpright: [0.48, 0.5, 0.52], bracesLevel: [0.49, 0.5, 0.51], profile: 'heavy' }),
      [500, 500],
    );
    const load = verdictOf(braced, 'bars', 'braceLoad')!;
    expect(load.because).toMatch(/crushed at \d{5} N before it buckles/);
    expect(load.limit!).toBeLessThan(30_000);
    const broad = byId(PROFILES, 'broad');
    const size = { widthMm: 100, heightMm: 110, bracesUpright: 1, bracesLevel: 0 };
    expect(2 * broad.widthMm).toBeGreaterThan(110);
    expect(frameWeightKg(size, broad, 500)).toBeCloseTo((100 * 110 * (broad.depthMm + broad.beadMm / 4) * 500) / 1e9, 9);
  });

  it('no pace is told of a fastening for which no place was found', () => {
    const paces = (leftMm: number) =>
      planned(({ brief, cloth, fasten }) => {
        brief.use = 'restretch';
        const sides = { top: length(900), right: length(600), bottom: length(900), left: length(600) };
        Object.assign(cloth.painting, { ...sides, down: length(1081.5), up: length(1081.5) });
        cloth.left = everySide(() => ({ first: length(leftMm), second: length(leftMm) }));
        fasten.asDone.minutes = 30;
      }).fasten.readings.filter(({ quantity }) => quantity === 'fasteningPace');
    expect(paces(60)).toHaveLength(1);
    expect(paces(0)).toEqual([]);
  });

  it('a slack canvas is keyed from what the hand feels, not from what the bars were reckoned for', () => {
    const pull = (feel: 'slack' | null) =>
      verdictOf(
        planned((inputs) => {
          inputs.tune.feel = feel;
          inputs.tune.corners.topLeft = inputs.tune.corners.topRight = length(0.5);
        }),
        'tune',
        'cornersPull',
      )!;
    expect(pull('slack').says).toMatch(/^30 N\/m felt and \d+ N\/m by the corners/);
    expect(pull(null).says).toMatch(/^250 N\/m assumed/);
  });

  it('cold stops a ground by the cold, not by a time that is short', () => {
    const air = verdictOf(
      planned(({ prime }) => void (prime.roomC = 3)),
      'prime',
      'air',
    )!;
    expect(air).toMatchObject({ level: 'stop', measured: 3, unit: '°C' });
    expect(air.limit!).toBeGreaterThan(3);
  });

  it('the kit has what the told fasteners take: tacks a hammer, clamps of the route, staples a stapler', () => {
    const kit = (change: (inputs: JobInputs) => void) => planned(change).kit.map(({ what }) => what);
    expect(kit(({ fasten }) => void (fasten.fastener = 'tack'))).not.toContain('Stapler, loaded');
    expect(kit(({ fasten }) => void (fasten.fastener = 'tack'))).toContain('Tack hammer, magnetic');
    expect(kit(() => undefined)).toContain('Stapler, loaded');
    expect(kit(({ fasten }) => void (fasten.route = 'registered'))).toContain('Wide-jawed clamps, padded');
    expect(kit(() => undefined)).not.toContain('Wide-jawed clamps, padded');
  });
});
