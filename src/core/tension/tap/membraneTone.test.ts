import { expect, it } from 'vitest';
import { type Mode, airMass, modeHz } from './membraneTone';
import { nelderMead } from './nelderMead';
import { readWav, writeWav } from './wav';

it.each([
  [0.3, 0.4, 0.34, 39.4, 74.2, 61.2, 88.9],
  [0.5, 0.7, 0.6, 17.6, 33.5, 26.8, 39.6],
  [0.8, 1, 0.6, 10.5, 19.9, 17.0, 24.4],
])('the notes of %d × %d m at 200 N/m are the known ones', (a, b, sigma, ...notes) => {
  const modes: Mode[] = [
    [1, 1],
    [2, 1],
    [1, 2],
    [2, 2],
  ];
  modes.forEach((mode, index) => expect(modeHz({ a, b }, sigma, { tx: 200, ty: 200 }, mode)).toBeCloseTo(notes[index]!, 1));
});

it('the air on a square weighs what a free plate moves: 0.579 ρ a³ in all', () => {
  // The lowest mode moves less air than a rigid plate, for the same mean square of its motion.
  const plate = 0.579 * 1.204 * 0.5;
  expect(airMass({ a: 0.5, b: 0.5 }, [1, 1])).toBeGreaterThan(0.9 * plate);
  expect(airMass({ a: 0.5, b: 0.5 }, [1, 1])).toBeLessThan(1.6 * plate);
  expect(airMass({ a: 0.5, b: 0.5 }, [2, 1])).toBeLessThan(0.6 * airMass({ a: 0.5, b: 0.5 }, [1, 1]));
  expect(() => modeHz({ a: 0, b: 1 }, 0.3, { tx: 1, ty: 1 }, [1, 1])).toThrow(/a must be above 0, got 0/);
});

it('walks down a curved valley to its end', () => {
  const { at } = nelderMead(([x, y]) => (1 - x!) ** 2 + 100 * (y! - x! ** 2) ** 2, [-1.2, 1], [0.3, 0.3], 500, 1e-14);
  expect(at[0]).toBeCloseTo(1, 4);
  expect(at[1]).toBeCloseTo(1, 4);
});

it('WAV files come back as they went, and what is none says so', () => {
  const samples = Float32Array.from([0, 0.5, -0.5, 1, -1, 0.25]);
  const read = readWav(writeWav({ samples, rate: 44_100 }));
  if (!read.ok) throw new Error(read.says);
  expect(read.sound.rate).toBe(44_100);
  read.sound.samples.forEach((value, index) => expect(value).toBeCloseTo(samples[index]!, 3));
  expect(readWav(new Uint8Array(100))).toEqual({ ok: false, says: 'This is not a WAV file.' });
  expect(readWav(writeWav({ samples, rate: 44_100 }).subarray(0, 36))).toMatchObject({ says: expect.stringMatching(/no sound/) });
});
