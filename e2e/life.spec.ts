/* The life of a canvas through three years, each begun with the clock of the workshop set on: damp, keyed, taken down, stretched again. */
import { now } from './clock';
import { startServer, type TestServer } from './server';
import { awake, expect, test, verdict } from './test';

/** A clock that was set on lies ahead of the browser’s: what the page asks in between is told by the server alone. */
const YEAR_MS = 365 * 86_400_000;
const later = (years: number) => new Date(now().getTime() + years * YEAR_MS).toISOString();

let server: TestServer;
test.beforeAll(async () => {
  server = await startServer({ demo: true });
});
test.afterAll(() => server.remove());

test('a canvas goes slack where it hangs, is keyed, taken down and stretched again, and its life goes on', async ({
  page,
  complaints,
}) => {
  const anew = async (years: number) => {
    await page.goto('about:blank');
    await server.kill();
    await server.restart(later(years));
    complaints.length = 0;
  };
  await page.goto(`${server.url}/canvases`);
  await page.getByLabel('Find a canvas').fill('rope 410 x 560');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('link', { name: 'Rope locker' }).click();
  await awake(page);
  await expect(page.getByRole('img', { name: /Tension through the years.*236 ±/ })).toBeVisible();

  const care = page.getByRole('form', { name: 'Look at it' });
  // A range that runs backwards is refused; nothing of the form is lost.
  const hangs = page.getByRole('form', { name: 'Where it hangs' });
  await hangs.getByLabel('Place').fill('Ferry inn, cellar');
  await hangs.getByLabel('Who has it').fill('The innkeeper');
  await hangs.getByLabel('Its air').selectOption('damp');
  await hangs.getByLabel('Driest').fill('95');
  await hangs.getByRole('button', { name: 'Keep where it hangs' }).click();
  await expect(page.getByText(/cannot go from 95 % RH down to 90 % RH/)).toBeVisible();
  await expect(hangs.getByLabel('Place')).toHaveValue('Ferry inn, cellar');
  await hangs.getByLabel('Driest').fill('68');
  await hangs.getByRole('button', { name: 'Keep where it hangs' }).click();
  await expect(page.getByRole('heading', { name: /Hangs at Ferry inn, cellar since/ })).toBeVisible();

  // Two photographs are laid flat by their corners, which are kept.
  for (const [index, note] of ['Left on the easel', 'By the window'].entries()) {
    await care
      .locator('input[type=file]')
      .setInputFiles({
        name: 'canvas.jpg',
        mimeType: 'image/jpeg',
        buffer: await page.locator('h1').screenshot({ type: 'jpeg' }),
      });
    await expect(care.getByRole('button', { name: 'Another photograph' })).toBeVisible();
    await care.getByLabel('Note').fill(note);
    await care.getByRole('button', { name: 'Keep what you saw' }).click();
    await expect(page.getByRole('img', { name: /^Photograph, Looked at/ })).toHaveCount(index + 1);
    await expect(care.getByLabel('Note')).toHaveValue('');
  }
  await page.getByRole('button', { name: 'Compare photographs' }).click();
  const compared = page.getByRole('dialog', { name: 'Photographs compared' });
  const first = compared.getByRole('form', { name: 'Corners of the image' }).first();
  await first.getByRole('button', { name: 'Corner top left' }).press('ArrowRight');
  await first.getByRole('button', { name: 'Save the corners' }).click();
  await expect(compared.getByRole('img', { name: /^Laid flat: / })).toHaveCount(1);
  await page.reload();
  await awake(page);
  await page.getByRole('button', { name: 'Compare photographs' }).click();
  await expect(compared.getByRole('img', { name: /^Laid flat: / })).toHaveCount(1);
  await compared.getByRole('button', { name: 'Close', exact: true }).click();

  await anew(1);
  await page.goto(`${server.url}/canvases?show=damp`);
  await page.getByRole('link', { name: 'Rope locker' }).click();
  await awake(page);
  await care.getByLabel('How it feels').selectOption('slack');
  await care.getByLabel('What happened').selectOption('slack');
  await care.getByLabel('Humidity there').fill('84');
  await care.getByLabel('Diagonal, down').fill('694');
  await care.getByRole('button', { name: 'Keep what you saw' }).click();
  await expect(page.getByText(/One diagonal alone tells nothing/)).toBeVisible();
  await care.getByLabel('Diagonal, up').fill('695');
  await care.getByRole('button', { name: 'Keep what you saw' }).click();
  await expect(page.getByText('Looked at: hung slack, felt slack, diagonals 694 mm and 695 mm, at 84 % RH')).toBeVisible();
  await expect(page.getByTestId('answer')).toHaveText('Slack');

  await expect(verdict(page, /87 % less than on .*“open the corners”: it is the cloth, not the weather/)).toBeVisible();
  await page.getByRole('link', { name: /Tap it, weigh it/ }).click();
  await awake(page);
  await page.getByRole('tab', { name: 'Corners' }).click();
  await page.getByRole('button', { name: /All four/ }).click();
  await page.getByRole('button', { name: 'Record this round' }).click();
  await expect(page.getByText('Nothing is to go.')).toBeVisible();
  await page.getByRole('link', { name: 'Its life' }).click();
  await expect(page.getByText(/Corners opened:/).first()).toBeVisible();

  await anew(3.5);
  await page.goto(`${server.url}/canvases?show=unseen`);
  await page.getByRole('link', { name: 'Rope locker' }).click();
  await awake(page);
  await expect(verdict(page, 'Not looked at for 2.5 years.')).toBeVisible();
  await page.getByRole('link', { name: 'How it was made' }).click();
  await awake(page);
  await page.getByRole('button', { name: 'Take it down' }).click();
  await page.getByLabel('Image, top').fill('600');
  await page.getByLabel('Image, left side').fill('400');
  for (const side of ['top', 'right', 'bottom', 'left']) await page.getByLabel(`Margin, ${side}`).fill('52');
  await page.getByRole('dialog').getByRole('button', { name: 'Take it down' }).click();
  await expect(page.getByText(/margins top 52 mm, right 52 mm/)).toBeVisible();
  await page.goto(`${server.url}/job/demo-126/life`);
  await expect(page.getByText('It is off its bars: there is nothing stretched to look at.')).toBeVisible();
  await expect(page.getByRole('form', { name: 'Look at it' })).toHaveCount(0);
  await page.goBack({ waitUntil: 'commit' });
  await awake(page);
  await page.getByRole('listitem').filter({ hasText: 'Rope locker' }).getByRole('button', { name: 'Stretch it again' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Rope locker, re-stretch/ })).toBeVisible();
  await page.goto(`${page.url()}/life`);
  await expect(page.getByRole('link', { name: 'No. 126' })).toBeVisible();
  await expect(page.getByText(/^Taken down/)).toBeVisible();
  await expect(page.getByText(/Hangs: Ferry inn, cellar, The innkeeper/)).toBeVisible();
  await expect(page.getByText('It is not stretched yet.')).toBeVisible();
});

test('a passport goes out with a canvas and comes in elsewhere; its label is scanned from a picture', async ({
  page,
  demoServer,
  emptyServer,
  complaints,
}) => {
  await page.goto(`${demoServer.url}/job/demo-41/life`);
  await page.getByRole('link', { name: 'Its passport' }).click();
  await expect(page.getByRole('heading', { name: 'Lamp room, both lights' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Never' }).getByText(/Never wet the back/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'What was measured' }).getByRole('listitem')).toHaveCount(4);
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'The same as a file' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('41-lamp-room-both-lights.passport.json');
  const given = await file.path();

  await page.goto(`${emptyServer.url}/canvases`);
  await page
    .getByLabel('Passport', { exact: true })
    .setInputFiles({ name: 'torn.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"keen-batten/passport"}') });
  await expect(page.getByRole('alert').filter({ hasText: /^torn\.json was not imported\. / })).toBeVisible();
  await page.getByLabel('Passport', { exact: true }).setInputFiles(given);
  await expect(page.getByText(/Made elsewhere: Ostrel Quay supports workshop, No\. 41/)).toBeVisible();
  await expect(page.getByText(/^Looked at: felt firm/).first()).toBeVisible();
  const brought = page.url();
  await page.goto(`${emptyServer.url}/canvases?find=harbour+board`);
  await expect(page.getByRole('link', { name: 'Lamp room, both lights' })).toBeVisible();
  await page.getByLabel('Passport', { exact: true }).setInputFiles(given);
  await expect(page.getByRole('alert').filter({ hasText: 'This canvas was imported already' })).toBeVisible();

  const label = async (url: string) => {
    await page.goto(url.replace(/\/life$/, '/slip'));
    return { name: 'label.png', mimeType: 'image/png', buffer: await page.locator('header svg').screenshot() };
  };
  const [own, strange] = [await label(brought), await label(`${demoServer.url}/job/demo-57/life`)];
  await page.goto(`${emptyServer.url}/canvases`);
  await page.getByRole('button', { name: 'Scan a label' }).click();
  const dialog = page.getByRole('dialog', { name: 'Scan the label on the back' });
  await expect(dialog.getByText(/There is no camera here/)).toBeVisible();
  const scan = dialog.getByLabel('Picture of the label');
  await scan.setInputFiles({ name: 'empty.png', mimeType: 'image/png', buffer: await page.locator('h1').screenshot() });
  await expect(dialog.getByText(/No code is found in empty\.png/)).toBeVisible();
  await scan.setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(dialog.getByText(/note\.txt is no picture/)).toBeVisible();
  await scan.setInputFiles(strange);
  await expect(dialog.getByText(/not in this workshop: ask for its passport/)).toBeVisible();
  // A canvas that is not here is said so by the server too.
  expect(complaints.splice(0)).toEqual([expect.stringMatching(/404 .*\/api\/job\/demo-57\/inputs$/)]);
  await scan.setInputFiles(own);
  await expect(page).toHaveURL(brought);
});
