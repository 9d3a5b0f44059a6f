import { normal } from '../../normal';
import { randomLcg } from 'd3-random';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { toEnd } from '../../toEnd';
import { type TapRecording, analyseTaps } from './analyseTaps';
import { MICROPHONE_AT, type Pull, type Span, TAP_PLACES, TAP_PLACE_IDS, type TapPlace, modeHz } from './membraneTone';
import { type SyntheticTap, syntheticTap } from './syntheticTap';
import { readWav } from './wav';

const RATE = 8000;
const SIGMA_PART = 0.05;

/** A canvas, a room and a hand, drawn from a seed. */
function canvasOf(random: () => number) {
  for (;;) {
    const span: Span = { a: 0.25 + 0.5 * random(), b: 0.25 + 0.5 * random() };
    const sigma = 0.25 + 0.5 * random();
    const mean = 160 * Math.exp(0.45 * normal(random));
    const ratio = 0.3 * normal(random);
    const pull: Pull = { tx: mean * Math.exp(ratio / 2), ty: mean * Math.exp(-ratio / 2) };
    const longer = Math.max(span.a / span.b, span.b / span.a);
    if (modeHz(span, sigma, pull, [1, 1]) > 14 && longer < 2 && Math.min(pull.tx, pull.ty) > 50) return { span, sigma, pull };
  }
}

function tapsOf(random: () => number, { span, sigma, pull }: ReturnType<typeof canvasOf>): Record<TapPlace, TapRecording> {
  const room = {
    q: 5 * 4 ** random(),
    qSlope: 0.6 * (random() - 0.5),
    highPassHz: 8 + 30 * random(),
    noiseDb: -42 + 16 * random(),
    rumbleDb: -42 + 18 * random(),
    humDb: -60 + 30 * random(),
    humHz: 50 + 0.05 * normal(random),
  };
  const near = ([x, y]: readonly [number, number], by: number) =>
    [x * span.a + by * normal(random), y * span.b + by * normal(random)] as const;
  const tap = (place: TapPlace): TapRecording => ({
    rate: RATE,
    samples: syntheticTap(
      {
        ...room,
        span,
        sigma,
        pull,
        strike: near(TAP_PLACES[place], 0.016),
        microphone: [...near(MICROPHONE_AT, 0.012), 0.02 + 0.03 * random()],
        contactMs: 3 + 5 * random(),
        peak: 0.3 + 0.5 * random(),
        silence: 0.4 + 0.2 * random(),
        seconds: 1.6,
        rate: RATE,
      },
      random,
    ),
  });
  return { C: tap('C'), X: tap('X'), Y: tap('Y') };
}

describe('tension from three taps', () => {
  it('is right, and knows how right, on canvases with noise, hum and a hand that misses', () => {
    const canvases = rounds(60, 200);
    const errors: number[] = [];
    const parts: number[] = [];
    let accepted = 0;
    for (let seed = 0; seed < canvases; seed += 1) {
      const random = randomLcg((seed + 0.5) / 1000);
      const canvas = canvasOf(random);
      const taps = tapsOf(random, canvas);
      const believed = canvas.sigma * Math.exp(SIGMA_PART * normal(random));
      const reading = toEnd(analyseTaps({ span: canvas.span, sigma: believed, sigmaPart: SIGMA_PART, taps }));
      if (reading.kind !== 'read') continue;
      accepted += 1;
      const { pull, sdX, sdY } = reading.tension;
      errors.push(Math.abs(pull.tx / canvas.pull.tx - 1), Math.abs(pull.ty / canvas.pull.ty - 1));
      parts.push(Math.abs(pull.tx - canvas.pull.tx) / sdX, Math.abs(pull.ty - canvas.pull.ty) / sdY);
    }
    errors.sort((one, other) => one - other);
    const within = (sds: number) => parts.filter((one) => one < sds).length / parts.length;
    expect(accepted).toBeGreaterThanOrEqual(0.6 * canvases);
    expect(errors[errors.length >> 1]).toBeLessThan(0.04);
    expect(errors[Math.floor(errors.length * 0.95)]).toBeLessThan(0.12);
    expect(errors.at(-1)).toBeLessThan(0.25);
    expect(within(1)).toBeGreaterThan(0.6);
    expect(within(1)).toBeLessThan(0.8);
    expect(within(2)).toBeGreaterThan(0.9);
  });

  it('agrees with taps that another model made: the cloth in time steps, with the air worked out in full', () => {
    const known = (place: TapPlace): TapRecording => {
      const read = readWav(readFileSync(join(import.meta.dirname, 'knownTaps', `${place}.wav`)));
      if (!read.ok) throw new Error(read.says);
      return read.sound;
    };
    const taps = { C: known('C'), X: known('X'), Y: known('Y') };
    const reading = toEnd(analyseTaps({ span: { a: 0.428, b: 0.428 }, sigma: 0.604, sigmaPart: 0.03, taps }));
    if (reading.kind !== 'read') throw new Error(JSON.stringify(reading));
    expect(reading.tension.pull.tx / 335.4).toBeCloseTo(1, 1);
    expect(reading.tension.pull.ty / 233.9).toBeCloseTo(1, 1);
    expect(reading.modes.find(({ name }) => name === '1,1')!.hz).toBeCloseTo(29.7, 0);
  });
});

describe('what is no tap', () => {
  const span = { a: 0.5, b: 0.4 };
  const plain: SyntheticTap = {
    span,
    sigma: 0.5,
    pull: { tx: 200, ty: 180 },
    q: 9,
    qSlope: 0,
    strike: [0.25, 0.2],
    microphone: [0.15, 0.12, 0.03],
    contactMs: 5,
    highPassHz: 15,
    noiseDb: -40,
    rumbleDb: -45,
    humDb: -50,
    humHz: 50,
    peak: 0.6,
    silence: 0.5,
    seconds: 1.6,
    rate: RATE,
  };
  const sound = (change: Partial<SyntheticTap>) => syntheticTap({ ...plain, ...change }, randomLcg(0.4));
  /** Syllables: noise that swells four times a second. */
  const speech = () => {
    const random = randomLcg(0.7);
    return Float32Array.from({ length: 1.8 * RATE }, (_, index) =>
      index < 0.5 * RATE ? 1e-3 * normal(random) : 0.15 * Math.abs(Math.sin((4 * Math.PI * index) / RATE)) * normal(random),
    );
  };
  const outcome = (samples: Float32Array, place: TapPlace = 'X') => {
    const good = { rate: RATE, samples: sound({}) };
    const taps = Object.fromEntries(TAP_PLACE_IDS.map((id) => [id, id === place ? { rate: RATE, samples } : good]));
    return toEnd(analyseTaps({ span, sigma: 0.5, sigmaPart: 0.05, taps: taps as Record<TapPlace, TapRecording> }));
  };

  it.each([
    ['silence', new Float32Array(1.8 * RATE)],
    ['clipped', sound({ peak: 3 })],
    ['notShort', speech()],
    ['tooEarly', sound({ silence: 0.05 })],
    ['tooLate', sound({ silence: 1.4 })],
    ['notQuiet', sound({ noiseDb: -6 })],
  ])('is refused: %s', (why, samples) => expect(outcome(samples)).toMatchObject({ kind: 'refused', place: 'X', why }));

  it('but not hum, which is taken off before the room is called loud', () => {
    const tap = (strike: SyntheticTap['strike']) => ({ rate: RATE, samples: sound({ strike, humDb: -12, humHz: 50.02 }) });
    const taps = { C: tap([0.25, 0.2]), X: tap([0.125, 0.2]), Y: tap([0.25, 0.1]) };
    const reading = toEnd(analyseTaps({ span, sigma: 0.5, sigmaPart: 0.05, taps }));
    if (reading.kind !== 'read') throw new Error(JSON.stringify(reading).slice(0, 200));
    const { pull, sdX, sdY } = reading.tension;
    expect(Math.abs(pull.tx - 200)).toBeLessThan(2.5 * sdX);
    expect(Math.abs(pull.ty - 180)).toBeLessThan(2.5 * sdY);
  });

  it('and X for Y is asked about, with what it would be; taps at their places are not', () => {
    const tap = (strike: SyntheticTap['strike']) => ({ rate: RATE, samples: sound({ strike }) });
    const [C, X, Y] = [tap([0.25, 0.2]), tap([0.125, 0.2]), tap([0.25, 0.1])];
    const read = (taps: Record<TapPlace, TapRecording>) => {
      const reading = toEnd(analyseTaps({ span, sigma: 0.5, sigmaPart: 0.05, taps }));
      if (reading.kind !== 'read') throw new Error(JSON.stringify(reading).slice(0, 200));
      return reading;
    };
    expect(read({ C, X, Y }).changedOver).toBeNull();
    const wrong = read({ C, X: Y, Y: X });
    expect(wrong.tension.pull.tx / wrong.tension.pull.ty).toBeGreaterThan(1.8);
    expect(wrong.changedOver!.tx / 200).toBeCloseTo(1, 1);
    expect(wrong.changedOver!.ty / 180).toBeCloseTo(1, 1);
  });

  it('and three taps in the middle are doubted, not believed', () => {
    const middle = { rate: RATE, samples: sound({}) };
    const reading = toEnd(analyseTaps({ span, sigma: 0.5, sigmaPart: 0.05, taps: { C: middle, X: middle, Y: middle } }));
    expect(reading.kind).toBe('doubted');
  });
});
