import { expect, test } from '@playwright/test';
import { analyseTaps } from '../src/core/tension/tap/analyseTaps';
import { toEnd } from '../src/core/toEnd';
import { simulatedTap } from '../src/features/job/tune/microphone';

/** Seconds that three taps may take to be read. */
const ALLOWED = 3;

test('three taps read, as a part of the time allowed', () => {
  for (const [a, b] of [
    [0.3, 0.4],
    [0.5, 0.7],
    [0.9, 0.7],
  ] as const) {
    const span = { a, b };
    const tap = (place: 'C' | 'X' | 'Y', number: number) => simulatedTap(place, span, 0.5, { tx: 220, ty: 200 }, number);
    const taps = { C: tap('C', 1), X: tap('X', 2), Y: tap('Y', 3) };
    const times = Array.from({ length: 7 }, () => {
      const from = performance.now();
      toEnd(analyseTaps({ span, sigma: 0.5, sigmaPart: 0.05, taps }));
      return (performance.now() - from) / 1000;
    });
    const first = times[0]!;
    times.sort((one, other) => one - other);
    console.log(
      `  ${a} × ${b} m: first ${(first / ALLOWED).toFixed(2)}, median ${(times[3]! / ALLOWED).toFixed(2)}, most ${(times[6]! / ALLOWED).toFixed(2)}`,
    );
    expect(times[3]!).toBeGreaterThan(0);
  }
});
