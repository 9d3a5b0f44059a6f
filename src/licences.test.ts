/* The packages that ship with the application and their licences, from the lock; written to docs/licences.md. */
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

interface Locked {
  version: string;
  dev?: boolean;
  license?: string;
}

/** Licences under which a package may go along with an application under MIT. */
const ALLOWED = [
  'MIT',
  'ISC',
  '0BSD',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'Apache-2.0',
  'OFL-1.1',
  'CC-BY-4.0',
  'LGPL-3.0-or-later',
  'Zlib',
  'WTFPL',
  'BlueOak-1.0.0',
  // File by file: the builder of styles is used as it comes.
  'MPL-2.0',
];
/** Said elsewhere than in the lock. */
const SAID_ELSEWHERE: [name: RegExp, licence: string][] = [
  [/^@next\/swc-/, 'MIT'],
  [/^@tailwindcss\/oxide-/, 'MIT'],
  [/^dejavu-fonts-ttf$/, 'Bitstream Vera, and public domain'],
];

it('every package that ships has a licence that may go along, and all of them are listed', async () => {
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as { packages: Record<string, Locked> };
  const shipped = Object.entries(packages).filter(([path, { dev }]) => path !== '' && !dev);
  const rows = shipped.map(([path, { version, license }]) => {
    const name = path.replace(/^.*node_modules\//, '');
    return { name, version, licence: SAID_ELSEWHERE.find(([of]) => of.test(name))?.[1] ?? license ?? 'not said' };
  });
  const known = new Set(SAID_ELSEWHERE.map(([, licence]) => licence));
  const strange = rows.filter(
    ({ licence }) =>
      !known.has(licence) &&
      !licence
        .replace(/[()]/g, '')
        .split(/ AND | OR /)
        .every((one) => ALLOWED.includes(one)),
  );
  expect(strange).toEqual([]);
  const names = new Map<string, Set<string>>();
  for (const { name, version, licence } of rows) names.set(licence, (names.get(licence) ?? new Set()).add(`${name} ${version}`));
  const lines = [...names]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .map(([licence, of]) => `**${licence}**: ${[...of].sort().join(', ')}`);
  const text = `# Licences\n\nThe application is under [MIT](../LICENSE). With it go these packages, as the lock has them; some are for other systems than yours and are not installed. Written by \`src/licences.test.ts\`.\n\n${lines.join('\n\n')}\n`;
  await expect(text).toMatchFileSnapshot('../docs/licences.md');
});
