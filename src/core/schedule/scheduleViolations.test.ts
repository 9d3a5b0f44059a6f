import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { toEnd } from '../toEnd';
import { scheduleViolations } from './scheduleViolations';
import { searchSchedule } from './searchSchedule';
import { type Pot, type Shop, type ShopPlan, type ShopTask, type TaskPlace, shopViolations } from './shop';
import { FEW, shopOf } from './testShops';
import { calendarViolations } from './workCalendar';

describe('the checker', () => {
  const shop = shopOf({
    ...FEW,
    jobs: [
      [0, 60, 'S4 P10'],
      [40, 60, 'S4 P10'],
    ],
  });
  const planned = (starts: Record<string, number>, change: Partial<TaskPlace> = {}): ShopPlan => ({
    at: new Map(
      Object.entries(starts).map(([id, start]) => [
        id,
        { start, maker: id.endsWith('1') ? 0 : null, place: id.endsWith('1') ? null : 0, ...change },
      ]),
    ),
    pots: [],
  });
  const GOOD = { 'J1.1': 36, 'J1.2': 40, 'J2.1': 132, 'J2.2': 136 };
  const says = (starts: Record<string, number>, of = shop) => scheduleViolations(of, planned(starts)).join(' ');
  it('names what cannot be worked', () => {
    expect(says(GOOD)).toBe('');
    expect(says({ ...GOOD, 'J1.2': 39 })).toMatch(/J1\.2 starts at 39, before J1\.1 has ended/);
    expect(says({ ...GOOD, 'J1.1': 46, 'J1.2': 50 })).toMatch(/J1\.1 at 46 does not lie within one opening window/);
    expect(says({ 'J1.1': 132, 'J1.2': 140, 'J2.1': 36, 'J2.2': 40 })).toMatch(/before its job at 40/);
    expect(says({ ...GOOD, 'J2.1': 40, 'J2.2': 52 })).toMatch(/Day 0 strains a hand by 2, it stands 1/);
    expect(says({ ...GOOD, 'J1.2': 133 })).toMatch(/At 136 2 places rack are wanted, 1 are there/);
    expect(says({ 'J1.1': 132, 'J1.2': 140, 'J2.1': 134, 'J2.2': 150 })).toMatch(/M1 does two things at 134/);
    expect(says({ 'J1.1': 36 })).toMatch(/J1\.2 has no start/);
    expect(scheduleViolations(shop, planned(GOOD, { maker: null })).join()).toMatch(/J1\.1 is done by nobody/);
    expect(scheduleViolations(shop, planned(GOOD, { place: 3 })).join()).toMatch(/lies on no place that does for it/);
    const with2 = (change: Partial<ShopTask>, id = 'J1.2') => ({
      ...shop,
      tasks: shop.tasks.map((task) => (task.id === id ? { ...task, ...change } : task)),
    });
    expect(says({ ...GOOD, 'J1.2': 44 }, with2({ atOnce: true }))).toMatch(/J1\.2 starts at 44, not when J1\.1 has ended/);
    expect(says(GOOD, with2({ setUp: { family: 'pot', before: 1, after: 1 } }, 'J1.1'))).toMatch(/J1\.1 is set up 0 times/);
    expect(says(GOOD, with2({ running: 41 }))).toMatch(/J1\.2 runs since 41, not 40/);
    const leaves = { ...shop, makers: [{ ...shop.makers[0]!, leaves: ['stapling'] }] };
    expect(says(GOOD, { ...with2({ work: 'stapling' }, 'J1.1'), makers: leaves.makers })).toMatch(
      /M1 does no work of the kind “stapling”/,
    );
  });

  it('looks into every pot', () => {
    const sets = {
      ...shop,
      hands: [9],
      tasks: shop.tasks.map((task) =>
        task.kind === 'active' ? { ...task, setUp: { family: 'pot', before: 1, after: 1 } } : task,
      ),
    };
    const pot = { family: 'pot', maker: 0, from: 131, to: 141, tasks: ['J1.1', 'J2.1'] };
    const of = (change: Partial<Pot>, starts = {}) =>
      scheduleViolations(
        { ...sets, places: [{ id: 'rack', count: 2 }] },
        { ...planned({ 'J1.1': 132, 'J1.2': 136, 'J2.1': 136, 'J2.2': 140, ...starts }), pots: [{ ...pot, ...change }] },
      ).join();
    expect(of({})).toMatch(/pot at 131 does not lie within one opening window/);
    const later = { 'J1.1': 133, 'J1.2': 137, 'J2.1': 137, 'J2.2': 141 };
    expect(of({ from: 132, to: 142 }, later)).toBe('');
    expect(of({ from: 132, to: 141 }, later)).toMatch(/is not washed out/);
    expect(of({ from: 132, to: 142 }, { ...later, 'J2.1': 138, 'J2.2': 142 })).toMatch(/J2\.1 is not done in turn/);
    expect(of({ from: 132, to: 142, tasks: ['J1.1'] }, later)).toMatch(/J2\.1 is set up 0 times/);
  });
});

describe('what cannot be planned', () => {
  const shop = shopOf({ ...FEW, jobs: [[0, 60, 'A4 P10']] });
  it('is told in words', () => {
    const says = (change: Partial<Shop>) => shopViolations({ ...shop, ...change }).join(' ');
    const [maker] = shop.makers as [Shop['makers'][0]];
    expect(says({})).toBe('');
    expect(says({ makers: [] })).toMatch(/Nobody is there to work/);
    expect(says({ makers: [{ ...maker, calendar: { ...maker.calendar, week: maker.calendar.week.map(() => []) } }] })).toMatch(
      /Nobody is there/,
    );
    expect(says({ makers: [maker, maker] })).toMatch(/Two makers have one name/);
    expect(says({ horizonDays: 0.5 })).toMatch(/Days: a whole number from 1, got 0.5/);
    expect(says({ jobs: [{ id: 'J1', release: 0, due: 0.5 }] })).toMatch(/J1, due: a whole number, got 0.5/);
    const [first, second] = shop.tasks as [ShopTask, ShopTask];
    expect(says({ tasks: [{ ...first, after: ['J1.2'] }, second] })).toMatch(/in a circle/);
    expect(says({ tasks: [first, { ...second, after: ['X'] }] })).toMatch(/waits for “X”/);
    expect(says({ tasks: [first, { ...second, places: [4] }] })).toMatch(/wants a place 4 that is not there/);
    expect(says({ tasks: [{ ...first, duration: 20 }, second] })).toMatch(/takes 5 h of hands, and no window is longer than 4 h/);
    expect(says({ tasks: [{ ...first, strain: 7 }, second] })).toMatch(/takes 7 squeezes, and a hand stands 1 a day: divide it/);
    expect(says({ tasks: [{ ...first, job: 'J9' }, second] })).toMatch(/of a job “J9”/);
    expect(says({ tasks: [{ ...first, work: 'saw' }, second], makers: [{ ...maker, leaves: ['saw'] }] })).toMatch(
      /nobody does work of the kind “saw”/,
    );
    expect(() =>
      toEnd(searchSchedule({ ...shop, makers: [] }, { goal: ['makespan'], rounds: 1, random: randomLcg(0.5) })),
    ).toThrow(/Nobody is there/);
    const week = maker.calendar.week.map((windows, day) => (day === 2 ? [[36, 48] as const, [44, 100] as const] : windows));
    expect(calendarViolations({ ...maker.calendar, week })).toEqual(['Tuesday: 11:00 to 25:00 is no window within a day.']);
    expect(calendarViolations({ ...maker.calendar, week: week.slice(1), closedDays: [-1] })[0]).toMatch(/seven days, got 6/);
    expect(calendarViolations({ ...maker.calendar, closedDays: [-1] })[0]).toMatch(/got -1/);
  });
});
