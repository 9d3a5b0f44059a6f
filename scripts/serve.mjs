import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './bootstrap.mjs';

const PORT = process.env.PORT ?? '3000';
/** Loopback unless somebody asks for more by name. */
const HOST = process.env.HOST ?? '127.0.0.1';

/** Names of this machine alone. */
const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

/** Serves until stopped; `mode` is "start" or "dev". */
export function serve(mode, env = {}) {
  if (!LOOPBACK.includes(HOST)) {
    console.error(
      `HOST=${HOST} would let everybody on the network read and write this workshop: there is no passphrase yet. Start it without HOST, for this machine alone.`,
    );
    process.exit(1);
  }
  console.log(`Keen Batten: http://${HOST === '127.0.0.1' ? 'localhost' : HOST}:${PORT}`);
  const server = spawn(process.execPath, [join(ROOT, 'node_modules/next/dist/bin/next'), mode, '-p', PORT, '-H', HOST], {
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
