/* What the server needs for each page in the demo workshop, with four hundred jobs open, and in a workshop of ten thousand jobs. */
import { readFileSync, statSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import SQLite from 'better-sqlite3';
import { type TestServer, startServer } from '../e2e/server';
import { grow } from '../scripts/grow.mjs';
import { PLACES } from './places';

const JOBS = 10_000;
const ENTRIES = 200_000;
const TIMES = 9;

const OPEN_JOBS = 400;

type Goal = { ms: number } | { ratio: number };

/** Pages, and what is asked of them in a larger workshop: a time, or no more than so many times that of the demo. */
const PAGES: [path: string, goal: Goal][] = [
  ...[...PLACES, '/job/demo-135', '/job/demo-131', '/job/demo-128/bench?stage=fasten', '/calendar/all.ics'].map(
    (path): [string, Goal] => [path, { ratio: 1.3 }],
  ),
  ['/log?find=quay', { ms: 50 }],
  ['/canvases?find=quay', { ms: 50 }],
  ['/api/clocks', { ms: 5 }],
  ['/no-such-page', { ms: 5 }],
];
/** What lists open jobs is no larger with four hundred of them, KB. */
const LARGEST_KB = 80;
const LISTS_OF_JOBS = ['/', '/today', '/week', '/store', '/calendar/all.ics'];

interface Figures {
  ms: number;
  kb: number;
}

async function figuresOf(url: string): Promise<Figures> {
  const times: number[] = [];
  let kb = 0;
  for (let time = 0; time < TIMES; time += 1) {
    const from = performance.now();
    kb = (await (await fetch(url)).arrayBuffer()).byteLength / 1024;
    times.push(performance.now() - from);
  }
  return { ms: times.sort((one, other) => one - other)[TIMES >> 1]!, kb };
}

const memoryMb = (server: TestServer): number =>
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid()}/status`, 'utf8'))?.[1]) / 1024;

/** Every job is settled: what is worked out in the background is done. */
async function untilSettled({ database }: TestServer): Promise<void> {
  const file = new SQLite(database, { readonly: true });
  const left = file.prepare<[], number>('SELECT count(*) FROM job_unsettled').pluck();
  await expect.poll(() => left.get(), { timeout: 300_000, intervals: [1000] }).toBe(0);
  file.close();
}

const missed: string[] = [];

/** Prints the figures of all pages in a larger workshop beside those of the demo, and keeps what misses its goal. */
function compare(name: string, demo: readonly Figures[], large: readonly Figures[], largestKb = Infinity): void {
  console.log(`\nserver, median of ${TIMES} on this machine, demo workshop → ${name}`);
  for (const [index, [path, goal]] of PAGES.entries()) {
    const [small, big] = [demo[index]!, large[index]!];
    const ratio = big.ms / small.ms;
    const quick = 'ms' in goal ? big.ms <= goal.ms : ratio <= goal.ratio;
    const most = LISTS_OF_JOBS.includes(path) ? largestKb : Infinity;
    const held = quick && big.kb <= most;
    const asked = `${'ms' in goal ? `${goal.ms} ms` : `${goal.ratio} ×`}${most < Infinity ? `, ${most} KB` : ''}`;
    if (!held) missed.push(`${path} with ${name}`);
    console.log(
      `  ${path.padEnd(34)} ${small.ms.toFixed(0).padStart(4)} → ${big.ms.toFixed(0).padStart(5)} ms, ${ratio.toFixed(2).padStart(5)} ×; ${small.kb.toFixed(0).padStart(3)} → ${big.kb.toFixed(0).padStart(3)} KB (goal ${asked}${held ? '' : ', MISSED'})`,
    );
  }
}

/** What the demo grows to, and how the pages are in it. */
const GROWN = [
  { name: `${OPEN_JOBS} jobs open`, into: { jobs: 3 * OPEN_JOBS + 100, entries: 0, open: OPEN_JOBS }, largestKb: LARGEST_KB },
  { name: `${JOBS} jobs with ${ENTRIES} entries`, into: { jobs: JOBS, entries: ENTRIES, open: 0 }, largestKb: Infinity },
];

test('server pages in the demo workshop, with many jobs open, and after many years', async () => {
  test.setTimeout(1_800_000);
  const memory: string[] = [];
  let demo: Figures[] | null = null;
  for (const { name, into, largestKb } of GROWN) {
    const server = await startServer({ demo: true });
    try {
      const all = async () => {
        const figures: Figures[] = [];
        for (const [path] of PAGES) figures.push(await figuresOf(server.url + path));
        return figures;
      };
      demo ??= await all();
      const demoMb = memoryMb(server);
      await server.kill();
      const grown = grow(server.database, into);
      expect(grown.jobs).toBe(into.jobs);
      await server.restart();
      const first = performance.now();
      await fetch(server.url);
      const firstMs = performance.now() - first;
      await untilSettled(server);
      compare(name, demo, await all(), largestKb);
      const found = await (await fetch(`${server.url}/canvases?find=quay`)).text();
      // Honest only where the search has something to find, and as much to look through as there are canvases.
      expect(found).toContain('Quay');
      const bytes = statSync(server.database).size;
      memory.push(
        `  ${name}: memory, peak ${demoMb.toFixed(0)} → ${memoryMb(server).toFixed(0)} MB (goal 300); first view after growing ${firstMs.toFixed(0)} ms; file ${(bytes / 1e6).toFixed(0)} MB, ${(bytes / into.jobs / 1000).toFixed(1)} KB a job (goal 15)`,
      );
    } finally {
      await server.remove();
    }
  }
  console.log(memory.join('\n'));
  console.log(missed.length > 0 ? `  goals missed: ${missed.join('; ')}` : '  every goal of a page is met');
});
