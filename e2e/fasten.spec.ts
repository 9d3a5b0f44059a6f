import type { Page } from '@playwright/test';
import { expect, newCanvas, saved, stage, test } from './test';

const JOB = '/job/demo-134';

async function fastening(page: Page, url: string): Promise<void> {
  await page.goto(url + JOB);
  await stage(page, 'Fasten').click();
  await expect(page.getByTestId('route-step')).toBeVisible();
}
const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
const stepNow = async (page: Page): Promise<number> =>
  Number(/^(\d+) of/.exec((await page.getByTestId('route-step').textContent()) ?? '')?.[1]);
/** The two ends of a band such as "0.45 to 0.50". */
const bandOf = (text: string): [number, number] => {
  const [, from, to] = /(\d\.\d\d) to (\d\.\d\d)/.exec(text)!;
  return [Number(from), Number(to)];
};

test('a route is played, stopped, scrubbed back and jumped along, with its checks', async ({ page, demoServer }) => {
  await fastening(page, demoServer.url);
  await page.getByRole('button', { name: 'Play the route' }).click();
  await expect.poll(() => stepNow(page)).toBeGreaterThan(3);
  await page.getByRole('button', { name: 'Stop' }).click();
  const stopped = await stepNow(page);
  await page.getByRole('button', { name: '← Back' }).click();
  expect(await stepNow(page)).toBe(stopped - 1);
  await page.getByLabel('Step along the route').fill('5');
  await expect(page.getByTestId('route-check')).toContainText('a tight diamond from middle to middle');
  await page.getByLabel('Jump to').selectOption({ label: 'corner bottom right, 84' });
  await expect(page.getByTestId('route-step')).toContainText('84 of 84 bottom, fold the corner');
});

test('the cloth goes with the route: map, band, pull, and what to set again', async ({ page, demoServer }) => {
  await fastening(page, demoServer.url);
  await tab(page, 'Cloth');
  const figures = page.getByLabel('The simulated cloth');
  await expect(figures).toHaveAttribute('aria-busy', 'false');
  await expect(figures).toContainText('nothing holds the other side yet');
  const map = page.getByRole('img', { name: /^The tension of the cloth/ });
  const bars = map.locator('.pull, .pullLow, .pullNow');
  await page.getByLabel('Step along the route').fill('4');
  await expect(bars).toHaveCount(4);
  await page.getByLabel('Step along the route').fill('84');
  await expect(bars).toHaveCount(80);
  await page.getByLabel('Step along the route').fill('12');
  await expect(bars).toHaveCount(12);
  const [least, most] = bandOf((await figures.textContent()) ?? '');
  expect(most).toBeGreaterThan(least);
  const panel = page.getByRole('tabpanel');
  await expect(panel.getByText(/Pull about \d+ N at each place for 250 N\/m\./)).toBeVisible();
  await page.getByRole('button', { name: 'What to set again?' }).click();
  const again = panel.getByText(/Draw and set again: .*, at \d+ N.* Expected unevenness \d\.\d\d → \d\.\d\d\./);
  await expect(again).toBeVisible();
  const blind = await again.textContent();
  // What a finger tells at a place counts: what was found before is forgotten, and asked for again.
  await page.getByRole('button', { name: 'Felt at a place' }).click();
  await page.getByLabel('Felt 1, bar').selectOption('right');
  await page.getByLabel(/^Felt 1, from the/).fill('9 m');
  await expect(panel.getByRole('alert').filter({ hasText: /“9 m”/ })).toBeVisible();
  await page.getByLabel(/^Felt 1, from the/).fill('381');
  await page.getByLabel('Felt 1, it is').selectOption('tight');
  await expect(again).toHaveCount(0);
  await page.getByRole('button', { name: 'What to set again?' }).click();
  await expect(again).toBeVisible();
  expect(await again.textContent()).not.toBe(blind);
  await page.getByRole('button', { name: 'Remove felt 1' }).click();
  // A pull of one's own is taken as it is, and a wrong one is refused.
  const pull = page.getByLabel('Firm pull at a place');
  await pull.fill('0');
  await expect(page.getByRole('alert').filter({ hasText: /“0” is out of range.*Type 1 to 500 N/ })).toBeVisible();
  await pull.fill('80');
  await expect(panel.getByText(/80 N at each place brings about \d+ N\/m; 250 N\/m is aimed at\./)).toBeVisible();
  await expect(panel.getByText('Take pliers: jaw on the cloth, heel on the bar, roll; never wrench.')).toBeVisible();
  await pull.fill('');
  await expect(panel.getByText(/Pull about/)).toBeVisible();
  await saved(page);
});

test('routes are compared with a band, and one that differs less than the hand is told as no difference', async ({
  page,
  demoServer,
}) => {
  await fastening(page, demoServer.url);
  await tab(page, 'Compare routes');
  const row = (name: string) => page.getByRole('row').filter({ has: page.getByRole('button', { name, exact: true }) });
  await expect(page.getByRole('row', { name: /most even/ })).toHaveCount(1);
  await expect(row('Halving')).toContainText('less even');
  const compass = bandOf((await row('Compass, opposites').textContent()) ?? '');
  const diagonal = bandOf((await row('Diagonal opposites').textContent()) ?? '');
  const meet = compass[0] <= diagonal[1] && diagonal[0] <= compass[1];
  const words = (await row('Compass, opposites').textContent()) ?? '';
  expect(/no difference|most even/.test(words)).toBe(meet);
});

test('ten fasteners are rehearsed, one is taken out and undone, the score is judged and kept in the log', async ({
  page,
  emptyServer,
}) => {
  await newCanvas(page, emptyServer.url, 'Rehearsed', '600', '450');
  await stage(page, 'Fasten').click();
  await tab(page, 'Rehearse');
  const figures = page.getByLabel('The rehearsal so far');
  const spots = page.locator('.spot');
  await expect(page.getByRole('button', { name: 'Judge it' })).toBeDisabled();
  await expect(figures).toHaveAttribute('aria-busy', 'false');
  // By hand on the drawing, then by the keyboard, then by the hint.
  await page.getByRole('button', { name: /^top, .*: fasten, the hint$/ }).click();
  await expect(figures).toContainText('nothing holds the other side');
  await page.getByRole('button', { name: /^bottom, .*: fasten, the hint$/ }).focus();
  await page.keyboard.press('Enter');
  await expect(figures).toContainText('2 of');
  await expect(figures).toHaveAttribute('aria-busy', 'false');
  await expect(figures).not.toContainText('nothing holds the other side');
  for (let more = 3; more <= 10; more += 1) {
    await page.getByRole('button', { name: 'Do the hint' }).click();
    await expect(figures).toContainText(`${more} of`);
  }
  await expect(spots.and(page.locator('.set'))).toHaveCount(10);
  await page
    .getByRole('button', { name: /^top, .*: take out/ })
    .first()
    .click();
  await expect(figures).toContainText('9 of');
  await page.getByRole('button', { name: 'Undo this step' }).click();
  await expect(figures).toContainText('10 of');
  await page.getByRole('button', { name: 'Judge it' }).click();
  const panel = page.getByRole('tabpanel');
  await expect(panel.getByText(/What hurt most: /)).toBeVisible();
  await page.getByRole('button', { name: 'Keep the score in the log' }).click();
  await expect(page.getByRole('button', { name: 'Kept in the log' })).toBeVisible();
  await page.getByLabel('Lesson').selectOption('One side first');
  await expect(panel.getByText(/^Each side is finished before the next/)).toBeVisible();
  await page.getByRole('button', { name: 'Judge it' }).click();
  await expect(panel.getByText(/One side was \d+ fasteners ahead/)).toBeVisible();
  await page.goto(`${emptyServer.url}/log`);
  await expect(page.getByText(/^Rehearsal: unevenness \d\.\d\d, 10 of \d+ places/)).toBeVisible();
});

test('a scallop at the top is diagnosed by this job’s own spacing, and leads to what to repeat', async ({
  page,
  emptyServer,
}) => {
  await newCanvas(page, emptyServer.url, 'Scalloped', '420', '320');
  await stage(page, 'Fasten').click();
  await page.getByLabel('Largest spacing').fill('95');
  await tab(page, 'Signs');
  await page.getByRole('button', { name: 'top side', exact: true }).click();
  await page.getByRole('button', { name: 'Scallops' }).click();
  const causes = page.getByRole('region', { name: 'Causes, likeliest first' });
  await expect(causes.getByRole('listitem').first()).toContainText('Likely: fasteners too far apart.');
  await expect(causes.getByRole('listitem').first()).toContainText('Top side: Set one more in every gap that swings.');
  await page.getByLabel('Largest spacing').fill('30');
  await expect(causes.getByText('Unlikely here: fasteners too far apart.')).toBeVisible();
  await page.getByRole('button', { name: /^middle/ }).click();
  await page.getByRole('button', { name: 'Slack all over, weeks later' }).click();
  await causes.getByRole('button', { name: 'Open Tune' }).first().click();
  await expect(page.getByRole('heading', { name: /Tap|Tune|tension/i }).first()).toBeVisible();
});

test('how it went is noted with its place, and a worker that dies says so', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Noted', '600', '450');
  await stage(page, 'Fasten').click();
  await tab(page, 'Actual fastening');
  await page.getByLabel('Time it took').fill('a while');
  await expect(page.getByRole('alert').filter({ hasText: '“a while” is not a number' })).toBeVisible();
  await page.getByLabel('Time it took').fill('38');
  await page.getByRole('button', { name: 'Note at a place' }).click();
  await page.getByLabel('Note 1, what').fill('thread pulled');
  await expect(page.locator('.draw').getByText('note 1')).toBeVisible();
  await saved(page);
  await page.reload();
  await stage(page, 'Fasten').click();
  await tab(page, 'Actual fastening');
  await expect(page.getByLabel('Note 1, what')).toHaveValue('thread pulled');
  await tab(page, 'Cloth');
  await expect(page.getByLabel('The simulated cloth')).toHaveAttribute('aria-busy', 'false');
  const [worker] = page.workers();
  await worker!.evaluate(() => {
    setTimeout(() => {
      throw new Error('out of memory');
    }, 0);
  });
  await page.getByLabel('Firm pull at a place').fill('25');
  await expect(page.getByText(/25 N at each place brings about/)).toBeVisible();
});
