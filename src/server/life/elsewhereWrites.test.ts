/* A canvas made elsewhere without a passport: it lives from here on, and nothing is told of it that nobody knows. */
import 'reflect-metadata';
import { beforeEach, expect, it } from 'vitest';
import { logViolations } from '@/core/case/logViolations';
import { passportSays } from '@/core/life/passport';
import { backLabel } from '@/core/marks/backLabel';
import { length } from '@/core/units/length';
import { caseOfJob, openJob } from '../job/jobReading';
import { jobFile, printJobFile } from '@/core/file/jobFile';
import { importJob } from '../job/jobWrites';
import type { Request } from '../writes';
import { type TestWorkshop, asked, contentOf, revisionOf, testWorkshop, value, wordsOf } from '../testWorkshop';
import { ELSEWHERE } from './testElsewhere';
import { takeElsewhere } from './elsewhereWrites';
import { keepCare, keepHanging } from './lifeWrites';
import { canvasPage } from './canvasPage';
import { takeDown } from './takingDown';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});
const take = (more: Partial<Request<'takeElsewhere'>> = {}) => asked(takeElsewhere, workshop, { ...ELSEWHERE, ...more });
const told = (id: string) => {
  const found = openJob(workshop, id)!;
  const here = caseOfJob(workshop, found);
  return {
    here,
    label: backLabel(here, found.log, 1).lines.join('\n'),
    passport: Object.values(passportSays(here)).flat().join('\n'),
  };
};

it('what nobody knows stands on no label and in no passport, and no record is invented', () => {
  const job = value(take());
  const { here, label, passport } = told(job.id);
  expect(passport).toMatch(/Bars: not known\.\nCloth: not known\./);
  expect(passport).toMatch(/How its corners open is not known/);
  expect(label).toMatch(/cloth not known/);
  for (const text of [label, passport])
    expect(text).not.toMatch(/worked out|cotton|Standard bar|tap or two|a little at each corner/i);
  const { log } = openJob(workshop, job.id)!;
  expect(log.map(({ kind, readings, plan }) => [kind, readings, plan])).toEqual([['brought', [], null]]);
  expect(log[0]!.did).toMatch(/^Made elsewhere: a house clearance; taken in .*, day of its making not known$/);
  expect(logViolations(job.inputs, log)).toEqual([]);
  expect(here.progress.now).toBeNull();
});

it('what is known is told, from its own day on', () => {
  const job = value(
    take({ use: 'new', profile: 'deep', joint: 'slotted', fabric: 'linenMedium', system: 'acrylic', madeOn: '2019-04-02' }),
  );
  const { label, passport } = told(job.id);
  expect(passport).toMatch(/Bars: Deep bar.*\nCloth: .*[Ll]inen.*\nGround: /);
  expect(label).toMatch(/530 × 410 mm/);
  expect(openJob(workshop, job.id)!.log[0]!.at).toBe('2019-04-02T12:00:00.000Z');
});

it('lives like any other: it hangs, is felt, is found, goes through a file and comes off its bars', () => {
  const { id } = value(take());
  const seen = () => ({ jobId: id, revision: revisionOf(workshop, id), maker: 'Me', note: '' });
  value(
    keepHanging.act(workshop, {
      ...seen(),
      hangs: { place: 'Stair', owner: 'The mill', climate: 'lived', leastRh: 40, mostRh: 60 },
    }),
  );
  value(
    keepCare.act(workshop, {
      ...seen(),
      event: null,
      feel: 'firm',
      down: null,
      up: null,
      bulge: null,
      air: { celsius: null, rh: 52 },
      jpeg: null,
    }),
  );
  expect(canvasPage(workshop, { find: 'mill' }).rows.map((row) => row.id)).toEqual([id]);
  const { job, log } = openJob(workshop, id)!;
  const { revision: _revision, ...bare } = job;
  const text = printJobFile(jobFile(bare, log, { profiles: [], species: [], fabrics: [] }));
  expect(value(importJob.act(testWorkshop(), { text, keepBoth: false })).inputs.brief.notKnown).toEqual([
    'bars',
    'cloth',
    'ground',
  ]);
  value(takeDown.act(workshop, { ...seen(), work: null, keepBars: false, openers: 0 }));
});

it('is refused whole with a day to come, half a frame, or a cloth of nobody', () => {
  const before = contentOf(workshop.database);
  expect(wordsOf(take({ madeOn: '2099-01-01' }))).toMatch(/still to come/);
  expect(wordsOf(take({ profile: 'deep' }))).toMatch(/^Say both which bars/);
  expect(wordsOf(take({ fabric: 'marble' }))).toMatch(/marble/);
  expect(wordsOf(take({ width: length(10) }))).toMatch(/width/);
  expect(contentOf(workshop.database)).toBe(before);
});
