import Database from 'better-sqlite3';
import { answer, deaf, expect, listen, newCanvas, record, saved, settled, stage, test } from './test';
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
    await settled(page);
    await server.kill();
    await page.getByLabel('Title').fill('Typed in the dark, kept');
    await expect(page.getByTestId('save-state')).toHaveText('not saved');
    await expect(page.getByRole('alert').filter({ hasText: 'What you typed stays here' })).toBeVisible();
    await server.restart();
    await expect(page.getByTestId('save-state')).toHaveText('saved');
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
  emptyServer,
}) => {
  const id = await newCanvas(page, emptyServer.url, 'Left at once', '500', '400');
  await page.getByLabel('Face width').fill('800');
  await page.getByRole('link', { name: 'Log' }).click();
  await page.waitForURL('**/log');
  await page.goBack({ waitUntil: 'commit' });
  await expect(page.getByLabel('Face width')).toHaveValue('800 mm');
  await expect(answer(page)).toHaveText('800 × 400 mm');
  await page.getByLabel('Face height').fill('600');
  await page.goto(`${emptyServer.url}/air`);
  await page.goto(`${emptyServer.url}/job/${id}`);
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
    await settled(page);
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
  emptyServer,
}) => {
  await deaf(page);
  await newCanvas(page, emptyServer.url, 'Two tabs', '800', '500');
  const other = await context.newPage();
  await deaf(other);
  await other.goto(page.url());
  await settled(other);
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

test('two at one canvas see each other within two seconds; what each changes at another stage is put together', async ({
  page,
  context,
  emptyServer,
}) => {
  await newCanvas(page, emptyServer.url, 'Four hands', '800', '500');
  const other = await context.newPage();
  await other.goto(page.url());
  await settled(other);
  await page.getByLabel('Face width').fill('810');
  await saved(page);
  await expect(other.getByLabel('Face width')).toHaveValue('810 mm');
  await expect(other.getByTestId('job-news')).toHaveText('Changed at another screen');
  await record(page, 'Record the brief');
  await expect(other.getByTestId('job-news')).toHaveText(/^\S+: /);
  await expect(page.getByTestId('job-news')).toHaveCount(0);
  // Both type before either has heard of the other: at two stages.
  await deaf(other);
  await other.reload();
  await settled(other);
  await stage(page, 'Square').click();
  await page.getByLabel('Diagonal, top left down').fill('955');
  await saved(page);
  await stage(other, 'Fasten').click();
  await other.getByLabel('Largest spacing').fill('61');
  await saved(other);
  await expect(other.getByTestId('job-news')).toContainText('Square: changed elsewhere meanwhile; the changes are in');
  await stage(other, 'Square').click();
  await expect(other.getByLabel('Diagonal, top left down')).toHaveValue('955 mm');
  await stage(page, 'Fasten').click();
  await expect(page.getByLabel('Largest spacing')).toHaveValue('61 mm');
});

test('a record from a stale tab is refused too', async ({ page, context, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Two hands', '800', '500');
  const other = await context.newPage();
  await deaf(other);
  await other.goto(page.url());
  await settled(other);
  await record(page, 'Record the brief');
  await other.getByRole('button', { name: 'Record the brief' }).click();
  await expect(other.getByText(/^Somebody saved or recorded on this canvas in between/)).toBeVisible();
  await expect(other.getByText(/^Recorded .* by /)).toBeVisible();
});

test('writes from another origin are turned away, and every page carries its headers', async ({ request, emptyServer }) => {
  const page = await request.get(emptyServer.url);
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
    const answer = await request.post(emptyServer.url, { headers, data: {} });
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
    await expect(page.getByRole('link', { name: /^Pole star/ })).toBeVisible();
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

test('an answer that is lost on its way and the same button again do nothing twice', async ({
  page,
  emptyServer,
  complaints,
}) => {
  let lose = false;
  await page.route('**/*', async (route) => {
    if (!lose || route.request().method() !== 'POST') return route.fallback();
    lose = false;
    // The server acts, and the browser never hears of it.
    await route.fetch();
    await route.abort();
  });
  await page.goto(emptyServer.url);
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByLabel('Title').fill('Sent twice');
  await page.getByLabel('Face width').fill('500');
  await page.getByLabel('Face height').fill('400');
  lose = true;
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'The server does not answer' })).toBeVisible();
  await page.getByRole('button', { name: 'Start the job' }).click();
  await page.waitForURL('**/job/**');
  await page.goto(`${emptyServer.url}/bars?view=rack`);
  await page.getByLabel('Length').fill('777');
  await page.getByLabel('How many pieces').fill('2');
  lose = true;
  await page.getByRole('button', { name: 'Add to stock' }).click();
  await expect(page.getByText('The server does not answer')).toBeVisible();
  await page.getByRole('button', { name: 'Add to stock' }).click();
  await expect(page.getByText('The server does not answer')).toBeHidden();
  const database = new Database(emptyServer.database, { readonly: true });
  expect(database.prepare("SELECT count(*) FROM job WHERE title = 'Sent twice'").pluck().get()).toBe(1);
  expect(database.prepare('SELECT sum(count) FROM rack_bar WHERE length_mm = 777').pluck().get()).toBe(2);
  database.close();
  complaints.length = 0;
});

test('the sheet of a set and a variant typed while the workshop is away are kept over a reload, and saved when it is back', async ({
  page,
  emptyServer,
  complaints,
}) => {
  await page.goto(emptyServer.url);
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByLabel('Title').fill('Away');
  await page.getByLabel('Face width').fill('400');
  await page.getByLabel('Face height').fill('300');
  await page.getByLabel('How many').fill('2');
  await page.getByRole('button', { name: 'Start a set of 2' }).click();
  await page.waitForURL('**/set/**');
  const sheet = `${page.url()}?stage=square`;
  let away = false;
  await page.route('**/*', (route) => (away && route.request().method() === 'POST' ? route.abort() : route.fallback()));
  await page.goto(sheet);
  const reading = page.getByLabel('No. 101, top left down');
  const notSaved = page.getByRole('alert').filter({ hasText: 'kept in this browser' });
  away = true;
  await reading.fill('499');
  await expect(notSaved).toBeVisible();
  await page.getByLabel('No. 102, top left down').fill('501');
  await expect(notSaved).toHaveCount(2);
  await page.goto(`${emptyServer.url}/log`);
  await expect(page.getByRole('status').filter({ hasText: 'Not in the workshop yet' })).toBeVisible();
  await page.getByRole('link', { name: 'the set' }).click();
  await page.goto(sheet);
  await expect(reading).toHaveValue('499 mm');
  await expect(notSaved).toHaveCount(2);
  away = false;
  await expect(notSaved).toHaveCount(0);
  const database = new Database(emptyServer.database, { readonly: true });
  // Typed as it is seen from the back, kept as from the front.
  const readings = () =>
    database.prepare("SELECT inputs ->> '$.square.up.mm' FROM job ORDER BY number").pluck().all().map(Number);
  await expect.poll(readings).toEqual([499, 501]);

  const id = database.prepare<[], string>('SELECT id FROM job WHERE number = 101').pluck().get()!;
  await page.goto(`${emptyServer.url}/job/${id}/whatif`);
  away = true;
  await page.getByRole('button', { name: 'Add a variant' }).click();
  await page.getByLabel('Name of variant 1').fill('Kept');
  await expect(notSaved.or(page.getByRole('alert').filter({ hasText: 'what you changed is kept' }))).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name of variant 1')).toHaveValue('Kept');
  away = false;
  const names = () => database.prepare('SELECT name FROM job_variant').pluck().all();
  await expect.poll(names).toEqual(['Kept']);
  await expect(page.getByText('what you changed is kept')).toHaveCount(0);
  database.close();
  complaints.length = 0;
});
