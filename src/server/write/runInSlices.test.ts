import { describe, expect, it } from 'vitest';
import { runInSlices } from './runInSlices';

/** Work of so many steps, each of which keeps the thread for a while. */
function* work(steps: number, heldMs: number): Generator<unknown, number> {
  for (let step = 0; step < steps; step += 1) {
    const until = Date.now() + heldMs;
    while (Date.now() < until);
    yield step;
  }
  return steps;
}

describe('long work', () => {
  it('gives its result, and lets what waits for the thread go on meanwhile', async () => {
    const order: string[] = [];
    const long = runInSlices(work(20, 4)).then((steps) => order.push(`work of ${steps}`));
    const other = new Promise<void>((done) => setTimeout(done)).then(() => order.push('another request'));
    await Promise.all([long, other]);
    expect(order).toEqual(['another request', 'work of 20']);
  });

  it('passes on what goes wrong in it', async () => {
    const broken = (function* (): Generator<unknown, number> {
      throw new RangeError('place 7 is fastened twice');
    })();
    await expect(runInSlices(broken)).rejects.toThrow('place 7 is fastened twice');
  });
});
