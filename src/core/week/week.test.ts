import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '../../testRounds';
import { length } from '../units/length';
import { toEnd } from '../toEnd';
import { dateStanding, dateVerdict } from './dateVerdicts';
import { latestStart } from './latestStart';
import { namedPlan, planOfNames } from './namedPlan';
import { dateFalls, isBetter, planDifference } from './planDifference';
import { forcedBy, promiseFor } from './promise';
import { chanceBy, endsOverRuns, runGround, runPlan } from '../schedule/runPlan';
import { savingChanges } from './savingChanges';
import { scheduleViolations } from '../schedule/scheduleViolations';
import { searchSchedule } from '../schedule/searchSchedule';
import { shopViolations } from '../schedule/shop';
import { learnedSpread } from './spread';
import { FEW, shopOf } from '../schedule/testShops';
import { MONDAY, canvasWork, step, weekFactsOf, weekJob } from './testWeeks';
import { makerDay } from './today';
import { variationOf } from './variation';
import { weekMarks } from './weekMarks';
import { type WeekPlan, planWeek } from './weekPlan';
import { USUAL_WEEK, type WeekSettings, weekSettingsViolations } from './weekSettings';
import { type WeekFacts, calendarOf, weekShop, weekTroubles } from './weekShop';
import { daysBetween, momentAt, stepAt } from './weekTime';
import { windowsOn, withChange } from './whatIf';
import { windowsOf } from '../schedule/workCalendar';

const dice = (seed: number) => {
  const even = randomLcg(seed);
  return { random: randomLcg(seed / 3), dice: { even, normal: randomNormal.source(even)() } };
};
const planned = (
  facts: WeekFacts,
  { lists = 300, runs = 60, spread = 0.25, before }: { lists?: number; runs?: number; spread?: number; before?: WeekPlan } = {},
) => {
  const week = weekShop(facts);
  const options = {
    wanted: facts.settings.wanted,
    variation: variationOf(week.tasks, spread),
    rounds: lists,
    runs,
    ...dice(0.37),
  };
  const plan = toEnd(planWeek(week, { ...options, before: before ?? null }));
  expect(scheduleViolations(week.shop, plan)).toEqual([]);
  return { week, plan };
};
const six = () => [1, 2, 3, 4, 5, 6].map((number) => weekJob(number, '2031-05-09'));

describe('the open work of a house', () => {
  it('is hands, what follows them, and who is there when', () => {
    const settings: WeekSettings = {
      ...USUAL_WEEK,
      makers: [{ maker: 'Jon', ownHours: true, hours: [{ weekday: 2, from: 40, to: 48 }], leaves: ['prime'], squeezes: 80 }],
      changes: [
        { on: '2031-05-06', maker: '', from: 0, to: 0 },
        { on: '2031-05-06', maker: 'Ida', from: 36, to: 40 },
        { on: '2031-05-06', maker: 'Ida', from: 60, to: 64 },
      ],
    };
    const { shop } = weekShop(weekFactsOf([weekJob(1, '2031-05-09')], { settings }));
    expect(windowsOf(shop.makers[0]!.calendar, 2)).toEqual([
      [36, 48],
      [52, 68],
      [132, 136],
      [156, 160],
    ]);
    expect(windowsOf(shop.makers[1]!.calendar, 2)).toEqual([]);
    expect(windowsOf(calendarOf(settings, 'Jon', '2031-05-13'), 1)).toEqual([[40, 48]]);
    expect(shop.hands).toEqual([350, 80]);
    expect(shop.jobs[0]).toMatchObject({ release: 36, due: 5 * 96 });
    const of = (id: string) => shop.tasks.find((task) => task.id === id)!;
    expect(of('j1/bars')).toMatchObject({ kind: 'active', duration: 3, after: [] });
    // Glue sets flat; a coat rather on a peg.
    expect(of('j1/bars/dry')).toMatchObject({ kind: 'passive', atOnce: true, duration: 48, places: [0] });
    expect(of('j1/prime:0/dry').places).toEqual([1, 2, 0]);
    expect(of('j1/fasten').after).toEqual(['j1/bars', 'j1/bars/dry']);
    expect(of('j1/prime:1')).toMatchObject({ after: ['j1/prime:0', 'j1/prime:0/dry'], setUp: { before: 1, after: 1 } });
  });

  it('is divided where no window or no hand holds it, and told where no place does', () => {
    const long = canvasWork(2800, 900);
    long.steps[0]!.minutes = 500;
    const { shop, tasks } = weekShop(weekFactsOf([weekJob(1, null, long)]));
    const parts = (key: string) => shop.tasks.filter(({ id }) => id.startsWith(`j1/${key}`) && tasks.get(id)!.is === 'hands');
    expect(parts('bars').map(({ duration }) => duration)).toEqual([12, 12, 12]);
    expect(parts('fasten').map(({ strain }) => strain)).toEqual([300, 300, 300]);
    expect(parts('fasten')[1]!.after).toEqual(['j1/fasten']);
    expect(shop.tasks.find(({ id }) => id === 'j1/prime:0')!.after).toContain('j1/fasten/3');
    expect(shop.tasks.find(({ id }) => id === 'j1/bars/dry')!.after).toEqual(['j1/bars/3']);
    expect(shopViolations(shop)).toEqual([]);
    const facts = weekFactsOf([weekJob(7, null, long)]);
    expect(weekTroubles(facts).join()).toMatch(/No\. 7 “Canvas 7”: no place it dries on takes a frame of its size/);
    const bench = { name: 'Long bench', kind: 'bench' as const, long: length(3000), short: length(2000), count: 1 };
    const loft = { ...bench, name: 'Loft', kind: 'flat' as const };
    const settings = { ...USUAL_WEEK, places: [...USUAL_WEEK.places, bench, loft] };
    expect(weekTroubles({ ...facts, settings })).toEqual([]);
    const benched = weekShop({ ...facts, settings }).shop.tasks;
    expect(benched.find(({ id }) => id === 'j7/bars')!.places).toEqual([3]);
    expect(benched.find(({ id }) => id === 'j7/prime:0')!.places).toEqual([]);
    expect(
      weekShop({ ...weekFactsOf([weekJob(8, null)]), settings }).shop.tasks.find(({ id }) => id === 'j8/bars')!.places,
    ).toEqual([]);
  });

  it('has what runs, what was begun and what is moved by hand', () => {
    const runs = { what: 'glue' as const, sinceMs: MONDAY - 3_600_000, untilMs: MONDAY + 7_200_000, holds: ['fasten'] };
    const work = {
      ...canvasWork(),
      steps: canvasWork()
        .steps.slice(1)
        .map((one) => ({ ...one, after: one.after.filter((key) => key !== 'bars'), afterDry: [] })),
      runs,
    };
    const facts = weekFactsOf([weekJob(1, null, work), weekJob(2, null)], {
      pins: [
        { task: 'j2/bars', maker: 'Jon', atMs: momentAt('2031-05-05', 40) },
        { task: 'j2/fasten', maker: null, atMs: MONDAY - 1 },
        { task: 'gone', maker: 'Jon', atMs: null },
      ],
    });
    const { week, plan } = planned(facts);
    expect(plan.at.get('j1/runs')!.start).toBe(36);
    expect(plan.at.get('j1/fasten')!.start).toBeGreaterThanOrEqual(36 + 8);
    expect(plan.at.get('j2/bars')).toMatchObject({ start: 40, maker: 1 });
    expect(week.shop.tasks.find(({ id }) => id === 'j2/fasten')!.pin).toBeUndefined();
    // Nine and a half: what was begun at nine goes on where it is, though now is later.
    const later = {
      ...facts,
      pins: [],
      nowMs: MONDAY + 45 * 60_000,
      begun: [{ task: 'j2/bars', maker: 'Ida', atMs: momentAt('2031-05-05', 36) }],
    };
    expect(planned(later).plan.at.get('j2/bars')).toMatchObject({ start: 36, maker: 0 });
  });

  it('is wrong with words: hours that overlap, nobody there, names unknown', () => {
    const says = (change: Partial<WeekSettings>) =>
      weekSettingsViolations({ ...USUAL_WEEK, ...change }, ['Ida', 'Jon']).join(' ');
    expect(says({})).toBe('');
    expect(
      says({
        hours: [
          { weekday: 1, from: 36, to: 48 },
          { weekday: 1, from: 44, to: 68 },
        ],
      }),
    ).toBe('Monday: 09:00 to 12:00 and 11:00 to 17:00 overlap.');
    expect(says({ hours: [] })).toMatch(/Nobody is ever there/);
    expect(
      says({
        hours: [],
        makers: [{ maker: 'Jon', ownHours: true, hours: [{ weekday: 3, from: 36, to: 40 }], leaves: [], squeezes: null }],
      }),
    ).toBe('');
    expect(says({ changes: [{ on: '2031-05-06', maker: 'Eva', from: 0, to: 0 }] })).toMatch(
      /Nobody here is called “Eva”: Ida, Jon/,
    );
    expect(says({ changes: [{ on: '2031-05-06', maker: '', from: 50, to: 40 }] })).toMatch(
      /2031-05-06: 12:30 to 10:00 is no window/,
    );
    expect(says({ places: [] })).toMatch(/no place to dry anything/);
    expect(says({ places: [USUAL_WEEK.places[0]!, USUAL_WEEK.places[0]!] })).toMatch(/Two places are called “Bench and floor”/);
    expect(says({ wanted: ['dates', 'dates'] })).toMatch(/stands there twice/);
    expect(shopViolations(weekShop(weekFactsOf(six(), { makers: [] })).shop).join()).toMatch(/Nobody is there to work/);
  });

  it('time is by the clock on the wall', () => {
    for (const step of [0, 37, 95, 96, 1000, 30_000]) expect(stepAt('2031-03-29', momentAt('2031-03-29', step))).toBe(step);
  });
});

describe('the plan of a week', () => {
  it('shares pots, and says of every date how it stands', () => {
    const { week, plan } = planned(weekFactsOf(six()), { lists: 2000 });
    expect(plan.setUps).toBeLessThanOrEqual(6);
    expect([...plan.dates.values()].map(dateStanding)).toEqual(Array(6).fill('safe'));
    const marks = weekMarks(week, six(), plan);
    expect(marks.hands).toHaveLength(30);
    expect(marks.threads.get('j1')!.map(({ task }) => task)).toEqual(
      ['bars', 'bars/dry', 'fasten', 'prime:0', 'prime:0/dry', 'prime:1', 'prime:1/dry', 'handover'].map((key) => `j1/${key}`),
    );
    // Nothing lies in a row where something lies already.
    for (const one of marks.drying)
      for (const other of marks.drying)
        if (one !== other && one.place === other.place && one.row === other.row)
          expect(one.end <= other.start || other.end <= one.start).toBe(true);
    for (const [place, { count }] of week.shop.places.entries()) expect(marks.rows[place]).toBeLessThanOrEqual(count);
    const named = JSON.parse(JSON.stringify(namedPlan(week.shop, plan)));
    expect(planOfNames(week.shop, named)).toEqual(plan);
    expect(planOfNames({ ...week.shop, makers: week.shop.makers.slice(0, 1) }, named).at.size).toBeLessThan(plan.at.size);
    const late = planned(weekFactsOf([weekJob(1, '2031-05-02'), weekJob(2, '2031-05-05')])).plan;
    expect([...late.dates.values()].map(dateStanding)).toEqual(['late', 'late']);
    expect(dateVerdict(late.dates.get('j1')!, late.firstDay, 60)!.says).toMatch(
      /Wanted Fri 2 May: late by 4 days as planned, kept in no run/,
    );
  });

  it('a maker’s day is in order, with her pot and what dries overnight', () => {
    const facts = weekFactsOf(six());
    const { week, plan } = planned(facts, { lists: 800 });
    const days = facts.makers.map((maker) => makerDay(week, facts.jobs, plan, maker, week.now));
    for (const { tasks, day } of days) {
      expect(day).toBe('2031-05-05');
      expect(tasks.map(({ from }) => from)).toEqual(tasks.map(({ from }) => from).sort((a, b) => a - b));
    }
    // As many as there are flat places for their glue.
    expect(days.flatMap(({ tasks }) => tasks).filter(({ short }) => short === 'Frame')).toHaveLength(4);
    const next = makerDay(week, facts.jobs, plan, 'Ida', 96);
    expect(next.day).toBe('2031-05-06');
    const evening = [...plan.at].filter(([id]) => id.includes('prime') && !id.includes('dry')).map(([, { start }]) => start);
    expect(evening.length).toBe(12);
    for (const one of [next, makerDay(week, facts.jobs, plan, 'Jon', 96)])
      for (const task of one.tasks) expect(task.overnight).toBe(task.from >= 52 && task.coat !== null && task.to + 12 > 68);
    expect(makerDay(week, facts.jobs, plan, 'Eva', 0)).toMatchObject({ day: null, tasks: [] });
  });

  it('a plan that keeps a date more seldom is told by that date first; the noise of its runs is none', () => {
    const plan = (...chances: (number | null)[]) => ({
      dates: new Map(chances.map((chance, index) => [`j${index}`, { due: chance === null ? null : 96, chance }])),
    });
    const falls = (from: (number | null)[], to: (number | null)[]) =>
      dateFalls(plan(...from), plan(...to), 240).map(({ jobId }) => jobId);
    expect(falls([0.95, 0.9, 0.6, null], [0.13, 0.95, 0.3, null])).toEqual(['j0', 'j2']);
    expect(falls([0.9, 0.5, 1], [0.86, 0.43, 0.99])).toEqual([]);
    // More runs tell a smaller fall.
    expect(dateFalls(plan(0.9), plan(0.86), 24_000)).toHaveLength(1);
    expect(falls([1], [0.95])).toEqual(['j0']);
  });

  it('what is tried is tried on the whole plan', () => {
    const facts = weekFactsOf(six());
    const { plan } = planned(facts);
    const away = withChange(facts, { kind: 'away', maker: 'Ida', on: '2031-05-06' });
    expect(windowsOn(away.settings, 'Ida', '2031-05-06')).toEqual([]);
    const without = planned(away, { before: plan });
    expect([...without.plan.at.values()].some(({ maker, start }) => maker === 0 && start >= 96 && start < 192)).toBe(false);
    expect(planDifference(plan, without.plan).moved).toBeGreaterThan(0);
    const later = [...plan.at].map(([id, at]) => [id, id === 'j1/bars' ? { ...at, start: at.start + 1 } : at] as const);
    expect(planDifference(plan, { ...plan, at: new Map(later) }).moved).toBe(1);
    expect(isBetter(without.plan, plan, ['dates', 'finish', 'setUps'])).toBe(false);
    const longer = withChange(away, { kind: 'longer', maker: 'Ida', on: '2031-05-05', hours: 2 });
    expect(windowsOn(longer.settings, 'Ida', '2031-05-05')).toEqual([
      [36, 48],
      [52, 76],
    ]);
    expect(
      windowsOn(withChange(facts, { kind: 'longer', maker: 'Jon', on: '2031-05-10', hours: 3 }).settings, 'Jon', '2031-05-10'),
    ).toEqual([[36, 48]]);
    const more = withChange(facts, { kind: 'more', jobs: [weekJob(99, null)] });
    expect(planned(more, { before: plan }).plan.dates.has('j99')).toBe(true);
    const shorter = canvasWork(600, 100, [10, 20]);
    expect(withChange(facts, { kind: 'instead', jobId: 'j2', label: 'quick', work: shorter }).jobs[1]!.work).toBe(shorter);
    const changes = savingChanges(facts, { dueOn: '2031-05-06' });
    expect(changes.map((change) => 'on' in change && change.on)).toEqual([
      '2031-05-06',
      '2031-05-06',
      '2031-05-05',
      '2031-05-05',
    ]);
  });

  it('promises what nine of ten runs keep, and names whom an earlier day would push', () => {
    const facts = weekFactsOf(six());
    const { plan } = planned(facts);
    const options = { rounds: 80, runs: 120, spread: 0.25, standing: plan, ...dice(0.5) };
    const asked = [weekJob(50, null), weekJob(51, null)];
    const promised = toEnd(promiseFor(facts, asked, options));
    expect(promised.chance).toBeGreaterThanOrEqual(0.9);
    expect(promised.day >= promised.planned).toBe(true);
    expect(promised.hurts).toEqual([]);
    // The day before does not hold in nine of ten, else that one would have been promised.
    const busy = weekFactsOf(
      Array.from({ length: 14 }, (_, index) => weekJob(index + 1, '2031-05-08')),
      { makers: ['Ida'] },
    );
    const alone = planned(busy, { lists: 150 }).plan;
    const behind = toEnd(promiseFor(busy, asked, { ...options, standing: alone, ...dice(0.5) }));
    expect(behind.day > promised.day).toBe(true);
    const forced = toEnd(forcedBy(busy, asked, '2031-05-08', { ...options, rounds: 2000, standing: alone, ...dice(0.5) }));
    expect(forced.chance).toBeGreaterThan(0.5);
    expect(forced.pushes.length).toBeGreaterThan(0);
    expect(forced.pushes.every(({ jobId, days }) => jobId.startsWith('j') && days > 0)).toBe(true);
  });

  it('the latest start is the last that ends in time', () => {
    const facts = weekFactsOf([weekJob(1, '2031-05-09')]);
    const { shop } = weekShop(facts);
    const latest = latestStart(shop, 'j1')!;
    const endsFrom = (release: number) => {
      const { plan } = planned({ ...facts, nowMs: momentAt('2031-05-05', release - 1) }, { runs: 0 });
      return plan.dates.get('j1')!.end + 96 * daysBetween('2031-05-05', plan.firstDay);
    };
    expect(endsFrom(latest)).toBeLessThanOrEqual(shop.jobs[0]!.due!);
    expect(endsFrom(latest + 1)).toBeGreaterThan(shop.jobs[0]!.due!);
    expect(latestStart(weekShop(weekFactsOf([weekJob(1, '2031-05-05')])).shop, 'j1')).toBe(-1);
    expect(latestStart(weekShop(weekFactsOf([weekJob(1, null)])).shop, 'j1')).toBeNull();
  });
});

describe('runs of a plan', () => {
  it('without variation it ends as planned, or sooner', () => {
    const facts = weekFactsOf(six());
    const { week, plan } = planned(facts);
    const ends = runPlan(runGround(week.shop, plan), { hands: 0, waits: new Map() }, dice(0.1).dice);
    for (const [job, end] of ends) expect(end).toBeLessThanOrEqual(plan.dates.get(job)!.end + 96);
    expect([...ends.values()].reduce((a, b) => a + b) / 6).toBeLessThanOrEqual(plan.finish + 8);
  });

  it('vary as they are told to: hands about what was reckoned, drying evenly in its range, nothing begun that does not fit', () => {
    const one = (chain: string, stapling = 9) => shopOf({ ...FEW, days: 30, stapling, jobs: [[36, 9999, chain]] });
    const endsOf = (chain: string, hands: number, waits: [string, number][], runs = 900) => {
      const shop = one(chain);
      const plan = toEnd(searchSchedule(shop, { goal: ['makespan'], rounds: 1, random: randomLcg(0.5) }));
      return toEnd(endsOverRuns(shop, plan, { hands, waits: new Map(waits) }, runs, dice(0.21).dice)).get('J1')!;
    };
    const mean = (values: ArrayLike<number>) => Array.from(values).reduce((sum, value) => sum + value, 0) / values.length;
    // Four steps of hands from nine on: as long as reckoned in the mean, and spread by a quarter.
    const hands = Array.from(endsOf('A4', 0.25, []), (end) => Math.log((end - 36) / 4));
    expect(mean(Array.from(hands, Math.exp))).toBeCloseTo(1, 1);
    expect(Math.sqrt(mean(hands.map((value) => (value - mean(hands)) ** 2)))).toBeCloseTo(0.25, 1);
    // A coat of forty steps that may be dry after ten.
    const dry = endsOf('P40', 0, [['J1.1', 0.25]]);
    expect([Math.min(...dry), mean(dry), Math.max(...dry)].map((end) => Math.round((end - 36) / 3))).toEqual([3, 8, 13]);
    // Ready at half past ten, two hours of hands: after the pause. What takes longer than was reckoned goes on over closing.
    expect([...endsOf('A6 A8', 0, [], 1)]).toEqual([60]);
    expect(Math.max(...endsOf('A12 A16', 0.5, []))).toBeGreaterThan(132);
  });

  it('records draw the spread to what they show, and leave open what few of them leave open', () => {
    const even = randomNormal.source(randomLcg(0.2))(0, 0.4);
    const ratios = (count: number) => Array.from({ length: count }, () => Math.exp(even()));
    expect(learnedSpread(0.25, ratios(400))).toBeCloseTo(0.4, 1);
    expect(learnedSpread(0.25, [1, 1])).toBeGreaterThan(0.15);
    expect(learnedSpread(0.25, [1])).toBe(0.25);
  });

  it('dates called nine of ten hold in nine of ten worlds', () => {
    const random = randomLcg(0.31);
    let [held, told] = [0, 0];
    for (let world = 0; world < rounds(200, 400); world += 1) {
      // How this workshop differs from what is reckoned is not known to it but from a dozen records.
      const truly = 0.15 + 0.2 * random();
      const normal = randomNormal.source(random)();
      const records = Array.from({ length: 12 }, () => Math.exp(truly * normal()));
      const jobs = Array.from({ length: 2 + Math.floor(random() * 4) }, (_, index) =>
        weekJob(index + 1, null, canvasWork(600, 100, [60 + 100 * random(), 200 + 300 * random()])),
      );
      const { week, plan } = planned(weekFactsOf(jobs), { lists: 20, runs: 150, spread: learnedSpread(0.25, records) });
      const happens = runPlan(runGround(week.shop, plan), variationOf(week.tasks, truly), { even: random, normal });
      for (const [job, end] of happens) {
        told += 1;
        if (end <= plan.dates.get(job)!.nineOfTen) held += 1;
      }
    }
    expect(told).toBeGreaterThan(500);
    expect(held / told).toBeGreaterThan(0.85);
    expect(held / told).toBeLessThan(0.95);
  });

  it('runs by minutes, not by the quarters that are drawn: four works of four minutes take sixteen', () => {
    const ended = (minutes: number) => {
      const keys = ['bars', 'square', 'cloth', 'fasten'];
      const steps = keys.map((key, index) => step(key, minutes, { after: index === 0 ? [] : [keys[index - 1]!] }));
      const { week, plan } = planned(weekFactsOf([weekJob(1, null, { longMm: 600, shortMm: 400, steps, runs: null })]), {
        runs: 0,
      });
      const first = Math.min(...[...plan.at.values()].map(({ start }) => start));
      return [...runPlan(runGround(week.shop, plan), { hands: 0, waits: new Map() }, dice(0.3).dice).values()][0]! - first;
    };
    expect(ended(4)).toBeCloseTo((4 * 4) / 15, 6);
    expect(ended(16)).toBeCloseTo((4 * 16) / 15, 6);
  });

  it('tells the same from the same seed', () => {
    const { week, plan } = planned(weekFactsOf(six()), { runs: 0 });
    const variation = variationOf(week.tasks, 0.3);
    const once = () => [...toEnd(endsOverRuns(week.shop, plan, variation, 20, dice(0.9).dice)).get('j1')!];
    expect(once()).toEqual(once());
    expect(chanceBy(Float64Array.from(once()), 1e9)).toBe(1);
  });
});
