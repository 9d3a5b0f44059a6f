/* A plan of the days with makers and places by their names: as it is kept, sent and printed. */
import type { Shop, ShopPlan } from '../schedule/shop';
import type { DateChance, WeekPlan } from './weekPlan';

export interface NamedPlan extends Omit<WeekPlan, 'at' | 'pots' | 'dates'> {
  at: [task: string, start: number, maker: string | null, place: string | null][];
  pots: { family: string; maker: string; from: number; to: number; tasks: string[] }[];
  dates: [job: string, DateChance][];
}

export const namedPlan = ({ makers, places }: Pick<Shop, 'makers' | 'places'>, plan: WeekPlan): NamedPlan => ({
  ...plan,
  at: [...plan.at].map(([task, { start, maker, place }]) => [
    task,
    start,
    maker === null ? null : makers[maker]!.id,
    place === null ? null : places[place]!.id,
  ]),
  pots: plan.pots.map((pot) => ({ ...pot, maker: makers[pot.maker]!.id, tasks: [...pot.tasks] })),
  dates: [...plan.dates],
});

/** Where everything lies, for a shop that may have other makers and places by now: what they did is left out. */
export function placesOfNames(
  { makers, places }: Pick<Shop, 'makers' | 'places'>,
  named: Pick<NamedPlan, 'at' | 'pots'>,
): ShopPlan {
  const maker = new Map(makers.map(({ id }, index) => [id, index]));
  const place = new Map(places.map(({ id }, index) => [id, index]));
  return {
    at: new Map(
      named.at
        .filter(([, , who]) => who === null || maker.has(who))
        .map(([task, start, who, where]) => [
          task,
          { start, maker: who === null ? null : maker.get(who)!, place: where === null ? null : (place.get(where) ?? null) },
        ]),
    ),
    pots: named.pots.filter((pot) => maker.has(pot.maker)).map((pot) => ({ ...pot, maker: maker.get(pot.maker)! })),
  };
}

/** The plan again, with what is said of it. */
export const planOfNames = (shop: Pick<Shop, 'makers' | 'places'>, named: NamedPlan): WeekPlan => ({
  ...named,
  ...placesOfNames(shop, named),
  dates: new Map(named.dates),
});
