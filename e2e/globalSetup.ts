import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_FILE, EMPTY_FILE, startServer } from './server';
import { copyWorkshop } from './workshopFile.mjs';

/** Lays out the demo workshop and an empty one, once: every server begins with a copy of one of them, and every test. */
export default async function globalSetup(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-laid-out-'));
  const layOut = async (demo: boolean, variable: string, file: string) => {
    const server = await startServer({ demo });
    // What a bench works out when it is first seen is there for every test.
    await fetch(server.url);
    await server.kill();
    copyWorkshop(server.database, join(folder, file));
    await server.remove();
    process.env[variable] = join(folder, file);
  };
  await Promise.all([layOut(true, DEMO_FILE, 'demo.sqlite'), layOut(false, EMPTY_FILE, 'empty.sqlite')]);
  return () => rmSync(folder, { recursive: true, force: true });
}
