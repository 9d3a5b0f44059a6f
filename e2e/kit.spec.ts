import { expect, newCanvas, saved, stage, test } from './test';

test('the kit follows the plan, keeps its ticks while counts change, and prints', async ({ page, emptyServer }) => {
  const id = await newCanvas(page, emptyServer.url, 'Kit', '900', '600');
  const kit = page.getByRole('region', { name: 'Kit' });
  await expect(kit.getByLabel('82 × staple, 8 mm leg, spares in')).not.toBeChecked();
  await kit.getByLabel('82 × staple, 8 mm leg, spares in').check();
  await kit.getByLabel('Shears').check();
  await expect(kit.getByRole('heading')).toHaveText(/^Kit: 2 of \d+ lie ready$/);
  await saved(page);

  await test.step('a closer spacing needs more of them; the tick stays on the line', async () => {
    await stage(page, 'Fasten').click();
    await page.getByLabel('Largest spacing').fill('30');
    await stage(page, 'Brief').click();
    await expect(kit.getByLabel('116 × staple, 8 mm leg, spares in')).toBeChecked();
  });

  await test.step('another joint and system bring other things', async () => {
    await stage(page, 'Bars').click();
    await page.getByLabel('Joint').selectOption({ label: 'Glued mitre' });
    await page.getByLabel('Bar', { exact: true }).selectOption({ label: 'Deep bar' });
    await stage(page, 'Prime').click();
    await page.getByLabel('System').selectOption({ label: 'Animal-glue size, two coats, oil ground' });
    await stage(page, 'Brief').click();
    await expect(kit.getByLabel('Clamps, damp rag')).toBeVisible();
    await expect(kit.getByLabel('16 screws 4 × 40 mm, corners')).toBeVisible();
    await expect(kit.getByLabel('Water bath and thermometer')).toBeVisible();
    await expect(kit.getByText('8 keys, 2 a corner, and 2 spare')).toHaveCount(0);
  });

  await saved(page);
  await page.goto(`${emptyServer.url}/job/${id}/slip`);
  await expect(page.getByText(/^☑ 116 × staple/)).toBeVisible();
  await expect(page.getByText(/^☑ Shears/)).toBeVisible();
  await expect(page.getByText(/^☐ Water bath/)).toBeVisible();
});

test('typing in one unit, reading in another, never loses a sixteenth', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Sixteenths', '24 3/16"', '2\' 0 5/16"');
  await expect(page.getByLabel('Face width')).toHaveValue('24 3/16"');
  await expect(page.getByLabel('Face height')).toHaveValue('2\' 0 5/16"');
  await expect(page.getByText('614.5 mm', { exact: true })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Face width')).toHaveValue('24 3/16"');
  await page.getByLabel('Face width').fill('61,5 cm');
  await expect(page.getByTestId('answer')).toHaveText('615 × 618 mm');
  await page.getByRole('button', { name: 'Swap width and height' }).click();
  await expect(page.getByLabel('Face width')).toHaveValue('2\' 0 5/16"');
  await expect(page.getByLabel('Face height')).toHaveValue('61.5 cm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Face width')).toHaveValue('61.5 cm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Face width')).toHaveValue('24 3/16"');
  await saved(page);
});
