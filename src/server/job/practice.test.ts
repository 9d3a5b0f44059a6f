/* What is practised reaches nothing of the house. */
import 'reflect-metadata';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { jobFile, printJobFile } from '@/core/file/jobFile';
import { PRACTICE } from '@/core/job/practice';
import { runOf } from '@/core/stages/stages';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { logOfJob } from '@/db/logEntries';
import { importJob } from './jobWrites';
import { openJob } from './jobReading';
import { houseLessons } from '../house/houseLessons';
import { practiseAgain, workshopOf } from './practice';
import { keepFeel } from '../reading/readingWrites';
import { type TestWorkshop, contentOf, recordStage, revisionOf, testWorkshop, value } from '../testWorkshop';
import { saveRules } from '../house/houseRuleWrites';

const held = globalThis as { keenBattenWorkshop?: unknown };
let house: TestWorkshop;
beforeEach(() => {
  house = testWorkshop();
  held.keenBattenWorkshop = house;
});
afterEach(() => {
  practiseAgain();
  delete held.keenBattenWorkshop;
});

it('a canvas is worked from the brief to its first coat, and the house’s file is as it was', () => {
  const before = contentOf(house.database);
  const practice = workshopOf(PRACTICE);
  for (const stage of runOf(false).slice(0, -1)) {
    house.pass(60);
    value(recordStage(practice, PRACTICE, stage));
  }
  value(
    keepFeel.act(practice, {
      jobId: PRACTICE,
      revision: revisionOf(practice, PRACTICE),
      maker: 'Me',
      note: '',
      air: null,
      feel: 'drum',
    }),
  );
  expect(logOfJob(practice.database, PRACTICE).length).toBe(8);
  expect(logOfJob(practice.database, PRACTICE).every(({ id }) => id.startsWith(`${PRACTICE}-`))).toBe(true);
  expect(contentOf(house.database)).toBe(before);
  expect(houseLessons(house)).toEqual(houseLessons(testWorkshop()));
  expect(openJob(workshopOf('another'), PRACTICE)).toBeNull();
});

it('is begun anew by the rules of the day', () => {
  value(recordStage(workshopOf(PRACTICE), PRACTICE, 'brief'));
  const rules = { ...DEFAULT_RULES, workshop: 'Salt Loft' };
  value(saveRules.act(house, { rules, revision: 0 }));
  practiseAgain();
  const { job, log } = openJob(workshopOf(PRACTICE), PRACTICE)!;
  expect([log, job.inputs.brief.title]).toEqual([[], 'Practice canvas']);
});

it('written out and taken in, it is a canvas of the house under an id of its own', () => {
  const practice = workshopOf(PRACTICE);
  value(recordStage(practice, PRACTICE, 'brief'));
  const {
    job: { revision: _none, ...job },
    log,
  } = openJob(practice, PRACTICE)!;
  const text = printJobFile(jobFile(job, log, DEFAULT_RULES.materials));
  const { id } = value(importJob.act(house, { text, keepBoth: false }));
  expect(id).not.toContain(PRACTICE);
  expect(openJob(workshopOf(id), id)!.log).toHaveLength(1);
});
