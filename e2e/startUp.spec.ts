import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { freePort, startServer } from './server';
import { expect, newCanvas, record, saved, stage, test } from './test';

test('a database made by other migrations stops the start, and is left as it is', async () => {
  const server = await startServer({ demo: false });
  try {
    await server.kill();
    const database = new SQLite(server.database);
    const rows = () => database.prepare('SELECT number, name, hash FROM migration').all();
    database.prepare("UPDATE migration SET hash = 'another'").run();
    const before = rows();
    await expect(server.restart()).rejects.toThrow('the server ended with 1');
    expect(rows()).toEqual(before);
    database.close();
  } finally {
    await server.remove();
  }
});

test('the demo is laid out once: what was changed in it stands after a restart', async ({ page }) => {
  const server = await startServer({ demo: true });
  try {
    await page.goto(`${server.url}/job/demo-135`);
    await page.getByLabel('Front, back and all four edges were looked at').check();
    await stage(page, 'Place').click();
    await page.getByText('Title, hanging, date').click();
    await page.getByLabel('Title').fill('Southern dome, framed after all');
    await page.getByLabel('Edges').selectOption({ label: 'In a rebate' });
    await saved(page);
    await stage(page, 'Look').click();
    await record(page, 'Record what you saw');
    await expect(page.getByRole('heading', { name: 'Measure image and margins' })).toBeVisible();
    await page.goto('about:blank');
    await server.kill();
    await server.restart();
    await page.goto(server.url);
    await expect(page.getByText('20 canvases open')).toBeVisible();
    await page.getByRole('link', { name: /^Southern dome, framed after all/ }).click();
    await stage(page, 'Place').click();
    await expect(page.getByLabel('Edges')).toHaveValue('rebate');
    await stage(page, 'Look').click();
    await expect(page.getByText(/^Recorded .* by Wenna/)).toBeVisible();
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test('a server as it ships lays no other workshop in the place of its own, whoever asks', async ({ page }) => {
  const server = await startServer({ demo: false, asShipped: true });
  try {
    await newCanvas(page, server.url, 'Stays where it is', '600', '400');
    let answered = false;
    void server.putBack().then(() => (answered = true));
    for (let times = 0; times < 3; times += 1) {
      await page.goto(server.url);
      await expect(page.getByRole('link', { name: /^Stays where it is/ })).toBeVisible();
    }
    expect(answered).toBe(false);
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test('house rules reach the plans to come and leave what is recorded', async ({ page }) => {
  const server = await startServer({ demo: false });
  try {
    const id = await newCanvas(page, server.url, 'Before the rule', '900', '600');
    await record(page, 'Record the brief');
    await stage(page, 'Cloth').click();
    const cut = page.getByTestId('answer');
    await expect(cut).toHaveText('1033 × 733 mm');
    await page.goto(`${server.url}/rules`);
    await page.getByLabel('Beyond the bar, covered').fill('20');
    await page.getByLabel('Makers, with commas between').fill('Ida, Jon');
    await page.getByRole('button', { name: 'Save the house rules' }).click();
    await expect(page.getByRole('button', { name: 'Save the house rules' })).toBeDisabled();
    await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
    await page.goto(`${server.url}/job/${id}`);
    await stage(page, 'Cloth').click();
    await expect(cut).toHaveText('1049 × 749 mm');
    await stage(page, 'Bars').click();
    await page.getByLabel('Done by').selectOption('Jon');
    await record(page, 'Record the frame');
    await stage(page, 'Bars').click();
    await expect(page.getByText(/^Recorded .* by Jon/)).toBeVisible();
    await stage(page, 'Brief').click();
    await expect(page.getByText(/^Recorded .* by Me\./)).toBeVisible();
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test.describe('the start command', () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-start-'));
  test.afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const start = (port: number, file: string) =>
    spawn(process.execPath, ['scripts/start.mjs'], {
      env: { ...process.env, NODE_ENV: 'production', PORT: String(port), KEEN_BATTEN_DB: join(folder, file) },
    });
  const answers = (port: number) =>
    fetch(`http://127.0.0.1:${port}`).then(
      ({ ok }) => ok,
      () => false,
    );

  test('says who holds the port, and a killed one takes its server with it', async () => {
    const port = await freePort();
    const first = start(port, 'one.sqlite');
    await expect.poll(() => answers(port)).toBe(true);
    const second = start(port, 'one.sqlite');
    let said = '';
    second.stderr.on('data', (part) => (said += String(part)));
    expect((await once(second, 'exit'))[0]).toBe(1);
    expect(said).toContain(`Port ${port} is taken by another program`);
    first.kill('SIGKILL');
    await expect.poll(() => answers(port)).toBe(false);
  });

  test('twice at once on one new file: both come up', async () => {
    const ports = [await freePort(), await freePort()];
    const both = ports.map((port) => start(port, 'two.sqlite'));
    for (const port of ports) await expect.poll(() => answers(port)).toBe(true);
    for (const one of both) one.kill('SIGKILL');
  });

  test('closes a request that only trickles in', async () => {
    const port = await freePort();
    const server = start(port, 'three.sqlite');
    await expect.poll(() => answers(port)).toBe(true);
    const socket = connect(port, '127.0.0.1');
    socket.write('GET / HTTP/1.1\r\nHost: localhost\r\n');
    let open = true;
    socket.on('close', () => (open = false));
    socket.resume();
    await expect.poll(() => open, { timeout: 25_000, intervals: [1000] }).toBe(false);
    server.kill('SIGKILL');
  });
});
