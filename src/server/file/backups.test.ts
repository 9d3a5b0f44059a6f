/* Copies of the file: made while it is used, equal to it when they are put back, refused when they are anything else. */
import 'reflect-metadata';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import SQLite, { type Database } from 'better-sqlite3';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { length } from '@/core/units/length';
import { listJobs } from '@/db/jobs';
import { openDatabase } from '@/db/openDatabase';
import {
  backUp,
  backUpByRule,
  backupOverdue,
  bringBackup,
  checkFile,
  fileState,
  listBackups,
  lookAtBackup,
  rebuildFile,
  restoreBackup,
  sweepBackups,
} from './backups';
import { saveInputs } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { tendStates } from '../job/tendStates';
import { contentOf, newJob, recordStage, type, value, wordsOf } from '../testWorkshop';
import { workedWorkshop } from '../testWorked';
import { grantedRequest } from '../testWrites';
import type { Workshop } from '../workshop';
import { carryOut } from '../writes';
import { benchPage } from '../bench/benchPage';
import { logPage } from '../log/logPage';

const folder = mkdtempSync(join(tmpdir(), 'keen-batten-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let now = new Date('2031-05-04T09:00:00');
let serial = 0;
const workshopAt = (name: string): Workshop => {
  mkdirSync(join(folder, name), { recursive: true });
  return { database: openDatabase(join(folder, name, 'w.sqlite')), now: () => now, newId: () => `n-${(serial += 1)}` };
};
/** Everything but the order in which requests were noted. */
const content = ({ database }: Workshop) => contentOf(database);
/** As it lies in a fresh file: what is worked out from it is worked out anew. */
async function settled(workshop: Workshop): Promise<string> {
  workshop.database.exec('DELETE FROM job_state; INSERT OR IGNORE INTO job_unsettled SELECT id FROM job');
  await tendStates(workshop, 0);
  return content(workshop);
}

let workshop: Workshop;
beforeAll(async () => {
  const worked = workedWorkshop();
  for (const name of ['keepTaps', 'cutCloth', 'recordCuts', 'setStock', 'readSimulatedAir', 'saveRules'] as const)
    value((await carryOut(worked.workshop, name, { requestId: name, ...grantedRequest(worked, name) })) as never);
  mkdirSync(join(folder, 'home'));
  worked.workshop.database.exec(`VACUUM INTO '${join(folder, 'home', 'w.sqlite')}'`);
  workshop = workshopAt('home');
});

describe('a copy', () => {
  it('is made beside the file, checked, and equals it when it is put back in a fresh folder', async () => {
    const backup = value(await backUp(workshop));
    expect(backup).toMatchObject({ kind: 'hand', name: 'hand-2031-05-04-090000.sqlite' });
    expect(readdirSync(join(folder, 'home', 'w-backups'))).toEqual([backup.name]);
    const other = workshopAt('fresh');
    const brought = value(await bringBackup(other, Readable.from(readFileSync(join(folder, 'home', 'w-backups', backup.name)))));
    const looked = value(await lookAtBackup(other, brought.name));
    expect(looked).toMatchObject({ then: { jobs: 7, recordings: 3 }, today: { jobs: 0, entries: 0, lastAt: null } });
    const restored = value(await restoreBackup(other, brought.name));
    expect(restored.figures).toMatchObject({ jobs: 7, recordings: 3 });
    expect(await settled(other)).toBe(await settled(workshop));
    expect(logPage(other, { find: 'fastened' })).toMatchObject({ found: logPage(workshop, { find: 'fastened' }).found });
    expect(() => other.database.exec('DELETE FROM log_entry')).toThrow(/append-only/);
    expect(value(await checkFile(other)).troubles).toEqual([]);
    // One step back: nothing was there before.
    value(await restoreBackup(other, restored.aside));
    expect(fileState(other).figures).toMatchObject({ jobs: 0, entries: 0 });
  });

  it('put back over newer work keeps that aside, and tells pages that were open', async () => {
    const home = workshopAt('newer');
    const id = newJob(home, 'Before');
    const backup = value(await backUp(home));
    type(home, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, title: 'After' } }));
    now = new Date(now.getTime() + 1000);
    const open = openJob(home, id)!.job;
    const { aside } = value(await restoreBackup(home, backup.name));
    expect(openJob(home, id)!.job.inputs.brief.title).toBe('Before');
    expect(saveInputs.act(home, { jobId: id, revision: open.revision, inputs: open.inputs })).toMatchObject({
      ok: false,
      kind: 'stale',
    });
    expect(benchPage(home).rows.map(({ title }) => title)).toEqual(['Before']);
    value(recordStage(home as never, id, 'brief'));
    now = new Date(now.getTime() + 1000);
    value(await restoreBackup(home, aside));
    expect(openJob(home, id)!.job.inputs.brief.title).toBe('After');
    expect(openJob(home, id)!.log).toEqual([]);
  });

  it('is made while somebody writes, and holds what was acknowledged before', async () => {
    const home = workshopAt('busy');
    for (let count = 0; count < 40; count += 1) newJob(home, `Job ${count}`);
    const making = backUp(home);
    newJob(home, 'Meanwhile');
    const { name } = value(await making);
    expect(value(await lookAtBackup(home, name)).then.jobs).toBeGreaterThanOrEqual(40);
  });

  it('is looked at by several at once, and made by several in the same second, without one knowing of another', async () => {
    const home = workshopAt('several');
    newJob(home);
    const made = (await Promise.all([backUp(home), backUp(home), backUp(home)])).map((one) => value(one).name);
    expect(new Set(made).size).toBe(3);
    const looked = await Promise.all([...made, ...made].map((name) => lookAtBackup(home, name)));
    expect(looked.map((one) => value(one).then.jobs)).toEqual([1, 1, 1, 1, 1, 1]);
    const left = ['x.unfinished', 'hand-2031-05-04-090000.sqlite.unfinished-wal', 'daily-2031-05-04-090000.sqlite.looked-at'];
    for (const name of left) writeFileSync(join(folder, 'several', 'w-backups', name), '');
    sweepBackups(home);
    expect(readdirSync(join(folder, 'several', 'w-backups')).sort()).toEqual([...made].sort());
  });

  it('is checked while others are served', async () => {
    const home = workshopAt('served');
    for (let count = 0; count < 40; count += 1) newJob(home, `Job ${count}`);
    let turns = 0;
    const timer = setInterval(() => (turns += 1), 1);
    await checkFile(home);
    clearInterval(timer);
    expect(turns).toBeGreaterThan(2);
  });

  it('of the file alone is refused in words where its log was left behind, at the start too', async () => {
    const home = workshopAt('alone');
    newJob(home);
    const alone = join(folder, 'alone.sqlite');
    // As a first version of it lies on the disk before anything of the log is written into it.
    const fresh = new SQLite(alone);
    fresh.pragma('journal_mode = WAL');
    fresh.pragma('wal_autocheckpoint = 0');
    fresh.exec('CREATE TABLE t (x)');
    const copy = join(folder, 'without-log.sqlite');
    copyFileSync(alone, copy);
    fresh.close();
    expect(wordsOf(await bringBackup(home, Readable.from(readFileSync(copy))))).toMatch(/holds nothing.*-wal/);
    expect(() => openDatabase(copy)).toThrow(/holds nothing.*delete it/);
    // What this application writes is in the file soon after, and all of it at a stop.
    for (let count = 0; count < 30; count += 1) newJob(home, `Job ${count}`);
    const written = join(folder, 'written.sqlite');
    copyFileSync(home.database.name, written);
    const there = new SQLite(written);
    expect(there.prepare('SELECT count(*) FROM job').pluck().get()).toBeGreaterThan(15);
    there.close();
  });

  it('is made once a day by itself; those let go are the ones the rule does not keep', async () => {
    const home = workshopAt('daily');
    newJob(home);
    now = new Date('2031-05-04T09:00:00');
    for (let day = 0; day < 20; day += 1) {
      value((await backUpByRule(home))!);
      expect(await backUpByRule(home)).toBeNull();
      now = new Date(now.getTime() + 86_400_000);
    }
    const kept = listBackups(home).map(({ name }) => name.slice(6, 16));
    expect(kept.slice(0, 7)).toEqual([
      '2031-05-23',
      '2031-05-22',
      '2031-05-21',
      '2031-05-20',
      '2031-05-19',
      '2031-05-18',
      '2031-05-17',
    ]);
    expect(kept.length).toBeLessThan(11);
    expect(backupOverdue(home)).toBeNull();
    now = new Date(now.getTime() + 5 * 86_400_000);
    expect(backupOverdue(home)).toMatchObject({ lastAt: expect.stringMatching(/^2031-05-23/) as string });
    now = new Date('2031-05-04T09:00:00');
  });

  it('lets go of what was sent so long ago that nobody sends it again', async () => {
    const home = workshopAt('sent');
    const send = (requestId: string) =>
      carryOut(home, 'newJob', { requestId, title: requestId, width: length(600), height: length(400), use: 'new' });
    value(await send('first'));
    now = new Date(now.getTime() + 89 * 86_400_000);
    value((await backUpByRule(home))!);
    value(await send('first'));
    expect(listJobs(home.database)).toHaveLength(1);
    now = new Date(now.getTime() + 2 * 86_400_000);
    value((await backUpByRule(home))!);
    expect(home.database.prepare('SELECT count(*) FROM sent_request').pluck().get()).toBe(0);
    now = new Date('2031-05-04T09:00:00');
  });
});

describe('a file that is no sound workshop', () => {
  const good = () => {
    const path = join(folder, `bad-${(serial += 1)}.sqlite`);
    workshop.database.exec(`VACUUM INTO '${path}'`);
    return path;
  };
  const spoilt = (spoil: (database: Database) => void) => () => {
    const path = good();
    const database = new SQLite(path);
    database.unsafeMode();
    database.pragma('writable_schema = ON');
    spoil(database);
    database.close();
    return path;
  };
  const cut = (bytes: number) => () => {
    const path = good();
    truncateSync(path, bytes);
    return path;
  };
  const torn = (at: number, length: number) => () => {
    const path = good();
    const bytes = readFileSync(path);
    bytes.fill(0x5a, at, at + length);
    writeFileSync(path, bytes);
    return path;
  };
  const written = (text: string | Buffer) => () => {
    const path = join(folder, `bad-${(serial += 1)}.sqlite`);
    writeFileSync(path, text);
    return path;
  };
  const foreign = () => {
    const path = join(folder, `bad-${(serial += 1)}.sqlite`);
    const database = new SQLite(path);
    database.exec('CREATE TABLE job (id TEXT)');
    database.close();
    return path;
  };
  const exec = (sql: string) => spoilt((database) => database.exec(sql));

  const BAD: [string, () => string, RegExp][] = [
    ['nothing', written(''), /no file of a workshop/],
    ['words', written('a letter'), /no file of a workshop/],
    ['a picture', written(Buffer.from('89504e470d0a1a0a', 'hex')), /no file of a workshop/],
    ['the head alone', written('SQLite format 3\u0000'), /damaged|cut off/],
    [
      'a head and noise',
      written(Buffer.concat([Buffer.from('SQLite format 3\u0000'), Buffer.alloc(5000, 7)])),
      /damaged|cut off/,
    ],
    ['half of it', cut(100_000), /damaged|cut off/],
    [
      'half of one that is written by way of a log, as every copy here is',
      () => {
        const bytes = readFileSync(good()).subarray(0, 60_000);
        bytes.fill(2, 18, 20);
        return written(bytes)();
      },
      /damaged|cut off/,
    ],
    ['a page of it', cut(8192), /damaged|cut off|something else/],
    ['all but the end', () => (cut(8192 * 30)(), cut(8192 * 30)()), /damaged|cut off/],
    ['a torn first page', torn(40, 4000), /damaged|cut off|something else/],
    ['a torn page', torn(8192 * 12, 8192), /damaged|cut off/],
    ['another torn page', torn(8192 * 25, 8000), /damaged|cut off/],
    ['another program’s', foreign, /something else/],
    ['one without migrations', exec('DELETE FROM migration'), /something else/],
    ['one of a later version', exec("INSERT INTO migration VALUES (99, '0099-later.sql', 'x', 'x')"), /newer version/],
    ['one with a changed migration', exec("UPDATE migration SET hash = 'x' WHERE number = 3"), /another application/],
    ['one with a renamed migration', exec("UPDATE migration SET name = '0003-x.sql' WHERE number = 3"), /another application/],
    [
      'one with a trigger of its own',
      exec('CREATE TRIGGER evil AFTER INSERT ON job BEGIN DELETE FROM air_reading; END'),
      /not this application/,
    ],
    ['one with a view', exec('CREATE VIEW v AS SELECT 1'), /not this application/],
    ['one with another table', exec('CREATE TABLE extra (x)'), /not this application/],
    ['one with an index more', exec('CREATE INDEX more ON job (created_at)'), /not this application/],
    ['one without a trigger', exec('DROP TRIGGER log_entry_is_kept'), /not this application/],
    ['one without a table', exec('DROP TABLE rack_bar'), /not this application/],
    ['one with a column more', exec('ALTER TABLE job ADD COLUMN evil TEXT'), /not this application/],
    [
      'one with a view in the place of a table',
      exec('DROP TABLE rack_bar; CREATE VIEW rack_bar AS SELECT 1 AS id'),
      /not this application/,
    ],
    [
      'a log without its job',
      exec("PRAGMA foreign_keys = OFF; DELETE FROM job WHERE title = 'Fresh'; UPDATE job SET id = 'x' WHERE title = 'Tuned'"),
      /point to rows/,
    ],
    [
      'a number where a text belongs',
      spoilt((db) =>
        db.exec("UPDATE sqlite_master SET sql = replace(sql, 'title TEXT NOT NULL', 'title BLOB') WHERE name = 'job'"),
      ),
      /not this application|damaged/,
    ],
    [
      'a check taken out',
      spoilt((db) => db.exec("UPDATE sqlite_master SET sql = replace(sql, 'CHECK (revision >= 1)', '') WHERE name = 'job'")),
      /not this application/,
    ],
    ['a revision below one', exec('PRAGMA ignore_check_constraints = ON; UPDATE job SET revision = 0'), /damaged/],
    [
      'inputs that are no JSON',
      exec("PRAGMA ignore_check_constraints = ON; UPDATE job SET inputs = '{' WHERE title = 'Fresh'"),
      /damaged/,
    ],
    ['a second dictionary', exec('PRAGMA ignore_check_constraints = ON; UPDATE pack_dictionary SET id = 2'), /damaged/],
    [
      'an odd kind of entry',
      exec(
        "PRAGMA foreign_keys = OFF; DROP TRIGGER log_entry_stands; UPDATE log_entry SET kind = 'odd'; CREATE TRIGGER log_entry_stands BEFORE UPDATE ON log_entry\nBEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END",
      ),
      /point to rows|not this application/,
    ],
  ];

  it.each(BAD)('%s is refused with the reason, and nothing is changed', async (_what, make, why) => {
    const before = content(workshop);
    const path = make();
    expect(wordsOf(await bringBackup(workshop, Readable.from(readFileSync(path))))).toMatch(why);
    const home = join(folder, 'home', 'w-backups');
    copyFileSync(path, join(home, 'brought-2031-01-01-000000.sqlite'));
    expect((await restoreBackup(workshop, 'brought-2031-01-01-000000.sqlite')).ok).toBe(false);
    rmSync(join(home, 'brought-2031-01-01-000000.sqlite'));
    expect(content(workshop)).toBe(before);
    expect(readdirSync(home).filter((name) => !name.endsWith('.sqlite'))).toEqual([]);
  });

  it('is not looked for outside of its folder', async () => {
    for (const name of ['../w.sqlite', 'hand-2031-05-04-090000.sqlite/../../w.sqlite', '/etc/passwd', 'daily-x.sqlite', ''])
      expect(wordsOf(await restoreBackup(workshop, name))).toMatch(/not in the folder/);
  });
});

it('what is worked out from other rows can be made anew at any time', async () => {
  const before = await settled(workshop);
  workshop.database.exec("INSERT INTO log_words (log_words) VALUES ('delete-all'); DELETE FROM job_state");
  value(rebuildFile(workshop));
  await tendStates(workshop, 0);
  expect(content(workshop)).toBe(before);
  expect(logPage(workshop, { find: 'tuned' }).found).toBeGreaterThan(3);
  expect(existsSync(join(folder, 'home', 'w.sqlite'))).toBe(true);
});
