/** Milliseconds of work between two turns. */
const TURN_MS = 12;

/**
 * Runs a solver that works in steps to its end, and lets others have the thread every few milliseconds.
 *
 * @example await runInSlices((function* () { yield 1; return 2; })()) // 2
 */
export async function runInSlices<T>(steps: Generator<unknown, T>): Promise<T> {
  let since = Date.now();
  let step = steps.next();
  while (!step.done) {
    if (Date.now() - since > TURN_MS) {
      await new Promise((turn) => setTimeout(turn));
      since = Date.now();
    }
    step = steps.next();
  }
  return step.value;
}
