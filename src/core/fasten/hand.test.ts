import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { type HandTrial, feelWords, handNoise, handOf } from './hand';

const trial = (feel: HandTrial['feel'], pulledN: number[], change: Partial<HandTrial> = {}): HandTrial => ({
  maker: 'Tove',
  feel,
  pulledN,
  simulated: false,
  ...change,
});

describe('a hand tried on the scale', () => {
  it('gets back how much it varies, from groups of three about their own means', () => {
    const drawn = randomNormal.source(randomLcg(0.3))(1, 0.12);
    const trials = Array.from({ length: 200 }, (_, index) =>
      trial(
        'firm',
        [0, 1, 2].map(() => (8 + (index % 5) * 6) * drawn()),
      ),
    );
    expect(Math.abs(handNoise(trials, [])!.noise - 0.12)).toBeLessThan(0.01);
    const told = Array.from({ length: 400 }, () => 1.3 * drawn());
    expect(Math.abs(handNoise([], told)!.noise - 0.12)).toBeLessThan(0.01);
  });

  it('says nothing from one trial, and never more than half', () => {
    expect(handNoise([trial('firm', [10, 12, 14])], [])).toBeNull();
    expect(handNoise([trial('firm', [10, 12, 14]), trial('light', [5, 5, 5])], [])).toMatchObject({ pulls: 6 });
    expect(handNoise([], [])).toBeNull();
    expect(handNoise([trial('firm', [1, 60, 1, 70, 1])], [])!.noise).toBe(0.5);
    expect(handNoise([trial('firm', [0, 0, 0, 0, 0, 0])], [])).toBeNull();
  });

  it('goes by what was measured, by practice while nothing else is there, and by its own maker alone', () => {
    const practice = [trial('firm', [30, 31, 32], { simulated: true })];
    expect(handOf(practice, 'Tove')).toMatchObject({ simulated: true, feels: [{ meanN: 31 }] });
    const both = [...practice, trial('firm', [18, 19, 20]), trial('firm', [50, 50, 50], { maker: 'Ansel' })];
    expect(handOf(both, 'Tove')).toMatchObject({ simulated: false, feels: [{ feel: 'firm', meanN: 19, pulls: 3 }] });
    expect(handOf(both, 'Nobody')).toBeNull();
    expect(handNoise([...practice, ...practice], [0.9, 1, 1.1, 1, 1])).toMatchObject({ simulated: false, pulls: 5 });
  });

  it('puts newtons in words for its fingers: the feel, between two, beyond the last; nothing untried', () => {
    const hand = handOf([trial('light', [9, 10, 11]), trial('firm', [19, 20, 21]), trial('fingers', [40])], 'Tove')!;
    expect([11, 14, 21, 29, 60, 5].map((newtons) => feelWords(newtons, hand))).toEqual([
      'a light pinch',
      'over a light pinch',
      'a firm pinch',
      'over a firm pinch',
      'over all fingers',
      'under a light pinch',
    ]);
    expect(feelWords(12, null)).toBe('');
  });
});
