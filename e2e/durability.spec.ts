import Database from 'better-sqlite3';
import { answer, expect, listen, newCanvas, record, saved, stage, test } from './test';
import { startServer } from './server';

test('kill -9 right after a record is acknowledged loses nothing; the clock goes on from where it was', async ({
  page,
  context,
  complaints,
}) => {
  const server = await startServer({ demo: true });
  try {
    await page.goto(`${server.url}/job/demo-127`);
    await record(page, 'Record this coat');
    // Acknowledged: the page has gone on to the next stage.
    await expect(page.getByRole('heading', { name: 'Weigh, label, hand over' })).toBeVisible();
    await server.kill();
    await server.restart();
    await page.close();
    complaints.length = 0;
    const after = await context.newPage();
    listen(after, complaints);
    await after.goto(`${server.url}/job/demo-127`);
    await stage(after, 'Prime').click();
    await expect(after.getByText(/^Recorded .* by Wenna/)).toBeVisible();
    await expect(after.getByLabel('Drying')).toContainText(/No\. 127 third coat, \d+ (min|h)/);
    expect(complaints).toEqual([]);
    await after.close();
  } finally {
    await server.remove();
  }
});

test('what is typed while the server is away is kept and saved when it is back', async ({ page, complaints }) => {
  const server = await startServer({ demo: false });
  try {
    await newCanvas(page, server.url, 'Typed in the dark', '700', '500');
    await server.kill();
    await page.getByLabel('Title').fill('Typed in the dark, kept');
    await expect(page.getByTestId('save-state')).toHaveText('not saved');
    await expect(page.getByRole('alert').filter({ hasText: 'What you typed stays here' })).toBeVisible();
    await server.restart();
    await expect(page.getByTestId('save-state')).toHaveText('saved', { timeout: 15_000 });
    complaints.length = 0;
    await page.reload();
    await expect(page.getByLabel('Title')).toHaveValue('Typed in the dark, kept');
    expect(complaints).toEqual([]);
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test('what was typed last is saved when the page is left at once, and Back shows what the workshop has', async ({
  page,
  demoServer,
}) => {
  const id = await newCanvas(page, demoServer.url, 'Left at once', '500', '400');
  await page.getByLabel('Face width').fill('800');
  await page.getByRole('link', { name: 'Log' }).click();
  await page.waitForURL('**/log');
  await page.goBack();
  await expect(page.getByLabel('Face width')).toHaveValue('800 mm');
  await expect(answer(page)).toHaveText('800 × 400 mm');
  await page.getByLabel('Face height').fill('600');
  await page.goto(`${demoServer.url}/air`);
  await page.goto(`${demoServer.url}/job/${id}`);
  await expect(page.getByLabel('Face height')).toHaveValue('600 mm');
});

test('what the workshop never acknowledged is there after a reload, and saved when the server is back', async ({
  page,
  complaints,
}) => {
  const server = await startServer({ demo: false });
  try {
    const id = await newCanvas(page, server.url, 'Closed lid', '700', '500');
    await saved(page);
    await server.kill();
    await page.getByLabel('Title').fill('Closed lid, kept');
    await expect(page.getByTestId('save-state')).toHaveText('not saved');
    await page.goto('about:blank');
    await server.restart();
    await page.goto(`${server.url}/job/${id}`);
    await expect(page.getByLabel('Title')).toHaveValue('Closed lid, kept');
    await saved(page);
    await page.reload();
    await expect(page.getByLabel('Title')).toHaveValue('Closed lid, kept');
    complaints.length = 0;
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test('a save from a stale tab is refused with both versions shown, and either can go on', async ({
  page,
  context,
  demoServer,
}) => {
  await newCanvas(page, demoServer.url, 'Two tabs', '800', '500');
  const other = await context.newPage();
  await other.goto(page.url());
  await other.waitForLoadState('networkidle');
  await page.getByLabel('Face width').fill('810');
  await saved(page);
  await other.getByLabel('Face width').fill('825');
  const dialog = other.getByRole('dialog', { name: 'Changed elsewhere in between' });
  await expect(dialog.getByRole('row', { name: 'brief, width 825 mm 810 mm' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Take what is there now' }).click();
  await expect(other.getByLabel('Face width')).toHaveValue('810 mm');

  await other.getByLabel('Face height').fill('505');
  await saved(other);
  await page.getByLabel('Title').fill('Two tabs, mine');
  await page.getByRole('dialog').getByRole('button', { name: 'Go on with mine' }).click();
  await saved(page);
  await other.reload();
  await expect(other.getByLabel('Title')).toHaveValue('Two tabs, mine');
  await expect(other.getByLabel('Face height')).toHaveValue('500 mm');
});

test('a record from a stale tab is refused too', async ({ page, context, demoServer }) => {
  await newCanvas(page, demoServer.url, 'Two hands', '800', '500');
  const other = await context.newPage();
  await other.goto(page.url());
  await other.waitForLoadState('networkidle');
  await record(page, 'Record the brief');
  await other.getByRole('button', { name: 'Record the brief' }).click();
  await expect(other.getByRole('dialog')).toContainText('a step was recorded elsewhere');
});

test('writes from another origin are turned away, and every page carries its headers', async ({ request, demoServer }) => {
  const page = await request.get(demoServer.url);
  const policy = page.headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[0-9a-f]{32}' 'strict-dynamic';/);
  expect(policy.split(';').find((part) => part.includes('script-src'))).not.toMatch(/unsafe/);
  expect(page.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
  });
  expect(page.headers()['x-powered-by']).toBeUndefined();
  const strangers: Record<string, string>[] = [{ origin: 'https://elsewhere.example' }, { origin: 'null' }, {}];
  for (const headers of strangers) {
    const answer = await request.post(demoServer.url, { headers, data: {} });
    expect(answer.status()).toBe(403);
  }
});

test('a row that was spoilt is one row with its reason; it is set aside, brought back, and put right from its log', async ({
  page,
  complaints,
}) => {
  const server = await startServer({ demo: true });
  try {
    const file = new Database(server.database);
    file.prepare("UPDATE job SET inputs = '[]', revision = revision + 1 WHERE id = 'demo-134'").run();
    file.close();
    await page.goto(server.url);
    const broken = page.getByTestId('broken');
    await expect(broken).toContainText('No. 134, Night mail');
    await expect(broken).toContainText('expected an object, got a list');
    await expect(page.getByRole('link', { name: /Pole star/ })).toBeVisible();
    const raw = await page.request.get(`${server.url}/api/job/demo-134/raw`);
    expect(((await raw.json()) as { job: { inputs: string }[] }).job[0]!.inputs).toBe('[]');
    await broken.getByRole('button', { name: 'Set aside' }).click();
    await page.getByText('1 set aside, not readable').click();
    await broken.getByRole('button', { name: 'Bring back' }).click();
    await page.goto(`${server.url}/job/demo-134/slip`);
    await expect(page).toHaveURL(/\/job\/demo-134$/);
    await page
      .getByLabel('Mended file for No. 134')
      .setInputFiles({ name: 'no-job.json', mimeType: 'application/json', buffer: Buffer.from('{"brief":{}}') });
    await expect(page.getByText('nothing was changed')).toBeVisible();
    await page.getByRole('button', { name: 'Take what was recorded last' }).click();
    await expect(page.getByRole('heading', { name: 'Night mail' })).toBeVisible();
    await expect(page.getByTestId('answer')).toHaveText(/staples/);
    expect(complaints).toEqual([]);
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});
