/*
 * Makes sure the packages are installed and the binding to SQLite is compiled, for a fresh clone and after every change of the
 * lock: imports only Node's own modules. A stamp under node_modules holds the hash of the lock and of Node's ABI, and whether the
 * tools of development were installed too.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const MODULES = join(ROOT, 'node_modules');
const STAMP = join(MODULES, '.keen-batten-stamp');

process.chdir(ROOT);
process.env.NEXT_TELEMETRY_DISABLED = '1';

/** Says in a sentence why it cannot go on, and ends. */
export function giveUp(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

/** Runs a command to its end; a failure ends this process with its code. */
export function run(command, args, env = {}) {
  const result = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Runs a tool installed under node_modules. */
export const tool = (path, args, env) => run(process.execPath, [join(MODULES, path), ...args], env);

/**
 * Runs a command while others run, and holds what it prints.
 *
 * @returns its exit code and all it printed
 */
export function output(command, args, env = {}) {
  return new Promise((ended) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } });
    const kill = () => child.kill();
    process.once('exit', kill);
    child.once('close', () => process.off('exit', kill));
    const parts = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => parts.push(part));
    child.once('error', (error) => ended({ code: 1, text: error.message }));
    child.once('close', (code) => ended({ code: code ?? 1, text: Buffer.concat(parts).toString() }));
  });
}

/** Runs a tool while others run, and prints what it printed in one piece when it has ended; a failure ends this process with its code. */
export async function toolBeside(name, path, args, env) {
  const began = Date.now();
  const { code, text } = await output(process.execPath, [join(MODULES, path), ...args], env);
  process.stdout.write(text);
  timed(name, began);
  if (code !== 0) process.exit(code);
}

const seconds = (sinceMs) => `${Math.round((Date.now() - sinceMs) / 1000)} s`;

/** Name and seconds of every part so far. */
const times = [];

function timed(name, beganMs) {
  times.push(`${name} ${seconds(beganMs)}`);
  console.log(`== ${name}: ${seconds(beganMs)}`);
}

/** One line with the time of every part. */
export const printTimes = () => console.log(`\n== in all ${Math.round(process.uptime())} s: ${times.join(', ')}`);

/** A step that takes long says so often that it goes on, ms. */
const STILL_MS = 10_000;

/** Says what is done, does it, says meanwhile how long it has taken, and at the end how long it took. */
export async function step(name, act) {
  console.log(`\n== ${name}`);
  const began = Date.now();
  const still = setInterval(() => console.log(`   ${seconds(began)} …`), STILL_MS);
  await act();
  clearInterval(still);
  timed(name, began);
}

/** Room for the packages, the build and the workshop, bytes: packages of a run, or of development too. */
const ROOM_BYTES = { run: 0.9e9, all: 1.4e9 };

/** Why npm could not install, by what it prints. */
function installTrouble(text) {
  if (/ENOSPC|no space left/i.test(text)) return 'The disk is full. Make room for 1.5 GB here, then start again.';
  if (/ENOTFOUND|ECONNREFUSED|ECONNRESET|ETIMEDOUT|EAI_AGAIN|ENETUNREACH|network/i.test(text))
    return 'The packages could not be fetched: the npm registry was not reached. The first start needs a network; every later one does not. Connect, then start again.';
  return `The packages could not be installed (npm ci); what npm said stands above.`;
}

/** What is installed: "all", "run", or none of this lock. */
function installed(lockHash) {
  if (!existsSync(STAMP)) return null;
  const [hash, scope] = readFileSync(STAMP, 'utf8').split(' ');
  return hash === lockHash ? (scope ?? null) : null;
}

/**
 * Installs what is not installed. SQLite takes half a minute of one core to compile, and nothing that builds the application needs
 * it: it is unpacked and compiled in a folder of its own from the first second on.
 *
 * @param scope "run" for what building and serving take, "all" for the tools of development too
 * @returns waits for the binding; to be called before a workshop is opened
 */
export async function install(scope = 'all') {
  const lock = readFileSync(join(ROOT, 'package-lock.json'));
  const lockHash = createHash('sha256').update(lock).update(process.versions.modules).digest('hex');
  const there = installed(lockHash);
  if (there === 'all' || there === scope) return bindingOpens() ? async () => {} : compileBinding(JSON.parse(lock));
  const { bavail, bsize } = statfsSync(ROOT);
  if (bavail * bsize < ROOM_BYTES[scope])
    giveUp(
      `This disk has ${Math.round((bavail * bsize) / 1e6)} MB free, and ${ROOM_BYTES[scope] / 1e6} MB are needed. Make room, then start again.`,
    );
  const bindingThere = compileBinding(JSON.parse(lock));
  console.log(scope === 'run' ? 'npm ci: what building and serving take' : 'npm ci: everything, the tools of development too');
  const { code, text } = await npmBeside(['ci', ...PLAIN, ...(scope === 'run' ? ['--omit=dev'] : [])]);
  process.stdout.write(text);
  if (code !== 0) giveUp(installTrouble(text));
  writeFileSync(STAMP, `${lockHash} ${scope}`);
  return bindingThere;
}

const npm = process.env.npm_execpath ? [process.execPath, process.env.npm_execpath] : ['npm'];
const npmBeside = (args, env) => output(npm[0], [...npm.slice(1), ...args], env);
const PLAIN = ['--ignore-scripts', '--no-audit', '--no-fund'];

/** Whether SQLite can be opened with the Node that runs. */
const bindingOpens = () =>
  spawnSync(process.execPath, ['-e', "new (require('better-sqlite3'))(':memory:')"], { stdio: 'ignore' }).status === 0;

const BINDING = join('node_modules', 'better-sqlite3', 'build', 'Release', 'better_sqlite3.node');

/** The part of a lock that a package and what it needs make up. */
function lockOf(lock, name) {
  const packages = { '': { dependencies: { [name]: lock.packages[`node_modules/${name}`].version } } };
  const add = (one) => {
    const place = `node_modules/${one}`;
    if (packages[place] || !lock.packages[place]) return;
    packages[place] = lock.packages[place];
    Object.keys(lock.packages[place].dependencies ?? {}).forEach(add);
  };
  add(name);
  return { name: 'binding', lockfileVersion: lock.lockfileVersion, requires: true, packages };
}

/** Begins to unpack and compile SQLite in a folder of its own. @returns waits for it and puts it where it belongs */
function compileBinding(lock) {
  const missing = ['make', 'g++', 'python3'].filter((name) => spawnSync(name, ['--version']).status !== 0);
  if (missing.length > 0)
    giveUp(
      `SQLite has to be compiled, and this machine has no ${missing.join(', no ')}. On Debian: apt install build-essential python3. Then start again.`,
    );
  console.log('Compiling SQLite, about half a minute on one core; the rest goes on meanwhile');
  const began = Date.now();
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-binding-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  const part = lockOf(lock, 'better-sqlite3');
  writeFileSync(join(folder, 'package.json'), JSON.stringify(part.packages['']));
  writeFileSync(join(folder, 'package-lock.json'), JSON.stringify(part));
  const compiled = (async () => {
    const unpacked = await npmBeside(['ci', '--prefix', folder, ...PLAIN]);
    if (unpacked.code !== 0) return { ...unpacked, because: installTrouble(unpacked.text) };
    // A quarter of the time of the package’s own flags: half of it went into a warning about indentation; queries take as long as
    // with -O2, within a fifth.
    const flags = { CFLAGS: '-O1 -Wno-misleading-indentation', CXXFLAGS: '-O1' };
    const built = await npmBeside(['rebuild', 'better-sqlite3', '--prefix', folder, '--foreground-scripts'], flags);
    return { ...built, because: 'SQLite could not be compiled; the end of what the compiler said stands above.' };
  })();
  return async () => {
    const { code, text, because } = await compiled;
    if (code === 0) {
      mkdirSync(dirname(join(ROOT, BINDING)), { recursive: true });
      copyFileSync(join(folder, BINDING), join(ROOT, BINDING));
    }
    if (code !== 0 || !bindingOpens()) {
      console.error(text.split('\n').slice(-25).join('\n'));
      giveUp(because);
    }
    console.log(`SQLite is compiled (${seconds(began)} after it was begun)`);
  };
}
