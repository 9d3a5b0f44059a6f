import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { normal } from '../../normal';
import { decimated, filtered, humOf, lowPass, lowPassPower, whitened, whitener, whitenerPower, withoutHum } from './tapSignal';
import { spectrum, tonePeaks } from './tonePeaks';

const RATE = 4000;
const tone = (hz: number, seconds = 1, size = 1) =>
  Float64Array.from({ length: seconds * RATE }, (_, index) => size * Math.sin((2 * Math.PI * hz * index) / RATE));
const power = (samples: ArrayLike<number>) => Array.from(samples).reduce((sum, value) => sum + value * value, 0) / samples.length;

describe('the low-pass', () => {
  it.each([20, 60, 100, 200])('lets through of %d Hz what its formula says', (hz) => {
    const out = filtered(tone(hz), lowPass(60, RATE)).slice(RATE / 2);
    expect(power(out) / 0.5).toBeCloseTo(lowPassPower(hz, 60), 2);
  });

  it('few samples of a slow tone still are that tone', () => {
    const few = decimated(tone(10), 100, 20, 60);
    few.forEach((value, index) => expect(value).toBeCloseTo(Math.sin((2 * Math.PI * 10 * (100 + 20 * index)) / RATE), 2));
  });
});

describe('mains hum', () => {
  const random = randomLcg(0.4);
  const hiss = Float64Array.from({ length: RATE }, () => 0.05 * normal(random));
  const mixed = (hz: number) => {
    const [ground, overtone] = [tone(hz), tone(2 * hz)];
    return hiss.map((value, index) => value + ground[index]! * 0.5 + overtone[index]! * 0.2);
  };

  it.each([50, 60] as const)('of %d Hz is found with its overtone and taken off', (hz) => {
    const samples = mixed(hz);
    const hum = humOf(samples.slice(0, RATE / 2), RATE, 130)!;
    expect(hum.hz).toBe(hz);
    expect(power(withoutHum(samples, hum, RATE))).toBeLessThan(0.05 * power(samples));
  });

  it('is not found where there is none', () => expect(humOf(hiss, RATE, 130)).toBeNull());
});

describe('whitening', () => {
  it('makes rumble as white as it can, and knows what it lets through', () => {
    const random = randomLcg(0.6);
    let last = 0;
    const rumble = Float64Array.from({ length: 6000 }, () => (last = 0.8 * last + normal(random)));
    const { coefficients, power: left } = whitener(rumble, 3, 0);
    expect(coefficients[1]).toBeCloseTo(-0.8, 1);
    expect(left).toBeCloseTo(1, 1);
    expect(power(whitened(rumble, coefficients))).toBeCloseTo(left, 1);
    const omega = 0.7;
    const wave = Float64Array.from({ length: 4000 }, (_, index) => Math.cos(omega * index));
    expect(power(whitened(wave, coefficients)) / 0.5).toBeCloseTo(whitenerPower(coefficients, omega), 2);
    // With a floor far above it, silence is taken as it is.
    expect(whitener(rumble, 3, 1e6).coefficients[1]).toBeCloseTo(0, 3);
  });
});

it('peaks of clean notes tell both tensions', () => {
  const span = { a: 0.5, b: 0.4 };
  const notes = (hzs: number[]) =>
    spectrum(
      Float64Array.from({ length: 260 }, (_, index) =>
        hzs.reduce((sum, hz) => sum + Math.exp(-index / 90) * Math.cos((2 * Math.PI * hz * index) / 280), 0),
      ),
      280,
      [8, 90],
      400,
    );
  // 0.5 × 0.4 m, 0.5 kg/m², 200 and 150 N/m.
  const { pull, f11 } = tonePeaks(span, 0.5, 26, { C: notes([24.6]), X: notes([24.6, 41.8]), Y: notes([24.6, 44.1]) });
  expect(f11).toBeCloseTo(24.6, 0);
  expect(pull.tx).toBeGreaterThan(pull.ty);
  expect(Math.sqrt(pull.tx * pull.ty)).toBeGreaterThan(120);
  expect(Math.sqrt(pull.tx * pull.ty)).toBeLessThan(260);
});
