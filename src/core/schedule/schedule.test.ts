/* Plans against proven and known ones, against all lists of tiny shops, and against the checker that knows nothing of the solver. */
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { toEnd } from '../toEnd';
import { Decoder } from './decodeList';
import { indexedShop } from './indexedShop';
import { pinTrouble, withoutBrokenPins } from './pins';
import { scheduleBound } from './scheduleBound';
import { scheduleViolations } from './scheduleViolations';
import { searchSchedule } from './searchSchedule';
import { type Shop, type ShopGoal, type ShopPlan, type ShopTask, scoreOf, shopViolations } from './shop';
import { FEW, SCHEDULE_CASES, shopOf } from './testShops';

const GOALS = [
  ['dates', 'makespan'],
  ['makespan', 'dates'],
] as const;
const solve = (shop: Shop, goal: ShopGoal, tried: number, seed = 0.42, before: ShopPlan | null = null) =>
  toEnd(searchSchedule(shop, { goal, rounds: tried, random: randomLcg(seed), before }));
const wholeOf = (random: () => number) => (from: number, to: number) => from + Math.floor(random() * (to - from + 1));

/** A shop of a few jobs: chains of hands, waits and stapling, some of which branch. */
function plainShop(random: () => number, jobs: number, most: number): Shop {
  const whole = wholeOf(random);
  const shop = shopOf({
    makers: whole(1, 2),
    places: whole(1, 3),
    stapling: whole(1, 2),
    days: 20,
    firstWeekday: whole(0, 6),
    saturday: random() < 0.5,
    closed: random() < 0.3 ? [whole(0, 4)] : [],
    jobs: Array.from({ length: jobs }, () => [
      whole(0, 80),
      whole(60, 300),
      Array.from({ length: whole(1, most) }, () => `${['A', 'P', 'S'][whole(0, 2)]!}${whole(1, 11)}`).join(' '),
    ]),
  });
  // Now and then a task waits for nothing but its job.
  return { ...shop, tasks: shop.tasks.map((task) => (random() < 0.15 ? { ...task, after: [] } : task)) };
}

/** The same with hours and hands of each maker’s own, things some leave to others, pots, what is wet, what runs, pins. */
function fullShop(random: () => number, jobs: number, most: number): Shop {
  const whole = wholeOf(random);
  const shop = plainShop(random, jobs, most);
  const makers = shop.makers.map((maker, index) => ({
    ...maker,
    hand: index,
    leaves: index > 0 && random() < 0.5 ? ['B'] : [],
    calendar: {
      ...maker.calendar,
      changes: random() < 0.5 ? [[whole(0, 6), random() < 0.5 ? [] : [[40, 60] as const]] as const] : [],
    },
  }));
  const tasks = shop.tasks.map((task): ShopTask => {
    const [before] = task.after;
    const isWet = task.kind === 'passive' && before && shop.tasks.find(({ id }) => id === before)!.kind === 'active';
    if (isWet) return { ...task, atOnce: random() < 0.7, places: [[0], [1], [0, 1]][whole(0, 2)]! };
    if (task.kind === 'passive') return { ...task, places: random() < 0.3 ? [] : task.places! };
    const sets = random() < 0.5;
    return {
      ...task,
      duration: Math.min(task.duration, 8),
      work: random() < 0.3 ? 'B' : 'A',
      places: random() < 0.2 ? [2] : [],
      ...(sets ? { setUp: { family: `pot ${whole(1, 2)}`, before: 1, after: 1 } } : {}),
      ...(random() < 0.1
        ? { pin: { maker: random() < 0.5 ? 0 : null, start: random() < 0.7 ? 96 * whole(1, 5) + whole(37, 60) : null } }
        : {}),
    };
  });
  const runs = tasks.find(({ kind, after }) => kind === 'passive' && after.length === 0);
  return {
    ...shop,
    makers,
    hands: makers.map(() => whole(1, 3)),
    places: [...shop.places, { id: 'pegs', count: whole(1, 2) }, { id: 'bench', count: 1 }],
    tasks: tasks.map((task) => (task === runs ? { ...task, running: 0 } : task)),
  };
}

/** The best of every list there is. */
function bestOfAll(shop: Shop, goal: ShopGoal): [number, number] {
  const indexed = indexedShop(shop);
  const decoder = new Decoder(indexed);
  let best: [number, number] = [Infinity, Infinity];
  const list: number[] = [];
  const used = new Set<number>();
  const free = { joins: new Uint8Array(99), maker: new Int8Array(99).fill(-1), holds: new Int32Array(99) };
  const go = () => {
    if (list.length === indexed.count) {
      decoder.decode({ ...free, list: Int32Array.from(list) });
      const cost: [number, number] =
        goal[0] === 'dates' ? [decoder.tardiness, decoder.makespan] : [decoder.makespan, decoder.tardiness];
      if (cost[0] < best[0] || (cost[0] === best[0] && cost[1] < best[1])) best = cost;
      return;
    }
    for (let task = 0; task < indexed.count; task += 1) {
      if (used.has(task) || indexed.after[task]!.some((one) => !used.has(one))) continue;
      used.add(task);
      list.push(task);
      go();
      list.pop();
      used.delete(task);
    }
  };
  go();
  return best;
}

describe('a plan of the days', () => {
  it.each(SCHEDULE_CASES.map((one) => [one.id, one] as const))(
    '%s: at what is known of it, the same for the same seed',
    (_id, one) => {
      const shop = shopOf(one);
      for (const goal of GOALS) {
        const plan = solve(shop, goal, one.proven ? 2000 : 4000);
        expect(scheduleViolations(shop, plan)).toEqual([]);
        const { tardiness, makespan, setUps, finish } = plan;
        expect(scoreOf(shop, plan)).toEqual({ tardiness, makespan, setUps, finish: expect.closeTo(finish, 6) });
        expect(makespan).toBeGreaterThanOrEqual(plan.bound.makespan);
        expect(tardiness).toBeGreaterThanOrEqual(plan.bound.tardiness);
        if (one.proven) {
          expect(goal[0] === 'dates' ? [tardiness, makespan] : [makespan, tardiness]).toEqual(
            goal[0] === 'dates' ? one.tardinessFirst : one.makespanFirst,
          );
        } else if (goal[0] === 'dates') expect(tardiness).toBeLessThanOrEqual(one.tardinessFirst[0] * 1.02);
        else expect(makespan).toBeLessThanOrEqual(one.makespanFirst[0] * 1.02);
        expect([...solve(shop, goal, 300).at]).toEqual([...solve(shop, goal, 300).at]);
      }
    },
  );

  it('keeps every rule, whatever the shop', () => {
    const random = randomLcg(0.77);
    let [pots, kept] = [0, 0];
    for (let turn = 0; turn < rounds(250, 1000); turn += 1) {
      const shop = fullShop(random, 1 + (turn % 6), 5);
      if (shopViolations(shop).length > 0) continue;
      const goal = [...GOALS, ['dates', 'setUps', 'finish'] as const][turn % 3]!;
      const plan = solve(shop, goal, 60, random());
      const held = withoutBrokenPins(shop, plan);
      expect(scheduleViolations(held, plan)).toEqual([]);
      expect(scoreOf(shop, plan).setUps).toBe(plan.setUps);
      expect(plan.makespan).toBeGreaterThanOrEqual(plan.bound.makespan);
      expect(plan.tardiness).toBeGreaterThanOrEqual(plan.bound.tardiness);
      pots += plan.pots.filter(({ tasks }) => tasks.length > 1).length;
      kept += held.tasks.filter(({ pin }) => pin).length;
    }
    expect(Math.min(pots, kept)).toBeGreaterThan(20);
  });

  it('is the best of all lists where these can be counted', () => {
    const random = randomLcg(0.23);
    for (let turn = 0; turn < rounds(40, 600); turn += 1) {
      const shop = plainShop(random, 3, 2);
      for (const goal of GOALS) {
        const plan = solve(shop, goal, 600, random());
        const cost = goal[0] === 'dates' ? [plan.tardiness, plan.makespan] : [plan.makespan, plan.tardiness];
        expect(cost).toEqual(bestOfAll(shop, goal));
      }
    }
  });

  it('is bounded by each job alone and by all hands together', () => {
    const shop = shopOf({ ...FEW, makers: 2, stapling: 9, jobs: [40, 999, 999].map((due) => [0, due, 'A8 P4']) });
    const more = (makers: number): Shop => {
      const with12 = shopOf({
        ...FEW,
        makers,
        jobs: [
          [0, 40, 'A8 P4'],
          [0, 999, 'A8 P4'],
          [0, 999, 'A8 P4'],
          [0, 999, 'A12 P4'],
        ],
      });
      return { ...with12, hands: [9] };
    };
    // 36 steps of hands, two makers: 24 till noon, the other 12 take 6 from one o’clock; then the place.
    expect(scheduleBound(indexedShop(more(2)))).toMatchObject({ makespan: 62, tardiness: 8 });
    expect(scheduleBound(indexedShop(more(9))).makespan).toBe(52);
    expect(scheduleBound(indexedShop({ ...shop, jobs: shop.jobs.map((job) => ({ ...job, weight: 3 })) })).tardiness).toBe(24);
  });
});

describe('hands and pots', () => {
  const tasksOf = (shop: Shop, change: (task: ShopTask) => ShopTask): Shop => ({ ...shop, tasks: shop.tasks.map(change) });
  it('one pot serves four canvases, though three of them must wait for the last', () => {
    const jobs = [0, 1, 2, 3].map((late): [number, number, string] => [36 + late, 999, 'A2 P20']);
    const shop = tasksOf(shopOf({ ...FEW, places: 4, jobs }), (task) =>
      task.kind === 'active' ? { ...task, setUp: { family: 'gesso', before: 1, after: 2 } } : { ...task, atOnce: true },
    );
    const together = solve(shop, ['dates', 'setUps', 'finish'], 2000);
    expect(scheduleViolations(shop, together)).toEqual([]);
    expect(together.pots.map(({ from, to, tasks }) => [from, to, tasks.length])).toEqual([[36, 47, 4]]);
    // Each for itself they would take 20 steps of hands, not 11: into the afternoon.
    expect(together.makespan).toBe(65);
    const apart = solve({ ...shop, together: 0 }, ['dates', 'setUps', 'finish'], 2000);
    expect([apart.setUps, apart.makespan]).toEqual([4, 80]);
    // Two that become ready more than so far apart are not kept waiting for one another.
    const far = { ...shop, jobs: shop.jobs.map((job, index) => (index === 3 ? { ...job, release: 600 } : job)) };
    expect(
      solve(far, ['dates', 'setUps', 'finish'], 2000)
        .pots.map(({ tasks }) => tasks.length)
        .sort(),
    ).toEqual([1, 3]);
  });

  it('large canvases are spread over the days of a hand, and over hands', () => {
    const shop = tasksOf(shopOf({ ...FEW, stapling: 350, jobs: [0, 1, 2].map(() => [0, 999, 'A6']) }), (task) => ({
      ...task,
      strain: 200,
    }));
    const daysOf = (plan: ShopPlan) => [...plan.at.values()].map(({ start }) => Math.floor(start / 96)).sort();
    expect(daysOf(solve(shop, ['dates', 'finish'], 300))).toEqual([0, 1, 2]);
    const two = { ...shop, hands: [350, 350], makers: [shop.makers[0]!, { ...shop.makers[0]!, id: 'M2', hand: 1 }] };
    const plan = solve(two, ['dates', 'finish'], 300);
    expect(daysOf(plan)).toEqual([0, 0, 1]);
    expect(scheduleViolations(two, plan)).toEqual([]);
    expect(scheduleViolations({ ...two, hands: [150, 350] }, plan).join()).toMatch(/Day 0 strains a hand by 200, it stands 150/);
  });

  it('size is put on before closing, so that it dries overnight', () => {
    // Three hours of other work, due later, and a coat that dries for twelve: the coat goes on the evening before.
    const shop = shopOf({
      ...FEW,
      makers: 1,
      places: 9,
      stapling: 9,
      jobs: [
        [0, 150, 'A2 P48 A2'],
        [0, 68, 'A12'],
        [0, 68, 'A14'],
      ],
    });
    const plan = solve(shop, ['dates', 'finish'], 2000);
    expect(plan.tardiness).toBe(0);
    expect(plan.at.get('J1.1')!.start + 2).toBe(68);
    expect(plan.at.get('J1.3')!.start).toBe(132);
  });

  it('what is done is done by whoever does it, within her own hours', () => {
    const shop = shopOf({ ...FEW, makers: 2, jobs: [[0, 999, 'A8']] });
    const [one, two] = shop.makers as [Shop['makers'][0], Shop['makers'][0]];
    const late = { ...two, calendar: { ...two.calendar, changes: [[0, [[60, 68]]] as const] } };
    const says = (makers: Shop['makers']) =>
      solve({ ...tasksOf(shop, (task) => ({ ...task, work: 'saw' })), makers }, ['finish'], 9).at.get('J1.1');
    expect(says([one, late])).toMatchObject({ start: 36, maker: 0 });
    expect(says([{ ...one, leaves: ['saw'] }, late])).toMatchObject({ start: 60, maker: 1 });
  });

  it('a pin is kept, or broken and named', () => {
    const shop = shopOf({
      ...FEW,
      places: 2,
      jobs: [
        [0, 999, 'A4 P10 A4'],
        [0, 999, 'A8'],
      ],
    });
    const pinned = (id: string, start: number) =>
      tasksOf(shop, (task) => (task.id === id ? { ...task, pin: { maker: 0, start } } : task));
    const kept = solve(pinned('J1.3', 56), ['finish'], 300);
    expect(kept.at.get('J1.3')!.start).toBe(56);
    expect(scheduleViolations(pinned('J1.3', 56), kept)).toEqual([]);
    const broken = solve(pinned('J1.3', 40), ['finish'], 300);
    expect(broken.brokenPins).toBe(1);
    expect(scheduleViolations(pinned('J1.3', 40), broken)[0]).toMatch(/J1\.3 is pinned to 40/);
    expect(pinTrouble(pinned('J1.3', 40), 'J1.3')).toEqual({ why: 'tooEarly', earliest: 50 });
    expect(pinTrouble(pinned('J1.3', 66), 'J1.3')).toEqual({ why: 'closed' });
    expect(pinTrouble(pinned('J1.3', 56), 'J1.3')).toBeNull();
    expect(withoutBrokenPins(pinned('J1.3', 40), broken).tasks.every(({ pin }) => !pin)).toBe(true);
  });

  it('a plan that stands is kept where nothing is gained by moving, and moved where a date is', () => {
    const shop = shopOf({
      ...FEW,
      days: 20,
      places: 9,
      stapling: 9,
      jobs: Array.from({ length: 8 }, () => [0, 900, 'A4 P10 A4']),
    });
    const before = solve(shop, ['dates', 'finish'], 400);
    // One could not be begun: what is its own must move, of the others hardly anything.
    const later = { ...shop, jobs: shop.jobs.map((job) => (job.id === 'J3' ? { ...job, release: 140 } : job)) };
    const again = solve(later, ['dates', 'moved', 'finish'], 400, 0.42, before);
    expect(scheduleViolations(later, again)).toEqual([]);
    const own = [...before.at].filter(([id]) => id.startsWith('J3')).length;
    expect(again.moved).toBeGreaterThan(0);
    expect(again.moved).toBeLessThanOrEqual(own + 0.2 * (before.at.size - own));
    expect(solve(shop, ['dates', 'moved', 'finish'], 400, 0.42, before).moved).toBe(0);
    const wanted = { ...shop, jobs: shop.jobs.map((job) => (job.id === 'J8' ? { ...job, due: 66 } : job)) };
    expect(solve(wanted, ['dates', 'moved', 'finish'], 2000, 0.42, before).tardiness).toBe(0);
  });
});
