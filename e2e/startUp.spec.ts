import SQLite from 'better-sqlite3';
import { startServer } from './server';
import { expect, newCanvas, record, saved, stage, test } from './test';

test('a database made by other migrations stops the start, and is left as it is', async () => {
  const server = await startServer({ demo: false });
  try {
    await server.kill();
    const database = new SQLite(server.database);
    const rows = () => database.prepare('SELECT number, name, hash FROM migration').all();
    database.prepare("UPDATE migration SET hash = 'another'").run();
    const before = rows();
    await expect(server.restart()).rejects.toThrow('the server ended with 1');
    expect(rows()).toEqual(before);
    database.close();
  } finally {
    await server.remove();
  }
});

test('the demo is laid out once: what was changed in it stands after a restart', async ({ page }) => {
  const server = await startServer({ demo: true });
  try {
    await page.goto(`${server.url}/job/demo-135`);
    await page.getByLabel('Title').fill('Southern dome, framed after all');
    await page.getByLabel('Edges').selectOption({ label: 'In a rebate' });
    await saved(page);
    await record(page, 'Record the brief');
    await expect(page.getByRole('heading', { name: 'Assemble the bars' })).toBeVisible();
    await page.goto('about:blank');
    await server.kill();
    await server.restart();
    await page.goto(server.url);
    await expect(page.getByText('14 canvases open')).toBeVisible();
    await page.getByRole('link', { name: /Southern dome, framed after all/ }).click();
    await stage(page, 'Brief').click();
    await expect(page.getByLabel('Edges')).toHaveValue('rebate');
    await expect(page.getByText(/^Recorded .* by Wenna/)).toBeVisible();
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});

test('house rules reach the plans to come and leave what is recorded', async ({ page }) => {
  const server = await startServer({ demo: false });
  try {
    const id = await newCanvas(page, server.url, 'Before the rule', '900', '600');
    await record(page, 'Record the brief');
    await stage(page, 'Cloth').click();
    const cut = page.getByTestId('answer');
    await expect(cut).toHaveText('1033 × 733 mm');
    await page.goto(`${server.url}/rules`);
    await page.getByLabel('Beyond the bar, covered').fill('20');
    await page.getByLabel('Makers, with commas between').fill('Ida, Jon');
    await page.getByRole('button', { name: 'Save the house rules' }).click();
    await expect(page.getByRole('button', { name: 'Save the house rules' })).toBeDisabled();
    await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
    await page.goto(`${server.url}/job/${id}`);
    await stage(page, 'Cloth').click();
    await expect(cut).toHaveText('1049 × 749 mm');
    await stage(page, 'Bars').click();
    await page.getByLabel('Done by').selectOption('Jon');
    await record(page, 'Record the frame');
    await stage(page, 'Bars').click();
    await expect(page.getByText(/^Recorded .* by Jon/)).toBeVisible();
    await stage(page, 'Brief').click();
    await expect(page.getByText(/^Recorded .* by Me\./)).toBeVisible();
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});
