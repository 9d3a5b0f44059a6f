import { awake, expect, stage, test } from './test';

test('the ways to frame a painting say what is made, what shows and what is hidden', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-131`);
  await awake(page);
  await stage(page, 'Place').click();
  await page.getByRole('tab', { name: 'Framing' }).click();
  await expect(page.getByRole('row', { name: /^Laid in free nothing to make; .* nothing/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Frame', exact: true }).click();
  await page.getByLabel('Lip, left', { exact: true }).fill('0.5 mm');
  await page.getByRole('tab', { name: 'Framing' }).click();
  const slip = page.getByRole('row', { name: /^Packed, with a slip slip \d+ mm wide all round; cork or card: .* nothing/ });
  await slip.getByRole('button').click();
  await expect(page.getByRole('img', { name: /at each side: nothing but the image shows/ })).toBeVisible();
  await page.getByRole('button', { name: 'Laid in free' }).click();
  await expect(page.getByRole('img', { name: /more than the image shows at left/ })).toBeVisible();
});
