/* The whole workshop as lines, and copies of large ones. */
import 'reflect-metadata';
import { createHash } from 'node:crypto';
import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import Ajv2020 from 'ajv/dist/2020';
import { randomLcg } from 'd3-random';
import { format } from 'prettier';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openDatabase } from '@/db/openDatabase';
import { rounds } from '@/testRounds';
import { grow } from '../../../scripts/grow.mjs';
import { backUp, bringBackup, restoreBackup, writtenOut } from './backups';
import { seedDemo } from '../demo/seedDemo';
import { value, wordsOf } from '../testWorkshop';
import { workedWorkshop } from '../testWorked';
import { grantedRequest } from '../testWrites';
import type { Workshop } from '../workshop';
import { benchPage } from '../bench/benchPage';
import { logPage } from '../log/logPage';
import { workshopSchema } from './workshopSchema';
import { carryOut } from '../writes';

const folder = mkdtempSync(join(tmpdir(), 'keen-batten-lines-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let serial = 0;
const workshopAt = (name: string): Workshop => {
  mkdirSync(join(folder, name), { recursive: true });
  const now = () => new Date('2031-05-04T09:00:00');
  return { database: openDatabase(join(folder, name, 'w.sqlite')), now, newId: () => `n-${(serial += 1)}` };
};

let workshop: Workshop;
beforeAll(async () => {
  const worked = workedWorkshop();
  for (const name of ['keepTaps', 'cutCloth', 'recordCuts', 'setStock', 'readSimulatedAir', 'saveRules'] as const)
    value((await carryOut(worked.workshop, name, { requestId: name, ...grantedRequest(worked, name) })) as never);
  workshop = worked.workshop;
});

async function linesOf(of: Workshop): Promise<string> {
  let text = '';
  for await (const line of writtenOut(of)) text += line;
  return text;
}
const bringLines = (into: Workshop, text: string) => bringBackup(into, Readable.from([Buffer.from(text)]));

describe('the whole workshop written out', () => {
  it('comes back the same to the byte, sounds and frozen plans too, by way of a copy that is put back', async () => {
    const text = await linesOf(workshop);
    const rows = text
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { table?: string; row?: Record<string, unknown> });
    expect(rows[0]).toEqual({ format: 'keen-batten-workshop', version: 22 });
    expect(rows.at(-1)).toEqual({ rows: rows.length - 2 });
    const entry = rows.find(({ table, row }) => table === 'log_entry' && row!.plan !== null)!.row!;
    expect(entry.plan).toMatchObject({ answer: expect.any(String) as string, inputs: { brief: expect.any(Object) as object } });
    expect(rows.filter(({ table }) => table === 'recording')).toHaveLength(3);
    const schema = workshopSchema(workshop.database);
    const published = await format(JSON.stringify(schema), { parser: 'json', printWidth: 128 });
    await expect(published).toMatchFileSnapshot('../../../docs/workshop.schema.json');
    const validate = new Ajv2020({ strict: false }).compile(schema);
    expect(rows.filter((row) => !validate(row))).toEqual([]);
    expect(validate({ table: 'job', row: { id: 'x' } })).toBe(false);
    const other = workshopAt('written');
    const { name, kind } = value(await bringLines(other, text));
    expect(kind).toBe('brought');
    value(await restoreBackup(other, name));
    expect(await linesOf(other)).toBe(text);
    // What was broken stays broken, and is told.
    expect(benchPage(other).broken).toHaveLength(1);
    other.database.close();
  });

  it('is refused with the line when it is cut off, changed, newer or something else', async () => {
    const text = await linesOf(workshop);
    const lines = text.trimEnd().split('\n');
    const other = workshopAt('not-written');
    const told = async (spoilt: readonly string[]) => wordsOf(await bringLines(other, spoilt.join('\n')));
    const at = lines.findIndex((line) => line.includes('"table":"log_entry"'));
    const put = (line: string) => [...lines.slice(0, at), line, ...lines.slice(at + 1)];
    const spoil = (change: (one: { table: string; row: Record<string, unknown> }) => void) => {
      const one = JSON.parse(lines[at]!) as { table: string; row: Record<string, unknown> };
      change(one);
      return told(put(JSON.stringify(one)));
    };
    expect(await told(lines.slice(0, -1))).toMatch(/^It is cut off/);
    expect(await told(lines.toSpliced(at, 1))).toMatch(/some of it is lost/);
    expect(await told([...lines, '{}'])).toMatch(/more behind the end/);
    expect(await told(put(lines[at]!.slice(0, 90)))).toBe(`Line ${at + 1} is no JSON.`);
    expect(await told(put('[]'))).toBe(`Line ${at + 1} is no row.`);
    expect(await told(['{"format":"other"}'])).toMatch(/does not begin as one/);
    expect(await told(['{"format":"keen-batten-workshop","version":99}'])).toMatch(
      /newer version \(99; this one reads up to 22\)/,
    );
    expect(await spoil((one) => Reflect.deleteProperty(one, 'table'))).toMatch(/it names no table/);
    expect(await spoil((one) => (one.table = 'sqlite_master'))).toMatch(/there is no table "sqlite_master"/);
    expect(await spoil(({ row }) => (row.more = 1))).toMatch(/log_entry has no “more”/);
    expect(await spoil(({ row }) => (row.stage = 'dance'))).toMatch(/do not hold together|cannot be a row/);
    expect(await spoil(({ row }) => (row.at = 3))).toBe(`Line ${at + 1}: “at” cannot be 3.`);
    expect(await spoil(({ row }) => (row.seq = null))).toBe(`Line ${at + 1}: “seq” cannot be null.`);
    expect(await spoil(({ row }) => (row.job_id = 'nobody'))).toMatch(/points to what is not there/);
    expect(await told([...lines.slice(0, at), lines[at]!, ...lines.slice(at)])).toMatch(/this cannot be a row of log_entry/);
    // Whatever is spoilt: refused in our words, or a sound copy.
    const random = randomLcg(0.19);
    for (let turn = 0; turn < rounds(25, 300); turn += 1) {
      const from = Math.floor(random() * text.length);
      const outcome = await bringLines(other, text.slice(0, from) + text.slice(from + 1 + Math.floor(random() * 40)));
      if (!outcome.ok) expect(wordsOf(outcome)).not.toMatch(/SQLITE|constraint|undefined|\[object|Unexpected/);
    }
    expect(readdirSync(join(folder, 'not-written', 'w-backups')).filter((name) => !name.endsWith('.sqlite'))).toEqual([]);
    other.database.close();
  });
});

it('the copy of a workshop of many years, put back in a fresh folder, equals it row for row', async () => {
  const hashOf = async (of: Workshop) => {
    const hash = createHash('sha256');
    for await (const line of writtenOut(of)) hash.update(line);
    return hash.digest('hex');
  };
  const large = workshopAt('large');
  seedDemo(large.database, new Date());
  large.database.close();
  const jobs = rounds(80, 10_000);
  expect(grow(join(folder, 'large', 'w.sqlite'), { jobs, entries: 20 * jobs }).jobs).toBe(jobs);
  const home = workshopAt('large');
  const { name } = value(await backUp(home));
  const other = workshopAt('large-fresh');
  mkdirSync(join(folder, 'large-fresh', 'w-backups'));
  copyFileSync(join(folder, 'large', 'w-backups', name), join(folder, 'large-fresh', 'w-backups', name));
  const restored = value(await restoreBackup(other, name));
  expect(restored.figures.jobs).toBe(jobs);
  expect(await hashOf(other)).toBe(await hashOf(home));
  expect(logPage(other, { find: 'quay' }).found).toBe(logPage(home, { find: 'quay' }).found);
  home.database.close();
  other.database.close();
});
