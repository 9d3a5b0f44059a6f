/* Files that earlier versions wrote, kept in `golden/`: one folder a version, with a letter where its shape changed under one number. */
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { gunzipSync } from 'node:zlib';
import { afterAll, describe, expect, it } from 'vitest';
import { openDatabase } from '@/db/openDatabase';
import { bringBackup, restoreBackup } from './backups';
import { importJob } from '../job/jobWrites';
import { brokenJob, caseOfJob, openJob, soundLog } from '../job/jobReading';
import { takePassport } from '../life/passportWrites';
import { testWorkshop, value } from '../testWorkshop';
import type { Workshop } from '../workshop';

const GOLDEN = join(import.meta.dirname, '..', '..', '..', 'golden');
const VERSIONS = readdirSync(GOLDEN).filter((name) => name.startsWith('v'));
const unpacked = (version: string, file: string) => gunzipSync(readFileSync(join(GOLDEN, version, file)));

const folder = mkdtempSync(join(tmpdir(), 'keen-batten-golden-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Everything typed in old inputs that stands unchanged at its place in the new ones; what is elsewhere is named. */
function moved(before: unknown, after: unknown, path = ''): string[] {
  if (typeof before !== 'object' || before === null || Array.isArray(before))
    return JSON.stringify(before) === JSON.stringify(after) ? [] : [path];
  return Object.entries(before).flatMap(([name, one]) =>
    moved(one, (after as Record<string, unknown> | null | undefined)?.[name], path ? `${path}.${name}` : name),
  );
}
/** Where a later version keeps something in another form. */
const TAKEN_ELSEWHERE =
  /^(bars\.braces(Upright|Level)|cloth\.left\.\w+(\.\w+)?|tune\.(opening|feel)(\.\w+)?|cloth\.painting\.(fragile|keep|mostWrap|mayBare|way)(\.\w+)?)$/;

/** Reads a job to its last plan. @returns its title */
function wholly(workshop: Workshop, id: string): string {
  expect(brokenJob(workshop, id)?.because ?? null, id).toBeNull();
  soundLog(workshop.database, id);
  const found = openJob(workshop, id)!;
  const here = caseOfJob(workshop, found);
  for (const plan of Object.values(here.plan)) expect(plan).toBeDefined();
  expect(here.slack === null || Number.isFinite(here.slack.latestStartMs)).toBe(true);
  return here.inputs.brief.title;
}

const opened = (at: string): Workshop => ({ ...testWorkshop(), database: openDatabase(at) });

/** Reads every job of a workshop. */
function everyJob({ database, ...workshop }: Workshop): void {
  const rows = database.prepare<[], { id: string; title: string }>('SELECT id, title FROM job').all();
  expect(rows.length).toBeGreaterThan(2);
  for (const { id, title } of rows) expect(wholly({ ...workshop, database }, id)).toBe(title);
  database.close();
}

interface OldFile {
  job: { id: string; number: number; inputs: { brief: { title: string } } };
  log: { id: string; did: string; readings: object[] }[];
}

describe.each(VERSIONS)('what version %s wrote', (version) => {
  const files = readdirSync(join(GOLDEN, version)).filter((name) => name.endsWith('.job.json.gz'));

  it.each(files)('%s is taken in whole', (file) => {
    const workshop = testWorkshop();
    const text = unpacked(version, file).toString('utf8');
    const old = JSON.parse(text) as OldFile;
    const { id } = value(importJob.act(workshop, { text, keepBoth: false }));
    expect(wholly(workshop, id)).toBe(old.job.inputs.brief.title);
    const { job, log } = openJob(workshop, id)!;
    expect(job.number).toBe(old.job.number);
    expect(moved(old.job.inputs, job.inputs).filter((path) => !TAKEN_ELSEWHERE.test(path))).toEqual([]);
    expect(log.map((entry) => [entry.id, entry.did, entry.readings.length])).toEqual(
      old.log.map((entry) => [entry.id, entry.did, entry.readings.length]),
    );
  });

  it('its workshop opens, every job of it', () => {
    const path = join(folder, `${version}.sqlite`);
    writeFileSync(path, unpacked(version, 'workshop.sqlite.gz'));
    everyJob(opened(path));
  });
});

const having = (file: string) => VERSIONS.filter((version) => readdirSync(join(GOLDEN, version)).includes(file));

it.each(having('canvas.passport.json.gz'))('a passport that version %s gave is taken in whole', (version) => {
  const workshop = testWorkshop();
  const text = unpacked(version, 'canvas.passport.json.gz').toString('utf8');
  const old = JSON.parse(text) as { made: { at: string }; inputs: OldFile['job']['inputs']; life: OldFile['log'] };
  const { id } = value(takePassport.act(workshop, { text, maker: 'Tove' }));
  expect(wholly(workshop, id)).toBe(old.inputs.brief.title);
  const { job, log } = openJob(workshop, id)!;
  expect(moved(old.inputs, job.inputs).filter((path) => !TAKEN_ELSEWHERE.test(path))).toEqual([]);
  expect(log.slice(1).map(({ did, readings }) => [did, readings.length])).toEqual(
    old.life.map(({ did, readings }) => [did, readings.length]),
  );
});

it.each(having('workshop.jsonl.gz'))('the workshop that version %s wrote out comes back, every job of it', async (version) => {
  const text = unpacked(version, 'workshop.jsonl.gz');
  const workshop = opened(join(folder, `${version}-lines.sqlite`));
  const { name } = value(await bringBackup(workshop, Readable.from([text])));
  value(await restoreBackup(workshop, name));
  const written = text.toString('utf8').split('\n');
  const count = (table: string) => workshop.database.prepare<[], number>(`SELECT count(*) FROM ${table}`).pluck().get();
  for (const table of ['job', 'log_entry', 'reading', 'recording', 'cloth_sheet'])
    expect([table, count(table)]).toEqual([table, written.filter((line) => line.startsWith(`{"table":"${table}"`)).length]);
  everyJob(workshop);
});
