import 'reflect-metadata';
import { expect, it } from 'vitest';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { jobFile, printJobFile } from '@/core/file/jobFile';
import { progressOf } from '@/core/case/progress';
import { toEnd } from '@/core/toEnd';
import { length } from '@/core/units/length';
import { checked } from '../write/checked';
import { createJob, importJob, saveInputs } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { type Outcome, andWrite } from '../write/outcome';
import { keepRehearsal as rehearsalKept } from './rehearsalWrites';
import { REQUESTS, type Request } from '../writes';
import { testWorkshop, value } from '../testWorkshop';

const keepRehearsal = (...asked: Parameters<typeof rehearsalKept.workOut>) => andWrite(toEnd(rehearsalKept.workOut(...asked)));

const words = (outcome: Outcome<unknown>): string => JSON.stringify(outcome);

it('a rehearsal is scored here and kept in the log; it finishes nothing, and what cannot be is refused', () => {
  let workshop = testWorkshop();
  const job = value(createJob(workshop, { title: 'Harbour', width: length(900), height: length(600) }));
  const dto = (patch: Partial<Request<'keepRehearsal'>> = {}): Request<'keepRehearsal'> => ({
    jobId: job.id,
    revision: job.revision,
    maker: 'M',
    moves: [0, 1, 2, 3].map((place) => ({ act: 'fasten', place, pull: 'snug' })),
    offGrainDeg: 0,
    note: ' Lesson ',
    ...patch,
  });
  const { log } = value(keepRehearsal(workshop, dto()));
  expect(log).toHaveLength(1);
  expect(log[0]).toMatchObject({ kind: 'rehearsal', stage: 'fasten', note: 'Lesson', plan: null });
  expect(log[0]!.did).toMatch(/^Rehearsal: unevenness \d\.\d\d, 4 of \d+ places$/);
  expect(log[0]!.readings.find((one) => one.quantity === 'rehearsalFasteners')?.value).toBe(4);
  expect(progressOf(job.inputs, log).done.size).toBe(0);
  expect(words(keepRehearsal(workshop, dto({ revision: 2, moves: [{ act: 'takeOut', place: 0, pull: 'none' }] })))).toMatch(
    /Move 1 takes out a fastener that is not in\. Nothing was kept/,
  );
  expect(keepRehearsal(workshop, dto({ revision: 9 }))).toMatchObject({ ok: false, kind: 'stale' });
  expect(
    words(checked(REQUESTS.keepRehearsal, 'keepRehearsal', { ...dto(), moves: [{ act: 'fasten', place: -1, pull: 'hard' }] })),
  ).toMatch(/moves/);
  // Somebody saves while the cloth is still being reckoned: what was rehearsed on the old job is not written.
  const open = openJob(workshop, job.id)!.job;
  const steps = rehearsalKept.workOut(workshop, dto({ revision: open.revision }));
  steps.next();
  value(saveInputs.act(workshop, { jobId: job.id, revision: open.revision, inputs: open.inputs }));
  expect(andWrite(toEnd(steps))).toMatchObject({ ok: false, kind: 'stale' });
  expect(openJob(workshop, job.id)!.log).toHaveLength(1);
  // A frame with more fasteners than the cloth can be worked out for is refused before anything is reckoned.
  const wide = value(createJob(workshop, { title: 'Wide', width: length(4000), height: length(4000) }));
  const close = { ...wide.inputs, fasten: { ...wide.inputs.fasten, spacing: length(5), lastFromCorner: length(20) } };
  value(saveInputs.act(workshop, { jobId: wide.id, revision: wide.revision, inputs: close }));
  const asked = rehearsalKept.workOut(workshop, dto({ jobId: wide.id, revision: wide.revision + 1 }));
  const first = asked.next();
  expect(first.done).toBe(true);
  expect(words(first.value as never)).toMatch(
    /\d{3,} fasteners are too many for the simulated cloth, 640 at the most.*Nothing was kept/,
  );
  const { revision: _revision, ...bare } = openJob(workshop, job.id)!.job;
  const file = printJobFile(jobFile(bare, log, DEFAULT_RULES.materials));
  workshop = testWorkshop();
  const taken = value(importJob.act(workshop, { text: file, keepBoth: false }));
  expect(openJob(workshop, taken.id)!.log[0]).toMatchObject({ kind: 'rehearsal' });
});
