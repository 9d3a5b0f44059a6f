import { existsSync } from 'node:fs';

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-dev-shm-usage',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Debian’s Chromium without its windows: a page takes half the time that it takes in the whole one. */
export const CHROMIUM_PACKAGE = 'chromium-headless-shell';

const LIGHT = `/usr/bin/${CHROMIUM_PACKAGE}`;

/** The light one is there, or another one was named: nothing better can be had. */
export const hasBestChromium = () => [process.env.CHROMIUM, LIGHT].some((path) => path && existsSync(path));

/** Debian’s Chromium, or the one named by CHROMIUM; undefined when there is none. */
export const findChromium = () =>
  [process.env.CHROMIUM, LIGHT, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => path && existsSync(path));

/** As `findChromium`, for those who cannot go on without it. */
export function chromiumPath() {
  const found = findChromium();
  if (!found) throw new Error(`No Chromium found: install Debian’s package ${CHROMIUM_PACKAGE}, or set CHROMIUM to its path.`);
  return found;
}
