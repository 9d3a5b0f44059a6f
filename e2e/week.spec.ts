import { now } from './clock';
import ICAL from 'ical.js';
import type { Locator, Page } from '@playwright/test';
import { expect, newCanvas, test } from './test';

const blocks = (page: Page): Locator =>
  page.getByRole('group', { name: 'The days: hands by maker, and what dries' }).getByRole('button');
const label = (page: Page): Locator => blocks(page).filter({ hasText: /Label/ }).last();
const nameOf = async (block: Locator) => (await block.getAttribute('aria-label'))!;

/** The next weekday from tomorrow on, as a field of dates reads it. */
function nextWeekday(): string {
  const day = now();
  do day.setDate(day.getDate() + 1);
  while ([0, 6].includes(day.getDay()));
  return `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, '0')}-${String(day.getDate()).padStart(2, '0')}`;
}

test('work is moved by hand: dragged, moved by keys, undone, let go', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Set by hand', '600', '400');
  await page.goto(`${emptyServer.url}/week`);
  await page.getByRole('button', { name: 'Four weeks' }).click();
  await expect(label(page)).toBeVisible();
  const before = await nameOf(label(page));
  await label(page).scrollIntoViewIfNeeded();
  const box = (await label(page).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y, { steps: 3 });
  await page.mouse.move(x + 160, y, { steps: 6 });
  await expect(page.getByTestId('ghost')).toBeVisible();
  await page.mouse.up();
  await expect(label(page)).toHaveAttribute('aria-label', /moved by hand$/);
  expect(await nameOf(label(page))).not.toContain(before);
  await page.getByRole('button', { name: 'Undo manual moves' }).click();
  await expect(label(page)).toHaveAttribute('aria-label', before);

  // By keys: taken up, an hour later, put down; Escape lets it be.
  await label(page).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('ghost')).toHaveCount(0);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(label(page)).toHaveAttribute('aria-label', /moved by hand$/);
  await label(page).click();
  await page.getByRole('button', { name: 'Release' }).click();
  await expect(label(page)).toHaveAttribute('aria-label', before);

  // Before what it waits for it cannot be.
  await label(page).focus();
  await page.keyboard.press('Enter');
  for (let days = 0; days < 5; days += 1) await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: /at the earliest|past/ })).toBeVisible();
});

test('an away day is tried, taken, and stands among the days unlike others', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/week`);
  const what = page.getByRole('region', { name: 'What if' });
  await what.getByLabel('Who').selectOption('Tove');
  await what.getByLabel('On').fill(nextWeekday());
  await what.getByRole('button', { name: 'Try' }).click();
  await expect(what.getByText(/pieces? of work moves?/)).toBeVisible();
  await what.getByRole('button', { name: 'Use this' }).click();
  await expect(what.getByRole('button', { name: 'Use this' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Hours and places' }).click();
  await expect(page.getByRole('region', { name: 'Exceptions' }).getByText(/Tove: away/)).toBeVisible();
  await page.getByRole('button', { name: /Take away: .*Tove: away/ }).click();
  await page.getByRole('button', { name: 'Save hours and places' }).click();
  await expect(page.getByRole('region', { name: 'Exceptions' }).getByText(/Tove: away/)).toHaveCount(0);
});

test('a date can be promised while the brief is typed, and an early one names whom it pushes', async ({ page, demoServer }) => {
  await newCanvas(page, demoServer.url, 'Asked for', '900', '700');
  const told = page.getByRole('status').filter({ hasText: 'Can be promised for' });
  await expect(told).toBeVisible();
  const first = await told.innerText();
  await page.getByLabel('Wanted on').fill(nextWeekday());
  await expect(told.getByText(/kept in/)).toBeVisible();
  await page.getByLabel('Face width').fill('2400');
  await page.getByLabel('Face height').fill('1900');
  await expect(told).not.toHaveText(first);
});

test('today’s list opens a job where it stands; more canvases are tried; the week prints', async ({ page, demoServer }) => {
  await page.goto(demoServer.url);
  const today = page.getByRole('region', { name: 'Today' });
  await today.getByLabel('Maker').selectOption('Tove');
  await expect(today.getByText(/From stock today|Next pot/).first()).toBeVisible();
  const row = today.getByRole('listitem').first();
  const title = (await row.innerText())
    .split('\n')
    .at(-1)!
    .replace(/^No\. \d+ /, '');
  await row.getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1, name: title.trim() })).toBeVisible();
  await page.goto(`${demoServer.url}/week`);
  const what = page.getByRole('region', { name: 'What if' });
  await what.getByLabel('What if').selectOption('More canvases');
  await what.getByLabel('How many').fill('3');
  // By key: a better plan may come in above and move the button from under the hand.
  await what.getByLabel('How many').press('Enter');
  await expect(what.getByText(/Nine of ten runs have all of them ready by/)).toBeVisible();
  await page.getByRole('link', { name: 'Print the week' }).click();
  await expect(page.getByRole('heading', { name: /: the week/ })).toBeVisible();
  expect(await page.getByRole('main').getByRole('listitem').count()).toBeGreaterThan(20);
});

test('the calendar file is read back by another reader: every piece of work of a maker, with its times', async ({
  page,
  demoServer,
}) => {
  await page.goto(`${demoServer.url}/week/print?maker=Wenna`);
  const first = await page.getByRole('main').getByRole('listitem').first().innerText();
  const answer = await page.request.get(`${demoServer.url}/calendar/Wenna.ics`);
  expect(answer.headers()['content-type']).toContain('text/calendar');
  const events = new ICAL.Component(ICAL.parse(await answer.text()))
    .getAllSubcomponents('vevent')
    .map((one) => new ICAL.Event(one));
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  const start = events.map((event) => event.startDate.toJSDate()).sort((a, b) => a.getTime() - b.getTime())[0]!;
  expect(first).toContain(`${String(start.getHours()).padStart(2, '0')}:${String(start.getMinutes()).padStart(2, '0')}`);
  expect((await page.request.get(`${demoServer.url}/calendar/Nobody.ics`)).status()).toBe(404);
});

test('wrong hours are told in words; with nobody there the week says so', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Nobody there', '600', '400');
  await page.goto(`${emptyServer.url}/week?view=hours`);
  const save = page.getByRole('button', { name: 'Save hours and places' });
  await page.getByLabel('Monday', { exact: true }).fill('9–12, 11–17');
  await expect(page.getByRole('alert').filter({ hasText: 'Monday: 09:00 to 12:00 and 11:00 to 17:00 overlap.' })).toBeVisible();
  await expect(save).toBeDisabled();
  await page.getByLabel('Monday', { exact: true }).fill('noon');
  await expect(page.getByText(/“noon” is no stretch of a day/)).toBeVisible();
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'])
    await page.getByLabel(day, { exact: true }).fill('');
  await expect(page.getByRole('alert').filter({ hasText: 'Nobody is ever there' })).toBeVisible();
  await page.getByLabel('Sunday', { exact: true }).fill('10–14');
  await expect(page.getByRole('alert').filter({ hasText: 'Nobody is ever there' })).toHaveCount(0);
  await page.getByLabel('Bars', { exact: true }).check();
  await save.click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto(`${emptyServer.url}/week`);
  await expect(page.getByRole('alert').filter({ hasText: 'The days cannot be planned' })).toContainText(
    'nobody does work of the kind “bars”',
  );
});

test('a phone shows the day in place of the lanes', async ({ page, demoServer }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${demoServer.url}/week`);
  await expect(page.getByRole('region', { name: 'Today' }).getByRole('listitem').first()).toBeVisible();
  await expect(page.getByRole('group', { name: 'The days: hands by maker, and what dries' })).toBeHidden();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
