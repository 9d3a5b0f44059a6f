import { describe, expect, it } from 'vitest';
import { barGive } from './barGive';
import { deflectionAt, solveBeam } from './beam';

const bar = { lengthMm: 1200, eNPerMm2: 8640, inertiaMm4: 60_000 };

describe('give of a bar', () => {
  it.each([
    ['no brace', []],
    ['a brace that gives', [{ atMm: 500, stiffnessNPerMm: 400 }]],
    [
      'a stiff one and a soft one',
      [
        { atMm: 400, stiffnessNPerMm: Infinity },
        { atMm: 800, stiffnessNPerMm: 90 },
      ],
    ],
  ])('adds up to the bow under an even pull, with %s', (_name, supports) => {
    const slices = 400;
    const places = Array.from({ length: slices }, (_, index) => ((index + 0.5) * bar.lengthMm) / slices);
    const give = barGive({ ...bar, supports }, places);
    const solved = solveBeam({ ...bar, supports, loadNPerMm: [0.3, 0.3], endFixity: 0 });
    for (const at of [60, 199, 321]) {
      const bow = places.reduce((sum, _place, load) => sum + give[at * slices + load]! * 0.3 * (bar.lengthMm / slices), 0);
      expect(bow).toBeCloseTo(deflectionAt(solved, places[at]!), 4);
      expect(give[at * slices + 37]).toBeCloseTo(give[37 * slices + at]!, 12);
    }
  });

  it('refuses a place beyond the bar', () => {
    expect(() => barGive({ ...bar, supports: [] }, [1201])).toThrow(/0 to 1200 mm, got 1201/);
  });
});
