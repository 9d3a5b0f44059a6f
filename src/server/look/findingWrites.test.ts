import 'reflect-metadata';
import { beforeEach, expect, it } from 'vitest';
import { length } from '@/core/units/length';
import { keepNote } from '../bench/benchWrites';
import { createJob, withdrawRecord } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { keepTurns } from '../reading/readingWrites';
import { type TestWorkshop, newJob, recordStage, revisionOf, testWorkshop, type, value, wordsOf } from '../testWorkshop';
import { keepFinding } from './findingWrites';

let workshop: TestWorkshop;
let id: string;

beforeEach(() => {
  workshop = testWorkshop();
  id = value(createJob(workshop, { title: 'Old harbour', width: length(742), height: length(558), use: 'restretch' })).id;
  type(workshop, id, (inputs) => ({ ...inputs, look: { ...inputs.look, lookedOver: true } }));
});

type Asked = Partial<Parameters<typeof keepFinding.act>[1]>;
const find = (asked: Asked, jobId = id) =>
  keepFinding.act(workshop, {
    jobId,
    maker: 'Wren',
    note: 'Dr Ilse Marrow',
    condition: null,
    decided: null,
    jpeg: null,
    ...asked,
  });
const turns = () =>
  keepTurns.act(workshop, {
    jobId: id,
    revision: revisionOf(workshop, id),
    maker: 'Wren',
    note: '',
    opened: { topLeft: 1, topRight: 1, bottomLeft: 1, bottomRight: 1 },
  });

it('what is found once the look is closed holds the work; what a conservator said opens it, a reason of a maker does not', () => {
  expect(wordsOf(find({ condition: 'tear' }))).toMatch(/not looked over yet/);
  for (const stage of ['look', 'cloth', 'brief', 'bars', 'square'] as const) value(recordStage(workshop, id, stage));
  value(find({ condition: 'flaking', note: 'Along the old fold, left' }));
  // `recordStage` gives a reason for every stop.
  expect(wordsOf(recordStage(workshop, id, 'fasten'))).toMatch(/A conservator before fastening it: it has flaking paint/);
  value(find({ decided: 'owner', note: 'The owner is in a hurry' }));
  expect(wordsOf(recordStage(workshop, id, 'fasten'))).toMatch(/conservator before fastening/);
  value(find({ decided: 'allows', note: 'Dr Ilse Marrow: low tension, no keys' }));
  value(recordStage(workshop, id, 'fasten'));
  value(find({ condition: 'tear', note: 'At the lower tack, 8 mm' }));
  expect(wordsOf(turns())).toMatch(/A conservator before keying it: it has flaking paint and a tear/);
  const { log } = openJob(workshop, id)!;
  expect(log.filter(({ kind }) => kind === 'note').map(({ did, note, maker }) => [did, note, maker])).toEqual([
    ['Found: flaking', 'Along the old fold, left', 'Wren'],
    ['Decided: The owner wants it stretched', 'The owner is in a hurry', 'Wren'],
    ['Decided: A conservator saw it: it may be stretched', 'Dr Ilse Marrow: low tension, no keys', 'Wren'],
    ['Found: tear', 'At the lower tack, 8 mm', 'Wren'],
  ]);
  // Taken back, it holds no more; the record of the fastening stands.
  const entryId = log.at(-1)!.id;
  value(
    withdrawRecord.act(workshop, { jobId: id, revision: revisionOf(workshop, id), maker: 'Wren', entryId, reason: 'a scratch' }),
  );
  value(turns());
});

it('is refused in words: nothing, two things at once, no words with it, a blank canvas, a note that would pass for one', () => {
  value(recordStage(workshop, id, 'look'));
  expect(wordsOf(find({}))).toMatch(/one thing at a time/);
  expect(wordsOf(find({ condition: 'tear', decided: 'allows' }))).toMatch(/one thing at a time/);
  expect(wordsOf(find({ condition: 'tear', note: ' ' }))).toMatch(/say where it is/);
  expect(wordsOf(find({ decided: 'allows', note: 'x' }))).toMatch(/say who decided, and what was said/);
  expect(wordsOf(find({ condition: 'tear' }, newJob(workshop)))).toMatch(/canvas is blank/);
  expect(wordsOf(find({ condition: 'tear' }, 'nowhere'))).toMatch(/no such job|not in the workshop/i);
  const note = {
    jobId: id,
    maker: 'Wren',
    stage: 'look' as const,
    step: 'decision:allows',
    says: '',
    note: 'said so',
    jpeg: null,
  };
  expect(wordsOf(keepNote.act(workshop, note))).toMatch(/written into the file of the work/);
  expect(openJob(workshop, id)!.log).toHaveLength(1);
});
