import { awake, expect, record, stage, test } from './test';

test('a canvas is practised on, begun anew, and the log and the store know nothing of it', async ({ page, emptyServer }) => {
  await page.goto(emptyServer.url);
  await page.getByRole('link', { name: 'Practice canvas' }).click();
  await expect(page.getByText('neither the store nor the log knows of it')).toBeVisible();
  await awake(page);
  await record(page, 'Record the brief');
  await record(page, 'Record the frame');
  await expect(page.getByRole('heading', { name: 'Check square' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Check square' })).toBeVisible();
  await page.goto(`${emptyServer.url}/log`);
  await expect(page.getByText('Practice canvas')).toHaveCount(0);
  await page.goto(emptyServer.url);
  await expect(page.getByRole('heading', { name: 'Nothing on the bench' })).toBeVisible();
  await page.goto(`${emptyServer.url}/job/practice/bench`);
  await expect(page.getByTestId('bench-says')).toBeVisible();
  await page.goto(`${emptyServer.url}/job/practice`);
  await page.getByRole('button', { name: 'Start again' }).click();
  await expect(page.getByRole('heading', { name: 'Settle the brief' })).toBeVisible();
});

test('how a stage is begun is told once', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-128`);
  await expect(page.getByRole('note')).toContainText('Follow the numbers from 1');
  await page.getByRole('button', { name: 'Got it' }).click();
  await expect(page.getByRole('note')).toHaveCount(0);
  await stage(page, 'Tune').click();
  await expect(page.getByRole('note')).toContainText('Tap, weigh or feel');
  await page.reload();
  await stage(page, 'Tune').click();
  await expect(page.getByRole('note')).toContainText('Tap, weigh or feel');
  await stage(page, 'Fasten').click();
  await expect(page.getByRole('heading', { name: 'Fasten the cloth' })).toBeVisible();
  await expect(page.getByRole('note')).toHaveCount(0);
});
