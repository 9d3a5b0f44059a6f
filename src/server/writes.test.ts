/* Every write sent twice, as after a lost answer; refused whole; refused in words while somebody holds the file. */
import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Database } from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { length } from '@/core/units/length';
import { openDatabase } from '@/db/openDatabase';
import { actOnFile } from './file/fileActs';
import { refusedOnFailure } from './write/refusedOnFailure';
import { contentOf, newJob, testWorkshop, value, wordsOf } from './testWorkshop';
import { workedWorkshop } from './testWorked';
import { grantedRequest } from './testWrites';
import { WRITES, carryOut, type RequestName } from './writes';
const NAMES = Object.keys(WRITES) as RequestName[];
const entries = (database: Database) => database.prepare('SELECT count(*) FROM log_entry').pluck().get();

describe('a write whose answer was lost', () => {
  it.each(NAMES)('%s is answered again when it is sent again, and done once', async (name) => {
    const worked = workedWorkshop();
    const { workshop } = worked;
    const sent = { requestId: 'r-1', ...grantedRequest(worked, name) };
    const before = contentOf(workshop.database);
    const first = await carryOut(workshop, name, sent);
    expect(first).toMatchObject({ ok: true });
    const after = contentOf(workshop.database);
    if (name !== 'dropSimulatedAir') expect(after).not.toBe(before);
    workshop.pass(1);
    const second = await carryOut(workshop, name, structuredClone(sent));
    expect(second.ok).toBe(true);
    expect(contentOf(workshop.database)).toBe(after);
    const about = (outcome: typeof first) => (value(outcome as never) as { id?: string; job?: { id: string } } | null) ?? {};
    expect([about(second).id, about(second).job?.id]).toEqual([about(first).id, about(first).job?.id]);
  });

  it('is not answered by another: the same id with something else in it is refused', async () => {
    const workshop = testWorkshop();
    const job = { requestId: 'r-1', title: 'Harbour', width: length(600), height: length(400), use: 'new' };
    value(await carryOut(workshop, 'newJob', job));
    expect(wordsOf(await carryOut(workshop, 'newJob', { ...job, title: 'Quay' }))).toMatch(/this is not the same: look/);
    expect(workshop.database.prepare('SELECT count(*) FROM job').pluck().get()).toBe(1);
    value(await carryOut(workshop, 'newJob', { ...job, requestId: 'r-2' }));
    expect(workshop.database.prepare('SELECT count(*) FROM job').pluck().get()).toBe(2);
  });

  it('is asked about once more where it was refused: nothing of it was kept', async () => {
    const workshop = testWorkshop();
    const jobId = newJob(workshop);
    const withdraw = { requestId: 'r-1', jobId, revision: 1, maker: 'Me', entryId: 'none', reason: 'wrong one' };
    const before = contentOf(workshop.database);
    expect((await carryOut(workshop, 'withdraw', withdraw)).ok).toBe(false);
    expect(contentOf(workshop.database)).toBe(before);
    expect(workshop.database.prepare('SELECT count(*) FROM sent_request').pluck().get()).toBe(0);
  });

  it('of a save is stale once somebody has saved after it', async () => {
    const worked = workedWorkshop();
    const { workshop } = worked;
    const sent = { requestId: 'r-1', ...grantedRequest(worked, 'saveInputs') };
    value(await carryOut(workshop, 'saveInputs', sent));
    value(await carryOut(workshop, 'saveInputs', { ...sent, requestId: 'r-2', revision: sent.revision + 1 }));
    expect(await carryOut(workshop, 'saveInputs', sent)).toMatchObject({ ok: false, kind: 'stale', theirs: { revision: 3 } });
  });
});

describe('a name that no write has', () => {
  it.each(['toString', '__proto__', 'backUp', ''])('“%s” is refused in words', async (name) => {
    const workshop = testWorkshop();
    expect(wordsOf(await carryOut(workshop, name as RequestName, {}))).toContain('Nothing of this name');
    if (name !== 'backUp') expect(wordsOf(await actOnFile(workshop, name as 'backUp', {}))).toContain('Nothing of this name');
  });
});

describe('two tabs', () => {
  it('with the same canvases chosen put one coat on, not two', async () => {
    const worked = workedWorkshop();
    const request = grantedRequest(worked, 'recordBatch');
    value(await carryOut(worked.workshop, 'recordBatch', { requestId: 'tab 1', ...request }));
    const after = contentOf(worked.workshop.database);
    expect(wordsOf(await carryOut(worked.workshop, 'recordBatch', { requestId: 'tab 2', ...request }))).toMatch(
      /^No\. 104 was changed or coated elsewhere/,
    );
    expect(contentOf(worked.workshop.database)).toBe(after);
  });
});

describe('a disk that takes nothing', () => {
  it.each([
    ['SQLITE_FULL', 'the disk is full'],
    ['SQLITE_READONLY_DIRECTORY', 'the workshop’s folder cannot be written to'],
    ['SQLITE_IOERR_WRITE', 'the disk did not take it'],
  ])('%s is told as such, and that what was typed stays', async (code, says) => {
    const outcome = await refusedOnFailure('saveInputs', 'in the workshop', () => {
      throw Object.assign(new Error('x'), { code });
    });
    expect(wordsOf(outcome)).toBe(`Nothing was saved: ${says}. What you typed stays here; send it again when that is mended.`);
  });
});

describe('a file that somebody else holds', () => {
  it('delays writes only: they are told to come again, and reading goes on', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-batten-held-'));
    const path = join(folder, 'w.sqlite');
    const workshop = { ...testWorkshop(), database: openDatabase(path) };
    const jobId = newJob(workshop);
    const other = openDatabase(path);
    other.exec('BEGIN IMMEDIATE');
    const sent = { requestId: 'r-1', title: 'Harbour', width: length(600), height: length(400), use: 'new' };
    expect(await carryOut(workshop, 'newJob', sent)).toEqual({ ok: false, kind: 'busy' });
    expect(workshop.database.prepare('SELECT id FROM job').pluck().all()).toEqual([jobId]);
    other.exec('ROLLBACK');
    expect((await carryOut(workshop, 'newJob', sent)).ok).toBe(true);
    expect(entries(workshop.database)).toBe(0);
    other.close();
    workshop.database.close();
    rmSync(folder, { recursive: true });
  });
});
