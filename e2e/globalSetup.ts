import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_FILE, copyWorkshop, startServer } from './server';

/** Lays out the demo workshop once: every server with the demo begins with a copy of its file. */
export default async function globalSetup(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-demo-'));
  const server = await startServer({ demo: true });
  await server.kill();
  const laidOut = join(folder, 'demo.sqlite');
  copyWorkshop(server.database, laidOut);
  await server.remove();
  process.env[DEMO_FILE] = laidOut;
  return () => rmSync(folder, { recursive: true, force: true });
}
