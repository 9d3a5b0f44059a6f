import { type ChildProcess, spawn } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

/** A server of the built application with a workshop file of its own. */
export interface TestServer {
  url: string;
  database: string;
  /** Its process. */
  pid: () => number;
  /** Ends it at once, as a power cut would. */
  kill: () => Promise<void>;
  /** Starts it again on the same port and file, its clock at a moment where one is named. */
  restart: (now?: string) => Promise<void>;
  /** Ends it and throws its file away. */
  remove: () => Promise<void>;
}

const NEXT = join(process.cwd(), 'node_modules', 'next', 'dist', 'bin', 'next');
/** As `npm start` serves. */
const LIMITS = pathToFileURL(join(process.cwd(), 'scripts', 'serverLimits.mjs')).href;

/** Names the file of a demo workshop that was laid out before. */
export const DEMO_FILE = 'KEEN_BATTEN_E2E_DEMO';

/** Copies a workshop file nobody has open, with what is not yet written into it. */
export function copyWorkshop(from: string, to: string): void {
  for (const end of ['', '-wal']) if (existsSync(from + end)) copyFileSync(from + end, to + end);
}

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

async function answers(url: string, child: ChildProcess): Promise<void> {
  for (let tries = 0; tries < 150; tries += 1) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    const ok = await fetch(url).then(
      (answer) => answer.ok,
      () => false,
    );
    if (ok) {
      // Another server may have taken the port in between: then ours has ended.
      await new Promise((resolve) => setTimeout(resolve, 400));
      if (child.exitCode === null) return;
      continue;
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(`no answer from ${url}`);
}

export async function startServer({ demo }: { demo: boolean }): Promise<TestServer> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-e2e-'));
  const database = join(folder, 'workshop.sqlite');
  const laidOut = process.env[DEMO_FILE];
  if (demo && laidOut) copyWorkshop(laidOut, database);
  const port = await freePort();
  const url = `http://localhost:${port}`;
  let child: ChildProcess;
  const start = async (now = '') => {
    child = spawn(process.execPath, ['--import', LIMITS, NEXT, 'start', '-p', String(port), '-H', '127.0.0.1'], {
      stdio: 'ignore',
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        KEEN_BATTEN_DB: database,
        KEEN_BATTEN_DEMO: demo ? '1' : '',
        KEEN_BATTEN_NOW: now,
      },
    });
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
    remove: async () => {
      await kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
