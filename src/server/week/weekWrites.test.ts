/* The week as the workshop keeps it: made again with little moved, pins, plans from a screen, today, calendars. */
import 'reflect-metadata';
import { randomLcg } from 'd3-random';
import ICAL from 'ical.js';
import { beforeEach, describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { USUAL_WEEK, type WeekSettings } from '@/core/week/weekSettings';
import { taskId } from '@/core/week/weekShop';
import { momentAt } from '@/core/week/weekTime';
import { toEnd } from '@/core/toEnd';
import { length } from '@/core/units/length';
import { countOpen, findState } from '@/db/jobStates';
import { readPlan } from '@/db/weeks';
import { removeJob } from '../job/jobWrites';
import { factsIn } from '../job/jobStates';
import { workedWorkshop } from '../testWorked';
import { grantedRequest } from '../testWrites';
import {
  type TestWorkshop,
  asked,
  newJob,
  recordStage,
  revisionOf,
  testWorkshop,
  type,
  value,
  wordsOf,
  workUpTo,
} from '../testWorkshop';
import { jobDate, printedDays, todayOf } from './today';
import { houseRules, saveRules } from '../house/houseRuleWrites';
import { MOST_PLANNED, pinTask, saveWeek, takePlan, unplannedTroubles, weekFacts, weekNow, weekSettings } from './weekWrites';
import { weekCalendar } from './weekCalendar';
import { draftWork, otherGrounds } from './weekDrafts';

let workshop: TestWorkshop;
beforeEach(() => {
  // A Monday, nine o’clock here.
  workshop = testWorkshop();
  const from = new Date(2031, 4, 5, 9, 0).getTime() - workshop.now().getTime();
  workshop.pass(from / 60_000);
});

const due = (jobId: string, dueOn: string) =>
  type(workshop, jobId, (inputs) => ({ ...inputs, brief: { ...inputs.brief, dueOn } }));
const pin = (
  task: string,
  maker: string | null,
  atMs: number | null,
  seen: { maker: string | null; atMs: number | null } = { maker: null, atMs: null },
) => pinTask.act(workshop, { task, maker, atMs, seenMaker: seen.maker, seenAtMs: seen.atMs });
const today = async () => todayOf(workshop, await weekNow(workshop));
const startsOf = async () =>
  new Map((await weekNow(workshop)).plan!.at.map(([task, start, maker]) => [task, `${start} ${maker}`]));

describe('what is taken out of the store', () => {
  it('is taken once for a step that is divided over several days', async () => {
    const big = newJob(workshop);
    type(workshop, big, (inputs) => ({
      ...inputs,
      brief: { ...inputs.brief, width: length(3000), height: length(2400) },
      fasten: { ...inputs.fasten, spacing: length(20) },
    }));
    const { days } = await printedDays(workshop, null);
    const all = days.flatMap(({ makers }) => makers);
    const parts = all.flatMap(({ tasks }) => tasks).filter(({ stage }) => stage === 'fasten');
    expect(parts.length).toBeGreaterThan(1);
    const staples = factsIn(findState(workshop.database, big)!).needs.find(({ item }) => item === 'staple8')!;
    const taken = all.flatMap(({ take }) => take).filter(({ item }) => item === 'staple8');
    expect(taken.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(staples.toHave);
  });
});

describe('the plan that stands', () => {
  it('is kept while nothing is recorded, and moves little when something is', async () => {
    const ids = Array.from({ length: 8 }, (_, index) => newJob(workshop, `Night ${index + 1}`));
    ids.forEach((id) => due(id, '2031-05-16'));
    const before = await startsOf();
    expect(await startsOf()).toEqual(before);
    const made = readPlan(workshop.database)!.madeAtMs;
    workshop.pass(10);
    value(recordStage(workshop, ids[3]!, 'brief'));
    const after = await startsOf();
    expect(readPlan(workshop.database)!.madeAtMs).toBeGreaterThan(made);
    expect(after.has(taskId(ids[3]!, 'brief'))).toBe(false);
    const others = [...after].filter(([task, at]) => !task.startsWith(ids[3]!) && at.endsWith('Me') && before.has(task));
    const moved = others.filter(([task, at]) => before.get(task) !== at);
    expect(others.length).toBeGreaterThan(60);
    expect(moved.length).toBeLessThan(others.length / 5);
  });

  it('goes on with what was begun, and puts off what nobody did', async () => {
    const id = newJob(workshop);
    newJob(workshop, 'Another');
    const first = [...(await weekNow(workshop)).plan!.at].sort((one, other) => one[1] - other[1])[0]!;
    expect(momentAt('2031-05-05', first[1])).toBeGreaterThan(workshop.now().getTime());
    // Into the middle of what is planned first: it is not pushed before itself.
    workshop.pass(22);
    type(workshop, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, dueOn: '2031-06-20' } }));
    const going = (await weekNow(workshop)).plan!;
    expect(going.at.find(([task]) => task === first[0])![1]).toBe(first[1]);
    // Hours later nobody has recorded it: it lies before us again.
    workshop.pass(150);
    expect(Math.min(...(await weekNow(workshop)).plan!.at.map(([, start]) => start))).toBeGreaterThanOrEqual(36 + 11);
    workshop.pass(24 * 60);
    const nextDay = (await weekNow(workshop)).plan!;
    expect(nextDay.firstDay).toBe('2031-05-06');
    expect(Math.min(...nextDay.at.map(([, start]) => start))).toBeGreaterThan(36);
  });

  it('refuses to moved by hand what its maker cannot do, and goes on planning; what another can do is set', async () => {
    const rules = houseRules(workshop);
    value(saveRules.act(workshop, { rules: { ...rules.rules, makers: ['Me', 'Ida'] }, revision: rules.revision }));
    // Half an hour each morning.
    const hours = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: 36, to: 38 }));
    value(
      saveWeek.act(workshop, {
        revision: 0,
        settings: { ...USUAL_WEEK, makers: [{ maker: 'Ida', ownHours: true, hours, leaves: [], squeezes: 1 }] },
      }),
    );
    const id = newJob(workshop);
    const task = taskId(id, 'fasten');
    expect(wordsOf(pin(task, 'Ida', null))).toMatch(/^Ida is never there long enough at once for it, or no hand stands/);
    expect((await weekNow(workshop)).plan).not.toBeNull();
    value(pin(task, 'Me', null));
    expect((await weekNow(workshop)).plan!.at.find(([one]) => one === task)![2]).toBe('Me');
  });

  it('says what is wrong where nothing can be planned', async () => {
    newJob(workshop);
    value(
      saveWeek.act(workshop, {
        revision: 0,
        settings: { ...USUAL_WEEK, makers: [{ maker: 'Me', ownHours: false, hours: [], leaves: ['bars'], squeezes: null }] },
      }),
    );
    const view = await weekNow(workshop);
    expect(view.plan).toBeNull();
    expect(view.wrong.join()).toMatch(/nobody does work of the kind “bars”/);
    expect((await today()).wrong).toHaveLength(1);
    expect(wordsOf(await weekCalendar(workshop, 'all', 'http://x'))).toMatch(/cannot be planned/);
  });

  it('a single hour in all does not hold all the work, and says so', async () => {
    for (let index = 0; index < 4; index += 1) newJob(workshop, `Night ${index}`);
    const changes = [{ on: '2031-05-06', maker: 'Me', from: 36, to: 44 }];
    value(saveWeek.act(workshop, { revision: 0, settings: { ...USUAL_WEEK, changes, hours: [{ weekday: 0, from: 0, to: 1 }] } }));
    const view = await weekNow(workshop);
    expect(view.plan).toBeNull();
    expect(view.wrong.join()).toMatch(/do not hold all the work/);
  });

  it('settings are checked, and not written over', () => {
    const save = (change: Partial<WeekSettings>, revision = 0) =>
      asked(saveWeek, workshop, { revision, settings: { ...USUAL_WEEK, ...change } });
    expect(wordsOf(save({ hours: [] }))).toMatch(/Nobody is ever there/);
    expect(wordsOf(save({ togetherHours: -1 }))).toMatch(/togetherHours/);
    expect(weekSettings(workshop).revision).toBe(0);
    value(save({ togetherHours: 3 }));
    expect(wordsOf(save({ togetherHours: 5 }))).toMatch(/changed elsewhere/);
    expect(weekSettings(workshop)).toMatchObject({ revision: 1, settings: { togetherHours: 3 } });
  });
});

describe('what is moved by hand', () => {
  it('is kept, undone, or refused with why', async () => {
    const id = newJob(workshop);
    const brief = taskId(id, 'brief');
    const at = (step: number) => momentAt('2031-05-05', step);
    value(pin(brief, 'Me', at(60)));
    expect((await startsOf()).get(brief)).toBe('60 Me');
    expect(wordsOf(pin(brief, null, null))).toMatch(/moved by hand elsewhere/);
    value(pin(brief, null, null, { maker: 'Me', atMs: at(60) }));
    expect((await startsOf()).get(brief)).not.toBe('60 Me');
    expect(wordsOf(pin(taskId(id, 'handover'), null, at(60)))).toMatch(/What goes before has not ended by then.*at the earliest/);
    expect(wordsOf(pin(brief, 'Me', at(49)))).toMatch(/not there from its start to its end/);
    expect(wordsOf(pin(brief, null, at(3)))).toMatch(/That is past/);
    expect(wordsOf(pin(brief, 'Eva', null))).toMatch(/Nobody here is called “Eva”/);
    expect(wordsOf(pin('nothing/such', 'Me', null))).toMatch(/no such work/);
    expect(wordsOf(pin(`${id}/bars/dry`, 'Me', null))).toMatch(/no such work/);
    value(pin(brief, 'Me', null));
    value(removeJob.act(workshop, { jobId: id, revision: revisionOf(workshop, id), maker: 'Me' } as never));
    expect(workshop.database.prepare('SELECT count(*) FROM task_pin').pluck().get()).toBe(0);
  });
});

describe('a plan from a screen', () => {
  it('is taken if it keeps every rule of the work as it stands; never otherwise', async () => {
    const world = workedWorkshop();
    const worked = world.workshop;
    const request = grantedRequest(world, 'takePlan');
    const take = (change: object) => {
      const worked1 = toEnd(takePlan.workOut(worked, { ...request, ...change }));
      return worked1.ok ? worked1.value() : worked1;
    };
    expect(wordsOf(take({ madeFor: 'other' }))).toMatch(/recorded or changed since/);
    expect(wordsOf(take({ seenMs: request.seenMs - 3 * 3_600_000 }))).toMatch(/Time has gone on/);
    expect(wordsOf(take({ at: request.at.slice(1) }))).toMatch(/does not keep every rule/);
    const chance = randomLcg(0.63);
    const random = (most: number) => Math.floor(chance() * most);
    for (let turn = 0; turn < rounds(60, 1000); turn += 1) {
      const spoilt = request.at.map((one, index) =>
        index === turn % request.at.length
          ? { ...one, start: Math.max(0, one.start + 1 - 2 * random(2) * (1 + random(90))) }
          : one,
      );
      const outcome = take({ at: spoilt });
      // Hardly any move of one alone keeps every rule; where one does, it is a plan.
      if (!outcome.ok) expect(outcome.kind).toBe('refused');
    }
    value(take({}));
    expect(new Map(readPlan(worked.database)!.plan.at.map(([task, start]) => [task, start]))).toEqual(
      new Map(request.at.map(({ task, start }) => [task, start])),
    );
  });
});

describe('today, dates, drafts and calendars', () => {
  it('the day of a maker has what to take out, and a date its standing', async () => {
    const id = newJob(workshop);
    due(id, '2031-05-30');
    workUpTo(workshop, id, 'cloth');
    workshop.pass(60);
    const [day] = (await today()).days;
    expect(day!.maker).toBe('Me');
    expect(day!.tasks[0]).toMatchObject({ jobId: id, stage: 'fasten', short: 'Fasten' });
    expect(day!.take.map(({ item }) => item).join()).toMatch(/staple/);
    // Of a coat what that coat takes, of a stage what the stage takes.
    const { needs } = factsIn(findState(workshop.database, id)!);
    const ofToday = needs.filter((need) => day!.tasks.some(({ stage, coat }) => stage === need.stage && coat === need.step));
    for (const { item, quantity } of day!.take)
      expect(quantity).toBeCloseTo(
        ofToday.filter((need) => need.item === item).reduce((sum, { toHave }) => sum + toHave, 0),
        9,
      );
    expect(needs.length).toBeGreaterThan(ofToday.length);
    const date = (await jobDate(workshop, id))!;
    expect(date).toMatchObject({ standing: 'safe', tooLate: false });
    expect(date.startBy).toMatch(/^\w{3} \d+ May/);
    expect(await jobDate(workshop, 'gone')).toBeNull();
    const printed = await printedDays(workshop, null);
    expect(printed.days.flatMap(({ makers }) => makers.flatMap(({ tasks }) => tasks)).length).toBeGreaterThan(3);
    expect((await printedDays(workshop, 'Eva')).wrong.join()).toMatch(/Nobody here is called “Eva”/);
  });

  it('more open canvases than are planned are said to be left out', () => {
    expect(unplannedTroubles(MOST_PLANNED)).toEqual([]);
    expect(unplannedTroubles(MOST_PLANNED + 1)[0]).toMatch(/^Only the 200 canvases .* 1 more is open/);
    expect(unplannedTroubles(400)[0]).toMatch(/200 more are open/);
    newJob(workshop);
    expect(weekFacts(workshop).facts.jobs.length).toBe(countOpen(workshop.database));
  });

  it('a canvas not taken, and one with another ground, are work to be tried', () => {
    expect(value(draftWork(workshop, 400, 300)).work.steps.map(({ key }) => key)).toContain('fasten');
    expect(wordsOf(draftWork(workshop, 4, 300))).toMatch(/A side of 4 mm is outside 50 to 4000 mm/);
    expect(wordsOf(draftWork(workshop, NaN, 300))).toMatch(/A side of NaN mm/);
    const id = newJob(workshop);
    const others = value(otherGrounds(workshop, id));
    expect(others.length).toBeGreaterThan(1);
    const waits = others.map(({ work }) => work.steps.map(({ wait }) => wait?.minutes[1] ?? 0).join());
    expect(new Set(waits).size).toBeGreaterThan(1);
    expect(wordsOf(otherGrounds(workshop, 'gone'))).toMatch(/no such job/);
  });

  it('another reader finds in the calendar what is planned; taken in again the same events move', async () => {
    const id = newJob(workshop, 'Harbour, “north”; wet\nedge');
    const statusOf = (event: ICAL.Event) => event.component.getFirstPropertyValue('status');
    const read = async () => {
      const text = value(await weekCalendar(workshop, 'Me', 'http://127.0.0.1:4000'));
      const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
      return new Map(events.map((event) => [event.uid, event]));
    };
    const before = await read();
    const { plan } = await weekNow(workshop);
    const hands = plan!.at.filter(([, , maker]) => maker !== null);
    expect(before.size).toBe(hands.length);
    for (const [task, start] of hands) {
      const event = before.get(`${task}@keen-batten`)!;
      expect(event.startDate.toJSDate().getTime()).toBe(momentAt(plan!.firstDay, start));
    }
    const brief = before.get(`${taskId(id, 'brief')}@keen-batten`)!;
    expect(brief.summary).toMatch(/^No\. \d+ Settle the brief/);
    expect(brief.description).toContain('Harbour, “north”; wet');
    workshop.pass(5);
    value(pin(taskId(id, 'brief'), 'Me', momentAt('2031-05-06', 40)));
    const after = await read();
    expect([...after.keys()].sort()).toEqual([...before.keys()].sort());
    const moved = after.get(brief.uid)!;
    expect(moved.startDate.toJSDate().getTime()).toBe(momentAt('2031-05-06', 40));
    expect(moved.sequence).toBeGreaterThan(brief.sequence);
    expect([...new Set([...after.values()].map(statusOf))]).toEqual(['CONFIRMED']);
    // Withdrawn, it is cancelled over what was given before, once it has passed forgotten; another calendar was never given it.
    value(removeJob.act(workshop, { jobId: id, revision: revisionOf(workshop, id) }));
    const gone = (await read()).get(brief.uid)!;
    expect(statusOf(gone)).toBe('CANCELLED');
    expect(gone.sequence).toBeGreaterThan(moved.sequence);
    expect((await read()).get(brief.uid)!.sequence).toBe(gone.sequence);
    expect(value(await weekCalendar(workshop, 'all', 'http://x'))).not.toContain('CANCELLED');
    workshop.pass(30 * 24 * 60);
    expect([...(await read()).keys()]).toEqual([]);
    expect(wordsOf(await weekCalendar(workshop, 'Eva', 'http://x'))).toMatch(/Nobody here is called “Eva”/);
  });

  it('a calendar says how often it wants to be asked; every event has the workshop as its one organiser', async () => {
    newJob(workshop);
    newJob(workshop);
    const text = value(await weekCalendar(workshop, 'all', 'http://127.0.0.1:4000'));
    expect(text).toContain('REFRESH-INTERVAL;VALUE=DURATION:PT15M');
    const organisers = text.match(/^ORGANIZER.*/gm)!;
    expect(organisers).toHaveLength(text.match(/^BEGIN:VEVENT/gm)!.length);
    expect(new Set(organisers).size).toBe(1);
  });
});
