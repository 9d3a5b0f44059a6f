/*
 * The test with what every browser test here needs: a clock and workshops of its own, pages that fail the test on an error in
 * the console, a broken request or a request that leaves the machine, and the words of a maker.
 */
import { type Locator, type Page, type Response, expect, test as base } from '@playwright/test';
import { beginAgain, onTestClock } from './clock';
import { type TestServer, startServer } from './server';

export { expect };

interface Fixtures {
  /** The clock of this test begins, in its pages and on its servers. */
  clockOfTest: void;
  /** Complaints of the page so far; a test may expect and clear them. */
  complaints: string[];
  /** The demo workshop as it is laid out; what another test did in it is gone. */
  demoServer: TestServer;
  /** An empty workshop. */
  emptyServer: TestServer;
  /** Another empty workshop, in a process of this test alone: for what stays in one, such as an open door. */
  otherServer: TestServer;
}

/** Two servers for a whole run; between tests their workshops are put back. */
interface WorkerFixtures {
  demoProcess: TestServer;
  emptyProcess: TestServer;
}

/** A server for as long as somebody uses it. */
async function serving(demo: boolean, use: (server: TestServer) => Promise<void>): Promise<void> {
  const server = await startServer({ demo });
  await use(server);
  await server.remove();
}

/** Lends a server to a test; the page lets go of it before the next one: what it still loads ahead is no complaint. */
async function lent(server: TestServer, page: Page, use: (server: TestServer) => Promise<void>): Promise<void> {
  await use(server);
  await page.goto('about:blank');
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  browser: [
    async ({ browser }, use) => {
      onTestClock(browser);
      await use(browser);
    },
    { scope: 'worker' },
  ],
  clockOfTest: [
    async ({}, use) => {
      beginAgain();
      await use();
    },
    { auto: true },
  ],
  context: async ({ clockOfTest: _, context }, use) => {
    const open = context.newPage.bind(context);
    context.newPage = async () => wakeful(await open());
    await use(context);
  },
  demoProcess: [async ({}, use) => serving(true, use), { scope: 'worker' }],
  emptyProcess: [async ({}, use) => serving(false, use), { scope: 'worker' }],
  otherServer: async ({ clockOfTest: _, page }, use) => serving(false, (server) => lent(server, page, use)),
  demoServer: async ({ clockOfTest: _, demoProcess, page }, use) => {
    await demoProcess.putBack();
    await lent(demoProcess, page, use);
  },
  emptyServer: async ({ clockOfTest: _, emptyProcess, page }, use) => {
    await emptyProcess.putBack();
    await lent(emptyProcess, page, use);
  },
  complaints: [
    async ({ page }, use) => {
      const complaints: string[] = [];
      listen(page, complaints);
      await use(complaints);
      expect(complaints).toEqual([]);
    },
    { auto: true },
  ],
});

/** A page that is waited for until it is awake wherever it goes: what is pressed before is lost. A sheet or a file has nothing to wake. */
export function wakeful(page: Page): Page {
  const [goTo, reload] = [page.goto.bind(page), page.reload.bind(page)];
  const wake = async (answer: Response | null) => {
    if ((await page.locator('[data-awake]').count()) > 0) await awake(page);
    return answer;
  };
  page.goto = async (...where) => wake(await goTo(...where));
  page.reload = async (...how) => wake(await reload(...how));
  return page;
}

/** Notes console errors, page errors and requests that leave the machine. */
export function listen(page: Page, complaints: string[]): void {
  page.on(
    'console',
    (message) => message.type() === 'error' && complaints.push(`console: ${message.text()} ${message.location().url}`),
  );
  page.on('pageerror', (error) => complaints.push(`page: ${error.message}`));
  page.on('request', (request) => {
    const { hostname, protocol } = new URL(request.url());
    if (protocol.startsWith('http') && hostname !== 'localhost') complaints.push(`left the machine: ${request.url()}`);
  });
}

/** Starts a job from the bench and waits for its page. */
export async function newCanvas(page: Page, url: string, title: string, width: string, height: string): Promise<string> {
  await page.goto(url);
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByLabel('Title').fill(title);
  await page.getByLabel('Face width').fill(width);
  await page.getByLabel('Face height').fill(height);
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  return page.url().split('/').at(-1)!;
}

export const stage = (page: Page, name: string): Locator =>
  page.getByRole('navigation', { name: 'Stages' }).getByRole('button', { name: new RegExp(`^${name}`) });
export const verdict = (page: Page, says: RegExp | string): Locator =>
  page.getByTestId('verdicts').getByRole('listitem').filter({ hasText: says });
export const answer = (page: Page): Locator => page.getByTestId('answer');

/** Waits until what was typed is on the disk. */
export const saved = (page: Page): Promise<void> => expect(page.getByTestId('save-state')).toHaveText('saved');

/** Records the open stage and waits until it stands; what says stop is gone over with a reason. */
export async function record(page: Page, button: string, reason?: string): Promise<void> {
  if (reason !== undefined) await page.getByLabel('Reason for going on').fill(reason);
  await page.getByRole('button', { name: button }).click();
  await expect(page.getByRole('button', { name: 'Recording' })).toHaveCount(0);
}

/** Types the six readings and the lift of a frame. */
export async function readTape(page: Page, readings: Record<string, string>): Promise<void> {
  for (const [label, typed] of Object.entries(readings)) await page.getByLabel(label, { exact: true }).fill(typed);
}

/** A page that hears nothing of what other screens do: as on a poor line. */
export const deaf = (page: Page): Promise<unknown> =>
  page.route('**/news', (route) => route.fulfill({ contentType: 'text/event-stream', body: '' }));

/** Everything of a page has come: what it asks for later is what it is made to ask. */
export async function settled(page: Page): Promise<void> {
  await awake(page);
  await page.waitForFunction(() =>
    performance
      .getEntriesByType('resource')
      .every((one) => performance.now() - (one as PerformanceResourceTiming).responseEnd > 700),
  );
}

/** Keys are heard once the page is awake. */
export const awake = (page: Page): Promise<void> => page.locator('[data-awake=true]').waitFor({ state: 'attached' });
