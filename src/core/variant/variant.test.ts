import { USUAL_WEEK } from '../week/weekSettings';
import { describe, expect, it } from 'vitest';
import { caseOf, NO_LESSONS } from '../case/jobCase';
import { pricesOf } from '../cost/bill';
import { costSettingsShape } from '../cost/costSettings';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { newInputs } from '../job/job';
import { startOf } from '../shape/shape';
import { evenBraces } from '../stages/bars/barsInputs';
import { length } from '../units/length';
import { VARIANT_FIGURES, differenceWords } from './figures';
import { QUANTITIES, quantityNow, quantityValues, withQuantity } from './quantities';
import { CHANGED_FIELDS, NO_CHANGE, changedFields, changesTo, isFixed, valueIn, withBarsFor, withChanges } from './variant';
import { stageDifferences, weighVariant } from './weighedVariant';

const RULES = DEFAULT_RULES;
const job = newInputs('Study', length(1400), length(1000));
const house = { rules: RULES, tape: tapeFor(RULES, 'mm'), lessons: NO_LESSONS };
const prices = pricesOf({ setUps: USUAL_WEEK, settings: { ...startOf(costSettingsShape), hourMinor: 2400 }, items: {} });
const weighed = (inputs: typeof job) => weighVariant(caseOf({ inputs }, [], house, 0), prices, 0);

describe('a variant', () => {
  const changes = {
    ...NO_CHANGE,
    width: length(900),
    profile: 'deep',
    bracesUpright: evenBraces(1),
    tensionNPerM: 180,
    fabric: 'linenMedium',
    marginStyle: 'hem' as const,
    route: 'halving' as const,
  };
  const other = withChanges(job, changes);

  it('is the job with those things otherwise and with no other', () => {
    expect(other.brief).toEqual({ ...job.brief, width: length(900) });
    expect(other.bars).toEqual({ ...job.bars, profile: 'deep', bracesUpright: [0.5], tensionNPerM: 180 });
    expect(other.cloth).toEqual({ ...job.cloth, fabric: 'linenMedium', marginStyle: 'hem' });
    expect(other.fasten).toEqual({ ...job.fasten, route: 'halving' });
    expect([other.look, other.square, other.tune, other.prime, other.handover, other.kit]).toEqual([
      job.look,
      job.square,
      job.tune,
      job.prime,
      job.handover,
      job.kit,
    ]);
  });

  it('comes back from the job it makes, and leads back to the job it was made from', () => {
    expect(changesTo(job, other)).toEqual(changes);
    expect(withChanges(other, changesTo(other, job))).toEqual(job);
    expect(changedFields(job, { ...changes, height: job.brief.height })).toEqual([
      'width',
      'profile',
      'bracesUpright',
      'tensionNPerM',
      'fabric',
      'marginStyle',
      'route',
    ]);
  });

  it('cannot change what is recorded', () => {
    const after = (...done: Parameters<typeof isFixed>[1]['done'] extends ReadonlySet<infer S> ? S[] : never) =>
      CHANGED_FIELDS.filter((field) => isFixed(field, { done: new Set(done), coatsDone: 0 }));
    expect(after('brief', 'bars')).toEqual(['width', 'height', 'profile', 'bracesUpright', 'bracesLevel', 'tensionNPerM']);
    expect(after('cloth')).toEqual(['fabric', 'marginStyle']);
    expect(isFixed('system', { done: new Set(), coatsDone: 1 })).toBe(true);
  });

  it('takes the bars that hold for it', () => {
    const wide = { ...NO_CHANGE, width: length(2400), height: length(1800) };
    const chosen = withBarsFor(job, wide, RULES);
    expect(chosen.width).toEqual(length(2400));
    const { bowMm, bowLimitMm } = weighed(withChanges(job, chosen));
    expect(bowMm).toBeLessThanOrEqual(bowLimitMm);
    expect(weighed(withChanges(job, wide)).bowMm).toBeGreaterThan(weighed(withChanges(job, wide)).bowLimitMm);
  });
});

describe('what variants come to', () => {
  it('is told as a difference with its sign and unit, and in the stages that it changes', () => {
    const base = weighed(job);
    const other = weighed(withChanges(job, { ...NO_CHANGE, bracesUpright: evenBraces(2), bracesLevel: evenBraces(1) }));
    expect(other.weightKg).toBeGreaterThan(base.weightKg);
    expect(other.bowMm).toBeLessThan(base.bowMm);
    const reader = { tape: house.tape, currency: '€' };
    const words = Object.fromEntries(
      VARIANT_FIGURES.map((one) => [one.id, differenceWords(one, one.of(base)!, one.of(other)!, reader)]),
    );
    expect(words.weight).toMatch(/^\+\d\.\d+ kg$/);
    expect(words.bow).toMatch(/^−\d/);
    expect(words.cloth).toBeNull();
    const stages = stageDifferences(base, other);
    expect(stages.map(({ stage }) => stage)).toContain('bars');
    expect(stages.map(({ stage }) => stage)).not.toContain('cloth');
    const bow = base.stages.find(({ stage }) => stage === 'bars')!.verdicts.find(({ level }) => level === 'stop')!;
    expect(stages.find(({ stage }) => stage === 'bars')!.lighter.map(({ id }) => id)).toContain(bow.id);
    expect(stageDifferences(other, base).find(({ stage }) => stage === 'bars')!.graver).toContainEqual(bow);
    expect(stageDifferences(base, base)).toEqual([]);
  });

  it('names what has no price and never takes it as nothing', () => {
    expect(weighed(job).unpriced.length).toBeGreaterThan(0);
  });
});

describe('one quantity moved', () => {
  it.each(QUANTITIES.map(({ id }) => id))('%s passes through the job as it stands, in even steps', (id) => {
    const values = quantityValues(id, job);
    const now = quantityNow(id, job);
    expect(values).toContain(now);
    expect(withQuantity(id, job, now)).toBe(job);
    const steps = values.slice(1).map((value, index) => value - values[index]!);
    expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.2);
    for (const value of values) expect(quantityNow(id, withQuantity(id, job, value))).toBe(id === 'size' ? 100 : value);
  });

  it('keeps the shape of a face and what can be stretched at all', () => {
    const { width, height } = withQuantity('size', job, 150).brief;
    expect([width.mm, height.mm]).toEqual([2100, 1500]);
    const small = newInputs('Small', length(80), length(60));
    expect(Math.min(...quantityValues('size', small))).toBe(87.5);
    expect(quantityValues('size', { ...job, brief: { ...job.brief, use: 'finished' } })).toEqual([]);
  });

  it('bows more under a greater tension, always', () => {
    const bows = quantityValues('tension', job).map((value) => weighed(withQuantity('tension', job, value)).bowMm);
    expect(bows).toEqual([...bows].sort((a, b) => a - b));
    expect(valueIn(withQuantity('tension', job, 300), 'tensionNPerM')).toBe(300);
  });
});
