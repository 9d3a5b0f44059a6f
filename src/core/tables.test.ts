/* Tables are code too: every row of every table of schools and materials is looked at. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { FABRICS, stiffnessOf } from './cloth/fabrics';
import { MARGIN_STYLES } from './cloth/marginStyles';
import { FASTENERS } from './fasten/fasteners';
import { ROUTES } from './fasten/routes';
import { GLUES } from './frame/glues';
import { JOINTS } from './frame/joints';
import { PROFILES } from './frame/profiles';
import { SPECIES } from './frame/timber';
import { WIND_PATTERNS } from './frame/square/wind';
import { ASSUMPTIONS } from './house/assumptions';
import { SIDES } from './job/sides';
import { EDGES, HANGS, MEDIUMS, USES, byId } from './house/schools';
import { STAGES, STAGE_IDS, stageActs, runOf } from './stages/stages';
import { HANGINGS } from './stages/handover/hangings';
import { SYSTEMS } from './prime/grounds';
import { FEELS } from './tension/feel';
import { REMEDIES } from './tension/remedies';

const SCHOOLS = { GLUES, WIND_PATTERNS, USES, EDGES, MEDIUMS, HANGS, JOINTS, MARGIN_STYLES, ROUTES, SYSTEMS, REMEDIES, HANGINGS };
const ALL: Record<string, readonly { id: string; name: string }[]> = { ...SCHOOLS, FABRICS, FASTENERS, PROFILES, SPECIES, FEELS };

describe.each(Object.entries(ALL))('%s', (_table, rows) => {
  it('has ids and names that are one of a kind', () => {
    expect(new Set(rows.map((row) => row.id)).size).toBe(rows.length);
    expect(new Set(rows.map((row) => row.name)).size).toBe(rows.length);
    for (const row of rows) {
      expect(row.id).toMatch(/^[a-z][A-Za-z0-9]*$/);
      expect(row.name).toMatch(/^[A-Z][^.]+$/);
    }
  });
});

describe.each(Object.entries(SCHOOLS))('the schools of %s', (_table, rows) => {
  it.each(rows.map((row) => [row.name, row] as const))('%s says what it suits and what it trades', (_name, row) => {
    expect(row.suits.length).toBeGreaterThan(8);
    expect(row.trades.length).toBeGreaterThan(8);
  });
});

describe('materials are of this world', () => {
  it.each(SPECIES.map((one) => [one.name, one] as const))('%s', (_name, { eGPa, densityKgM3 }) => {
    expect(eGPa > 3 && eGPa < 16).toBe(true);
    expect(densityKgM3 > 200 && densityKgM3 < 900).toBe(true);
  });

  it.each(FABRICS.map((one) => [one.name, one] as const))('%s', (_name, fabric) => {
    expect(fabric.gsm > 150 && fabric.gsm < 700).toBe(true);
    expect(stiffnessOf(fabric) >= 5 && stiffnessOf(fabric) <= 60).toBe(true);
    expect(fabric.stiffnessWarpKNPerM).toBeGreaterThan(fabric.stiffnessWeftKNPerM);
    expect(fabric.stretchWeft > fabric.stretchWarp && fabric.stretchWarp >= 0.002 && fabric.stretchWeft <= 0.02).toBe(true);
    expect(fabric.shrinkWarp <= 0.05 && fabric.shrinkWeft <= 0.05).toBe(true);
    if (fabric.primed) expect([fabric.shrinkWarp, fabric.tearsTrue]).toEqual([0, false]);
    if (fabric.gsm > 407) expect(fabric.wantsPliers).toBe(true);
  });

  it('feels follow one another without a gap', () => {
    FEELS.forEach((feel, index) => expect(feel.bandNPerM[0]).toBe(index === 0 ? 0 : FEELS[index - 1]!.bandNPerM[1]));
  });

  it('every route works every side, says what to look at, and ends gently at the corners', () => {
    const named = { longA: 'top', longB: 'bottom', shortA: 'right', shortB: 'left' } as Record<string, string>;
    for (const { passes, checks } of ROUTES) {
      const fixing = passes.filter(({ take }) => take !== 'temporary' && take !== 'corner');
      expect([...new Set(fixing.flatMap(({ sides }) => sides.map((side) => named[side] ?? side)))].sort()).toEqual(
        [...SIDES].sort(),
      );
      expect(passes.at(-1)).toMatchObject({ take: 'corner', pull: 'gentle' });
      expect(checks.length).toBeGreaterThan(1);
    }
    expect(ROUTES).toHaveLength(7);
  });
});

describe('stages and look-ups', () => {
  it('each have an act and a button; a blank canvas and a painting run through eight of them, each in its own order', () => {
    expect(runOf(false)).toEqual(['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover']);
    expect(new Set([...runOf(false), ...runOf(true)])).toEqual(new Set(STAGE_IDS));
    for (const { record, act } of STAGES) expect([/^Record/.test(record), act.length > 4]).toEqual([true, true]);
    expect(stageActs('cloth', true)).toMatchObject({ name: 'Measure', record: 'Record the measures' });
    expect(stageActs('fasten', true).record).toBe('Record the fastening');
  });

  it('an id that is not there breaks the contract, with what there is', () => {
    expect(() => byId(HANGS, 'sideways')).toThrow(/expected one of thisWay, eitherWay, got sideways/);
  });

  it('every assumption belongs to a stage and is named once', () => {
    expect(new Set(ASSUMPTIONS.map((one) => one.id)).size).toBe(ASSUMPTIONS.length);
    for (const one of ASSUMPTIONS) expect(STAGE_IDS).toContain(one.stage);
  });
});

it('the ten lines in docs/core.md run as they stand and give a cut list', async () => {
  const page = readFileSync('docs/core.md', 'utf8');
  const code = /```ts\n([\s\S]+?)```/.exec(page)![1]!;
  const imports = [...code.matchAll(/import \{ (.+?) \} from '\.\.\/src\/core\/(.+?)';/g)];
  const names: Record<string, unknown> = {};
  for (const [, name, path] of imports)
    names[name!] = ((await import(join(import.meta.dirname, `${path}.ts`))) as Record<string, unknown>)[name!];
  const printed: unknown[] = [];
  const body = code.replace(/^import .+$/gm, '').replaceAll(')!', ')');
  new Function(...Object.keys(names), 'console', body)(...Object.values(names), { table: (rows: unknown) => printed.push(rows) });
  expect(code.trim().split('\n').length).toBeLessThanOrEqual(16);
  expect(printed[0]).toEqual(
    expect.arrayContaining([expect.objectContaining({ name: 'top and bottom', count: 2, lengthMm: 900, ends: '45°' })]),
  );
});
