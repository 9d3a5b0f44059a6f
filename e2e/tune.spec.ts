import { chromium, type Page } from '@playwright/test';
import { randomLcg } from 'd3-random';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_ARGS, chromiumPath } from '../scripts/chromium.mjs';
import { TAP_PLACE_IDS } from '../src/core/tension/tap/membraneTone';
import { normal } from '../src/core/normal';
import { writeWav } from '../src/core/tension/tap/wav';
import { simulatedTap } from '../src/features/job/tune/microphone';
import { onTestClock } from './clock';
import { answer, expect, listen, newCanvas, saved, stage, test, verdict, wakeful } from './test';

const tab = (page: Page, name: string) => page.getByRole('tab', { name });
/** Rope locker, finished: 410 × 560 mm. */
const SPAN = { a: 0.41, b: 0.56 };
const PULL = { tx: 180, ty: 240 };

test('a weight tells the tension with its error; two that disagree are told apart; a wrong sag is refused', async ({
  page,
  emptyServer,
}) => {
  await newCanvas(page, emptyServer.url, 'Weighed', '700', '500');
  await stage(page, 'Tune').click();
  await expect(answer(page)).toHaveText('Not felt yet');
  await tab(page, 'Weight').click();
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
  await tab(page, 'Weight').click();
  await expect(light).toHaveValue('1.5 mm');
});

/** Sounds one after the other as the microphone of a browser; they are heard once, from the moment it is opened. */
async function withMicrophone(url: string, sounds: Float32Array[], rate: number, look: (page: Page) => Promise<void>) {
  const whole = new Float32Array(sounds.reduce((sum, one) => sum + one.length, 0));
  sounds.reduce((at, one) => {
    whole.set(one, at);
    return at + one.length;
  }, 0);
  const file = join(mkdtempSync(join(tmpdir(), 'taps-')), 'taps.wav');
  writeFileSync(file, writeWav({ samples: whole, rate }));
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}%noloop`,
    ],
  });
  onTestClock(browser);
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, permissions: ['microphone'] });
    const page = wakeful(await context.newPage());
    const complaints: string[] = [];
    listen(page, complaints);
    await page.goto(url);
    await stage(page, 'Tune').click();
    await expect(page.getByLabel('Sound from')).toHaveValue('microphone');
    await look(page);
    expect(complaints).toEqual([]);
  } finally {
    await browser.close();
  }
}

const RATE = 16_000;
const quiet = (seconds: number) => {
  const random = randomLcg(0.31);
  return Float32Array.from({ length: seconds * RATE }, () => 5e-3 * normal(random));
};

test(
  'three taps through the microphone tell the tension, which is kept with its sound',
  { tag: '@microphone' },
  async ({ page, demoServer }) => {
    const url = `${demoServer.url}/job/demo-126`;
    await page.goto(url);
    await stage(page, 'Tune').click();
    const mass = await page.getByText(/Cloth and ground: \d+ ± \d+ g\/m²/).textContent();
    const sigma = Number(/(\d+) ±/.exec(mass!)![1]) / 1000;
    const taps = TAP_PLACE_IDS.flatMap((place, index) => [
      quiet(0.6),
      simulatedTap(place, SPAN, sigma, PULL, 11 + index).samples,
    ]);
    await withMicrophone(url, [quiet(2.5), ...taps, quiet(3)], RATE, async (heard) => {
      const keep = heard.getByRole('button', { name: 'Keep this reading' });
      // A busy machine may drop a piece of sound: then the maker taps again, all three.
      await expect(async () => {
        await heard.reload();
        await stage(heard, 'Tune').click();
        await heard.getByRole('button', { name: 'Listen' }).click();
        await expect(heard.getByRole('meter', { name: 'Level' })).toBeVisible();
        await expect(keep).toBeEnabled({ timeout: 20_000 });
      }).toPass({ timeout: 80_000 });
      await keep.click();
      await expect(heard.getByRole('button', { name: 'Kept in the log' })).toBeVisible();
      await expect(answer(heard)).toHaveText(/^\d{3} ± \d+ N\/m$/);
      const mean = Number(/^\d+/.exec((await answer(heard).textContent())!)![0]);
      expect(Math.abs(mean / Math.sqrt(PULL.tx * PULL.ty) - 1)).toBeLessThan(0.12);
      await expect(heard.getByRole('img', { name: /Spectrum of the taps; notes of the cloth: 1,1 at/ })).toBeVisible();
    });
    await page.reload();
    await stage(page, 'Tune').click();
    await tab(page, 'Past').click();
    const file = page.waitForEvent('download');
    await page.getByRole('link', { name: 'C.wav' }).first().click();
    expect((await file).suggestedFilename()).toBe('tap-C.wav');
  },
);

test(
  'silence, a cut-off tap and speech are refused, each with its reason',
  { tag: '@microphone' },
  async ({ emptyServer, page }) => {
    const id = await newCanvas(page, emptyServer.url, 'Refused', '410', '560');
    const random = randomLcg(0.5);
    const loud = simulatedTap('C', SPAN, 0.34, PULL, 3).samples.map((value) => Math.max(-1, Math.min(1, 4 * value)));
    const speech = Float32Array.from(
      { length: 2.2 * RATE },
      (_, index) => 0.2 * Math.abs(Math.sin((4 * Math.PI * index) / RATE)) * normal(random),
    );
    for (const [sounds, says] of [
      [[quiet(25)], 'No tap was heard yet.'],
      [[quiet(1.2), loud, quiet(6)], 'The tap was too loud: its peaks are cut off.'],
      [[quiet(1.2), speech, quiet(6)], 'This is not one short tap'],
    ] as const)
      await withMicrophone(`${emptyServer.url}/job/${id}`, [...sounds], RATE, async (heard) => {
        await heard.getByRole('button', { name: 'Listen' }).click();
        await expect(heard.getByRole('alert').filter({ hasText: says })).toBeVisible();
        await expect(heard.getByText('heard ✓')).toHaveCount(0);
      });
  },
);

test('corners open a round at a time, the totals stand, and what they did to the tension is learned', async ({
  page,
  demoServer,
}) => {
  await page.goto(`${demoServer.url}/job/demo-124`);
  await stage(page, 'Tune').click();
  await page.getByLabel('Sound from').selectOption('simulated');
  const tapAll = async (nPerM: string) => {
    await tab(page, 'Tap').click();
    await page.getByLabel('Sound from').selectOption('simulated');
    await page.getByLabel('True across').fill(nPerM);
    await page.getByLabel('True down').fill(nPerM);
    for (const place of TAP_PLACE_IDS) await page.getByRole('button', { name: `Tap ${place}`, exact: true }).click();
    await page.getByRole('button', { name: 'Keep this reading' }).click();
    await expect(page.getByRole('button', { name: 'Kept in the log' })).toBeVisible();
  };
  await tapAll('150');
  await tab(page, 'Corners').click();
  await page.getByLabel('Open top left to').fill('0.5');
  await expect(verdict(page, 'The corners differ: the diagonals end')).toBeVisible();
  for (const corner of ['top right', 'bottom right', 'bottom left']) await page.getByLabel(`Open ${corner} to`).fill('0.5');
  await expect(verdict(page, 'The corners differ')).toHaveCount(0);
  await expect(page.getByText(/rounds over the corners/)).toBeVisible();
  for (let rounds = 3; rounds > 0; rounds -= 1) await page.getByRole('button', { name: 'Record this round' }).click();
  await expect(page.getByText('Nothing is to go.')).toBeVisible();
  await expect(page.getByRole('row', { name: /^Top left 0\.5 mm/ })).toBeVisible();
  await tapAll('220');
  await expect(verdict(page, /Tighter by \d+ N\/m than when it was last measured/)).toBeVisible();
  await tab(page, 'Past').click();
  await expect(page.getByText(/corners opened by/)).toHaveCount(3);
});

test('remedies are ranked by what is seen, noted with the tension before and after; never water on paint', async ({
  page,
  demoServer,
}) => {
  await page.goto(`${demoServer.url}/job/demo-123`);
  await stage(page, 'Tune').click();
  const advice = page.getByRole('list', { name: 'Advice, best first' }).getByRole('listitem');
  await expect(advice.first()).toContainText('Nothing needed');
  await page.getByLabel('Slack all over').check();
  await expect(advice.first()).toContainText('Open the corners');
  await page.getByLabel('Action taken').selectOption('restretch');
  await page.getByRole('button', { name: 'Note it: draw the fasteners' }).click();
  await tab(page, 'Past').click();
  await expect(page.getByText(/Draw the fasteners and stretch again: .* before, not measured yet after/)).toBeVisible();
  await page.goto(`${demoServer.url}/job/demo-131`);
  await stage(page, 'Tune').click();
  await page.getByLabel('Packing creases').check();
  await page.getByText('Other remedies').click();
  await expect(page.getByText('not here: the canvas is painted: water can crack the paint')).toBeVisible();
});
