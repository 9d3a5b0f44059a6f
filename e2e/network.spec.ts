/* Other devices of the house: nothing without the passphrase, on any route or action; makers write, viewers look on. */
import { readFileSync, readdirSync } from 'node:fs';
import { connect } from 'node:net';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { type TestServer, freePort, startServer } from './server';
import { awake, expect, record, stage, test, wakeful } from './test';

const PASSPHRASE = 'cobalt ferry onion lathe';
const LOOKING = 'lantern barley two thrushes';

const listens = (port: number, host: string) =>
  new Promise<boolean>((told) => {
    const socket = connect({ port, host, timeout: 2000 });
    socket.once('connect', () => (socket.destroy(), told(true)));
    socket.once('error', () => told(false));
    socket.once('timeout', () => (socket.destroy(), told(false)));
  });
const outerAddresses = () =>
  Object.entries(networkInterfaces()).flatMap(([name, rows]) =>
    rows!.filter(({ internal }) => !internal).map(({ address }) => (address.startsWith('fe80') ? `${address}%${name}` : address)),
  );

/** Every route of the application, with something in the place of what it leaves open. */
function routes(folder = 'src/app', path = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) {
      const part = { '[id]': 'demo-128', '[name]': 'somebody.ics', '[list]': 'jobs', '[number]': '1' }[entry.name] ?? entry.name;
      return routes(join(folder, entry.name), `${path}/${part.replace(/[[\]]/g, '')}`);
    }
    return /^(page|route)\.tsx?$/.test(entry.name) ? [path || '/'] : [];
  });
}
const actions = Object.keys(
  (JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as { node: object }).node,
);

async function openDoor(page: Page, server: TestServer): Promise<string> {
  const port = await freePort();
  await page.goto(`${server.url}/network`);
  await expect(page.getByTestId('door')).toContainText('Only this machine');
  await page.getByText('Port and certificate').click();
  await page.getByLabel('Port', { exact: true }).fill(String(port));
  await page.getByLabel('Passphrase', { exact: true }).fill(PASSPHRASE);
  await page.getByLabel(/^Some devices look on/).check();
  await page.getByLabel('Passphrase to look on').fill(LOOKING);
  await page.getByRole('button', { name: 'Turn on network access' }).click();
  await expect(page.getByTestId('door')).toContainText('Open.');
  return `http://localhost:${port}`;
}

async function deviceOf(browser: Browser, url: string, passphrase: string, name: string): Promise<Page> {
  const page = wakeful(await (await browser.newContext()).newPage());
  await page.goto(url);
  await page.getByLabel('Passphrase of the workshop').fill(passphrase);
  await page.getByLabel('What is this device called?').fill(name);
  await page.getByRole('button', { name: 'Sign in' }).click();
  return page;
}

test('by default this machine alone is served; open, no route and no action gives a byte without the passphrase', async ({
  page,
}) => {
  const server = await startServer({ demo: true });
  try {
    const own = Number(new URL(server.url).port);
    expect(await listens(own, '127.0.0.1')).toBe(true);
    for (const address of outerAddresses()) expect(await listens(own, address), address).toBe(false);
    const door = await openDoor(page, server);
    for (const address of outerAddresses().slice(0, 1))
      expect(await listens(Number(new URL(door).port), address), address).toBe(true);
    // The application itself goes on listening on this machine alone.
    for (const address of outerAddresses()) expect(await listens(own, address), address).toBe(false);
    const titles = /moons|Wenna|Ansel|Tove|canvas(es)? open|dome/i;
    const asked = [
      ...routes().flatMap((path) => ['GET', 'HEAD', 'POST', 'PUT', 'DELETE'].map((method) => ({ path, method, headers: {} }))),
      ...actions.map((id) => ({ path: '/', method: 'POST', headers: { 'next-action': id, accept: 'text/x-component' } })),
      ...routes().map((path) => ({ path: `${path}?_rsc=1`, method: 'GET', headers: { rsc: '1' } })),
      { path: '/icon.svg', method: 'GET', headers: {} },
    ];
    expect(asked.length).toBeGreaterThan(250);
    for (const { path, method, headers } of asked) {
      const answer = await fetch(door + path, { method, redirect: 'manual', headers: { origin: door, ...headers } });
      expect(answer.status, `${method} ${path}`).toBe(401);
      expect(await answer.text(), `${method} ${path}`).not.toMatch(titles);
    }
    // A mark put on by hand goes no further at the application’s own port.
    expect((await fetch(server.url, { headers: { 'x-keen-batten-device': 'a' } })).status).toBe(403);
  } finally {
    await page.goto('about:blank');
    await server.remove();
  }
});

test('a tablet signs in, says whose hands are there, and its records say where they were made; it can be ended', async ({
  page,
  browser,
  otherServer,
}) => {
  await page.goto(`${otherServer.url}/rules`);
  await page.getByLabel('Makers, with commas between').fill('Ida, Jon');
  await page.getByRole('button', { name: 'Save the house rules' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  const door = await openDoor(page, otherServer);
  const tablet = await deviceOf(browser, door, PASSPHRASE, 'Glue table');
  await awake(tablet);
  await tablet.getByRole('button', { name: 'Jon' }).click();
  await tablet.getByRole('button', { name: 'New canvas' }).first().click();
  await tablet.getByLabel('Title').fill('From the tablet');
  await tablet.getByLabel('Face width').fill('600');
  await tablet.getByLabel('Face height').fill('400');
  await tablet.getByRole('button', { name: 'Start the job' }).click();
  await expect(tablet.getByRole('heading', { name: 'From the tablet' })).toBeVisible();
  await record(tablet, 'Record the brief');
  await stage(tablet, 'Brief').click();
  await expect(tablet.getByText(/^Recorded .* by Jon, at Glue table\./)).toBeVisible();

  const viewer = await deviceOf(browser, door, LOOKING, 'Wall screen');
  await viewer.goto(tablet.url().replace(/^https?:\/\/[^/]+/, door));
  await stage(viewer, 'Bars').click();
  await expect(viewer.getByText(/^This device is view only/)).toBeVisible();
  await expect(viewer.getByRole('button', { name: 'Record the frame' })).toBeDisabled();
  await stage(viewer, 'Brief').click();
  const tick = viewer.getByRole('checkbox', { name: /tape/i }).first();
  await tick.check();
  await expect(viewer.getByTestId('save-state')).toHaveText('only ticks are kept');
  await viewer.reload();
  await stage(viewer, 'Brief').click();
  await expect(viewer.getByRole('checkbox', { name: /tape/i }).first()).toBeChecked();
  await viewer.goto(`${door}/rules`);
  await viewer.getByLabel('Makers, with commas between').fill('Nobody');
  await viewer.getByRole('button', { name: 'Save the house rules' }).click();
  await expect(viewer.getByRole('alert').filter({ hasText: 'signed in to look on' })).toBeVisible();
  await viewer.goto(`${door}/network`);
  await expect(viewer.getByText('Wall screen, signed in to look on')).toBeVisible();
  await expect(viewer.getByLabel('Passphrase', { exact: true })).toHaveCount(0);

  await page.reload();
  await page.getByRole('listitem').filter({ hasText: 'Glue table' }).getByRole('button', { name: 'End' }).click();
  await expect(page.getByText('Glue table')).toHaveCount(0);
  await tablet.reload();
  await expect(tablet.getByLabel('Passphrase of the workshop')).toBeVisible();
  await page.getByRole('button', { name: 'Turn off and sign everyone out' }).click();
  await expect(page.getByTestId('door')).toContainText('Only this machine');
  expect(await listens(Number(new URL(door).port), '127.0.0.1')).toBe(false);
  for (const one of [tablet, viewer]) await one.context().close();
});

test('five wrong passphrases close the way in for a while', async ({ page, browser, otherServer }) => {
  const door = await openDoor(page, otherServer);
  const guest = await deviceOf(browser, door, 'one', 'Guest');
  for (let count = 0; count < 4; count += 1) {
    await expect(guest.getByRole('alert')).toHaveText('This is not the passphrase.');
    await guest.getByLabel('Passphrase of the workshop').fill(`guess ${count}`);
    await guest.getByRole('button', { name: 'Sign in' }).click();
    await guest.waitForLoadState();
  }
  await guest.getByLabel('Passphrase of the workshop').fill(PASSPHRASE);
  await guest.getByRole('button', { name: 'Sign in' }).click();
  await expect(guest.getByRole('alert')).toHaveText(/^Too many wrong tries\. Wait \d\d seconds/);
  await guest.context().close();
});
