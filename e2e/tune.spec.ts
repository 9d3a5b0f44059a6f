import { answer, expect, newCanvas, saved, stage, test } from './test';

test('a weight tells the tension with its error; two that disagree are told apart; a wrong sag is refused', async ({
  page,
  freshServer,
}) => {
  await newCanvas(page, freshServer.url, 'Weighed', '700', '500');
  await stage(page, 'Tune').click();
  await expect(answer(page)).toHaveText('Firm');
  const light = page.getByLabel('Sag under 100 g');
  await light.fill('deep');
  await expect(page.getByRole('alert').filter({ hasText: '“deep”' })).toBeVisible();
  await light.fill('1.5');
  await expect(answer(page)).toHaveText(/^\d{3} ± \d+ N\/m$/);
  await page.getByLabel('Sag under 200 g').fill('2.4');
  await expect(page.getByText('The heavier weight sags less than it should: the cloth stretches under it.')).toBeVisible();
  await page.getByLabel('Sag under 200 g').fill('3');
  await expect(page.getByText('Both weights tell the same tension.')).toBeVisible();
  await page.getByLabel('Disc across').fill('40');
  await expect(page.getByText('A disc of 40 mm is small.')).toBeVisible();
  await saved(page);
  await page.reload();
  await stage(page, 'Tune').click();
  await expect(light).toHaveValue('1.5');
});
