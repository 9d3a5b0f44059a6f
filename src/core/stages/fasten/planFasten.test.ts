import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { STAGE_IDS } from '../stages';
import type { Verdict } from '../../job/verdict';
import { NOTHING_TAUGHT } from '../../log/logEntry';
import { length } from '../../units/length';
import type { PlanContext } from '../planContext';
import { planJob } from '../../case/planJob';
import { stapleModel } from './stapleModel';

type Patch = { [S in keyof Omit<JobInputs, 'kit'>]?: Partial<JobInputs[S]> };
const inputs = newInputs('Study', length(900), length(600));
const context = (): PlanContext => ({ rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') });
const patched = (patch: Patch): JobInputs =>
  STAGE_IDS.reduce<JobInputs>((sum, id) => ({ ...sum, [id]: { ...sum[id], ...patch[id] } }), inputs);
const verdictsOf = (patch: Patch) => planJob(patched(patch), context(), 0).fasten.verdicts;
const abouts = (patch: Patch = {}) => verdictsOf(patch).map((one) => one.id);
function about(what: string, patch: Patch = {}): Verdict {
  const found = verdictsOf(patch).find((one) => one.id === what);
  if (!found) throw new Error(`no verdict about ${what}: ${abouts(patch).join(', ')}`);
  return found;
}

describe('fastening', () => {
  it('rust, magazines, walking, dense wood', () => {
    expect(about('rust', { prime: { roomRh: 75 } }).doThis).toBe('Take stainless staples.');
    expect(about('rust', { prime: { roomRh: 75 }, fasten: { fastener: 'stapleStainless' } }).level).toBe('good');
    expect(abouts()).not.toContain('rust');
    expect(about('magazines', { fasten: { spacing: length(20) } }).says).toMatch(
      /staples with spares: the magazine is filled \d times/,
    );
    expect(about('turnOrWalk').says).toMatch(/^Turn it on the table: \d+ ×; walking would be \d+ m\.$/);
    expect(about('turnOrWalk', { brief: { width: length(1800), height: length(900) } }).says).toMatch(/^Let it lie and walk/);
    expect(
      about('spacing', { bars: { species: 'ash' }, fasten: { spacing: length(25) }, cloth: { fabric: 'cottonHeavy' } }),
    ).toMatchObject({ level: 'good', because: expect.stringContaining('30 mm at the least in this wood') as string });
    expect(
      about('closeSpacing', { bars: { species: 'ash' }, fasten: { spacing: length(25) }, cloth: { fabric: 'cottonHeavy' } }),
    ).toMatchObject({ level: 'watch', limit: 30 });
    expect(abouts({ fasten: { spacing: length(45) } })).not.toContain('closeSpacing');
  });

  it('a short margin gets tacks from corner to corner beside the staples of the other sides', () => {
    const ends = (first: number) => ({ first: length(first), second: length(first) });
    const left = { top: ends(22), right: ends(90), bottom: ends(90), left: ends(90) };
    const mixed = patched({ brief: { use: 'restretch' }, cloth: { ...inputs.cloth, left }, fasten: { route: 'registered' } });
    const plan = planJob(mixed, context(), 0);
    const tacks = Math.ceil(mixed.brief.width.mm / mixed.fasten.spacing.mm);
    expect(plan.fasten.answer).toMatch(new RegExp(`^${tacks} tacks, \\d+ staples$`));
    expect(plan.kit.find((line) => line.id === 'tacks')?.what).toMatch(new RegExp(`^${Math.ceil(tacks * 1.2)} × tack, 10 mm`));
    const staples = plan.fasten.route.fasteners - tacks;
    expect(plan.fasten.hands.squeezes).toBe(staples);
    const model = stapleModel(mixed, DEFAULT_RULES);
    expect(model.places.filter((place) => place.side === 'top').length).toBeGreaterThan(tacks - 3);
  });

  it('how it went becomes readings, and the time of the next is reckoned by it', () => {
    const went = patched({ fasten: { asDone: { drawn: 3, pullN: 18, pulls: [], minutes: 40, notes: [] } } });
    const { readings: noted, hands } = planJob(went, context(), 0).fasten;
    expect(noted.map(({ quantity, value }) => [quantity, value])).toEqual(
      expect.arrayContaining([
        ['drawnAgain', 3],
        ['firmPull', 18],
        ['fasteningTime', 40],
        ['fasteningPace', Math.round((1000 * 40) / hands.minutes) / 1000],
      ]),
    );
    const slower = planJob(inputs, { ...context(), taught: { ...NOTHING_TAUGHT, pace: { value: 1.5, records: 4 } } }, 0).fasten;
    expect(slower.hands.minutes).toBeCloseTo(1.5 * hands.minutes, 9);
    expect(slower.answerNote).toMatch(/, as your last 4 went$/);
  });
});
