/* Tasks moved by hand: whether they can be kept, and why not. */
import { aloneEnds, aloneFrom } from './scheduleBound';
import { indexedShop } from './indexedShop';
import type { Shop, ShopPlan } from './shop';

export type PinTrouble =
  /** What it waits for has not ended by then, even with nobody else there. */
  | { why: 'tooEarly'; earliest: number }
  /** Nobody who does it is there from its start to its end. */
  | { why: 'closed' };

/** Why the pin of a task cannot be kept, whatever else is planned; null where it might be. */
export function pinTrouble(shop: Shop, id: string): PinTrouble | null {
  const indexed = indexedShop(shop);
  const task = indexed.ids.indexOf(id);
  const start = indexed.pinStart[task] ?? -1;
  if (start < 0) return null;
  const ends = aloneEnds(indexed);
  const earliest = Math.max(indexed.release[task]!, ...indexed.after[task]!.map((one) => ends[one]!));
  if (start < earliest) return { why: 'tooEarly', earliest };
  return aloneFrom(indexed, task, start) === start ? null : { why: 'closed' };
}

/** Tasks whose pins a plan did not keep. */
export const brokenPins = ({ tasks }: Pick<Shop, 'tasks'>, { at }: Pick<ShopPlan, 'at'>): string[] =>
  tasks
    .filter(({ pin, id }) => {
      const place = at.get(id);
      if (!pin || !place) return false;
      return (pin.start !== null && pin.start !== place.start) || (pin.maker !== null && pin.maker !== place.maker);
    })
    .map(({ id }) => id);

/** A shop without the pins that a plan did not keep. */
export function withoutBrokenPins(shop: Shop, plan: Pick<ShopPlan, 'at'>): Shop {
  const broken = new Set(brokenPins(shop, plan));
  return { ...shop, tasks: shop.tasks.map(({ pin, ...task }) => (pin && !broken.has(task.id) ? { ...task, pin } : task)) };
}
