import { now } from './clock';
import { expect, newCanvas, record, stage, test } from './test';

const STEPS = [
  ['Brief', 'Record the brief'],
  ['Bars', 'Record the frame'],
  ['Cloth', 'Record the cut'],
  ['Fasten', 'Record the fastening'],
  ['Tune', 'Record the tension'],
] as const;

test('one pot for several canvases: weighed, recorded on each, taken from the store, learned for the next', async ({
  page,
  emptyServer,
}) => {
  for (const title of ['First', 'Second']) {
    await newCanvas(page, emptyServer.url, title, '600', '400');
    for (const [name, button] of STEPS) {
      await stage(page, name).click();
      const reason = page.getByLabel('Reason for going on');
      // Whether a reason is asked for is known once the stage is there.
      await expect
        .poll(async () => (await reason.isVisible()) || (await page.getByRole('button', { name: button }).isEnabled()))
        .toBe(true);
      if (await reason.isVisible()) await reason.fill('Tried out.');
      await record(page, button);
    }
  }
  await page.goto(`${emptyServer.url}/ground`);
  await expect(page.getByText('in the pot for 2 canvases')).toBeVisible();
  await page.getByLabel('Acrylic ground, left').fill('1000');
  await page.getByRole('button', { name: 'Save' }).nth(2).click();
  await expect(page.getByText('counted 1000 ml')).toBeVisible();
  // The scale: too little, then right.
  await page.getByRole('button', { name: '+ 10 g', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Tare, next' })).toBeDisabled();
  await page.getByLabel('Left over').fill('900');
  await page.getByRole('button', { name: 'Record the coat on all 2' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'No less is left than was mixed' })).toBeVisible();
  await page.getByLabel('Left over').fill('20');
  await page.getByRole('button', { name: 'Record the coat on all 2' }).click();
  await expect(page.getByText('Second coat, 600 × 400 mm')).toHaveCount(2);
  await expect(page.getByText(/Acrylic ground: \d+ ml for first coat, thinned/)).toHaveCount(2);
  await expect(page.getByText(/dries: .* left, until/)).toHaveCount(2);
});

test('a clock rings in whatever tab is open, once for all of them, also after sleep and a restart', async ({
  context,
  page,
  demoServer,
}) => {
  // On top of it comes what pages are ahead in a test.
  await page.clock.install({ time: new Date() });
  await page.goto(`${demoServer.url}/log`);
  await page.waitForFunction(() => localStorage.getItem('clocks known since') !== null);
  const rings = page.getByRole('alert').filter({ hasText: 'is ready' });
  await expect(rings).toHaveCount(0);
  // Asleep for half a day: what dried meanwhile rings at once.
  await page.clock.fastForward('12:00:00');
  await expect(rings).toContainText('No. 133 Lamp room study: first coat, thinned is ready');
  await expect(page).toHaveTitle(/^◉ /);
  await page.reload();
  await expect(rings).toContainText('No. 133');
  await rings.getByRole('button', { name: 'Heard' }).click();
  await expect(rings).toHaveCount(0);
  const other = await context.newPage();
  await other.clock.install({ time: new Date(Date.now() + 12 * 3_600_000) });
  await other.goto(`${demoServer.url}/bars`);
  await expect(other.getByRole('contentinfo', { name: 'Drying' })).toContainText('No. 133');
  await expect(other.getByRole('alert').filter({ hasText: 'No. 133' })).toHaveCount(0);
  await other.close();
});

test('a logger’s table is taken in whole, or refused with the row that is wrong', async ({ page, emptyServer }) => {
  await page.goto(`${emptyServer.url}/air`);
  await expect(page.getByText('Nothing is read yet.')).toBeVisible();
  const today = now().toISOString().slice(0, 10);
  const rows = Array.from(
    { length: 20 },
    (_, hour) => `${today} 00:${String(hour + 10)};${(16 + hour / 10).toFixed(1).replace('.', ',')};${60 + hour}`,
  );
  const file = (lines: string[]) => ({
    name: 'logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Time;Temperature;Humidity', ...lines].join('\n')),
  });
  const table = page.getByLabel('Table of the hygrometer');
  await table.setInputFiles(file([...rows.slice(0, 3), 'yesterday;20;55']));
  await expect(page.getByRole('alert').filter({ hasText: 'row 5: “yesterday” is no time' })).toBeVisible();
  await table.setInputFiles(file(rows));
  await expect(page.getByText('20 readings imported.')).toBeVisible();
  await page.getByRole('button', { name: 'Read the simulated year' }).click();
  await expect(page.getByRole('img', { name: /Air over 3\d\d days/ })).toBeVisible();
  // The room of a coat takes the hygrometer's word.
  await newCanvas(page, emptyServer.url, 'Aired', '500', '400');
  await stage(page, 'Prime').click();
  await page.getByRole('button', { name: /^Take the (simulated )?hygrometer’s word/ }).click();
  await expect(page.getByRole('button', { name: /^Take the (simulated )?hygrometer’s word/ })).toHaveCount(0);
  await expect(page.getByLabel('Humidity')).not.toHaveValue('55');
});
