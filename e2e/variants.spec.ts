/* What if: other make-ups beside the one that stands, one of them taken; and one quantity moved over its range. */
import { awake, expect, newCanvas, test } from './test';

test('variants are compared in figures and stages, one is taken, the others are kept', async ({ page, emptyServer }) => {
  const id = await newCanvas(page, emptyServer.url, 'Harbour mouth', '1200', '900');
  await awake(page);
  await page.getByRole('link', { name: 'What if' }).click();
  await expect(page.getByRole('heading', { name: /^What if/ })).toBeVisible();
  await awake(page);
  await page.getByRole('button', { name: 'Add a variant' }).click();
  await page.getByLabel('Name of variant 1').fill('Two braces');
  await page.getByLabel('Upright braces, Two braces').selectOption('2');
  const weight = page.getByTestId('figure-weight');
  await expect(weight.nth(1)).toHaveText(/^\d\.\d+ kg\+\d\.\d+ kg$/);
  await expect(page.getByTestId('figure-cloth').nth(1)).toHaveText(/the same/);
  await page.getByRole('button', { name: 'Add a variant' }).click();
  await page.getByLabel('Width, Variant A').fill('40');
  await expect(page.getByText(/“40” .*50 mm/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use this variant: Two braces' })).toBeDisabled();
  await page.getByLabel('Width, Variant A').fill('2400');
  await expect(page.getByTestId('stages').nth(2)).toContainText(/stop.*bow/i);
  await page.getByRole('button', { name: 'Fit bars Variant A' }).click();
  await expect(page.getByTestId('stages').nth(2)).not.toContainText(/stop.*bow/i);
  // The simulated cloth tells how even each ends, and the two are not told the same.
  await expect(page.getByTestId('unevenness').nth(2)).toHaveText(/0\.\d\d to 0\.\d\d/);

  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name of variant 1')).toHaveValue('Two braces');
  await page.getByRole('button', { name: 'Use this variant: Two braces' }).click();
  await expect(page.getByLabel('Name of variant 1')).toHaveValue('Before Two braces');
  await expect(page.getByLabel('Width, Variant A')).toHaveValue('2400 mm');
  await page.goto(`${emptyServer.url}/log`);
  await expect(page.getByText('Variant taken: Two braces')).toBeVisible();
  await page.goto(`${emptyServer.url}/job/${id}/whatif`);
  await page.getByRole('button', { name: 'Remove Variant A' }).click();
  await expect(page.getByLabel('Name of variant 2')).toHaveCount(0);
  await page.reload();
  await expect(page.getByLabel('Name of variant 1')).toHaveValue('Before Two braces');
  await expect(page.getByLabel('Name of variant 2')).toHaveCount(0);
});

test('one quantity moves what follows from it, and says where it stands', async ({ page, emptyServer }) => {
  const id = await newCanvas(page, emptyServer.url, 'Breakwater', '1200', '900');
  await page.goto(`${emptyServer.url}/job/${id}/whatif?view=quantity`);
  const slider = page.getByRole('slider', { name: 'Tension wanted' });
  await expect(page.getByText('as it stands')).toBeVisible();
  const bow = page.getByRole('figure').filter({ hasText: 'Bow in time' }).locator('strong');
  const mm = async () => Number(/[\d.]+/.exec(await bow.innerText())?.[0] ?? 0);
  await expect(bow).toHaveText(/mm/);
  const before = await mm();
  await slider.press('End');
  await expect(page.getByText('stands at 250 N/m')).toBeVisible();
  await expect.poll(mm).toBeGreaterThan(1.5 * before);
  await expect(page.getByRole('row', { name: /Bars/ })).toContainText(/watch: .*bow 1\.7 mm/);
  await page.getByLabel('What is moved').selectOption('size');
  const size = page.getByRole('slider', { name: 'Size, in proportion' });
  await size.press('Home');
  await expect(page.getByText('600 × 450 mm').first()).toBeVisible();
});
