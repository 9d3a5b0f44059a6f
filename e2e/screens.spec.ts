import { answer, expect, newCanvas, saved, stage, test, wakeful } from './test';

const SERIES = '/bars?view=series&job=demo-138&job=demo-139&job=demo-132';
const STAGES = ['Brief', 'Bars', 'Square', 'Cloth', 'Fasten', 'Tune', 'Prime', 'Hand over'];
const PAINTED = ['Look', 'Measure', 'Place', 'Bars', 'Square', 'Clamp, fasten', 'Tune', 'Hand over'];

test('every stage fits 1280 × 800 without scrolling the page', async ({ page, demoServer }) => {
  for (const id of ['demo-127', 'demo-131', 'demo-132', 'demo-136']) {
    await page.goto(`${demoServer.url}/job/${id}`);
    for (const name of id === 'demo-131' ? PAINTED : STAGES) {
      await stage(page, name).click();
      const over = await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight);
      expect(over, `${id} ${name}`).toBeLessThanOrEqual(0);
    }
  }
});

test('a narrow screen shows one column and no sideways scrolling', async ({ page, demoServer }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of [
    '/',
    '/bars',
    SERIES,
    '/bars?view=materials',
    '/cloth',
    '/cloth?view=store',
    '/job/demo-130',
    '/log',
    '/rules',
    '/canvases',
    '/job/demo-57/life',
    '/job/demo-41/passport',
    '/job/demo-132/whatif',
    '/job/demo-132/whatif?view=quantity',
  ]) {
    await page.goto(demoServer.url + path);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over, path).toBeLessThanOrEqual(0);
  }
  for (const id of ['demo-132', 'demo-131']) {
    await page.goto(`${demoServer.url}/job/${id}`);
    for (const name of id === 'demo-131' ? PAINTED : STAGES) {
      await stage(page, name).click();
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(over, name).toBeLessThanOrEqual(0);
    }
  }
});

test('under a finger everything is as large as a fingertip, the run follows its stage, the drawing is whole', async ({
  browser,
  demoServer,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = wakeful(await context.newPage());
  await page.goto(`${demoServer.url}/job/demo-128`);
  await expect(page.getByRole('group', { name: 'Seen from' })).toBeVisible();
  for (const name of ['Fasten', 'Bars', 'Tune'] as const) {
    await stage(page, name).tap();
    await expect(stage(page, name)).toHaveAttribute('aria-current', 'step');
    await expect(stage(page, name)).toBeInViewport({ ratio: 0.95 });
    // The make-ups that hold are worked out after the page is there.
    if (name === 'Bars') await expect(page.getByRole('table', { name: 'make-ups hold' })).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('main button, main input, main select, main [role=tab], footer a, nav a')]
        .filter((one) => one.getClientRects().length > 0)
        .map((one) => {
          const label = one.closest('label')?.getBoundingClientRect().height ?? 0;
          return {
            name: one.getAttribute('aria-label') ?? one.textContent,
            high: Math.max(label, one.getBoundingClientRect().height),
          };
        })
        .filter(({ name: label, high }) => high < 43.5 && label !== 'Step along the route'),
    );
    expect(small, name).toEqual([]);
  }
  const seen = await page.getByRole('group', { name: 'Seen from' }).elementHandle();
  const over = () =>
    page
      .getByRole('img')
      .first()
      .evaluate((drawing, above) => above!.getBoundingClientRect().bottom - drawing.getBoundingClientRect().top, seen);
  await expect.poll(over).toBeLessThanOrEqual(1);
  await context.close();
});

test('the lists under a drawing are drawn to a height by hand and by keys, and keep it', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-132`);
  await stage(page, 'Bars').click();
  const edge = page.getByRole('separator', { name: 'Room for the lists under the drawing' });
  const panel = page.getByRole('tabpanel');
  await expect(edge).toHaveAttribute('aria-valuetext', 'as much as they need');
  const high = async () => (await panel.boundingBox())!.height;
  const asNeeded = await high();
  await edge.scrollIntoViewIfNeeded();
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + 106, { steps: 5 });
  await page.mouse.up();
  await expect.poll(high).toBeLessThan(asNeeded - 80);
  const drawn = await high();
  await edge.focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect.poll(high).toBeCloseTo(drawn + 48, 0);
  await page.reload();
  await stage(page, 'Bars').click();
  await expect.poll(high).toBeCloseTo(drawn + 48, 0);
  await stage(page, 'Cloth').click();
  await expect(edge).toHaveAttribute('aria-valuetext', 'as much as they need');
  await stage(page, 'Bars').click();
  await edge.focus();
  await page.keyboard.press('Enter');
  await expect.poll(high).toBeCloseTo(asNeeded, 0);
});

test('units switch everywhere at once and are kept; a typed length keeps its own', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-132`);
  await stage(page, 'Cloth').click();
  await page.getByRole('group', { name: 'Units' }).getByRole('button', { name: 'cm' }).click();
  await expect(answer(page)).toHaveText('91 × 69.4 cm');
  await page.getByRole('group', { name: 'Units' }).getByRole('button', { name: 'in' }).click();
  await expect(answer(page)).toHaveText('35 13⁄16 × 27 5⁄16 in');
  await expect(page.getByLabel('Roll width, usable')).toHaveValue('84"');
  await page.goto(demoServer.url);
  await expect(page.getByRole('link', { name: /^Meteor count/ })).toContainText('30 1⁄2 × 22 in');
  await page.goto(`${demoServer.url}/job/demo-132/slip`);
  await expect(page.getByText(/30 1⁄2 × 22 in, new support, float frame/)).toBeVisible();
});

test('the bench puts what needs hands first, keeps clocks in sight and opens what was handed over', async ({
  page,
  demoServer,
}) => {
  await page.goto(demoServer.url);
  const rows = page.getByRole('list', { name: 'Canvases' }).getByRole('listitem');
  await expect(rows.first()).toContainText('Night mail');
  await expect(rows.first()).toContainText('3 days late');
  await expect(page.getByRole('contentinfo', { name: 'Drying' })).toContainText(/No\. 136 size, first coat, \d+ h/);
  const slip = rows.filter({ hasText: 'The slip at first light' });
  // Other tests may have filled the first page.
  for (const more = page.getByRole('link', { name: /^\d+ more$/ }); (await slip.count()) === 0;) {
    const before = page.url();
    await more.click();
    await expect(page).not.toHaveURL(before);
  }
  await expect(slip).toContainText(/Stop\. Left: 11\.\d mm left, nothing to hold/);
  await page.goto(demoServer.url);
  const before = await rows.count();
  await page.getByRole('link', { name: 'Show 29 handed over' }).click();
  await expect(rows.first()).toContainText('Rope locker');
  await expect(rows).toHaveCount(20);
  await page.getByRole('link', { name: '9 more' }).click();
  await expect(rows).toHaveCount(9);
  await page.getByRole('link', { name: 'To what is open' }).click();
  await expect(rows).toHaveCount(before);
  await page.getByRole('link', { name: 'Show 29 handed over' }).click();
  await page.getByRole('link', { name: /^Rope locker/ }).click();
  await expect(page.getByText(/^Recorded .* by/)).toBeVisible();
});

test('the log is searched, sorted and plotted', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/log`);
  await page.getByLabel('Search the log').fill('perseids');
  await expect(page.getByRole('status').filter({ hasText: '10 of' })).toBeVisible();
  await page.getByRole('button', { name: 'when' }).click();
  await expect(page.getByRole('columnheader', { name: 'when' })).toHaveAttribute('aria-sort', 'ascending');
  await page.getByLabel('Search the log').fill('');
  await page.getByRole('button', { name: 'Room humidity' }).click();
  await expect(page.getByRole('img', { name: /Room humidity over time, \d+ readings in % RH/ })).toBeVisible();
  await page.getByLabel('Search the log').fill('no such thing at all');
  await expect(page.getByText('Nothing holds “no such thing at all”.')).toBeVisible();
});

test('a long name, and a verdict opened to its numbers and assumptions', async ({ page, demoServer }) => {
  const name =
    'The ferry Marrow Light leaving the slip before the snow, seen from the lamp room, winter timetable, second version';
  await newCanvas(page, demoServer.url, name, '1300', '400');
  await saved(page);
  const over = await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight);
  expect(over).toBeLessThanOrEqual(0);
  await stage(page, 'Bars').click();
  await page.getByText(/^Good\. Top and bottom bars bow/).click();
  await expect(page.getByText(/Creep of wood under lasting load: 1\.\d ×/).first()).toBeVisible();
  await page.getByRole('link', { name: 'change' }).first().click();
  await expect(page.getByLabel('Creep of wood under lasting load')).toBeInViewport();
});

test('the job slip prints every stage, the kit and the drawings', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-128/slip`);
  for (const name of STAGES) await expect(page.getByRole('cell', { name, exact: true })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Frame of deep bar/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^\d+ fasteners on the back/ })).toBeVisible();
  await expect(page.getByRole('row', { name: '1 × brace, level 671 mm square' })).toBeVisible();
  await expect(page.getByText('out dry: two matching pairs')).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('contentinfo', { name: 'Drying' })).toBeHidden();
});

test('the saw plan prints whole: no bars of the interface, nothing cut off at the fold of the screen', async ({
  page,
  demoServer,
}) => {
  await page.goto(`${demoServer.url}/bars?view=series&job=demo-138&job=demo-139&job=demo-140&job=demo-132&job=demo-131`);
  await expect(page.getByTestId('saw-plan')).toContainText('No. 131 slotted bars');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Record: sawn and picked' })).toBeHidden();
  await expect(page.getByRole('checkbox')).toHaveCount(0);
  const hidden = await page.getByTestId('saw-plan').evaluate((plan) => {
    const box = plan.parentElement!;
    return box.scrollHeight - box.clientHeight;
  });
  expect(hidden).toBeLessThanOrEqual(0);
});

test('a word of the trade opens its meaning and picture; all of a screen are listed under a key', async ({
  page,
  demoServer,
}) => {
  await page.goto(`${demoServer.url}/job/demo-138`);
  const marked = () => page.evaluate(() => [...(CSS.highlights.get('terms') ?? [])].map((range) => (range as Range).toString()));
  await expect.poll(marked).toContain('braces');
  await page.keyboard.press('y');
  const all = page.getByRole('dialog', { name: 'Words on this screen' });
  await expect(all.getByRole('term').first()).toBeVisible();
  await expect(all.getByRole('img', { name: /^brace: A bar across the inside/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(all).toBeHidden();
  // Words are marked anew after whatever is drawn late, and what is drawn late may move them from under the hand.
  await expect(async () => {
    const place = await page.evaluate(() => {
      const [first] = [...CSS.highlights.get('terms')!].filter((range) => (range as Range).toString() === 'braces') as Range[];
      first!.startContainer.parentElement!.scrollIntoView({ block: 'center' });
      const { left, top, width, height } = first!.getBoundingClientRect();
      return { x: left + width / 2, y: top + height / 2 };
    });
    await page.mouse.click(place.x, place.y);
    await expect(page.getByRole('dialog', { name: 'brace' })).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 60_000 });
  await expect(page.getByRole('dialog', { name: 'brace' })).toContainText('against inward bow');
});
