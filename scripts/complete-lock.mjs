/*
 * npm leaves other platforms' optional binaries out of the lock when the registry does not answer for them,
 * and `npm ci` then refuses the lock. This puts the missing optional entries back: name and exact version from
 * the parent's optionalDependencies, platform read off the name, no integrity. Run after every change of the lock.
 */
import { readFileSync, writeFileSync } from 'node:fs';

const FILE = new URL('../package-lock.json', import.meta.url);
const SYSTEMS = ['darwin', 'linux', 'win32', 'freebsd', 'openbsd', 'netbsd', 'android', 'aix', 'sunos', 'openharmony'];
const PROCESSORS = ['arm64', 'x64', 'arm', 'ia32', 'ppc64', 's390x', 'riscv64', 'loong64', 'mips64el', 'wasm32'];

const lock = JSON.parse(readFileSync(FILE, 'utf8'));
let added = 0;
for (const [place, entry] of Object.entries(lock.packages)) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const nested = `${place}/node_modules/${name}`;
    const flat = `node_modules/${name}`;
    if (lock.packages[nested] || lock.packages[flat] || place === '') continue;
    const parts = name.split(/[-/@.]/);
    const os = SYSTEMS.filter((one) => parts.includes(one));
    const cpu = PROCESSORS.filter((one) => parts.includes(one));
    lock.packages[flat] = {
      version: version.replace(/^[\^~]/, ''),
      optional: true,
      ...(entry.dev ? { dev: true } : {}),
      ...(cpu.length ? { cpu } : {}),
      ...(os.length ? { os } : {}),
    };
    added += 1;
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(FILE, `${JSON.stringify(lock, null, 2)}\n`);
console.log(`${added} optional entries put back`);
