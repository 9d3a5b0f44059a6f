import { expect, newCanvas, saved, stage, test, verdict } from './test';

test('pulls are worked out, tried on the practice scale, gone by on the cloth, at the bench and in print', async ({
  page,
  emptyServer,
}) => {
  const jobId = await newCanvas(page, emptyServer.url, 'Pulled by the list', '600', '450');
  await stage(page, 'Fasten').click();
  const tab = (name: string) => page.getByRole('tab', { name, exact: true }).click();
  const list = page.getByRole('region', { name: 'List of pulls' });
  const told = (says: RegExp | string) => page.getByRole('listitem').filter({ hasText: says });

  await test.step('as taught holds until it is chosen otherwise; both are shown with what speaks for them', async () => {
    await tab('Pulls');
    await expect(page.getByRole('radio', { name: /^As taught\./ })).toBeChecked();
    await expect(list).toContainText(/In short: first: laid on; its answer \d+ N; third \d+ N; fourth \d+ N; all others \d+ N/);
    await expect(told(/By this list the edge ends uneven by about 0\.1\d, as taught by 0\.[23]\d;/)).toBeVisible();
    await expect(told('This hand was not tried on the scale: newtons are no feeling yet.')).toBeVisible();
    await expect(list).toContainText('The route goes by what is taught');
    await tab('Route');
    await expect(page.getByTestId('route-step')).toContainText('pull snug');
  });

  await test.step('the cloth as taught is less even than with the list', async () => {
    const uneven = async () => {
      await tab('Cloth');
      const cloth = page.getByLabel('The simulated cloth');
      await expect(cloth).toContainText('unevenness by hand');
      await expect(cloth).toHaveAttribute('aria-busy', 'false');
      return Number(/unevenness by hand\s*(\d\.\d\d)/.exec((await cloth.textContent())!)![1]);
    };
    const taught = await uneven();
    await expect(told(/hold less than half of the mean/)).toBeVisible();
    await tab('Pulls');
    await page.getByRole('radio', { name: /^Worked out\./ }).check();
    await saved(page);
    await expect(list).toContainText('The route, the bench and the print go by this list.');
    expect(await uneven()).toBeLessThan(0.75 * taught);
    await expect(told('Every fastener holds at least half of the mean.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'What to set again?' })).toHaveCount(0);
    await tab('Route');
    await expect(page.getByTestId('route-step')).toContainText('laid on, no pull');
    await page.getByRole('button', { name: 'Next →' }).click();
    await expect(page.getByTestId('route-step')).toContainText(/pull \d+ N$/);
  });

  await test.step('a hand is tried on the practice scale: what is nonsense is refused, newtons get a feel', async () => {
    await tab('Pulls');
    await page.getByText(/hand on the scale, not tried yet/).click();
    const keep = page.getByRole('button', { name: 'Keep this feel' });
    await expect(keep).toBeDisabled();
    await page.getByLabel('First pull').fill('much');
    await expect(page.getByRole('alert').filter({ hasText: '“much”' })).toBeVisible();
    for (const [name, kg] of Object.entries({ First: '0.2', Second: '2', Third: '1' }))
      await page.getByLabel(`${name} pull`).fill(kg);
    await keep.click();
    await expect(page.getByRole('alert').filter({ hasText: 'are not one feel' })).toBeVisible();
    await page.getByLabel('Practice scale').check();
    for (const feel of ['a light pinch', 'a firm pinch']) {
      await page.getByLabel('Pull to').selectOption(feel);
      for (let pull = 0; pull < 3; pull += 1) await page.getByRole('button', { name: 'Pull the practice scale' }).click();
      await keep.click();
      await expect(page.getByRole('list', { name: /^Feels of/ })).toContainText(feel);
    }
    await expect(
      page.getByText(/^Hands of this house vary by \d+ % from pull to pull \(6 pulls, on the practice scale/),
    ).toBeVisible();
    await expect(told('This hand was tried on the practice scale alone: its newtons are invented.')).toBeVisible();
    await expect(list).toContainText(/\d+ N.*a (light|firm) pinch/);
  });

  await test.step('the bench and the print say the same newtons', async () => {
    const short = /In short: (first: .*?all others \d+ N)/.exec((await list.textContent())!)![1]!;
    await tab('Route');
    await expect(page.getByTestId('route-step')).toContainText(/^2 of .* pull \d+ N/);
    const second = /pull (\d+) N/.exec((await page.getByTestId('route-step').textContent())!)![1]!;
    await page.goto(`${emptyServer.url}/job/${jobId}/slip`);
    const printed = page.getByRole('region', { name: 'Pulls' });
    await expect(printed).toHaveAttribute('aria-busy', 'false');
    await expect(printed).toContainText(short);
    await page.goto(`${emptyServer.url}/job/${jobId}/bench?stage=fasten`);
    // Margins and a look, then the first fastener, then its answer.
    const answered = page.getByText(new RegExp(`pull ${second} N`)).first();
    await expect(async () => {
      if (!(await answered.isVisible())) await page.keyboard.press('ArrowRight');
      await expect(answered).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 60_000 });
  });
});

test('a pull told by the scale at work is noted, taken off again, and kept with the record', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Pulls told', '400', '300');
  await stage(page, 'Fasten').click();
  await page.getByRole('tab', { name: 'Actual fastening' }).click();
  const note = page.getByRole('button', { name: 'Note this pull' });
  await expect(note).toBeDisabled();
  await page.getByLabel('Pull asked for').fill('16');
  for (const kg of ['1.7', '1.5']) {
    await page.getByLabel('The scale showed').fill(kg);
    await note.click();
  }
  const told = page.getByRole('list', { name: 'Pulls on the scale' });
  await expect(told.getByRole('listitem')).toHaveCount(2);
  await expect(told).toContainText('16 N asked, 16.7 N pulled (1.7 kg)');
  await page.getByRole('button', { name: 'Remove pull 2' }).click();
  await expect(told.getByRole('listitem')).toHaveCount(1);
  await saved(page);
  await page.reload();
  await stage(page, 'Fasten').click();
  await page.getByRole('tab', { name: 'Actual fastening' }).click();
  await expect(told.getByRole('listitem')).toHaveCount(1);
  await expect(verdict(page, /practice tape/)).toHaveCount(0);
});

test('what is changed meanwhile calls off the pulls that are worked out, and only the last question is answered', async ({
  page,
  emptyServer,
}) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    const post = Worker.prototype.postMessage as (this: Worker, message: unknown) => void;
    Worker.prototype.postMessage = function (this: Worker, message: { kind: string; id: number; task?: string }) {
      if (message.task === 'pulls' || message.kind === 'cancel') said.push(`${message.kind} ${message.id}`);
      if (message.task === 'pulls')
        this.addEventListener('message', ({ data }: MessageEvent<{ kind: string; id?: number }>) => {
          if (data.id === message.id) said.push(`${data.kind} ${data.id}`);
        });
      post.call(this, message);
    } as typeof Worker.prototype.postMessage;
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await newCanvas(page, emptyServer.url, 'Called off', '2100', '1500');
  await stage(page, 'Fasten').click();
  await page.getByRole('tab', { name: 'Pulls', exact: true }).click();
  await expect.poll(said).toHaveLength(1);
  await page.getByLabel('Largest spacing').fill('61');
  await expect(page.getByRole('region', { name: 'List of pulls' })).toContainText('In short:');
  const [first, ...rest] = await said();
  const id = first!.replace('request ', '');
  expect(rest).toContain(`cancel ${id}`);
  expect(rest.filter((one) => one.startsWith('result'))).toHaveLength(1);
  expect(rest).not.toContain(`result ${id}`);
});
