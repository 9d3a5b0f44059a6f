/* Canvases by the dozen: begun, bought, sawn, squared, fastened, coated and handed over together; what they cost; what is taken down. */
import type { Locator, Page } from '@playwright/test';
import { expect, newCanvas, test } from './test';

/** Clicks and groups of keys, all but what is typed as a reading. */
class Counted {
  count = 0;
  constructor(readonly page: Page) {}

  async click(on: Locator): Promise<void> {
    this.count += 1;
    await on.click();
  }

  async press(keys: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.press(keys);
  }

  async type(into: Locator, text: string): Promise<void> {
    this.count += 1;
    await into.fill(text);
  }

  async back(): Promise<void> {
    this.count += 1;
    await this.page.goBack({ waitUntil: 'commit' });
  }
}

const recorded = (page: Page, stage: string, count: number) =>
  expect(page.getByText(`${stage}: ${count} recorded.`)).toBeVisible();

test('twelve canvases go from the brief to the hand-over with few clicks; one frame that fails is left out', async ({
  page,
  emptyServer,
}) => {
  const hand = new Counted(page);
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  await page.goto(emptyServer.url);
  await hand.press('c');
  await hand.type(page.getByLabel('Title'), 'Evening class');
  await hand.type(page.getByLabel('Face width'), '400');
  await hand.type(page.getByLabel('Face height'), '300');
  await hand.type(page.getByLabel('How many'), '12');
  await hand.press('Enter');
  await expect(page.getByRole('heading', { name: 'Evening class' })).toBeVisible();
  const set = page.url();
  await hand.click(button('Record the brief of 12'));
  await recorded(page, 'Brief', 12);

  await hand.click(page.getByRole('link', { name: 'To buy' }));
  await expect(page.getByText(/things for 12 open canvases, those that were chosen/)).toBeVisible();
  await expect(page.getByText('24 pairs of')).toHaveCount(0);
  await expect(page.getByText('12 pairs of 400 mm')).toBeVisible();
  await expect(page.getByText('12 pairs of 300 mm')).toBeVisible();
  await hand.click(button('Tick all'));
  await hand.click(button(/^Bought: put \d+ away/));
  await expect(page.getByText('Nothing to buy for 12 open canvases.')).toBeVisible();
  await hand.back();

  await hand.click(page.getByRole('link', { name: 'One plan to saw and buy for all' }));
  await hand.click(button('Record: sawn and picked'));
  await expect(page.getByRole('region', { name: 'Stock movements' })).toContainText('Sawn and picked for No. 101');
  await page.goto(set);
  hand.count += 1;
  await hand.click(button('Record the frame of 12'));
  await recorded(page, 'Bars', 12);

  // Diagonals down the sheet, Enter after each; the last frame is out by a centimetre.
  await page.getByLabel('No. 101, top left down').focus();
  for (let frame = 101; frame <= 112; frame += 1)
    for (const reading of frame === 112 ? ['495', '505', ''] : ['500', '500.5', '']) {
      await page.keyboard.type(reading);
      await page.keyboard.press('Enter');
    }
  await expect(page.getByRole('row', { name: /No\. 112/ })).toContainText('Stop. The diagonals differ by 10 mm');
  await expect(page.getByText('1 left out: No. 112')).toBeVisible();
  await hand.click(button('Record the readings of 11'));
  await recorded(page, 'Square', 11);
  await expect(page.getByText('11 of 12 squared')).toBeVisible();
  await page.getByLabel('No. 112, top left down').fill('500');
  await page.getByLabel('No. 112, bottom left up').fill('500');
  await hand.click(button('Record the readings of 1'));
  await recorded(page, 'Square', 1);

  await hand.click(page.getByRole('link', { name: 'Lay them on one roll' }));
  await hand.click(button('Record the cuts'));
  await expect(button('Record the cuts')).toHaveCount(0);
  await page.goto(set);
  hand.count += 1;
  await hand.click(button('Record the cut of 12'));
  await recorded(page, 'Cloth', 12);
  await hand.click(button('Record the fastening of 12'));
  await recorded(page, 'Fasten', 12);
  await hand.click(button('Record the tension of 12'));
  await recorded(page, 'Tune', 12);
  for (const coat of [1, 2, 3]) {
    // A coat that still dries goes along only where somebody ticks it.
    if (coat > 1) await hand.click(page.getByLabel('Record all that can be'));
    await hand.click(button('Record this coat of 12'));
    await expect(page.getByText(coat < 3 ? `0 of 12 have coat ${coat + 1}` : '0 of 12 handed over')).toBeVisible();
  }
  await hand.click(page.getByLabel('Record all that can be'));
  await hand.click(button('Record the handover of 12'));
  await expect(page.getByText('all 12 handed over')).toBeVisible();
  expect(hand.count).toBeLessThanOrEqual(60);

  await button('Undo records').click();
  const dialog = page.getByRole('dialog', { name: 'Undo records: Hand over' });
  await dialog.getByText(/^No\. 101/).click();
  await dialog.getByLabel(/Reason for undoing/).fill('Eleven were not fetched.');
  await dialog.getByRole('button', { name: 'Undo 11' }).click();
  await expect(page.getByText('1 of 12 handed over')).toBeVisible();
});

/** Tabs until something has the focus whose name begins so. */
async function tabTo(page: Page, name: string): Promise<void> {
  for (let presses = 0; presses < 140; presses += 1) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate(() => {
      const element = document.activeElement as HTMLInputElement | null;
      return (element?.labels?.[0]?.textContent ?? element?.getAttribute('aria-label') ?? element?.textContent ?? '').trim();
    });
    if (here.startsWith(name)) return;
  }
  throw new Error(`Tab never reached “${name}”`);
}

test('three go the whole way by keys alone', async ({ page, emptyServer }) => {
  const enter = async (name: string) => {
    await tabTo(page, name);
    await page.keyboard.press('Enter');
  };
  const toSet = async () => {
    await page.keyboard.press('g');
    await expect(page.getByRole('heading', { name: /for your hands/ })).toBeVisible();
    await enter('By keys');
    await expect(page.getByRole('heading', { name: 'By keys' })).toBeVisible();
  };
  await page.goto(emptyServer.url);
  await page.keyboard.press('c');
  await expect(page.getByLabel('Title')).toBeFocused();
  for (const typed of ['By keys', '400', '300']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Control+A');
  await page.keyboard.type('3');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'By keys' })).toBeVisible();
  await enter('Record the brief');
  await recorded(page, 'Brief', 3);
  await enter('To buy');
  await expect(page.getByText(/things for 3 open/)).toBeVisible();
  await enter('Tick all');
  await enter('Bought: put');
  await expect(page.getByText('Nothing to buy for 3 open canvases.')).toBeVisible();
  await toSet();
  await enter('One plan to saw');
  await enter('Record: sawn and picked');
  await expect(page.getByRole('region', { name: 'Stock movements' })).toContainText('Sawn and picked');
  await toSet();
  await enter('Record the frame');
  await recorded(page, 'Bars', 3);
  await tabTo(page, 'No. 101, top left down');
  // Enter goes on frame by frame; the third field of each, the lift, is passed by.
  for (let frame = 1; frame <= 3; frame += 1) {
    for (const reading of ['500', '500']) {
      await page.keyboard.type(reading);
      await page.keyboard.press('Enter');
    }
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('button', { name: 'Record the readings of 3' })).toBeVisible();
  await enter('Record the readings');
  await recorded(page, 'Square', 3);
  await enter('Lay them on one roll');
  await expect(page.getByRole('button', { name: 'Record the cuts' })).toBeEnabled();
  await enter('Record the cuts');
  await expect(page.getByRole('button', { name: 'Record the cuts' })).toHaveCount(0);
  await toSet();
  for (const [name, button] of [
    ['Cloth', 'Record the cut'],
    ['Fasten', 'Record the fastening'],
    ['Tune', 'Record the tension'],
  ] as const) {
    await enter(button);
    await recorded(page, name, 3);
  }
  for (const then of ['0 of 3 have coat 2', '0 of 3 have coat 3', '0 of 3 handed over', 'all 3 handed over']) {
    if (then !== '0 of 3 have coat 2') {
      await tabTo(page, 'Record all that can be');
      await page.keyboard.press('Space');
    }
    await enter(then === 'all 3 handed over' ? 'Record the handover' : 'Record this coat');
    await expect(page.getByText(then)).toBeVisible();
  }
});

test('panels are drawn with their gap, judged against one another, and follow one plan or depart', async ({
  page,
  emptyServer,
}) => {
  await page.goto(emptyServer.url);
  await page.keyboard.press('c');
  await page.getByLabel('Title').fill('Three tides');
  await page.getByLabel('Face width').fill('400');
  await page.getByLabel('Face height').fill('700');
  await page.getByLabel('How many').fill('3');
  await page.getByLabel('They are').selectOption('panels');
  await page.getByLabel('Faces in their order').fill('400 × 700; 600 × 7; 400 × 700');
  await expect(page.getByText('“600 × 7” is no face we stretch')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start a set of 3' })).toBeDisabled();
  await page.getByLabel('Faces in their order').fill('400 × 700; 600 × 700; 400 × 700');
  await page.getByLabel('Gap between two').fill('15');
  await page.getByRole('button', { name: 'Start a set of 3' }).click();
  await expect(page.getByText('1430 mm in all')).toBeVisible();
  await expect(page.getByText('gap 15 mm')).toBeVisible();
  await expect(page.getByText('0 of 2 joints can be judged')).toBeVisible();
  await page.getByRole('link', { name: '102', exact: true }).click();
  await page.getByLabel('Hangs').selectOption('eitherWay');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  await page.getByRole('link', { name: 'one of 3: Three tides' }).click();
  const plan = page.getByRole('region', { name: 'Plan of the set' });
  await expect(plan).toContainText('No. 102 departs');
  await plan.getByRole('button', { name: 'Apply to all' }).click();
  await expect(plan).toContainText('2 go along with No. 102.');
  await expect(plan).toContainText('All follow it.');
});

test('a bill names what has no price, a quote waits for it; a canvas is taken down and stretched again', async ({
  page,
  demoServer,
}) => {
  await page.goto(`${demoServer.url}/set/demo-set-tide-gauge/cost`);
  await expect(page.getByText(/No price is known for .*Screw 3 × 25 mm/)).toBeVisible();
  await expect(page.getByRole('button', { name: /Make the quote/ })).toBeDisabled();
  await page.goto(`${demoServer.url}/job/demo-132/cost`);
  await page.getByLabel('Quote for').fill('The ferry line');
  await expect(page.getByRole('button', { name: /Make the quote/ })).toBeDisabled();
  await page.getByLabel(/^The example prices hold here: /).check();
  await page.getByRole('button', { name: /Make the quote/ }).click();
  await expect(page.getByRole('heading', { name: /Quote \d+/ })).toBeVisible();
  await expect(page.getByText('For The ferry line')).toBeVisible();

  await page.goto(`${demoServer.url}/store?view=rates`);
  for (const [typed, says] of [
    ['12.345', 'has parts of a cent'],
    ['$12', 'is not in €'],
    ['-3', 'is not an amount'],
  ] as const) {
    await page.getByLabel('An hour of hands').fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: `“${typed}” ${says}` })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Save the rates' })).toBeDisabled();
  }
  await page.goto(`${demoServer.url}/job/demo-119`);
  await page.getByRole('button', { name: 'Take it down' }).click();
  const dialog = page.getByRole('dialog', { name: 'Take it down' });
  await expect(dialog.getByRole('button', { name: 'Take it down' })).toBeDisabled();
  await dialog.getByLabel('Image, top').fill('600');
  await dialog.getByLabel('Image, left side').fill('400');
  for (const side of ['top', 'right', 'bottom', 'left']) await dialog.getByLabel(`Margin, ${side}`).fill('52');
  await dialog.getByRole('button', { name: 'Take it down' }).click();
  await expect(page.getByText(/margins top 52 mm, right 52 mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Stretch it again' }).click();
  await expect(page.getByLabel('What it is', { exact: true })).toHaveValue('restretch');
  await page.goto(`${demoServer.url}/job/demo-119`);
  await expect(page.getByRole('button', { name: 'Bring this job back' })).toBeVisible();
});

test('the store counts, takes by hand and takes back', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Study', '600', '400');
  await page.goto(`${emptyServer.url}/store?view=store`);
  await page.getByRole('button', { name: 'Track stock of Key' }).first().click();
  await page.getByLabel('Counted now').fill('40');
  await page.getByLabel('Price of that').fill('8.50');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /^Key 40 pieces/ })).toBeVisible();
  await page.getByRole('button', { name: 'Change Key', exact: true }).click();
  await page.getByLabel('Take by hand').fill('50');
  await page.getByLabel('Why').fill('lent out');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('There are no 50 pieces of Key any more: 40 pieces are left.')).toBeVisible();
  await page.getByLabel('Take by hand').fill('15');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /^Key 25 pieces/ })).toBeVisible();
  await page.getByRole('button', { name: /Undo: Key: took 15/ }).click();
  await expect(page.getByRole('row', { name: /^Key 40 pieces/ })).toBeVisible();
});
