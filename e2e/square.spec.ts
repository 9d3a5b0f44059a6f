import { answer, expect, newCanvas, readTape, record, saved, stage, test, verdict } from './test';

const RIGHT = { Top: '900', Bottom: '900', Left: '600', Right: '600' };

/** A new 900 × 600 job, open at Square. */
async function square(page: Parameters<typeof stage>[0], url: string, title: string): Promise<string> {
  const id = await newCanvas(page, url, title, '900', '600');
  await stage(page, 'Square').click();
  return id;
}

test('a misread side is named with what it would have to be; a diagonal only with a set square', async ({
  page,
  emptyServer,
}) => {
  await square(page, emptyServer.url, 'Doubtful readings');
  await expect(answer(page)).toHaveText('2 × 1081.5 mm');
  await readTape(page, { ...RIGHT, Left: '606', 'Diagonal, top left down': '1081.5', 'Diagonal, bottom left up': '1082' });
  await expect(verdict(page, /most likely the left side: 600(\.5)? mm would fit/)).toContainText('Read the left side again');
  await expect(page.getByRole('row', { name: /^left, doubted 606 600(\.\d)? \+[56](\.\d)?$/ })).toBeVisible();

  await readTape(page, { Left: '600', 'Diagonal, bottom left up': '1088' });
  await expect(verdict(page, 'one of the diagonals is misread')).toContainText('A set square in a corner tells which');
  await page.getByRole('tab', { name: 'Set square' }).click();
  await page.getByLabel('Gap, top left').fill('0');
  await page.getByLabel('Gap, bottom left').fill('0');
  await expect(verdict(page, /most likely the diagonal bottom left to top right: 1081(\.5)? mm would fit/)).toBeVisible();
  await page.getByLabel('Gap, bottom left').fill('4');
  await page.getByLabel('open at').nth(3).selectOption('heel');
  await expect(verdict(page, /contradict/)).toBeVisible();
});

test('a long bar is said to be one, and that pressing will not help; the tape alone can be believed', async ({
  page,
  emptyServer,
}) => {
  await square(page, emptyServer.url, 'Long bar');
  await readTape(page, { ...RIGHT, Top: '906', 'Diagonal, top left down': '1084', 'Diagonal, bottom left up': '1084' });
  await expect(verdict(page, 'The top bar is 6 mm longer than its pair')).toContainText('Pressing cannot mend a bar.');
  await page.getByLabel('Use the tape only (ignore nominal bar lengths)').check();
  await expect(verdict(page, /Pressing will not make it square: 3 mm stays/)).toBeVisible();
  await readTape(page, { Right: '604', 'Diagonal, top left down': '1081.5', 'Diagonal, bottom left up': '1089' });
  await expect(verdict(page, 'Both bars that meet at the top right are long')).toBeVisible();
});

test('wrong readings are refused with what would do, and nothing typed is lost', async ({ page, emptyServer }) => {
  await square(page, emptyServer.url, 'Wrong readings');
  const down = page.getByLabel('Diagonal, top left down');
  await readTape(page, { ...RIGHT, 'Diagonal, top left down': '1600', 'Diagonal, bottom left up': '1081' });
  await expect(verdict(page, 'reads 1600 mm: no frame of this plan has that')).toContainText(
    'a square frame of this size shows 1081.5 mm',
  );
  await readTape(page, { Top: '90' });
  await expect(verdict(page, 'The top side reads 90 mm')).toHaveAttribute('data-level', 'stop');
  await readTape(page, { Top: '90 cm' });
  for (const [typed, says] of [
    ['0', /is below 1 mm/],
    ['abc', /“abc” is not a length/],
    ['42 1/2" cm', /is not a length/],
  ] as const) {
    await down.fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(down).toHaveValue(typed);
  }
  await down.fill('42 19/32"');
  await expect(verdict(page, /diagonals differ by 0\.\d mm|Both diagonals come out/)).toHaveAttribute('data-level', 'good');
  await saved(page);
});

test('each try is kept, the drawing shows the path, the record has them all', async ({ page, emptyServer }) => {
  await square(page, emptyServer.url, 'Pressed twice');
  await readTape(page, { ...RIGHT, 'Diagonal, top left down': '1086', 'Diagonal, bottom left up': '1077' });
  await expect(verdict(page, 'The diagonals differ by 9 mm')).toContainText('together by 4.5 mm, until both read 1081.5 mm');
  await page.getByRole('tab', { name: /^Tries/ }).click();
  await page.getByRole('button', { name: 'Save this attempt and measure again' }).click();
  await expect(page.getByLabel('Diagonal, top left down')).toHaveValue('');
  await readTape(page, { 'Diagonal, top left down': '1082', 'Diagonal, bottom left up': '1081' });
  await expect(page.getByRole('row', { name: /^1 1086 mm 1077 mm 9 mm/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /1 mm apart, try 2\./ })).toBeVisible();
  await readTape(page, { 'Corner lift on a flat table': '0' });
  await saved(page);
  await page.reload();
  await stage(page, 'Square').click();
  await page.getByRole('tab', { name: /^Tries \(2\)/ }).click();
  await page.getByRole('button', { name: 'Back to the try before' }).click();
  await expect(page.getByLabel('Diagonal, top left down')).toHaveValue('1086 mm');
});

test('the practice tape: a frame to learn on, never a record by accident', async ({ page, emptyServer }) => {
  await square(page, emptyServer.url, 'Learning');
  await page.getByRole('tab', { name: 'Practice tape' }).click();
  await page.getByLabel('Frame number').fill('12');
  await page.getByRole('button', { name: 'Measure the practice frame' }).click();
  await expect(page.getByLabel('Top', { exact: true })).not.toHaveValue('');
  const first = await answer(page).textContent();
  await expect(verdict(page, 'These readings come from the practice tape')).toHaveAttribute('data-level', 'stop');
  await page.getByRole('button', { name: 'Press as advised, read again' }).click();
  await page.getByRole('button', { name: 'Press as advised, read again' }).click();
  await expect(verdict(page, /diagonals differ|Both diagonals/)).toHaveAttribute('data-level', 'good');
  await page.getByRole('button', { name: 'Show the true shape' }).click();
  await expect(page.getByText(/^Really: top 9\d\d\.\d/)).toBeVisible();
  await page.getByRole('button', { name: 'Put it away' }).click();
  await expect(page.getByLabel('Top', { exact: true })).toHaveValue('');
  // The same number is the same frame.
  await page.getByRole('button', { name: 'Measure the practice frame' }).click();
  await expect(answer(page)).toHaveText(first!);
  await page.getByRole('button', { name: 'Put it away' }).click();
  await readTape(page, { Top: '900' });
  await expect(page.getByText('they are not overwritten')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Measure the practice frame' })).toBeDisabled();
});

test('the cloth asks for squareness; going on without it needs a reason, which is kept', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'In a hurry', '500', '400');
  await record(page, 'Record the brief');
  await record(page, 'Record the frame');
  await stage(page, 'Cloth').click();
  await expect(verdict(page, 'No squareness is recorded for this frame.')).toHaveAttribute('data-level', 'stop');
  await expect(page.getByRole('button', { name: 'Record the cut' })).toBeDisabled();
  await page.getByLabel('Reason for going on').fill('a trial piece');
  await record(page, 'Record the cut');
  await expect(page.getByRole('heading', { name: 'Fasten the cloth' })).toBeVisible();
  await stage(page, 'Cloth').click();
  await expect(page.getByText('Continued because: a trial piece')).toBeVisible();
});

test('wind from two strings, with the cause by its pattern', async ({ page, emptyServer }) => {
  await square(page, emptyServer.url, 'Twisted');
  await page.getByRole('tab', { name: 'Wind' }).click();
  await page.getByLabel('Gap between two strings, corner to corner').fill('2');
  await page.getByLabel('On a flat table', { exact: true }).selectOption({ label: 'It rocks on two opposite corners' });
  await expect(verdict(page, 'One corner lifts 4 mm (twice the gap between the strings)')).toContainText(
    'Set the saw square to its table',
  );
});
