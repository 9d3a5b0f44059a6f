/*
 * The clock of the browser tests. Every test begins at one and the same moment, on its servers and in its pages, whenever it is
 * run: what it reads of days and hours is what it read yesterday.
 */
import type { Browser, BrowserContext } from '@playwright/test';

/** A Tuesday morning in May; KEEN_BATTEN_TESTS_BEGIN names another moment, to try the suite on the eve of a change of clocks. */
const BEGINS = process.env.KEEN_BATTEN_TESTS_BEGIN ?? '2031-05-06T10:20:00Z';

let aheadMs = 0;

/** The clock of the next test begins. */
export const beginAgain = (): void => {
  aheadMs = Date.parse(BEGINS) - Date.now();
};
beginAgain();

/** The moment it is in the test that runs. */
export const now = (): Date => new Date(Date.now() + aheadMs);

/** Pages of this browser live at the moment of the test; workers and timers go as ever. */
export function onTestClock(browser: Browser): void {
  const open = browser.newContext.bind(browser);
  browser.newContext = async (...of): Promise<BrowserContext> => {
    const context = await open(...of);
    await context.addInitScript((ahead) => {
      const Real = Date;
      const now = () => Real.now() + ahead;
      globalThis.Date = new Proxy(Real, {
        construct: (_target, of: []) => (of.length === 0 ? new Real(now()) : new Real(...of)),
        apply: () => new Real(now()).toString(),
        get: (target, name) => (name === 'now' ? now : Reflect.get(target, name)),
      });
    }, aheadMs);
    return context;
  };
}
