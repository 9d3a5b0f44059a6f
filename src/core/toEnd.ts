/** The same steps within those of another solver: what they show on the way is passed over, their pauses stay. */
export function* quietly<T>(steps: Generator<unknown, T>): Generator<undefined, T> {
  let step = steps.next();
  while (!step.done) {
    yield undefined;
    step = steps.next();
  }
  return step.value;
}

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
