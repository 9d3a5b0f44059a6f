import 'reflect-metadata';
import { describe, expect, it } from 'vitest';
import { actOnFile } from './fileActs';
import { FILE_REQUESTS, type FileRequestName } from './fileRequests';
import { newJob, testWorkshop, value, wordsOf } from '../testWorkshop';

describe('what is asked of the file', () => {
  it('is checked as everything is, and answered in words where there is no file', async () => {
    const workshop = testWorkshop();
    newJob(workshop);
    for (const name of Object.keys(FILE_REQUESTS) as FileRequestName[])
      for (const wrong of [null, [], 7, { name: 7 }, { name: '', more: 1 }, { other: 'x' }, { name: 'a\u0000' }])
        expect((await actOnFile(workshop, name, wrong)).ok).toBe(false);
    expect(wordsOf(await actOnFile(workshop, 'backUp', {}))).toMatch(/lies in memory alone/);
    expect(wordsOf(await actOnFile(workshop, 'restoreBackup', { name: 'hand-2031-05-04-090000.sqlite' }))).toMatch(
      /not in the folder/,
    );
    expect(value(await actOnFile(workshop, 'checkFile', {}))).toMatchObject({ troubles: [], figures: { jobs: 1, entries: 0 } });
    expect(value(await actOnFile(workshop, 'rebuildFile', {}))).toBeNull();
  });
});
