import { expect, newCanvas, saved, stage, test, verdict } from './test';

test('a brace is dragged and moved by keys; the bow answers, undo brings it back', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Drag a brace', '1400', '700');
  await stage(page, 'Bars').click();
  await page.getByLabel('Bar', { exact: true }).selectOption({ label: 'Standard bar' });
  await page.getByLabel('Braces, upright').selectOption('1');
  await page.getByLabel('Braces, level').selectOption('0');
  const brace = page.getByRole('slider', { name: /^Upright brace 1, middle from the (left|right)$/ });
  await expect(brace).toHaveAttribute('aria-valuenow', '700');
  const before = await verdict(page, /^\w*\.? ?Top and bottom bars bow/).textContent();

  await saved(page);
  await brace.scrollIntoViewIfNeeded();
  const box = (await brace.boundingBox())!;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(middle.x, middle.y);
  await page.mouse.down();
  await page.mouse.move(middle.x + 60, middle.y, { steps: 6 });
  // Seen from the back: to the right of the screen is towards the left of the face.
  const dragged = Number(await brace.getAttribute('aria-valuenow'));
  expect(dragged).toBeLessThan(650);
  await page.mouse.up();
  await expect(verdict(page, /^\w*\.? ?Top and bottom bars bow/)).not.toHaveText(before!);
  await expect(page.getByLabel('Brace 1, from the right')).toHaveValue(`${dragged} mm`);

  await brace.focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(brace).toHaveAttribute('aria-valuenow', String(dragged + 10));
  await expect(brace).toHaveAccessibleName('Upright brace 1, middle from the right');
  await page.keyboard.press('b');
  await expect(brace).toHaveAccessibleName('Upright brace 1, middle from the left');
  await page.keyboard.press('ArrowRight');
  await expect(brace).toHaveAttribute('aria-valuenow', String(dragged + 11));
  await page.getByLabel('Brace 1, from the left').fill('55.5 cm');
  await expect(brace).toHaveAttribute('aria-valuetext', '555 mm');
  await page.getByLabel('Brace 1, from the left').fill('1399');
  await expect(page.getByRole('alert').filter({ hasText: /is above 1358 mm/ })).toBeVisible();
  await page.getByLabel('Brace 1, from the left').fill('555');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(brace).toHaveAttribute('aria-valuenow', '700');
  await saved(page);
});

test('bow is charted, a make-up is picked, the cut list has outside and inside, screws and the order of work', async ({
  page,
  emptyServer,
}) => {
  await newCanvas(page, emptyServer.url, 'Own timber', '900', '600');
  await stage(page, 'Bars').click();
  await page.getByLabel('Joint').selectOption({ label: 'Glued mitre' });
  await page
    .getByRole('row', { name: /Planed batten with bead strip a cross/ })
    .getByRole('button')
    .click();
  await expect(page.getByLabel('Glue')).toBeVisible();
  await page.getByRole('tab', { name: 'Bow along the bars' }).click();
  await expect(page.getByRole('img', { name: /^Bow along the bars in time: top and bottom 0\.\d+ mm at \d+ mm/ })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('row', { name: '2 × top and bottom 900 mm 834 mm 45°' })).toBeVisible();
  await expect(page.getByRole('row', { name: '1 × brace, level 834 mm square' })).toBeVisible();
  await expect(page.getByRole('row', { name: '2 × bead, long 900 mm 880 mm 45°' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Screws' })).toContainText('16 screws 3.5 × 35 mm, corner');
  await page.getByRole('tab', { name: 'Put together' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'out dry: two matching pairs' })).toBeVisible();
});

test('bars put on the rack are picked first; another make of slot is warned of', async ({ page, emptyServer }) => {
  await page.goto(`${emptyServer.url}/bars`);
  await expect(page.getByText('Nothing lies on the rack yet.')).toBeVisible();
  const put = async (lengthTyped: string, pieces: string, family?: string) => {
    await page.getByLabel('Bar', { exact: true }).selectOption({ label: 'Standard bar' });
    await page.getByLabel('Length', { exact: true }).fill(lengthTyped);
    await page.getByLabel('How many pieces').fill(pieces);
    if (family) await page.getByLabel(/Family of joints/).fill(family);
    await page.getByRole('button', { name: 'Add to stock' }).click();
  };
  await put('70 cm', '2');
  await expect(page.getByTestId('rack')).toContainText('2 × 700 mm');
  await put('500 mm', '2', 'old make');
  await expect(page.getByTestId('rack')).toContainText('old make');
  await page.getByLabel('Length', { exact: true }).fill('7 km');
  await expect(page.getByRole('alert').filter({ hasText: '“7 km” is not a length' })).toBeVisible();

  const id = await newCanvas(page, emptyServer.url, 'From the rack', '700', '500');
  await stage(page, 'Bars').click();
  await page.getByLabel('Bar', { exact: true }).selectOption({ label: 'Standard bar' });
  await page.getByLabel('Braces, upright').selectOption('0');
  await page.getByLabel('Braces, level').selectOption('0');
  await page.getByRole('tab', { name: 'Pick list' }).click();
  const list = page.getByRole('region', { name: 'From the rack' });
  await expect(list).toContainText('2 of 700 mm lie on the rack');
  await expect(list).toContainText('order 2 of 500 mm');
  await expect(list).toContainText('2 of 500 mm lie there with another joint, old make: the slots do not fit');
  await saved(page);

  await page.goto(`${emptyServer.url}/bars?view=series`);
  await page.getByRole('checkbox', { name: /From the rack/ }).check();
  await expect(page.getByTestId('answer')).toHaveText('€5.40');
  await page.getByRole('button', { name: 'Record: sawn and picked' }).click();
  await expect(page.getByTestId('rack')).not.toContainText('700 mm');
  await page.goto(`${emptyServer.url}/bars?view=series&job=${id}`);
  await expect(page.getByRole('checkbox', { name: /From the rack/ })).toBeDisabled();
});

test('a triptych is sawn from one plan, proven, drawn, recorded; its offcut lies on the rack', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/bars?view=series`);
  for (const name of ['low water', 'half tide', 'high water'])
    await page.getByRole('checkbox', { name: new RegExp(`Tide gauge, ${name}`) }).check();
  await expect(page.getByText('proven: no cheaper way over these lengths')).toBeVisible();
  await expect(page.getByRole('img', { name: /No\. 140, left and right 1290 mm.*left$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Record: sawn and picked' }).click();
  await expect(page.getByTestId('rack')).toContainText('1 × 288 mm for braces, offcut');
  await expect(page.getByTestId('rack')).not.toContainText('1240 mm');
  await expect(page.getByRole('region', { name: 'Stock movements' })).toContainText(
    'Sawn and picked for No. 138, No. 139, No. 140',
  );
  await page.getByRole('button', { name: 'Remove one of 288 mm, Flat batten with bead strip' }).click();
  await expect(page.getByTestId('rack')).not.toContainText('288 mm');
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByTestId('rack')).toContainText('1 × 288 mm for braces, offcut');
  await expect(page.getByRole('button', { name: 'Put it back' })).toHaveCount(0);
});

test('materials are changed and added to, with wrong values said at once; the job sees them', async ({ page, emptyServer }) => {
  await page.goto(`${emptyServer.url}/bars?view=materials`);
  await page.getByText('Spruce', { exact: true }).click();
  await page.getByLabel('Stiffness E, Spruce').fill('900');
  await expect(page.getByRole('alert').filter({ hasText: '“900” is out of range. Type 1 to 30 GPa.' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the materials' })).toBeDisabled();
  await page.getByLabel('Stiffness E, Spruce').fill('9,4');
  await page.getByText('Standard bar', { exact: true }).click();
  await page.getByLabel('Slotted pairs, mm and price of a pair, Standard bar').fill('700 9.10; 500');
  await expect(page.getByRole('alert').filter({ hasText: '“500” does not do. Type a length and its price' })).toBeVisible();
  await page.getByLabel('Slotted pairs, mm and price of a pair, Standard bar').fill('700 9.10; 500 7');
  await page.getByRole('button', { name: 'Add a bar' }).click();
  await page.getByRole('button', { name: 'Save the materials' }).click();
  await expect(page.getByRole('button', { name: 'Save the materials' })).toBeDisabled();
  await newCanvas(page, emptyServer.url, 'Softer wood', '700', '500');
  await stage(page, 'Bars').click();
  await expect(page.getByLabel('Bar', { exact: true }).getByRole('option', { name: 'New bar' })).toHaveCount(1);
  await page.getByLabel('Bar', { exact: true }).selectOption({ label: 'Standard bar' });
  await page.getByLabel('Braces, upright').selectOption('0');
  await page.getByLabel('Braces, level').selectOption('0');
  await page.getByLabel('Cloth tension').fill('150');
  await expect(page.getByRole('row', { name: /Standard bar.* no brace .* €16\.10 4 7 min/ })).toHaveCount(1);
});
