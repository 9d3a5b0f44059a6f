import { describe, expect, it } from 'vitest';
import { NOTHING_TAUGHT } from '../log/logEntry';
import { length } from '../units/length';
import { DEFAULT_RULES, USUAL_POLICIES } from '../house/houseRules';
import { newInputs } from '../job/job';
import { MATERIALS_OF_9 } from './begunBy9';
import { SHAPE_VERSION } from './shapeVersion';
import { UNNUMBERED, upgradeInputs, upgradeJobFile, upgradeRules } from './upgradeJob';

const fresh = newInputs('Old', length(900), length(600));

/** Inputs as version 3 wrote them: one opening for all corners, no pot, no signs. */
function thirdVersion(openingMm: number) {
  const { piece: _piece, signs: _signs, corners: _corners, ...tune } = fresh.tune;
  const { system, roomC, roomRh, edges, back } = fresh.prime;
  return { ...fresh, tune: { ...tune, opening: length(openingMm) }, prime: { system, roomC, roomRh, edges, back } };
}

describe('what version 3 wrote', () => {
  it('opens all corners as far as it did, and has a pot and signs', () => {
    const inputs = upgradeInputs(thirdVersion(0.5), UNNUMBERED) as typeof fresh;
    for (const corner of Object.values(inputs.tune.corners)) expect(corner).toEqual(length(0.5));
    expect(inputs.prime).toEqual(fresh.prime);
    expect(inputs.tune).not.toHaveProperty('opening');
    expect(Object.keys(inputs.tune).sort()).toEqual(Object.keys(fresh.tune).sort());
  });

  it('is left alone when it is of today, and when it is nothing of ours', () => {
    expect(upgradeInputs(fresh, SHAPE_VERSION)).toBe(fresh);
    for (const other of [null, 3, 'x', [], {}]) expect(upgradeInputs(other, UNNUMBERED)).toEqual(other);
  });

  it('house rules get the usual policies and keep their own', () => {
    const { policies: _policies, ...old } = DEFAULT_RULES;
    expect(upgradeRules(old)).toEqual(DEFAULT_RULES);
    const own = { ...DEFAULT_RULES, policies: { ...USUAL_POLICIES, water: 'never' } };
    expect(upgradeRules(own)).toEqual(own);
  });

  it('a whole file comes out as one of today, its frozen plans with it', () => {
    const { policies: _policies, ...oldRules } = DEFAULT_RULES;
    const plan = { answer: '', answerNote: '', verdicts: [], inputs: thirdVersion(1), rules: oldRules };
    const file = (version: number) => ({
      version,
      job: { inputs: thirdVersion(0) },
      log: [{ id: 'a', plan }],
      materials: undefined,
    });
    const after = upgradeJobFile(file(3)) as {
      version: number;
      job: object;
      log: { plan: { inputs: typeof fresh; rules: typeof DEFAULT_RULES } }[];
    };
    expect(after.version).toBe(SHAPE_VERSION);
    expect(after.log[0]).toMatchObject({ device: '', hangs: null, plan: { taught: NOTHING_TAUGHT } });
    expect(after.log[0]!.plan.inputs.tune.corners.topLeft).toEqual(length(1));
    expect(after.log[0]!.plan.rules.policies).toEqual(USUAL_POLICIES);
    const five = { ...file(5), log: [{ plan: 'as it is' }, { device: 'Glue table' }] };
    expect(upgradeJobFile(five)).toEqual({
      ...five,
      version: SHAPE_VERSION,
      variants: [],
      materials: MATERIALS_OF_9,
      job: after.job,
      log: [
        { plan: 'as it is', device: '', hangs: null },
        { device: 'Glue table', hangs: null },
      ],
    });
    const later = file(SHAPE_VERSION);
    expect(upgradeJobFile(later)).toBe(later);
  });
});

describe('what version 6 wrote', () => {
  it('keeps what matters in placing with the brief, and what was called fragile as brittle, its place unknown', () => {
    const { look: _look, brief, cloth, ...rest } = fresh;
    const { placing: _placing, ...oldBrief } = brief;
    const six = (fragile: boolean) => ({
      ...rest,
      brief: oldBrief,
      cloth: {
        ...cloth,
        painting: { ...cloth.painting, fragile, keep: ['top'], mostWrap: length(9), mayBare: true, way: 'leastMost' },
      },
    });
    const now = upgradeInputs(six(true), 6) as typeof fresh;
    expect(now.brief.placing).toEqual({ keep: ['top'], mostWrap: length(9), mayBare: true, way: 'leastMost', onFolds: true });
    expect(now.look.conditions).toEqual([{ kind: 'brittle', at: null, note: '' }]);
    expect(Object.keys(now.cloth.painting)).toEqual(Object.keys(cloth.painting));
    expect((upgradeInputs(six(false), 6) as typeof fresh).look).toEqual(fresh.look);
    expect(upgradeInputs(now, 7)).toEqual(now);
  });
});

describe('what version 8 wrote', () => {
  it('is pulled as taught, no pull was told by the scale, and what holds it in its frame is not known', () => {
    const { fixing: _fixing, ...rebate } = fresh.brief.rebate;
    const { pulls: _pulls, asDone, ...fasten } = fresh.fasten;
    const { pulls: _told, ...done } = asDone;
    const eight = {
      ...fresh,
      brief: { ...fresh.brief, rebate: { ...rebate, depth: length(20) } },
      fasten: { ...fasten, asDone: { ...done, drawn: 3 } },
    };
    const now = upgradeInputs(eight, 8) as typeof fresh;
    expect(now.brief.rebate).toEqual({ ...fresh.brief.rebate, depth: length(20) });
    expect(now.fasten).toEqual({ ...fresh.fasten, asDone: { ...fresh.fasten.asDone, drawn: 3 } });
    const { pulls: _way, ...policies } = USUAL_POLICIES;
    expect(upgradeRules({ ...DEFAULT_RULES, policies: { ...policies, water: 'never' } })).toEqual({
      ...DEFAULT_RULES,
      policies: { ...USUAL_POLICIES, water: 'never' },
    });
  });
});
