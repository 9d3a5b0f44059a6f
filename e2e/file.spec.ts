import { readFileSync, writeFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { deaf, expect, newCanvas, record, saved, stage, test } from './test';
import { startServer } from './server';

test('a copy is made, put back over newer work, and that is put back again; a bad file is refused', async ({ page }, info) => {
  const server = await startServer({ demo: false });
  try {
    const id = await newCanvas(page, server.url, 'Before the copy', '700', '500');
    await page.goto(`${server.url}/file`);
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText(/^Copied and checked: hand-/)).toBeVisible();
    await page.goto(`${server.url}/job/${id}`);
    await page.getByLabel('Title').fill('After the copy');
    await saved(page);
    await page.goto(`${server.url}/file`);
    await page.getByRole('button', { name: 'Restore' }).click();
    const dialog = page.getByRole('dialog', { name: 'Restore a backup' });
    await expect(dialog.getByRole('row', { name: 'canvases 1 1' })).toBeVisible();
    await expect(dialog).toContainText('The backup is older');
    await dialog.getByRole('button', { name: 'Restore this backup' }).click();
    await expect(page.getByText(/^Restored: 1 canvases, 0 entries/)).toBeVisible();
    await page.goto(server.url);
    await expect(page.getByRole('list', { name: 'Canvases' }).getByText('Before the copy')).toBeVisible();
    await page.goto(`${server.url}/file`);
    await page.getByRole('listitem').filter({ hasText: 'kept before' }).getByRole('button', { name: 'Restore' }).click();
    await page.getByRole('button', { name: 'Restore this backup' }).click();
    await expect(page.getByText(/^Restored: 1 canvases/)).toBeVisible();
    await page.goto(server.url);
    await expect(page.getByRole('list', { name: 'Canvases' }).getByText('After the copy')).toBeVisible();
    // A copy is kept elsewhere, cut off on the way, and brought.
    await page.goto(`${server.url}/file`);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Download' }).first().click();
    const path = info.outputPath('copy.sqlite');
    await (await download).saveAs(path);
    writeFileSync(info.outputPath('cut.sqlite'), readFileSync(path).subarray(0, 60_000));
    await page.getByLabel('A backup file').setInputFiles(info.outputPath('cut.sqlite'));
    await expect(page.getByRole('alert').filter({ hasText: /damaged or cut off|damaged/ })).toBeVisible();
    await page.getByLabel('A backup file').setInputFiles(path);
    await expect(page.getByText(/^copy\.sqlite has no errors/)).toBeVisible();
    await page.getByRole('button', { name: 'Check the file' }).click();
    await expect(page.getByText(/^No errors found/)).toBeVisible();
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test('a file is brought by this application’s own pages only', async ({ emptyServer, request }) => {
  const url = `${emptyServer.url}/api/file/brought`;
  const post = (headers: Record<string, string>) => request.post(url, { headers, data: Buffer.from('x') });
  expect((await post({ origin: 'http://elsewhere.example' })).status()).toBe(403);
  expect((await post({ host: 'elsewhere.example', origin: 'http://elsewhere.example' })).status()).toBe(421);
  const own = await post({ origin: emptyServer.url });
  expect([own.status(), await own.json()]).toEqual([
    200,
    expect.objectContaining({ says: expect.stringMatching(/no file of a workshop/) as unknown }),
  ]);
  expect(own.headers()['x-content-type-options']).toBe('nosniff');
});

test('a file held by another program delays a write, with a sign; pages are served meanwhile', async ({
  page,
  context,
  emptyServer,
}) => {
  const id = await newCanvas(page, emptyServer.url, 'Held', '600', '400');
  const other = new Database(emptyServer.database);
  other.exec('BEGIN IMMEDIATE');
  await page.getByLabel('Title').fill('Held and saved');
  await expect(page.getByText(/^Another program holds the workshop’s file/)).toBeVisible();
  const tab = await context.newPage();
  await tab.goto(emptyServer.url);
  await expect(tab.getByRole('heading', { name: /for your hands|nothing/ })).toBeVisible();
  other.exec('ROLLBACK');
  other.close();
  await saved(page);
  await expect(page.getByText(/^Another program holds/)).toBeHidden();
  await page.goto(`${emptyServer.url}/job/${id}`);
  await expect(page.getByLabel('Title')).toHaveValue('Held and saved');
});

test('going on with mine after a stage was recorded elsewhere saves the rest', async ({ page, context, emptyServer }) => {
  await deaf(page);
  const id = await newCanvas(page, emptyServer.url, 'Two hands', '800', '600');
  const other = await context.newPage();
  await other.goto(`${emptyServer.url}/job/${id}`);
  await record(other, 'Record the brief');
  await expect(other.getByRole('heading', { name: 'Assemble the bars' })).toBeVisible();
  await page.getByLabel('Title').fill('Mine');
  await expect(page.getByText(/^Brief: recorded elsewhere meanwhile/)).toBeVisible();
  await saved(page);
  await stage(page, 'Bars').click();
  await record(page, 'Record the frame');
  await page.goto(`${emptyServer.url}/job/${id}`);
  await stage(page, 'Brief').click();
  await expect(page.getByText(/^Recorded .* by /)).toBeVisible();
  await expect(page.getByLabel('Title')).toHaveValue('Two hands');
});

test('blocked storage stops no page', async ({ browser, demoServer }) => {
  const context = await browser.newContext();
  await context.addInitScript(() => {
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('blocked', 'SecurityError');
      },
    });
  });
  const page = await context.newPage();
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  for (const path of ['/', '/log', '/job/demo-134', '/cloth', '/file']) {
    await page.goto(`${demoServer.url}${path}`);
    await expect(page.getByRole('main')).toBeVisible();
    await expect(page.getByText(/broke|could not be/)).toHaveCount(0);
  }
  expect(errors).toEqual([]);
  await context.close();
});

test('a list of jobs is looked at, then taken in whole; one with wrong lines is refused line by line; it goes out again', async ({
  page,
  emptyServer,
}, info) => {
  const file = (name: string, text: string) => {
    writeFileSync(info.outputPath(name), text);
    return info.outputPath(name);
  };
  await page.goto(`${emptyServer.url}/file`);
  const jobs = page.getByLabel('A file of Jobs');
  const alert = page.getByRole('alert').filter({ hasText: 'wrong.csv cannot be imported' });
  await jobs.setInputFiles(file('wrong.csv', 'title,width,height,due\nPier,24 in,5 m,\nMole,400,300,soon'));
  await expect(alert).toContainText('line 2, height: “5 m” is above 4000 mm. Type 50 mm to 4000 mm, in any unit.');
  await expect(alert).toContainText('line 3, due: “soon” is no day. Write it as 2031-05-06.');
  await jobs.setInputFiles(
    file('jobs.csv', 'title;width (in);height (in);due;colour\nPier;24;18 1/2;2031-06-01;red\n"=Mole";400 mm;300 mm;;'),
  );
  const dialog = page.getByRole('dialog', { name: 'Import jobs.csv?' });
  await expect(dialog).toContainText('2 new');
  await expect(dialog).toContainText('Nothing is read from colour.');
  await expect(dialog.getByRole('listitem').first()).toContainText('Pier, 610 × 470 mm, due 2031-06-01');
  await dialog.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText('jobs.csv is imported: 2 new.')).toBeVisible();
  await page.getByRole('button', { name: 'in', exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export CSV: Jobs' }).click();
  const path = info.outputPath('out.csv');
  await (await download).saveAs(path);
  const text = readFileSync(path, 'utf8');
  expect(text).toContain('\r\n101,Pier,24,18 1/2,');
  // No spreadsheet takes a title for a formula.
  expect(text).toContain("\r\n102,'=Mole,");
  await jobs.setInputFiles(path);
  await expect(page.getByRole('dialog', { name: 'Nothing would change' })).toContainText('2 as it is');
});
