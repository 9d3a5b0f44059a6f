import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { randomInputs } from '../testInputs';
import { rounds } from '@/testRounds';
import { planJob } from './planJob';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };

/** Paths of numbers that are none, anywhere in a value. */
const notNumbers = (value: unknown, path = ''): string[] => {
  if (typeof value === 'number') return Number.isNaN(value) ? [path] : [];
  if (typeof value === 'string') return /NaN|undefined|Infinity/.test(value) ? [`${path}: ${value}`] : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]: [string, unknown]) => notNumbers(one, `${path}.${key}`));
};

describe('whatever can be typed', () => {
  it('is planned without a throw, without a number that is none, and with verdicts that share no id', () => {
    const random = randomLcg(0.271);
    for (let turn = 0; turn < rounds(100, 250); turn += 1) {
      const inputs = randomInputs(random);
      const plan = planJob(inputs, context, Math.floor(random() * 3));
      const said = Object.entries(plan).map(([stage, one]) => [
        stage,
        stage === 'kit' ? one : (one as { verdicts: unknown }).verdicts,
      ]);
      expect(notNumbers(Object.fromEntries(said)), JSON.stringify(inputs)).toEqual([]);
      for (const [stage, verdicts] of said.filter(([id]) => id !== 'kit') as [string, { id: string }[]][]) {
        const ids = verdicts.map(({ id }) => id);
        expect(new Set(ids).size, `${stage}: ${ids.join(', ')}`).toBe(ids.length);
      }
    }
  });
});
