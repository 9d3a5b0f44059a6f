/**
 * Runs a solver that works in steps to its end, and gives its result; what it shows on the way is passed over.
 *
 * @example toEnd((function* () { yield 1; return 2; })()) // 2
 */
export function toEnd<T>(steps: Generator<unknown, T>): T {
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
