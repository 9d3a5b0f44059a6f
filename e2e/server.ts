import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { now } from './clock';
import { copyWorkshop } from './workshopFile.mjs';

/** A server of the built application with a workshop file of its own. */
export interface TestServer {
  url: string;
  database: string;
  /** Its process. */
  pid: () => number;
  /** Ends it at once, as a power cut would. */
  kill: () => Promise<void>;
  /** Starts it again on the same port and file, its clock at the moment of the test or another one. */
  restart: (at?: string) => Promise<void>;
  /** Lays a workshop that nobody has touched in the place of its own, its clock at the moment of the test. */
  putBack: () => Promise<void>;
  /** Ends it and throws its file away. */
  remove: () => Promise<void>;
}

const NEXT = join(process.cwd(), 'node_modules', 'next', 'dist', 'bin', 'next');
/** As `npm start` serves. */
const LIMITS = pathToFileURL(join(process.cwd(), 'scripts', 'serverLimits.mjs')).href;
/** What only tests load. */
const PUT_BACK = pathToFileURL(join(process.cwd(), 'e2e', 'putBack.mjs')).href;

/** Name the files of workshops that were laid out before: the demo and an empty one. */
export const DEMO_FILE = 'KEEN_BATTEN_E2E_DEMO';
export const EMPTY_FILE = 'KEEN_BATTEN_E2E_EMPTY';

export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** Waits for the first answer of a server that was started. Another may have taken its port: then it ends and never listens. */
async function answers(url: string, child: ChildProcess): Promise<void> {
  await Promise.race([once(child, 'message'), once(child, 'exit')]);
  for (let tries = 0; tries < 600; tries += 1) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    const ok = await fetch(`${url}/api/clocks`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (ok) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`no answer from ${url}`);
}

/**
 * A server of its own for a test.
 *
 * @param asShipped without what only tests load
 */
export async function startServer({ demo, asShipped = false }: { demo: boolean; asShipped?: boolean }): Promise<TestServer> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-e2e-'));
  const database = join(folder, 'workshop.sqlite');
  const laidOut = process.env[demo ? DEMO_FILE : EMPTY_FILE];
  if (laidOut) copyWorkshop(laidOut, database);
  const port = await freePort();
  const url = `http://localhost:${port}`;
  let child: ChildProcess;
  const start = async (at = now().toISOString()) => {
    child = spawn(
      process.execPath,
      ['--import', LIMITS, ...(asShipped ? [] : ['--import', PUT_BACK]), NEXT, 'start', '-p', String(port), '-H', '127.0.0.1'],
      {
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
        env: {
          ...process.env,
          NODE_ENV: 'production',
          NEXT_TELEMETRY_DISABLED: '1',
          KEEN_BATTEN_DB: database,
          KEEN_BATTEN_DEMO: demo ? '1' : '',
          KEEN_BATTEN_NOW: at,
        },
      },
    );
    await answers(url, child);
  };
  const kill = async () => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await ended;
  };
  await start();
  return {
    url,
    database,
    pid: () => child.pid!,
    kill,
    restart: start,
    putBack: async () => {
      const told = once(child, 'message');
      child.send({ putBack: { from: laidOut, now: now().toISOString(), url } });
      const [{ ready }] = (await told) as [{ ready: boolean }];
      if (!ready) throw new Error('the server did not come back with its workshop');
    },
    remove: async () => {
      await kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
