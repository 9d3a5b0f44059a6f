import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './bootstrap.mjs';

const PORT = process.env.PORT ?? '3000';
/** Loopback unless somebody asks for more by name. */
const HOST = process.env.HOST ?? '127.0.0.1';

/** Serves until stopped; `mode` is "start" or "dev". */
export function serve(mode, env = {}) {
  console.log(`Keen Batten: http://${HOST === '127.0.0.1' ? 'localhost' : HOST}:${PORT}`);
  const server = spawn(process.execPath, [join(ROOT, 'node_modules/next/dist/bin/next'), mode, '-p', PORT, '-H', HOST], {
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
