/*
 * Makes sure the packages are installed, for a fresh clone and after every change of the lock: imports only
 * Node's own modules. A stamp under node_modules holds the hash of the lock and of Node's ABI.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const STAMP = join(ROOT, 'node_modules', '.keen-batten-stamp');

process.chdir(ROOT);
process.env.NEXT_TELEMETRY_DISABLED = '1';

/** Runs a command to its end; a failure ends this process with its code. */
export function run(command, args, env = {}) {
  const result = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Runs a tool installed under node_modules. */
export const tool = (path, args, env) => run(process.execPath, [join(ROOT, 'node_modules', path), ...args], env);

export function install() {
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.versions.modules)
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  const npm = process.env.npm_execpath;
  console.log('Installing packages (npm ci)');
  if (npm) run(process.execPath, [npm, 'ci', '--no-audit', '--no-fund']);
  else run('npm', ['ci', '--no-audit', '--no-fund']);
  writeFileSync(STAMP, wanted);
}
