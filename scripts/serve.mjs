import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { connect } from 'node:net';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { pathToFileURL } from 'node:url';
import { ROOT, giveUp } from './bootstrap.mjs';

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

/** Ends with a sentence where this machine would not or should not serve: asked before anything is installed or built. */
export async function mayServe() {
  if (!LOOPBACK.includes(HOST))
    giveUp(
      `HOST=${HOST} would let everybody on the network read and write this workshop. Start it without HOST: other devices come in by the door, with a passphrase, which is opened on the page File, Other devices in the house, or by KEEN_BATTEN_PASSPHRASE='four odd words of yours'.`,
    );
  if (!/^\d+$/.test(PORT) || Number(PORT) < 1 || Number(PORT) > 65535)
    giveUp(`PORT=${PORT} is no port. Give a number from 1 to 65535, such as PORT=3001.`);
  if (await isTaken())
    giveUp(
      `Port ${PORT} is taken by another program; perhaps Keen Batten is open already. Close it, or choose another: PORT=3001 npm run demo.`,
    );
}

/** What Next prints at a start is held back: our own line comes when the first page is there. */
const ITS_BANNER = /^(▲|- Local|- Network|✓|- Environments|$)/;

/** Serves until stopped, and tells the address once the first page is there; `mode` is "start" or "dev". */
export async function serve(mode, env = {}) {
  // Somebody may have taken the port while it was built.
  await mayServe();
  const url = `http://${HOST === '127.0.0.1' ? 'localhost' : HOST}:${PORT}`;
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
      stdio: ['inherit', 'pipe', 'inherit', 'ipc'],
      env: { ...process.env, ...env },
    },
  );
  let told = false;
  createInterface({ input: server.stdout }).on('line', (line) => {
    if (told || !ITS_BANNER.test(line.trim())) console.log(line);
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
  await once(server, 'message');
  // The first request lays out a demo; nobody is sent to a page that is not there yet.
  const answer = await fetch(`http://${HOST}:${PORT}/`).catch(() => null);
  // It ended, and says why.
  if (answer === null) return;
  if (!answer.ok) giveUp(`The first page could not be made (status ${answer.status}); why stands above.`);
  console.log(`\nKeen Batten: ${url}`);
  told = true;
}
