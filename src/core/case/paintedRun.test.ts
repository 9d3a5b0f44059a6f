/* Painted work in its own order: looked at, measured, placed; a conservator before any hand. */
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { benchSteps } from '../bench/benchRun';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { worstLevel } from '../job/verdict';
import type { LogEntry } from '../log/logEntry';
import { testEntry } from '../log/testEntry';
import { careOf } from '../stages/look/care';
import { CONDITIONS } from '../stages/look/conditions';
import { DECISIONS, VALUES } from '../stages/look/lookInputs';
import { type StageId, runOf } from '../stages/stages';
import { trueTape } from '../testReadings';
import { length } from '../units/length';
import { NO_LESSONS, caseOf } from './jobCase';
import { logViolations } from './logViolations';
import { lockedChanges, missingBefore, progressOf } from './progress';
import { recordOf } from './recordOf';

const house = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm'), lessons: NO_LESSONS };
const AT = Date.parse('2031-05-04T12:00:00Z');
const base = newInputs('Harbour', length(900), length(600));
const painting = (change: (inputs: JobInputs) => void = () => {}): JobInputs => {
  const inputs = structuredClone(base);
  inputs.brief.use = 'restretch';
  change(inputs);
  return inputs;
};
const records = (...stages: StageId[]): LogEntry[] =>
  stages.map((stage, index) => testEntry(`r${index}`, stage, { at: new Date(AT + index * 60_000).toISOString() }));
const caseWith = (inputs: JobInputs, log: LogEntry[] = []) => caseOf({ inputs }, log, { ...house, view: 'back' }, AT);

describe('the run of painted work', () => {
  it('is looked at and measured before a face is chosen, and has no cut and no coats', () => {
    const run = runOf(true);
    expect(run).toEqual(['look', 'cloth', 'brief', 'bars', 'square', 'fasten', 'tune', 'handover']);
    for (let done = 0; done <= run.length; done += 1)
      expect(progressOf(painting(), records(...run.slice(0, done))).now).toBe(run[done] ?? null);
    expect(missingBefore('cloth', progressOf(painting(), []))).toEqual(['look']);
    expect(missingBefore('bars', progressOf(painting(), records('look')))).toEqual(['cloth', 'brief']);
  });

  it('asks for a square frame before the painting is clamped to it, not before it is measured', () => {
    const gate = (stage: StageId, ...done: StageId[]) =>
      caseWith(painting(), records(...done))
        .verdictsOf(stage)
        .some(({ id }) => id === 'squarenessRecord');
    expect(gate('cloth', 'look')).toBe(false);
    expect(gate('fasten', 'look', 'cloth', 'brief', 'bars')).toBe(true);
    expect(gate('fasten', 'look', 'cloth', 'brief', 'bars', 'square')).toBe(false);
  });

  it('a log of before, in the order of blank cloth, stands; a new one out of order does not', () => {
    const says = (...stages: StageId[]) => logViolations(painting(), records(...stages)).map((one) => one.says);
    expect(says('brief', 'bars', 'square', 'cloth', 'fasten')).toEqual([]);
    expect(says('look', 'cloth', 'brief', 'bars')).toEqual([]);
    expect(says('look', 'bars')).toEqual([expect.stringMatching(/^Bars is recorded before/)]);
    // Work that began before looks were kept goes on at what it lacks.
    expect(progressOf(painting(), records('brief', 'bars', 'square')).now).toBe('cloth');
    expect(progressOf(painting(), records('brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'handover')).now).toBeNull();
  });

  it('the measuring closes what was read, the place what was chosen', () => {
    const measured = progressOf(painting(), records('look', 'cloth'));
    const change = (of: (inputs: JobInputs) => void) => lockedChanges(painting(), painting(of), measured);
    expect(change(({ cloth }) => (cloth.painting.top = length(901)))).toEqual(['cloth']);
    expect(change(({ cloth }) => (cloth.corner = 'doublePleat'))).toEqual([]);
    expect(change(({ brief }) => (brief.width = length(880)))).toEqual([]);
    const placed = progressOf(painting(), records('look', 'cloth', 'brief'));
    expect(
      lockedChanges(
        painting(),
        painting(({ cloth }) => (cloth.corner = 'doublePleat')),
        placed,
      ),
    ).toEqual(['brief']);
    expect(
      lockedChanges(
        painting(),
        painting(({ brief }) => (brief.placing.way = 'leastMost')),
        placed,
      ),
    ).toEqual(['brief']);
  });

  it('a face chosen after the measuring is the one that is placed, before and after its record', () => {
    const read = (inputs: JobInputs) => {
      Object.assign(inputs.cloth.painting, trueTape(908, 606));
    };
    const log: LogEntry[] = [];
    let inputs = painting(read);
    for (const stage of ['look', 'cloth', 'brief'] as const) {
      if (stage === 'brief')
        inputs = painting((one) => (read(one), (one.brief.width = length(900)), (one.brief.height = length(598))));
      const here = caseWith(inputs, log);
      const said = { stage, maker: 'Ida', device: '', note: '', reason: 'as asked', air: [] };
      log.push(recordOf(here, said, { id: stage, at: new Date(AT + log.length * 60_000) }));
    }
    const now = caseWith(inputs, log);
    expect(now.inputs.brief.height.mm).toBe(598);
    expect(now.plan.brief.painting!.registration!.sides.top.middleMm).toBeCloseTo(4, 1);
    expect(now.plan.cloth.painting!.registration!.sides.top.middleMm).toBeCloseTo(4, 1);
    expect(now.plan.cloth.answer).toBe('908 × 606 mm');
  });
});

describe('a conservator before any hand', () => {
  const condition = fc.record({
    kind: fc.constantFrom(...CONDITIONS.map(({ id }) => id)),
    at: fc.option(fc.record({ x: fc.double({ min: 0, max: 1, noNaN: true }), y: fc.double({ min: 0, max: 1, noNaN: true }) })),
    note: fc.constant(''),
  });
  const look = fc.record({
    lookedOver: fc.boolean(),
    conditions: fc.array(condition, { maxLength: 4 }),
    value: fc.constantFrom(...VALUES.map(({ id }) => id)),
    decided: fc.constantFrom(...DECISIONS.map(({ id }) => id)),
    decidedBy: fc.constantFrom('', 'Ida'),
    decidedOn: fc.constant(null),
  });
  const signs = fc.subarray(['slack', 'scallops', 'dent'] as const);

  it('whatever was found: no hand tool comes first where a conservator is asked for, and hands are held until one said yes', () => {
    let held = 0;
    fc.assert(
      fc.property(look, signs, (seen, found) => {
        const inputs = painting((one) => ((one.look = seen), (one.tune.signs = [...found] as JobInputs['tune']['signs'])));
        const here = caseWith(inputs, records('look', 'cloth', 'brief', 'bars', 'square'));
        // Told anew, by the table alone.
        const rows = seen.conditions.map(({ kind }) => CONDITIONS.find(({ id }) => id === kind)!.forWhom);
        const asks = rows.includes('conservator') || (seen.value === 'valued' && rows.includes('conservatorIfValued'));
        const open = !asks || seen.decided === 'treated' || seen.decided === 'allows';
        expect(careOf(seen)).toMatchObject({ conservatorFirst: asks, handsMay: open });
        for (const stage of ['fasten', 'tune'] as const) {
          const steps = benchSteps(here, stage);
          expect(steps[0]!.id === `${stage}/conservator`).toBe(!open);
          if (!open) expect(worstLevel(here.verdictsOf(stage))).toBe('stop');
        }
        if (open) return;
        held += 1;
        expect(here.plan.tune.advice[0]!.id).toBe('conservator');
        for (const { id, barred } of here.plan.tune.advice)
          if (['keys', 'restretch', 'water'].includes(id)) expect(barred).not.toBeNull();
      }),
      { numRuns: 400 },
    );
    expect(held).toBeGreaterThan(100);
  });

  it('to find nothing says something only of what was looked over', () => {
    const verdicts = (change: (inputs: JobInputs) => void) =>
      caseWith(painting(change))
        .verdictsOf('look')
        .map(({ id, level }) => [id, level]);
    expect(verdicts(() => {})).toEqual([['lookedOver', 'stop']]);
    expect(verdicts(({ look: one }) => (one.lookedOver = true))).toEqual([['lookedOver', 'good']]);
    const torn = ({ look: one }: JobInputs) => {
      one.lookedOver = true;
      one.conditions = [{ kind: 'tear', at: { x: 0.5, y: 0.5 }, note: 'two fingers long' }];
    };
    expect(verdicts(torn)).toEqual([
      ['conservator', 'watch'],
      ['condition tear', 'watch'],
    ]);
    expect(verdicts((one) => (torn(one), (one.look.decided = 'allows')))[0]).toEqual(['conservator', 'watch']);
    expect(verdicts((one) => (torn(one), (one.look.decided = 'allows'), (one.look.decidedBy = 'Ida')))[0]).toEqual([
      'conservator',
      'good',
    ]);
    // The owner’s wish opens nothing.
    expect(careOf({ ...painting(torn).look, decided: 'owner' }).handsMay).toBe(false);
  });
});
