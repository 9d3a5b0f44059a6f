/*
 * What no plan can do better than: every job alone, each task as early as windows and what goes before allow; and all hands
 * together, which cannot do more by a moment than the windows up to it hold.
 */
import type { IndexedShop } from './indexedShop';
import type { ShopScore } from './shop';

/** Earliest start of a task that starts no sooner, nobody else being there. */
export function aloneFrom(shop: IndexedShop, task: number, ready: number): number {
  if (shop.running[task]! >= 0) return shop.running[task]!;
  if (!shop.active[task]) return ready;
  const length = shop.duration[task]!;
  let best = shop.horizon;
  shop.windows.forEach(({ from, to }, maker) => {
    if (!shop.able[maker]![task] || (shop.pinMaker[task]! >= 0 && shop.pinMaker[task] !== maker)) return;
    for (let window = 0; window < from.length && from[window]! < best; window += 1) {
      const start = Math.max(ready, from[window]!);
      if (start + length > to[window]!) continue;
      best = Math.min(best, start);
      return;
    }
  });
  return best;
}

/** Tasks so that each comes after those it waits for. */
export function inOrder({ count, after }: IndexedShop): number[] {
  const done = new Uint8Array(count);
  const order: number[] = [];
  while (order.length < count)
    for (let task = 0; task < count; task += 1)
      if (!done[task] && after[task]!.every((one) => done[one])) {
        done[task] = 1;
        order.push(task);
      }
  return order;
}

/** The longest that comes after each task. */
export function tails(shop: IndexedShop): Int32Array {
  const tail = new Int32Array(shop.count);
  for (const task of inOrder(shop).reverse())
    for (const next of shop.next[task]!) tail[task] = Math.max(tail[task]!, shop.duration[next]! + tail[next]!);
  return tail;
}

/** When each task ends at the soonest, nobody else being there. */
export function aloneEnds(shop: IndexedShop): Int32Array {
  const end = new Int32Array(shop.count);
  for (const task of inOrder(shop)) {
    const ready = Math.max(shop.release[task]!, ...shop.after[task]!.map((one) => end[one]!));
    end[task] = aloneFrom(shop, task, ready) + shop.duration[task]!;
  }
  return end;
}

/** Least makespan, tardiness and mean end there can be, and fewest set-ups, each apart. */
export function scheduleBound(shop: IndexedShop): ShopScore {
  const jobEnd = new Int32Array(shop.jobs);
  aloneEnds(shop).forEach((end, task) => {
    const job = shop.jobOf[task]!;
    jobEnd[job] = Math.max(jobEnd[job]!, end);
  });
  const alone = Math.max(0, ...jobEnd);
  return {
    makespan: Math.max(alone, handsBound(shop)),
    tardiness: jobEnd.reduce((sum, at, job) => sum + shop.weight[job]! * Math.max(0, at - shop.due[job]!), 0),
    finish: shop.jobs === 0 ? 0 : jobEnd.reduce((sum, at) => sum + at, 0) / shop.jobs,
    setUps: new Set(shop.family.filter((family) => family >= 0)).size,
  };
}

/** The moment by which the windows hold all hands that are wanted; what must still dry after the last of them comes on top. */
function handsBound(shop: IndexedShop): number {
  const active = [...Array.from(shop.active).keys()].filter((task) => shop.active[task] && shop.running[task]! < 0);
  let wanted = active.reduce((sum, task) => sum + shop.duration[task]!, 0);
  if (wanted === 0) return 0;
  // Every task of hands has at least its shortest tail after it.
  const tail = tails(shop);
  const least = Math.min(...active.map((task) => tail[task]!));
  // From every moment on at which somebody comes or goes, so many are there.
  const changes = shop.windows
    .flatMap(({ from, to }) => [...Array.from(from, (at) => ({ at, by: 1 })), ...Array.from(to, (at) => ({ at, by: -1 }))])
    .sort((a, b) => a.at - b.at);
  let there = 0;
  for (const [index, { at, by }] of changes.entries()) {
    there += by;
    const room = ((changes[index + 1]?.at ?? shop.horizon) - at) * there;
    if (there > 0 && room >= wanted) return at + Math.ceil(wanted / there) + least;
    wanted -= room;
  }
  return shop.horizon;
}
