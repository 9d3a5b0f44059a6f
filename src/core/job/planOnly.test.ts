import { randomLcg } from 'd3-random';
import { expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { planJob } from '../case/planJob';
import { NO_CHANGES } from '../house/materials';
import { TAPE_NAMES } from '../frame/square/corners';
import { STAGE_IDS } from '../stages/stages';
import { randomInputs } from '../testInputs';
import { length } from '../units/length';
import { newInputs } from './job';
import { numberedTitles, planOnly } from './planOnly';

it('hands on the plan of any job and no reading of it', () => {
  const random = randomLcg(0.81);
  const context = { rules: { ...DEFAULT_RULES, materials: NO_CHANGES }, tape: tapeFor(DEFAULT_RULES, 'mm') };
  for (let turn = 0; turn < 60; turn += 1) {
    const inputs = randomInputs(random);
    const before = structuredClone(inputs);
    const next = planOnly(inputs, 'Next');
    expect(inputs).toEqual(before);
    const fresh = newInputs('Next', inputs.brief.width, inputs.brief.height);
    const { rebate } = fresh.brief;
    expect([next.brief, next.bars]).toEqual([{ ...inputs.brief, title: 'Next', dueOn: null, rebate, notKnown: [] }, inputs.bars]);
    for (const name of TAPE_NAMES) expect([next.square[name], next.cloth.painting[name]]).toEqual([null, null]);
    expect([next.kit, next.square.tries, next.square.gaps, next.square.tape]).toEqual([[], [], fresh.square.gaps, 'own']);
    expect([next.cloth.left, next.cloth.laidAgain, next.fasten.asDone, next.fasten.laid, next.fasten.knots]).toEqual([
      fresh.cloth.left,
      false,
      fresh.fasten.asDone,
      fresh.fasten.laid,
      [],
    ]);
    expect([next.tune.feel, next.tune.corners, next.tune.signs, next.tune.weight.lightSag]).toEqual([
      null,
      fresh.tune.corners,
      [],
      null,
    ]);
    expect([next.prime.mixedMl, next.prime.leftMl, next.prime.airBy, next.handover.weighedKg, next.handover.label]).toEqual([
      null,
      null,
      fresh.prime.airBy,
      null,
      '',
    ]);
    // Nothing of it is judged as measured: planned again it stands as a new one of its kind.
    const plan = planJob(next, context, 0);
    for (const stage of STAGE_IDS) expect(plan[stage].readings.filter(({ known }) => known === 'measured')).toEqual([]);
    expect(planOnly(next, 'Next')).toEqual(next);
  }
});

it('titles of several tell their places and stay short enough', () => {
  expect(numberedTitles('One', 1)).toEqual(['One']);
  const long = numberedTitles('x'.repeat(120), 60);
  expect(new Set(long).size).toBe(60);
  expect(Math.max(...long.map((one) => one.length))).toBe(120);
  expect(newInputs(long[59]!, length(300), length(300)).brief.title).toMatch(/, 60 of 60$/);
});
