import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { newInputs } from '@/core/job/job';
import type { LogEntry } from '@/core/log/logEntry';
import { type StageId, runOf } from '@/core/stages/stages';
import { planJob } from '@/core/case/planJob';
import { nextStep } from '@/core/case/nextStep';
import { progressOf } from '@/core/case/progress';
import { length } from '@/core/units/length';
import type { PlottedReading } from '@/db/logEntries';
import { dueWords } from './job/header/JobHeader';
import { earlyWords, keepsWords, stageMarks, stageNotes } from './job/stageWords';
import { readingDots } from './log/readingDots';

const inputs = newInputs('Harbour', length(900), length(600));
const plan = planJob(inputs, { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') }, 0);
const NOW = new Date(2031, 4, 4, 12).getTime();
const entry = (stage: StageId, hoursAgo: number, readyInHours: number | null = null, step: number | null = null): LogEntry => ({
  id: `${stage}${step ?? ''}`,
  stage,
  step,
  kind: 'record',
  of: '',
  at: new Date(NOW - hoursAgo * 3_600_000).toISOString(),
  maker: 'M',
  device: '',
  did: stage,
  note: '',
  reason: '',
  corrects: null,
  readyAt: readyInHours === null ? null : new Date(NOW + readyInHours * 3_600_000).toISOString(),
  readings: [],
  plan: null,
  hangs: null,
});
const after = (...log: LogEntry[]) => {
  const progress = progressOf(inputs, log);
  return { progress, next: nextStep(inputs, progress, NOW) };
};

describe('the run of stages', () => {
  it('marks what is done, next, waiting, stopped and to come', () => {
    const { progress, next } = after(entry('brief', 50), entry('bars', 40));
    expect(Object.values(stageMarks(progress, next, false)).slice(1, 5)).toEqual(['done', 'done', 'now', 'later']);
    expect(stageMarks(progress, next, true).square).toBe('stopped');
    const wet = after(
      ...runOf(false)
        .slice(0, 6)
        .map((id, index) => entry(id, 60 - index)),
      entry('prime', 1, 3, 0),
    );
    expect(stageMarks(wet.progress, wet.next, false).prime).toBe('waiting');
    const finished = after(
      ...runOf(false).map((id, index) => entry(id, 60 - index)),
      entry('prime', 20, -10, 1),
      entry('prime', 10, -5, 2),
    );
    const marks = stageMarks(finished.progress, finished.next, false);
    expect(new Set(runOf(false).map((id) => marks[id]))).toEqual(new Set(['done']));
  });

  it('notes when a stage was done and what is planned for the rest', () => {
    const { progress, next } = after(entry('brief', 24));
    expect(stageNotes(progress, plan, next)).toMatchObject({
      brief: 'Sat 3 May',
      cloth: '1059 × 759 mm',
      fasten: '68 staples',
      prime: '0 of 3 coats',
      square: '',
    });
    const glued = after(
      ...(['brief', 'bars', 'square', 'cloth'] as const).map((id, index) => entry(id, 9 - index, id === 'bars' ? 5 : null)),
    );
    expect(stageNotes(glued.progress, plan, glued.next).fasten).toBe('glue sets');
  });

  it('says why a step cannot be recorded or taken back yet', () => {
    const { progress } = after(entry('brief', 5), entry('bars', 4));
    expect(earlyWords(progress, 'square')).toBeNull();
    expect(earlyWords(progress, 'fasten')).toBe('First record cloth. You can look and plan ahead here.');
    expect(keepsWords(progress, 'brief')).toBe('Bars was recorded after it: take that back first.');
    expect(keepsWords(progress, 'bars')).toBeNull();
  });

  it('says how long there is left', () => {
    const due = [
      ['2031-05-09', 2.9],
      ['2031-05-09', 1.2],
      ['2031-05-04', 0.3],
      ['2031-05-09', -0.4],
      ['2031-05-01', -9],
    ] as const;
    expect(due.map(([day, slack]) => dueWords(day, slack, NOW))).toEqual([
      { words: '2 days in hand', late: false },
      { words: '1 day in hand', late: false },
      { words: 'start today', late: false },
      { words: '1 day short', late: true },
      { words: '3 days late', late: true },
    ]);
  });
});

describe('dots on the plot of the log', () => {
  const reading = (seq: number, value: number, precision: number | null = 0.5): PlottedReading => ({
    seq,
    at: '2031-05-04T12:00:00Z',
    value,
    precision,
    known: 'measured',
    jobNumber: 7,
    jobTitle: 'Harbour',
  });

  it('the rack comes from both diagonals of an entry, with the error of two readings', () => {
    const [dot, ...more] = readingDots('rack', [
      [reading(1, 1080), reading(2, 7)],
      [reading(1, 1082.5), reading(3, 1)],
    ]);
    expect(more).toEqual([]);
    expect(dot).toMatchObject({ value: 2.5, says: 'No. 7 Harbour, 4 May 2031' });
    expect(dot!.precision).toBeCloseTo(Math.SQRT1_2, 12);
  });

  it('others are as they were read', () => {
    expect(readingDots('weight', [[reading(1, 2.4, null)]])).toMatchObject([{ value: 2.4, precision: 0 }]);
  });
});
