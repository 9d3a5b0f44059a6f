/*
 * The use cases against a naive model: random commands with pinned seeds, on a real file that is closed and
 * opened again in between. The model is a list of what should stand; the workshop must agree after each step.
 */
import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import { type JobInputs, newInputs } from '@/core/job/job';
import { alikeCorners } from '@/core/stages/tune/tuneInputs';
import type { LogEntry } from '@/core/log/logEntry';
import { STAGE_IDS, type StageId, runOf } from '@/core/stages/stages';
import { progressOf } from '@/core/case/progress';
import { length } from '@/core/units/length';
import { openDatabase } from '@/db/openDatabase';
import { createJob, recordStep, saveInputs, withdrawRecord } from './job/jobWrites';
import { openJob } from './job/jobReading';
import type { Workshop } from './workshop';

const folder = mkdtempSync(join(tmpdir(), 'keen-batten-model-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

type Command =
  | { do: 'type'; stage: StageId; mm: number }
  | { do: 'type stale'; mm: number }
  | { do: 'record'; stage: StageId; reason: string }
  | { do: 'withdraw'; which: number }
  | { do: 'restart' };

const command: fc.Arbitrary<Command> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      do: fc.constant('type' as const),
      stage: fc.constantFrom(...STAGE_IDS),
      mm: fc.integer({ min: 100, max: 900 }),
    }),
  },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('type stale' as const), mm: fc.integer({ min: 100, max: 900 }) }) },
  {
    weight: 8,
    arbitrary: fc.record({
      do: fc.constant('record' as const),
      stage: fc.constantFrom(...STAGE_IDS),
      reason: fc.constantFrom('', 'agreed'),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('withdraw' as const), which: fc.nat(12) }) },
  { weight: 1, arbitrary: fc.constant({ do: 'restart' as const }) },
);

const RUN = runOf(false);

/** One length of each stage that a command types. */
function typed(inputs: JobInputs, stage: StageId, mm: number): JobInputs {
  switch (stage) {
    case 'look':
      return { ...inputs, look: { ...inputs.look, decidedBy: `${mm}` } };
    case 'brief':
      return { ...inputs, brief: { ...inputs.brief, width: length(mm) } };
    case 'bars':
      return { ...inputs, bars: { ...inputs.bars, tensionNPerM: 20 + (mm % 200) } };
    case 'square':
      return { ...inputs, square: { ...inputs.square, down: length(mm), up: length(mm) } };
    case 'cloth':
      return { ...inputs, cloth: { ...inputs.cloth, rollWidth: length(1000 + mm) } };
    case 'fasten':
      return { ...inputs, fasten: { ...inputs.fasten, spacing: length(20 + (mm % 40)) } };
    case 'tune':
      return { ...inputs, tune: { ...inputs.tune, corners: alikeCorners(length(mm % 2)) } };
    case 'prime':
      return { ...inputs, prime: { ...inputs.prime, roomRh: 40 + (mm % 20) } };
    case 'handover':
      return { ...inputs, handover: { ...inputs.handover, label: `no ${mm}` } };
  }
}

/** What should stand: the inputs, the records in force (stage and entry), every entry ever written. */
interface Model {
  inputs: JobInputs;
  standing: { id: string; stage: StageId }[];
  written: LogEntry[];
}

const coatsOf = (model: Model) => model.standing.filter((one) => one.stage === 'prime').length;
const isDone = (model: Model, stage: StageId) =>
  stage === 'prime' ? coatsOf(model) >= 3 : model.standing.some((one) => one.stage === stage);
const mayType = (model: Model, stage: StageId) => stage === 'prime' || !isDone(model, stage);
const mayRecord = (model: Model, stage: StageId) =>
  !isDone(model, stage) &&
  RUN.includes(stage) &&
  RUN.slice(0, RUN.indexOf(stage)).every((id) => id === 'square' || isDone(model, id));

describe('the workshop against a naive model', () => {
  it('agrees after every command, on any path, over restarts', () => {
    let run = 0;
    fc.assert(
      fc.property(fc.array(command, { minLength: 5, maxLength: 60 }), (commands) => {
        run += 1;
        const file = join(folder, `${run}.sqlite`);
        let serial = 0;
        let minute = 0;
        const open = (): Workshop => ({
          database: openDatabase(file),
          now: () => new Date(Date.UTC(2031, 4, 4, 8) + (minute += 1) * 60_000),
          newId: () => `id${(serial += 1)}`,
        });
        let workshop = open();
        const created = createJob(workshop, { title: 'Model', width: length(600), height: length(500) });
        if (!created.ok) throw new Error('no job');
        const jobId = created.value.id;
        const model: Model = { inputs: created.value.inputs, standing: [], written: [] };
        let revision = created.value.revision;

        for (const one of commands) {
          if (one.do === 'restart') {
            workshop.database.close();
            workshop = open();
          } else if (one.do === 'type') {
            const inputs = typed(model.inputs, one.stage, one.mm);
            const outcome = saveInputs.act(workshop, { jobId, revision, inputs });
            const same = JSON.stringify(inputs) === JSON.stringify(model.inputs);
            expect(outcome.ok).toBe(same || mayType(model, one.stage));
            if (outcome.ok) [model.inputs, revision] = [inputs, outcome.value.revision];
          } else if (one.do === 'type stale') {
            const outcome = saveInputs.act(workshop, {
              jobId,
              revision: revision + 7,
              inputs: typed(model.inputs, 'handover', one.mm),
            });
            expect(outcome).toMatchObject({ ok: false, kind: 'stale' });
          } else if (one.do === 'record') {
            const outcome = recordStep.act(workshop, {
              jobId,
              revision,
              stage: one.stage,
              maker: 'Me',
              note: '',
              reason: one.reason,
              unit: 'mm',
              view: 'back',
              clothId: null,
              air: null,
            });
            if (!mayRecord(model, one.stage)) expect(outcome).toMatchObject({ ok: false, kind: 'refused' });
            else if (one.reason !== '') expect(outcome.ok).toBe(true);
            if (outcome.ok) {
              const entry = outcome.value.log.at(-1)!;
              model.standing.push({ id: entry.id, stage: entry.stage });
              model.written.push(entry);
              revision = outcome.value.job.revision;
            }
          } else if (one.do === 'withdraw' && model.standing.length > 0) {
            const which = one.which % model.standing.length;
            const outcome = withdrawRecord.act(workshop, {
              jobId,
              revision,
              entryId: model.standing[which]!.id,
              maker: 'Me',
              reason: 'try again',
            });
            expect(outcome.ok).toBe(which === model.standing.length - 1);
            if (outcome.ok) {
              model.standing.pop();
              model.written.push(outcome.value.log.at(-1)!);
              revision = outcome.value.job.revision;
            }
          }
          agree(workshop, jobId, model, revision);
        }
        workshop.database.close();
      }),
      { seed: 1789, numRuns: 14 },
    );
  });
});

/** The log holds exactly what was written, in its order, unchanged; inputs, revision and progress are the model's. */
function agree(workshop: Workshop, jobId: string, model: Model, revision: number): void {
  const { job, log } = openJob(workshop, jobId)!;
  expect(log).toEqual(model.written);
  expect(job.inputs).toEqual(model.inputs);
  expect(job.revision).toBe(revision);
  const progress = progressOf(job.inputs, log);
  expect(progress.records.map((entry) => entry.id)).toEqual(model.standing.map((one) => one.id));
  expect([...progress.done]).toEqual(STAGE_IDS.filter((id) => isDone(model, id)));
  const passed = (id: StageId) => id === 'square' && isDone(model, 'cloth');
  expect(progress.now).toBe(RUN.find((id) => !isDone(model, id) && !passed(id)) ?? null);
}

it('types a different thing at every stage, so that the model above can tell stages apart', () => {
  const base = newInputs('x', length(300), length(300));
  for (const stage of STAGE_IDS) {
    const changed = STAGE_IDS.filter((id) => JSON.stringify(typed(base, stage, 777)[id]) !== JSON.stringify(base[id]));
    expect(changed).toEqual([stage]);
  }
});
