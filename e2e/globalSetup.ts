import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_FILE, EMPTY_FILE, startServer } from './server';
import { copyWorkshop } from './workshopFile.mjs';

/** Lays out the demo workshop and an empty one, once: every server begins with a copy of one of them, and every test. */
export default async function globalSetup(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-laid-out-'));
  for (const [demo, variable, file] of [
    [true, DEMO_FILE, 'demo.sqlite'],
    [false, EMPTY_FILE, 'empty.sqlite'],
  ] as const) {
    const server = await startServer({ demo });
    await server.kill();
    copyWorkshop(server.database, join(folder, file));
    await server.remove();
    process.env[variable] = join(folder, file);
  }
  return () => rmSync(folder, { recursive: true, force: true });
}
