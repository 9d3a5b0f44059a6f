import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, install, toolBeside } from './bootstrap.mjs';

const STAMP = join(ROOT, '.next', 'keen-batten-build');
const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'];
/** What is not part of the application. */
const LEFT_OUT = /\.test\.tsx?$/;

/** A hash of everything the build reads. */
function sourceHash() {
  const hash = createHash('sha256');
  const visit = (path) => {
    if (statSync(path).isDirectory())
      return readdirSync(path)
        .sort()
        .forEach((name) => visit(join(path, name)));
    if (!LEFT_OUT.test(path)) hash.update(path.slice(ROOT.length)).update(readFileSync(path));
  };
  SOURCES.forEach((name) => visit(join(ROOT, name)));
  return hash.digest('hex');
}

/** Builds for production, unless the last build was of the same sources. */
export async function build() {
  const wanted = sourceHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  // A build opens a workshop in memory: no file of anybody’s is made or changed by it.
  await toolBeside('next build', 'next/dist/bin/next', ['build'], { KEEN_BATTEN_DB: ':memory:' });
  writeFileSync(STAMP, wanted);
}

/** Everything there that a server needs: packages, the build, and the binding compiled beside it. */
export async function ready(scope) {
  const bindingThere = await install(scope);
  await build();
  await bindingThere();
}
