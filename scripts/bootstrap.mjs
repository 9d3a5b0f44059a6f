/*
 * Makes sure the packages are installed and the binding to SQLite is compiled, for a fresh clone and after every change of the
 * lock: imports only Node's own modules. A stamp under node_modules holds the hash of the lock and of Node's ABI.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { closeSync, existsSync, openSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const MODULES = join(ROOT, 'node_modules');
const STAMP = join(MODULES, '.keen-batten-stamp');
/** What the compiler says; looked at when it fails. */
const COMPILER_SAYS = join(MODULES, '.keen-batten-binding.log');

process.chdir(ROOT);
process.env.NEXT_TELEMETRY_DISABLED = '1';

/** Runs a command to its end; a failure ends this process with its code. */
export function run(command, args, env = {}) {
  const result = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Runs a tool installed under node_modules. */
export const tool = (path, args, env) => run(process.execPath, [join(MODULES, path), ...args], env);

/** Runs a tool while others run, and says what it said in one piece when it has ended; a failure ends this process with its code. */
export function toolBeside(name, path, args, env = {}) {
  const began = Date.now();
  return new Promise((done) => {
    const child = spawn(process.execPath, [join(MODULES, path), ...args], { env: { ...process.env, ...env } });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
    child.once('close', (code) => {
      process.stdout.write(Buffer.concat(said));
      console.log(`== ${name}: ${seconds(began)}`);
      if (code !== 0) process.exit(code ?? 1);
      done();
    });
  });
}

const seconds = (sinceMs) => `${Math.round((Date.now() - sinceMs) / 1000)} s`;

/** Says what is done, does it, and says how long it took. */
export async function step(name, act) {
  console.log(`\n== ${name}`);
  const began = Date.now();
  await act();
  console.log(`== ${name}: ${seconds(began)}`);
}

const npm = process.env.npm_execpath ? [process.execPath, process.env.npm_execpath] : ['npm'];

/**
 * Installs what is not installed. Compiling the binding to SQLite takes a minute on one core and nothing that builds the
 * application needs it: it goes on meanwhile.
 *
 * @returns waits for the binding; to be called before a workshop is opened
 */
export function install() {
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.versions.modules)
    .digest('hex');
  if (!existsSync(STAMP) || readFileSync(STAMP, 'utf8') !== wanted) {
    console.log('Unpacking the packages (npm ci)');
    run(npm[0], [...npm.slice(1), 'ci', '--ignore-scripts', '--no-audit', '--no-fund']);
    writeFileSync(STAMP, wanted);
  }
  return bindingOpens() ? async () => {} : compileBinding();
}

/** Whether SQLite can be opened with the Node that runs. */
const bindingOpens = () =>
  spawnSync(process.execPath, ['-e', "new (require('better-sqlite3'))(':memory:')"], { stdio: 'ignore' }).status === 0;

function compileBinding() {
  console.log('Compiling SQLite beside it; the rest goes on meanwhile');
  const began = Date.now();
  const log = openSync(COMPILER_SAYS, 'w');
  const compiler = spawn(npm[0], [...npm.slice(1), 'rebuild', 'better-sqlite3'], {
    stdio: ['ignore', log, log],
    // Half the time of the package’s own -O3, and no slower where it was measured.
    env: { ...process.env, CFLAGS: '-O2', CXXFLAGS: '-O2' },
  });
  process.once('exit', () => compiler.kill());
  const ended = new Promise((told) => {
    compiler.once('exit', told);
    compiler.once('error', told);
  });
  return async () => {
    await ended;
    closeSync(log);
    if (bindingOpens()) return console.log(`SQLite is compiled (${seconds(began)} after it was begun)`);
    const missing = ['make', 'g++', 'python3'].filter((name) => spawnSync(name, ['--version']).status !== 0);
    console.error(readFileSync(COMPILER_SAYS, 'utf8').split('\n').slice(-25).join('\n'));
    console.error(
      missing.length > 0
        ? `SQLite could not be compiled: this machine has no ${missing.join(', no ')}. On Debian: apt install build-essential python3. Then start again.`
        : `SQLite could not be compiled; what the compiler said last stands above, all of it in ${COMPILER_SAYS}.`,
    );
    process.exit(1);
  };
}
