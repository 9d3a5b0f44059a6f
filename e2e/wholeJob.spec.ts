import { readFileSync } from 'node:fs';
import { answer, expect, newCanvas, readTape, record, saved, stage, test, verdict } from './test';

test('a canvas goes from the brief to the record, survives a reload, and travels to another workshop as a file', async ({
  page,
  emptyServer,
  otherServer,
}, info) => {
  const id = await newCanvas(page, emptyServer.url, 'Aurora over the slip', '91.5 cm', '24 3/16"');

  await test.step('brief', async () => {
    await expect(answer(page)).toHaveText('915 × 614 mm');
    await page.getByLabel('Edges').selectOption({ label: 'In a rebate' });
    await page.getByLabel('Medium to come').selectOption({ label: 'Oil' });
    await page.getByLabel('Rebate clearance, in all').fill('5');
    await page.getByLabel('Wanted on').fill('2031-05-04');
    await page.getByLabel('Tape, long rule and square').check();
    await expect(page.getByRole('heading', { name: /Kit: 1 of/ })).toBeVisible();
    await record(page, 'Record the brief');
  });

  await test.step('bars', async () => {
    await page.getByLabel('Bar', { exact: true }).selectOption({ label: 'Standard bar' });
    await page.getByLabel('Braces, upright').selectOption('0');
    await page.getByLabel('Braces, level').selectOption('0');
    await expect(verdict(page, 'Top and bottom bars bow')).toContainText('Stop');
    await page
      .getByRole('row', { name: /Standard bar.* one upright brace/ })
      .getByRole('button')
      .click();
    await page.getByRole('tab', { name: 'Pick list' }).click();
    await expect(verdict(page, /Top and bottom bars bow 0\.\d mm in time, limit 1\.1 mm\./)).toBeVisible();
    await expect(page.getByRole('row', { name: /1 × brace, upright 526 mm square/ })).toBeVisible();
    await record(page, 'Record the frame');
  });

  await test.step('square: racked, pressed, read again', async () => {
    await readTape(page, {
      'Diagonal, top left down': '1105',
      'Diagonal, bottom left up': '1099',
      Top: '915',
      Bottom: '915',
      Left: '24 3/16"',
      Right: '614.5',
      'Corner lift on a flat table': '1',
    });
    await expect(verdict(page, 'The diagonals differ by 6 mm: the top stands 3.6 mm to the left (0.34°).')).toContainText(
      'Press the ends of the longer diagonal, top left to bottom right, together by 3 mm, until both read 1102 mm.',
    );
    await readTape(page, { 'Diagonal, top left down': '1102', 'Diagonal, bottom left up': '1101,5' });
    await expect(verdict(page, 'The diagonals differ by 0.5 mm')).toHaveAttribute('data-level', 'good');
    await record(page, 'Record the readings');
  });

  await test.step('cloth', async () => {
    await page
      .getByRole('row', { name: /^Folded hem \d/ })
      .getByRole('button')
      .click();
    // 19 + 3 + 2 × 0.6 edge, 56 return, 12 hem: 91.2 a side, rounded up at the end.
    await expect(answer(page)).toHaveText('1098 × 797 mm');
    await expect(verdict(page, /Fits across the 2100 mm roll/)).toBeVisible();
    await record(page, 'Record the cut');
  });

  await test.step('fasten', async () => {
    await page.getByLabel('First fasteners per side').selectOption('3');
    await expect(page.getByTestId('route-step')).toContainText('1 of 74');
    await page.getByRole('button', { name: 'Next →' }).click();
    await page.getByRole('button', { name: 'Next →' }).click();
    await page.getByRole('button', { name: 'Next →' }).click();
    await expect(page.getByTestId('route-step')).toContainText('4 of 74 bottom');
    await record(page, 'Record the fastening');
  });

  await test.step('tune', async () => {
    await page.getByLabel('How it feels').selectOption({ label: 'Drum' });
    await page.getByLabel('Action taken').selectOption({ label: 'Open the corners' });
    await page.getByRole('tab', { name: 'Corners' }).click();
    for (const corner of ['top left', 'top right', 'bottom right', 'bottom left'])
      await page.getByLabel(`Open ${corner} to`).fill('0.5');
    await expect(
      verdict(page, /grows 1 mm across and 1 mm down; from here tension rises about \d+ N\/m across and \d+ N\/m down/),
    ).toBeVisible();
    await record(page, 'Record the tension');
  });

  await test.step('prime, three coats, in haste: each next one is warned of', async () => {
    for (const coat of ['First coat, thinned', 'Second coat', 'Third coat']) {
      await expect(page.getByText(`${coat}, coat`)).toBeVisible();
      await expect(verdict(page, /The last coat dries for another [34] h/)).toHaveCount(coat === 'First coat, thinned' ? 0 : 1);
      await record(page, 'Record this coat');
    }
  });

  await test.step('hand over', async () => {
    await page.getByLabel('On the scale').fill('1.75');
    await page.getByLabel('On the label').fill('Aurora, this way up');
    await record(page, 'Record the handover');
    await expect(page.getByText(/^Recorded .* by Me/)).toBeVisible();
  });

  await page.reload();
  await expect(answer(page)).toHaveText('1.75 kg');
  await stage(page, 'Square').click();
  await expect(page.getByLabel('Left', { exact: true })).toHaveValue('24 3/16"');
  await expect(page.getByLabel('Left', { exact: true })).toBeDisabled();
  await expect(answer(page)).toHaveText('0.5 mm');

  const file = info.outputPath('job.json');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export the job as JSON' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^\d+-aurora-over-the-slip\.job\.json$/);
  await download.saveAs(file);

  await page.goto(otherServer.url);
  await expect(page.getByRole('heading', { name: 'Nothing on the bench' })).toBeVisible();
  await page.getByLabel('Job file').setInputFiles(file);
  await expect(page.getByRole('heading', { level: 1, name: 'Aurora over the slip' })).toBeVisible();
  const there = await page.request.get(`${otherServer.url}/api/job/${id}`);
  expect(await there.text()).toBe(readFileSync(file, 'utf8'));

  await page.goto(otherServer.url);
  await page.getByLabel('Job file').setInputFiles(file);
  await expect(page.getByRole('alert').filter({ hasText: 'job.json was not imported. This job is here already' })).toBeVisible();
  await page
    .getByLabel('Job file')
    .setInputFiles({
      name: 'broken.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"format":"keen-batten/job","version":99}'),
    });
  await expect(
    page.getByRole('alert').filter({ hasText: /broken\.json was not imported\. .*version must be one of 12/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep both' })).toHaveCount(0);
  await page.getByLabel('Job file').setInputFiles(file);
  await page.getByText(/^Compare: .* entries in the log here/).click();
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Aurora over the slip' })).toBeVisible();
  expect(page.url()).not.toContain(id);

  // Made where the wood of the same name is softer: it comes in, and says whose wood is planned with.
  const softer = JSON.parse(readFileSync(file, 'utf8')) as { job: { id: string }; log: object[]; materials: object };
  const wood = {
    id: 'spruce',
    name: 'Spruce',
    eGPa: 8.5,
    densityKgM3: 430,
    knots: null,
    offered: true,
    source: 'measured there',
  };
  softer.job.id = 'elsewhere';
  softer.log = [];
  softer.materials = { profiles: [], species: [wood], fabrics: [] };
  await page.goto(otherServer.url);
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'softer.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(softer)) });
  const notice = page.getByRole('status').filter({ hasText: 'Spruce has other figures in its file than here' });
  await notice.getByRole('link', { name: 'Open it' }).click();
  await expect(page).toHaveURL(`${otherServer.url}/job/elsewhere`);
});

test('a record is taken back with a reason, stays in the log, and the stage is open again', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Wrong brief', '500', '400');
  await record(page, 'Record the brief');
  await stage(page, 'Brief').click();
  await expect(page.getByLabel('Face width')).toBeDisabled();
  await page.getByRole('button', { name: 'Undo this record' }).click();
  await page.getByLabel('Reason for undoing').fill('measured the old frame');
  await page.getByRole('button', { name: 'Undo it now' }).click();
  await expect(page.getByLabel('Face width')).toBeEnabled();
  await page.getByLabel('Face width').fill('520');
  await saved(page);
  await page.goto(`${emptyServer.url}/log`);
  await page.getByLabel('Search the log').fill('measured the old frame');
  await expect(page.getByRole('row')).toHaveCount(2);
  await expect(page.getByRole('row').nth(1)).toContainText('Taken back: Brief: 500 × 400 mm');
});

test('a stop verdict can be overruled only with a reason, which is kept', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-130`);
  await expect(verdict(page, 'The diagonals differ by 2.5 mm')).toHaveAttribute('data-level', 'stop');
  await expect(page.getByRole('button', { name: 'Record the readings' })).toBeDisabled();
  await page.getByLabel('Reason for going on').fill('it is pressed square by its neighbours');
  await record(page, 'Record the readings');
  await stage(page, 'Square').click();
  await expect(page.getByText('Continued because: it is pressed square by its neighbours')).toBeVisible();
});

test('three of the same are started as a set, and two more by the plan of one that has gone on', async ({
  page,
  emptyServer,
}) => {
  await page.goto(emptyServer.url);
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByLabel('Title').fill('Class');
  await page.getByLabel('Face width').fill('40 cm');
  await page.getByLabel('Face height').fill('300');
  const count = page.getByLabel('How many');
  for (const wrong of ['0', '-2', '1000000', '2.5', 'x']) {
    await count.fill(wrong);
    await expect(
      page.getByText(new RegExp(`“${wrong}” is (out of range|not a number|no whole number)\\. Type 1 to 60`)),
    ).toBeVisible();
    await expect(page.getByRole('button', { name: /^Start/ })).toBeDisabled();
  }
  await count.fill('3');
  await page.getByRole('button', { name: 'Start a set of 3' }).click();
  await expect(page.getByRole('heading', { name: 'Class' })).toBeVisible();
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByText('3 canvases open')).toBeVisible();
  await page.getByText('each canvas').click();
  await page.getByRole('link', { name: /Class, 2 of 3/ }).click();
  await page.getByLabel('Edges').selectOption({ label: 'In a rebate' });
  await record(page, 'Record the brief');
  await page.getByRole('button', { name: 'Another like this' }).click();
  const dialog = page.getByRole('dialog', { name: 'Another like this' });
  await expect(dialog.getByLabel('Title of the new one')).toHaveValue('Class, 2 of 3');
  await dialog.getByLabel('Title of the new one').fill('Evening class');
  await dialog.getByLabel('How many').fill('2');
  await dialog.getByRole('button', { name: 'Start a set of 2' }).click();
  await expect(page.getByRole('heading', { name: 'Evening class' })).toBeVisible();
  await page.getByRole('link', { name: '105', exact: true }).click();
  await expect(page.getByLabel('Title')).toHaveValue('Evening class, 2 of 2');
  await expect(page.getByLabel('Edges')).toHaveValue('rebate');
  await expect(page.getByRole('button', { name: 'Record the brief' })).toBeVisible();
});

test('a job without records is deleted after ten seconds, or kept; one with a record has no such button', async ({
  page,
  emptyServer,
}) => {
  await newCanvas(page, emptyServer.url, 'Stays', '500', '400');
  await record(page, 'Record the brief');
  await expect(page.getByRole('button', { name: 'Delete this job' })).toHaveCount(0);
  await newCanvas(page, emptyServer.url, 'Goes', '500', '400');
  await saved(page);
  await page.clock.install();
  const button = page.getByRole('button', { name: 'Delete this job' });
  await button.click();
  await expect(page.getByText(/^Gone in \d+ s/)).toBeVisible();
  await page.clock.runFor(4000);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.clock.runFor(15_000);
  await expect(page.getByText(/^Gone in/)).toHaveCount(0);
  await button.click();
  for (let second = 0; second < 10; second += 1) await page.clock.runFor(1000);
  await expect(page.getByText('1 canvas open')).toBeVisible();
  await expect(page.getByText('Goes')).toHaveCount(0);
});
