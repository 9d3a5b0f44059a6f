import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { newInputs } from '../job/job';
import { testEntry } from '../log/testEntry';
import { length } from '../units/length';
import type { StageId } from '../stages/stages';
import { NO_LESSONS, caseOf } from './jobCase';
import { jobWork } from './jobWork';

const NOW = Date.parse('2031-05-05T10:00:00');
const house = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm'), lessons: NO_LESSONS };
const fresh = newInputs('Harbour', length(900), length(600));
const upTo = (...stages: StageId[]) =>
  stages.map((stage, index) => testEntry(`e${index}`, stage, { at: `2031-05-05T0${index}:00:00.000Z`, plan: null }));
const workOf = (inputs = fresh, log = upTo()) => jobWork(caseOf({ inputs }, log, house, NOW));

describe('what a job still takes', () => {
  it('is every stage in its order, priming coat by coat, glue waited for only by the fastening', () => {
    const work = workOf();
    expect(work.steps.map(({ key }) => key)).toEqual([
      'brief',
      'bars',
      'square',
      'cloth',
      'fasten',
      'tune',
      'prime:0',
      'prime:1',
      'prime:2',
      'handover',
    ]);
    expect([work.longMm, work.shortMm]).toEqual([900, 600]);
    const of = (key: string) => work.steps.find((step) => step.key === key)!;
    const plan = caseOf({ inputs: fresh }, [], house, NOW).plan;
    expect(of('bars').minutes).toBe(plan.bars.minutes);
    expect(of('fasten').minutes).toBe(plan.fasten.minutes);
    expect(of('fasten').squeezes).toBe(plan.fasten.hands.squeezes);
    expect(of('bars').wait?.minutes[0] ?? null).toBe(plan.bars.setsMinutes);
    expect(work.steps.flatMap(({ key, afterDry }) => afterDry.map((dry) => `${dry} > ${key}`))).toEqual([
      'bars > fasten',
      'prime:0 > prime:1',
      'prime:1 > prime:2',
      'prime:2 > handover',
    ]);
    expect(of('prime:1').wait!.minutes).toEqual(plan.prime.coats[1]!.dryMinutes);
    // A pot is of one mix.
    for (const [coat, { substance, waterParts }] of plan.prime.coats.entries())
      expect(of(`prime:${coat}`).setUp).toEqual({ what: 'pot', family: `pot ${substance} ${waterParts}` });
  });

  it('is less by what stands recorded; squareness passed over is not planned', () => {
    expect(
      workOf(fresh, upTo('brief', 'bars', 'cloth'))
        .steps.map(({ key }) => key)
        .slice(0, 2),
    ).toEqual(['fasten', 'tune']);
    const all: StageId[] = ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'prime', 'prime', 'handover'];
    expect(workOf(fresh, upTo(...all)).steps).toEqual([]);
  });

  it('waits for what runs', () => {
    const log = upTo('brief', 'bars', 'square', 'cloth').map((entry) =>
      entry.stage === 'bars' ? { ...entry, readyAt: '2031-05-05T16:00:00.000Z' } : entry,
    );
    const { runs, steps } = workOf(fresh, log);
    expect(runs).toMatchObject({ what: 'glue', holds: ['fasten'], untilMs: Date.parse('2031-05-05T16:00:00.000Z') });
    expect(steps[0]!.afterDry).toEqual([]);
    const primed = [
      ...upTo('brief', 'bars', 'square', 'cloth', 'fasten', 'tune'),
      testEntry('p', 'prime', { at: '2031-05-05T08:00:00.000Z', step: 0, readyAt: '2031-05-05T11:00:00.000Z' }),
    ];
    expect(workOf(fresh, primed)).toMatchObject({ runs: { what: 'coat', holds: ['prime:1'] } });
  });

  it('a painting is never primed; tacks strain no stapler; too damp is said', () => {
    const painted = workOf({ ...fresh, brief: { ...fresh.brief, use: 'restretch' }, prime: { ...fresh.prime, system: 'none' } });
    expect(painted.steps.filter(({ wait }) => wait?.what === 'coat')).toEqual([]);
    expect(
      workOf({ ...fresh, fasten: { ...fresh.fasten, fastener: 'tack' } }).steps.find(({ key }) => key === 'fasten')!.squeezes,
    ).toBe(0);
    const damp = workOf({ ...fresh, prime: { ...fresh.prime, roomC: 8, roomRh: 99 } }).steps.find(
      ({ key }) => key === 'prime:0',
    )!;
    expect(damp.wait).toMatchObject({ damp: true });
    expect(damp.wait!.minutes[1]).toBeGreaterThan(damp.wait!.minutes[0]);
  });
});
