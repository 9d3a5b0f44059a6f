/* Files that earlier versions wrote, kept in `golden/`: one folder a version, with a letter where its shape changed under one number. */
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterAll, describe, expect, it } from 'vitest';
import { openDatabase } from '@/db/openDatabase';
import { importJob } from './jobCases';
import { brokenJob, caseOfJob, openJob, soundLog } from './jobReading';
import { testWorkshop, value } from './testWorkshop';
import type { Workshop } from './workshop';

const GOLDEN = join(import.meta.dirname, '..', '..', 'golden');
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
    const { id } = value(importJob(workshop, { text, keepBoth: false }));
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
    const database = openDatabase(path);
    const workshop = { ...testWorkshop(), database };
    const rows = database.prepare<[], { id: string; title: string }>('SELECT id, title FROM job').all();
    expect(rows.length).toBeGreaterThan(2);
    for (const { id, title } of rows) expect(wholly(workshop, id)).toBe(title);
    database.close();
  });
});
