import fc from 'fast-check';
import { expect, it } from 'vitest';
import { USUAL_POLICIES } from '../house/houseRules';
import { REMEDY_SIGNS, type RemedyCase, remedyAdvice } from './remedies';

const raw: RemedyCase = {
  painted: false,
  fragile: false,
  primed: false,
  cornersOpen: true,
  inRebate: false,
  growthWords: '1 mm of 4 mm',
  atEnd: false,
  signs: ['slackAll'],
  policies: USUAL_POLICIES,
};
const first = (change: Partial<RemedyCase>) => remedyAdvice({ ...raw, ...change })[0]!.id;

it('puts first what the signs ask for', () => {
  expect(first({ signs: [] })).toBe('none');
  expect(first({})).toBe('keys');
  expect(first({ signs: ['creases'] })).toBe('water');
  expect(first({ signs: ['scallops'] })).toBe('restretch');
  expect(first({ signs: ['slackDamp'] })).toBe('air');
  expect(first({ signs: ['dent'], painted: true, primed: true })).toBe('chip');
});

it('follows the house, the frame and the state of the paint', () => {
  expect(first({ cornersOpen: false })).toBe('restretch');
  expect(first({ policies: { ...USUAL_POLICIES, keys: 'never' } })).toBe('restretch');
  expect(first({ policies: { ...USUAL_POLICIES, restretch: 'liked' } })).toBe('restretch');
  expect(first({ painted: true, fragile: true })).toBe('conservator');
  expect(first({ atEnd: true })).toBe('restretch');
});

it('never offers water on a painted canvas, whatever is seen and whatever the house likes', () => {
  const signs = fc.subarray(REMEDY_SIGNS.map(({ id }) => id));
  fc.assert(
    fc.property(signs, fc.boolean(), fc.boolean(), (seen, primed, fragile) => {
      const advice = remedyAdvice({
        ...raw,
        painted: true,
        primed,
        fragile,
        signs: seen,
        policies: { ...USUAL_POLICIES, water: 'liked' },
      });
      expect(advice.find(({ id }) => id === 'water')!.barred).toMatch(/painted/);
      expect(advice.findIndex(({ barred }) => barred !== null)).toBeGreaterThan(0);
    }),
  );
});
