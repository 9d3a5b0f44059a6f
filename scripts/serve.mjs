import { spawn } from 'node:child_process';
import { connect } from 'node:net';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './bootstrap.mjs';

const PORT = process.env.PORT ?? '3000';
/** Loopback unless somebody asks for more by name. */
const HOST = process.env.HOST ?? '127.0.0.1';

/** Names of this machine alone. */
const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

/** Whether somebody answers on the port already. */
const isTaken = () =>
  new Promise((told) => {
    const probe = connect({ port: Number(PORT), host: HOST === 'localhost' ? '127.0.0.1' : HOST });
    probe.once('connect', () => (probe.destroy(), told(true)));
    probe.once('error', () => told(false));
  });

/** Serves until stopped; `mode` is "start" or "dev". */
export async function serve(mode, env = {}) {
  if (!LOOPBACK.includes(HOST)) {
    console.error(
      `HOST=${HOST} would let everybody on the network read and write this workshop. Start it without HOST: other devices come in by the door, with a passphrase, which is opened on the page File, Other devices in the house, or by KEEN_BATTEN_PASSPHRASE='four odd words of yours'.`,
    );
    process.exit(1);
  }
  if (await isTaken()) {
    console.error(
      `Port ${PORT} is taken by another program; perhaps Keen Batten is open already. Close it, or choose another: PORT=3001 npm run demo.`,
    );
    process.exit(1);
  }
  console.log(`Keen Batten: http://${HOST === '127.0.0.1' ? 'localhost' : HOST}:${PORT}`);
  const server = spawn(
    process.execPath,
    [
      '--import',
      pathToFileURL(join(ROOT, 'scripts/serverLimits.mjs')).href,
      join(ROOT, 'node_modules/next/dist/bin/next'),
      mode,
      '-p',
      PORT,
      '-H',
      HOST,
    ],
    {
      // The fourth is a line to this process: when it breaks, the server ends too.
      stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
      env: { ...process.env, ...env },
    },
  );
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
