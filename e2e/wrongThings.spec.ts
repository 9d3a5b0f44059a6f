import { request as httpRequest } from 'node:http';
import type { Page } from '@playwright/test';
import { expect, newCanvas, saved, stage, test } from './test';

/** Types something wrong, sees why and what would do, sees recording held back, and puts it right. */
async function wrong(page: Page, label: string, typed: string, says: RegExp, right: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(typed);
  const error = page.getByRole('alert').filter({ hasText: says });
  await expect(error).toBeVisible();
  await expect(error).toContainText(`“${typed.slice(0, 37)}`);
  await expect(field).toHaveAttribute('aria-invalid', 'true');
  await expect(field).toHaveValue(typed);
  await field.fill(right);
  await expect(error).toHaveCount(0);
}

test('every field says what is wrong, what was typed and what would do; nothing wrong is saved', async ({
  page,
  emptyServer,
}) => {
  const id = await newCanvas(page, emptyServer.url, 'Wrong things', '900', '600');

  await test.step('brief', async () => {
    await wrong(page, 'Face width', '9oo', /is not a length.*Type a length such as 615/, '900');
    await wrong(page, 'Face width', '1,200', /two ways. Write 1200 or 1\.2\./, '900');
    await wrong(page, 'Face height', '40 m', /is above 4000 mm\. Type 50 mm to 4000 mm/, '600');
    await wrong(page, 'Face height', '4 cm', /is below 50 mm/, '600');
    await wrong(page, 'Title', '   ', /is empty\. A title of 1 to 120 letters/, 'Wrong things');
    await page.getByLabel('Edges').selectOption({ label: 'In a rebate' });
    await wrong(page, 'Rebate clearance, in all', '-2', /is below zero/, '4');
    await page.getByLabel('Face width').fill('twelve');
    await expect(page.getByText('Mend first: Face width.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Record the brief' })).toBeDisabled();
    await page.getByLabel('Face width').fill('900');
    await expect(page.getByRole('button', { name: 'Record the brief' })).toBeEnabled();
  });

  await stage(page, 'Bars').click();
  await wrong(page, 'Cloth tension', 'tight', /is not a number\. Type 20 to 800 N\/m/, '200');
  await wrong(page, 'Cloth tension', '5000', /is out of range/, '200');

  await test.step('square', async () => {
    await stage(page, 'Square').click();
    const fields = {
      'Diagonal, top left down': '1081',
      'Diagonal, bottom left up': '1081',
      Top: '900',
      Bottom: '900',
      Left: '600',
      Right: '600',
    };
    for (const [label, right] of Object.entries(fields)) await wrong(page, label, 'abc', /is not a length/, right);
    await wrong(page, 'Corner lift on a flat table', '300 m', /is longer than 100 m/, '0');
    await page.getByLabel('Diagonal, top left down').fill('2900');
    await expect(
      page.getByText('The diagonal top left to bottom right reads 2900 mm: no frame of this plan has that.'),
    ).toBeVisible();
    await page.getByLabel('Top', { exact: true }).fill('0');
    await expect(page.getByRole('alert').filter({ hasText: 'is below 1 mm' })).toBeVisible();
  });

  await stage(page, 'Cloth').click();
  await wrong(page, 'Roll width, usable', '2\' 13"', /is not a length/, '2100');
  await stage(page, 'Fasten').click();
  await wrong(page, 'Largest spacing', '0', /is below 5 mm/, '45');
  await wrong(page, 'Distance from corner', 'near', /is not a length/, '45');
  await stage(page, 'Tune').click();
  await page.getByRole('tab', { name: 'Corners' }).click();
  await wrong(page, 'Open top left to', '60', /is above 30 mm/, '0');
  await stage(page, 'Prime').click();
  await wrong(page, 'Room', '99', /is out of range\. Type 0 to 45 °C/, '19');
  await wrong(page, 'Humidity', 'damp', /is not a number\. Type 5 to 100 % RH/, '55');
  await stage(page, 'Hand over').click();
  await wrong(page, 'On the scale', '900', /is out of range\. Type 0\.01 to 200 kg/, '2');

  await saved(page);
  const file = (await (await page.request.get(`${emptyServer.url}/api/job/${id}`)).json()) as {
    job: { inputs: { brief: unknown; square: { top: { mm: number } } } };
  };
  expect(file.job.inputs.brief).toMatchObject({ title: 'Wrong things', width: { mm: 900 }, height: { mm: 600 } });
  expect(file.job.inputs.square.top.mm).toBe(900);
});

test('a new canvas is refused with reasons, field by field', async ({ page, emptyServer }) => {
  await page.goto(emptyServer.url);
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByLabel('Face width').fill('9');
  await page.getByLabel('Face height').fill('tall');
  await expect(page.getByText(/“9” is below 50 mm/)).toBeVisible();
  await expect(page.getByText(/“tall” is not a length/)).toBeVisible();
  const start = page.getByRole('button', { name: 'Start the job' });
  await expect(start).toBeDisabled();
  await page.getByLabel('Face width').fill('900');
  await page.getByLabel('Face height').fill('600');
  await start.click();
  await expect(page.getByText('Give it a title, to find it by.')).toBeVisible();
  await expect(page.getByLabel('Title')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('house rules refuse what lies out of range and keep what is right', async ({ page, emptyServer }) => {
  await page.goto(`${emptyServer.url}/rules`);
  const creep = page.getByLabel('Creep of wood under lasting load');
  await expect(async () => {
    await creep.fill('40');
    await expect(page.getByRole('alert').filter({ hasText: '“40” is out of range. Type 1 to 2.5 ×.' })).toBeVisible({
      timeout: 1000,
    });
  }).toPass();
  await creep.fill('a lot');
  await expect(page.getByRole('alert').filter({ hasText: '“a lot” is not a number' })).toBeVisible();
  await creep.fill('1,6');
  await page.getByRole('button', { name: 'Save the house rules' }).click();
  await expect(page.getByLabel('Creep of wood under lasting load')).toHaveValue('1.6');
  await page.reload();
  await expect(page.getByLabel('Creep of wood under lasting load')).toHaveValue('1.6');
});

test('an unknown job is said to be unknown', async ({ page, emptyServer, complaints }) => {
  await page.goto(`${emptyServer.url}/job/nobody`);
  await expect(page.getByRole('heading', { name: 'There is no such page or job' })).toBeVisible();
  // The browser says so in its console; it says it when it likes.
  await expect.poll(() => complaints).toEqual([expect.stringContaining('404')]);
  complaints.length = 0;
  await page.getByRole('link', { name: 'To the bench' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('for your hands');
  // An address that cannot even be read is nobody’s failure.
  for (const path of ['/job/%ud83c', '/api/job/x/tap/y/%C3', '/%'])
    expect((await page.request.get(emptyServer.url + path)).status()).toBe(400);
});

test('addresses, methods and host names that nobody has are answered in words, and give nothing away', async ({
  emptyServer,
}) => {
  const { port } = new URL(emptyServer.url);
  const ask = (path: string, { method = 'GET', host = `localhost:${port}` } = {}) =>
    new Promise<{ status: number; text: string; policy: boolean }>((on, failed) => {
      const sent = httpRequest({ port, host: '127.0.0.1', path, method, headers: { host } }, (answer) => {
        let text = '';
        answer.on('data', (part) => (text += String(part)));
        answer.on('end', () => on({ status: answer.statusCode!, text, policy: 'content-security-policy' in answer.headers }));
      });
      sent.on('error', failed).end();
    });
  const statuses: Record<string, number> = {};
  for (const path of ['/calendar/%25.ics', '/job/%00/label', '/job/%25/strip', '/api/week/draft?width=x', '/api/file/list/%25'])
    statuses[path] = (await ask(path)).status;
  expect(Object.values(statuses).filter((status) => status >= 500)).toEqual([]);
  expect(await ask('/', { method: 'TRACE' })).toMatchObject({ status: 405, text: 'TRACE is not asked for here.' });
  for (const path of ['/icon.svgx', '/_next/staticx', '/favicon.icox', '/api/file/broughtx', '/']) {
    expect(await ask(path)).toMatchObject({ policy: true });
    const evil = await ask(path, { host: 'evil' });
    expect([path, evil.status, evil.text.includes('<')]).toEqual([path, 421, false]);
  }
});
