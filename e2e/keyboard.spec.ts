import type { Page } from '@playwright/test';
import { answer, expect, saved, test } from './test';

/** Tabs until the element with this name has the focus. */
async function tabTo(page: Page, name: string): Promise<void> {
  for (let presses = 0; presses < 80; presses += 1) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate(() => {
      const element = document.activeElement as HTMLInputElement | null;
      return element
        ? (element.labels?.[0]?.textContent ?? element.getAttribute('aria-label') ?? element.textContent ?? '').trim()
        : '';
    });
    if (here === name) return;
  }
  throw new Error(`Tab never reached “${name}”`);
}

async function type(page: Page, field: string, text: string): Promise<void> {
  await tabTo(page, field);
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
}

test('a job is begun, planned and recorded without a mouse', async ({ page, demoServer }) => {
  await page.goto(demoServer.url);
  await page.keyboard.press('c');
  await expect(page.getByLabel('Title', { exact: true })).toBeFocused();
  await page.keyboard.type('By keys alone');
  await page.keyboard.press('Tab');
  await page.keyboard.type('70 cm');
  await page.keyboard.press('Tab');
  await page.keyboard.type('19 1/2"');
  await page.keyboard.press('Enter');
  await expect(answer(page)).toHaveText('700 × 495 mm');

  await type(page, 'Face width', '720');
  await expect(answer(page)).toHaveText('720 × 495 mm');
  await tabTo(page, 'Note');
  await page.keyboard.type('by keys');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Assemble the bars' })).toBeVisible();

  await page.locator('body').press('n');
  await expect(page.getByRole('heading', { name: 'Check square' })).toBeVisible();
  await page.keyboard.press('p');
  await page.keyboard.press('5');
  await page.keyboard.press('.');
  await page.keyboard.press('.');
  await expect(page.getByTestId('route-step')).toContainText('3 of');
  await page.keyboard.press(',');
  await expect(page.getByTestId('route-step')).toContainText('2 of');
  await expect(page.getByRole('button', { name: 'Back', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Front' })).toHaveAttribute('aria-pressed', 'true');

  await page.keyboard.press('2');
  await tabTo(page, 'Record the frame');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Check square' })).toBeVisible();
  for (const [field, reading] of [
    ['Diagonal, top left down', '874'],
    ['Diagonal, bottom left up', '874'],
    ['Top', '720'],
    ['Bottom', '720'],
    ['Left', '495'],
    ['Right', '495.5'],
    ['Corner lift on a flat table', '0'],
  ] as const) {
    await type(page, field, reading);
  }
  await tabTo(page, 'Record the readings');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Cut the cloth' })).toBeVisible();
});

test('undo, units, help, search and places have keys; letters typed in a field stay there', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-135`);
  // A painting is placed in the third of its stages.
  await page.keyboard.press('3');
  await page.getByText('Title, hanging, date').click();
  const title = page.getByLabel('Title');
  await title.fill('bun');
  await expect(title).toHaveValue('bun');
  await saved(page);
  await title.blur();
  await page.keyboard.press('Control+z');
  await expect(title).toHaveValue('Southern dome, print for the ticket hall');
  await saved(page);

  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await expect(answer(page)).toHaveText('35 13⁄16 × 23 13⁄16 in');
  await page.keyboard.press('u');
  await expect(answer(page)).toHaveText('910 × 605 mm');

  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.keyboard.press('/');
  await expect(page.getByLabel('Search the log')).toBeFocused();
  await page.keyboard.type('harbour');
  await page.getByLabel('Search the log').blur();
  await page.keyboard.press('r');
  await expect(page.getByRole('heading', { name: 'House rules' })).toBeVisible();
  await page.locator('body').press('g');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('for your hands');
});
