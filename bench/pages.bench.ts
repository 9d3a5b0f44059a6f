/* What the server needs for each page in the demo workshop, and in one of ten thousand jobs. */
import { readFileSync, statSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { type TestServer, startServer } from '../e2e/server';
import { grow } from '../scripts/grow.mjs';

const JOBS = 10_000;
const ENTRIES = 200_000;
const TIMES = 9;

/** Pages, and what is asked of them at ten thousand jobs: a time, or no more than so many times that of the demo. */
const PAGES: [path: string, goal: { ms: number } | { ratio: number }][] = [
  ['/', { ratio: 1.3 }],
  ['/job/demo-135', { ratio: 1.3 }],
  ['/log', { ratio: 1.3 }],
  ['/log?find=quay', { ms: 50 }],
  ['/bars', { ratio: 1.3 }],
  ['/cloth', { ratio: 1.3 }],
  ['/ground', { ratio: 1.3 }],
  ['/store', { ratio: 1.3 }],
  ['/set/demo-set-night-school', { ratio: 1.3 }],
  ['/api/clocks', { ms: 5 }],
  ['/no-such-page', { ms: 5 }],
];

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

test(`server pages, demo workshop and ${JOBS} jobs with ${ENTRIES} entries`, async () => {
  test.setTimeout(900_000);
  const server = await startServer({ demo: true });
  try {
    const all = async () => {
      const figures: Figures[] = [];
      for (const [path] of PAGES) figures.push(await figuresOf(server.url + path));
      return { figures, mb: memoryMb(server) };
    };
    const demo = await all();
    await server.kill();
    const grown = grow(server.database, { jobs: JOBS, entries: ENTRIES });
    expect(grown.jobs).toBe(JOBS);
    await server.restart();
    const large = await all();
    console.log(`\nserver, median of ${TIMES} on this machine, demo workshop → ${JOBS} jobs with ${ENTRIES} entries`);
    for (const [index, [path, goal]] of PAGES.entries()) {
      const [small, big] = [demo.figures[index]!, large.figures[index]!];
      const ratio = big.ms / small.ms;
      const held = 'ms' in goal ? big.ms <= goal.ms : ratio <= goal.ratio;
      const asked = 'ms' in goal ? `${goal.ms} ms` : `${goal.ratio} ×`;
      console.log(
        `  ${path.padEnd(15)} ${small.ms.toFixed(0).padStart(4)} → ${big.ms.toFixed(0).padStart(4)} ms, ${ratio.toFixed(2)} × (goal ${asked}${held ? '' : ', MISSED'}); ${small.kb.toFixed(0)} → ${big.kb.toFixed(0)} KB`,
      );
    }
    const bytes = statSync(server.database).size;
    console.log(
      `  memory, peak ${demo.mb.toFixed(0)} → ${large.mb.toFixed(0)} MB (goal 300); file ${(bytes / 1e6).toFixed(0)} MB, ${(bytes / JOBS / 1000).toFixed(1)} KB a job (goal 15)`,
    );
  } finally {
    await server.remove();
  }
});
