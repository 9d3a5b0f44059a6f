/*
 * The week of the workshop: everything that is open put into days. The plan that stands is kept, and made again when something was
 * recorded, typed or set since, or when time went by something planned; what lies near stays where it is.
 */
import { toEnd } from '@/core/toEnd';
import { createHash } from 'node:crypto';
import type { Database } from 'better-sqlite3';
import { randomLcg, randomNormal } from 'd3-random';
import { assumed } from '@/core/house/houseRules';
import { stepWords } from '@/core/week/dateVerdicts';
import { NoRoom } from '@/core/schedule/decodeList';
import { type NamedPlan, namedPlan, placesOfNames, planOfNames } from '@/core/week/namedPlan';
import { brokenPins, pinTrouble, withoutBrokenPins } from '@/core/schedule/pins';
import { indexedShop } from '@/core/schedule/indexedShop';
import { scheduleBound } from '@/core/schedule/scheduleBound';
import { scheduleViolations } from '@/core/schedule/scheduleViolations';
import { scoreOf, shopViolations } from '@/core/schedule/shop';
import { learnedSpread } from '@/core/week/spread';
import { variationOf } from '@/core/week/variation';
import { RUNS, type WeekPlan, datesOf, planWeek } from '@/core/week/weekPlan';
import { type WeekFacts, type WeekShop, weekShop, weekTroubles } from '@/core/week/weekShop';
import { weekSettingsShape, weekSettingsViolations } from '@/core/week/weekSettings';
import { dayOfMoment, momentAt } from '@/core/week/weekTime';
import { countOpen, openStatesByDue } from '@/db/jobStates';
import { isBusy } from '@/db/isBusy';
import { latestReadings } from '@/db/logEntries';
import {
  type StoredPlan,
  type StoredWeek,
  findPin,
  listPins,
  readPlan,
  readWeek,
  setPin,
  writePlan,
  writeWeek,
} from '@/db/weeks';
import { readRules } from '@/db/workshops';
import { runInSlices } from '../write/runInSlices';
import { factsIn, settle } from '../job/jobStates';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { longWrite, write } from '../write/write';
import { anyRevision, maker } from '../write/asked';
import { part, optional, text, listOf, whole } from '@/core/shape/shape';

const taskText = text(3, 120);
const momentMs = whole(0, 10_000_000_000_000);

export interface WeekView {
  facts: WeekFacts;
  revision: number;
  /** How much hands differ from what was reckoned, as it was learned. */
  spread: number;
  plan: NamedPlan | null;
  madeFor: string;
  /** Why nothing can be planned; none where it can. */
  wrong: string[];
  /** What is planned with something that is not there. */
  troubles: string[];
}

/** Canvases that are planned at once; of more, those that are wanted first. */
export const MOST_PLANNED = 200;
/** Records that the spread of hands is learned from. */
const RECORDS = 30;

/** What the days are planned from now. */
export function weekFacts(workshop: Workshop): { facts: WeekFacts; revision: number; spread: number } {
  const { database, now } = workshop;
  settle(workshop);
  const { rules } = readRules(database);
  const { settings, revision } = readWeek(database);
  const nowMs = now().getTime();
  const jobs = openStatesByDue(database, MOST_PLANNED)
    .map((state) => {
      const { title, work } = factsIn(state);
      return { id: state.jobId, number: state.number, title, dueOn: state.dueOn, work };
    })
    .filter(({ work }) => work.steps.length > 0);
  const paces = latestReadings(database, ['fasteningPace'], RECORDS).map(({ value }) => value);
  const facts: WeekFacts = {
    settings,
    makers: rules.makers,
    handLimit: assumed(rules, 'handLimit'),
    jobs,
    pins: listPins(database),
    begun: [],
    nowMs,
  };
  return { facts, revision, spread: learnedSpread(settings.spreadPercent / 100, paces) };
}

/** What a plan stands on, as one word: everything but the moment of the day. */
export const weekWord = (facts: Omit<WeekFacts, 'begun'>, spread: number): string =>
  createHash('sha256')
    .update(
      JSON.stringify([facts.settings, facts.makers, facts.handLimit, facts.jobs, facts.pins, spread, dayOfMoment(facts.nowMs)]),
    )
    .digest('hex')
    .slice(0, 24);

/** Work that the plan has going on at this moment, alone: it goes on. */
function begunNow({ plan }: StoredPlan, facts: WeekFacts): WeekFacts['begun'] {
  const inPots = new Set(plan.pots.filter(({ tasks }) => tasks.length > 1).flatMap(({ tasks }) => tasks));
  const lasts = new Map(weekShop({ ...facts, begun: [] }).shop.tasks.map(({ id, duration }) => [id, duration]));
  return plan.at.flatMap(([task, start, maker]) => {
    const lasting = lasts.get(task);
    if (maker === null || lasting === undefined || inPots.has(task)) return [];
    const [atMs, endMs] = [momentAt(plan.firstDay, start), momentAt(plan.firstDay, start + lasting)];
    return atMs <= facts.nowMs && facts.nowMs < endMs ? [{ task, maker, atMs }] : [];
  });
}

/** Whether time went by the end of something that is planned and not recorded. */
function wentBy({ plan }: StoredPlan, { shop, firstDay, now }: WeekShop): boolean {
  const lasts = new Map(shop.tasks.filter(({ kind }) => kind === 'active').map(({ id, duration }) => [id, duration]));
  return (
    plan.firstDay !== firstDay ||
    plan.at.some(([task, start]) => {
      const lasting = lasts.get(task);
      return lasting !== undefined && start + lasting < now;
    })
  );
}

/** Lists tried when the plan is made again, and for the first time; the same for the same work, whatever the machine. */
const AGAIN_LISTS = (tasks: number): number => Math.round(Math.min(200, Math.max(30, 12_000 / (tasks + 1))));
const FIRST_LISTS = (tasks: number): number => Math.round(Math.min(1000, 100_000 / (tasks + 1)));
const SEED = 0.37;

/** A source of chance for a plan and its runs; the same every time. */
export const weekDice = (seed = SEED) => {
  const even = randomLcg(seed);
  return { random: randomLcg(seed / 2), dice: { even, normal: randomNormal.source(even)() } };
};

/** That more are open than are planned, where they are. */
export function unplannedTroubles(open: number): string[] {
  const more = open - MOST_PLANNED;
  if (more <= 0) return [];
  return [
    `Only the ${MOST_PLANNED} canvases that are wanted first are planned: ${more} more ${more === 1 ? 'is' : 'are'} open, and take no hands here.`,
  ];
}

const asked = new WeakMap<Database, { word: string; view: Promise<WeekView> }>();

/** The week as it stands now. */
export async function weekNow(workshop: Workshop): Promise<WeekView> {
  const { facts: typed, revision, spread } = weekFacts(workshop);
  const { database } = workshop;
  const word = weekWord(typed, spread);
  const troubles = [...unplannedTroubles(countOpen(database)), ...weekTroubles(typed)];
  const stands = readPlan(database);
  const facts = { ...typed, begun: stands ? begunNow(stands, typed) : [] };
  const week = weekShop(facts);
  const bare = { facts, revision, spread, madeFor: word, troubles };
  const wrong = shopViolations(week.shop);
  if (wrong.length > 0) return { ...bare, plan: null, wrong };
  if (stands?.madeFor === word && !wentBy(stands, week)) return { ...bare, plan: stands.plan, wrong: [] };
  const asks = `${word} ${Math.floor(facts.nowMs / 900_000)}`;
  const before = asked.get(database);
  // Whoever asks meanwhile waits for the same plan.
  if (before?.word === asks) return before.view;
  const view = madeAgain(workshop, { ...bare, wrong: [], plan: null }, week, stands);
  asked.set(database, { word: asks, view });
  try {
    return await view;
  } finally {
    asked.delete(database);
  }
}

async function madeAgain({ database }: Workshop, view: WeekView, week: WeekShop, stands: StoredPlan | null): Promise<WeekView> {
  const count = week.shop.tasks.length;
  const made = await runInSlices(
    planOrNone(week, {
      wanted: view.facts.settings.wanted,
      variation: variationOf(week.tasks, view.spread),
      rounds: stands ? AGAIN_LISTS(count) : FIRST_LISTS(count),
      runs: RUNS,
      ...weekDice(),
      before: stands && planOfNames(week.shop, stands.plan),
    }),
  );
  if (made === null) return { ...view, wrong: [NO_ROOM] };
  const named = namedPlan(week.shop, made);
  keepPlan(database, { madeFor: view.madeFor, madeAtMs: view.facts.nowMs, plan: named });
  return { ...view, plan: named };
}

const NO_ROOM = 'The hours that somebody is there do not hold all the work within the next 300 days: give somebody more.';

/** A plan, or nothing where there is no room for all of it. */
function* planOrNone(...[week, options]: Parameters<typeof planWeek>): Generator<WeekPlan | undefined, WeekPlan | null> {
  try {
    return yield* planWeek(week, options);
  } catch (error) {
    if (error instanceof NoRoom) return null;
    throw error;
  }
}

/** A file that somebody else writes to keeps its old plan: it is worked out again next time. */
function keepPlan(database: Database, plan: StoredPlan): void {
  try {
    database.transaction(() => writePlan(database, plan)).immediate();
  } catch (error) {
    if (!isBusy(error)) throw error;
  }
}

/** What the house plans its days by. */
export const weekSettings = ({ database }: Pick<Workshop, 'database'>): StoredWeek => readWeek(database);

/** Saves what the house plans its days by over the revision that was read. */
export const saveWeek = write({
  asks: { revision: anyRevision, settings: part('weekSettings', weekSettingsShape) },
  act({ database }: Workshop, dto): Outcome<StoredWeek> {
    const wrong = weekSettingsViolations(dto.settings, readRules(database).rules.makers);
    if (wrong.length > 0) return refuse(wrong.slice(0, 3).join(' '));
    return writeWeek(database, dto.settings, dto.revision)
      ? done(readWeek(database))
      : refuse('Hours and places were changed elsewhere in between. Open them again, then change them.');
  },
  again: (workshop) => done(weekSettings(workshop)),
});

/** Whether all the work finds room within the hours that somebody is there, by the first plan that is made. */
const hasRoom = (facts: WeekFacts): boolean => {
  const week = weekShop(facts);
  const options = { wanted: facts.settings.wanted, variation: variationOf(week.tasks, 0), rounds: 1, runs: 1, before: null };
  return shopViolations(week.shop).length === 0 && toEnd(planOrNone(week, { ...options, ...weekDice() })) !== null;
};

/** Sets a task by hand, or lets it go; refused where it cannot be kept, with why. */
export const pinTask = write({
  /** By whom and from when a task is moved by hand: neither lets it go. `seen…`: how it was set when it was looked at. */
  asks: {
    task: taskText,
    maker: optional(maker),
    atMs: optional(momentMs),
    seenMaker: optional(maker),
    seenAtMs: optional(momentMs),
  },
  act(workshop: Workshop, { task, maker, atMs, seenMaker, seenAtMs }): Outcome<null> {
    const { database } = workshop;
    const { facts } = weekFacts(workshop);
    const is = findPin(database, task);
    if ((is?.maker ?? null) !== seenMaker || (is?.atMs ?? null) !== seenAtMs)
      return refuse('It was moved by hand elsewhere in between. Look at the week again, then set it.');
    const week = weekShop({ ...facts, pins: [{ task, maker, atMs }] });
    const of = week.tasks.get(task);
    if (!of || of.is !== 'hands')
      return refuse('There is no such work to be done any more: it was recorded, or its plan has changed.');
    if (maker !== null && !facts.makers.includes(maker))
      return refuse(`Nobody here is called “${maker}”: ${facts.makers.join(', ')}.`);
    if (atMs !== null && atMs < facts.nowMs) return refuse('That is past. Work can be set for a time to come.');
    const [wrong] = shopViolations(week.shop);
    if (wrong) return refuse(wrong);
    const trouble = pinTrouble(week.shop, task);
    if (trouble?.why === 'tooEarly')
      return refuse(
        `What goes before has not ended by then, even with nobody else at work: ${stepWords(week.firstDay, trouble.earliest)} at the earliest.`,
      );
    if (trouble?.why === 'closed')
      return refuse(
        `${maker ?? 'Nobody who does it'} is ${maker ? 'not ' : ''}there from its start to its end: choose a time within the hours.`,
      );
    if (maker !== null || atMs !== null) {
      const others = facts.pins.filter((one) => one.task !== task);
      if (!hasRoom({ ...facts, pins: [...others, { task, maker, atMs }] }) && hasRoom({ ...facts, pins: others }))
        return refuse(
          `${maker ?? 'Whoever does it'} is never there long enough at once for it, or no hand stands so many squeezes: with this set, the work has no room. Choose another maker or time.`,
        );
    }
    setPin(database, of.jobId, { task, maker, atMs });
    // What is let go lies anywhere again, with what comes after it.
    if (maker === null && atMs === null) forgetPlanOf(database, week, of.jobId);
    return done(null);
  },
  again: () => done(null),
});

function forgetPlanOf(database: Database, { tasks }: WeekShop, jobId: string): void {
  const stands = readPlan(database);
  if (!stands) return;
  const isOwn = (task: string) => tasks.get(task)?.jobId === jobId;
  const { at, pots } = stands.plan;
  const plan = {
    ...stands.plan,
    at: at.filter(([task]) => !isOwn(task)),
    pots: pots
      .map((pot) => ({ ...pot, tasks: pot.tasks.filter((task) => !isOwn(task)) }))
      .filter(({ tasks: of }) => of.length > 0),
  };
  writePlan(database, { ...stands, plan });
}

/** A plan that was begun longer ago is of another day’s work. */
const LONGEST_SEARCH_MS = 45 * 60_000;

const CHANGED = refuse('Something was recorded or changed since this plan was begun. It is worked out again.');

/** Takes a plan that was found on the screen, if it is of the work as it stands and keeps every rule. */
export const takePlan = longWrite({
  /** A plan of the days as it was found; `madeFor` names the work it was found for. */
  asks: {
    madeFor: text(1, 80),
    /** Now, when it was begun. */
    seenMs: momentMs,
    at: listOf(
      part('taskPlace', { task: taskText, start: whole(0, 100_000), maker: optional(maker), place: optional(text(1, 60)) }),
      20_000,
    ),
    pots: listOf(
      part('pot', {
        family: text(1, 80),
        maker,
        from: whole(0, 100_000),
        to: whole(0, 100_000),
        tasks: listOf(taskText, 500, [], { least: 1 }),
      }),
      5000,
    ),
  },
  *workOut(workshop: Workshop, dto): Generator<unknown, Outcome<() => Outcome<null>>> {
    const { database } = workshop;
    const seen = weekFacts(workshop);
    const waited = seen.facts.nowMs - dto.seenMs;
    if (waited < 0 || waited > LONGEST_SEARCH_MS)
      return refuse('Time has gone on since this plan was begun. It is worked out again.');
    const stands = readPlan(database);
    const then = { ...seen.facts, nowMs: dto.seenMs };
    const facts = { ...then, begun: stands ? begunNow(stands, then) : [] };
    const week = weekShop(facts);
    const wrong = shopViolations(week.shop);
    if (wrong.length > 0) return refuse(wrong[0]!);
    const word = weekWord(facts, seen.spread);
    if (dto.madeFor !== word) return CHANGED;
    const plan = placesOfNames(week.shop, {
      at: dto.at.map(({ task, start, maker, place }) => [task, start, maker, place]),
      pots: dto.pots,
    });
    const violations = scheduleViolations(withoutBrokenPins(week.shop, plan), plan);
    if (violations.length > 0) return refuse(`This plan does not keep every rule: ${violations[0]}`);
    const { tardiness, setUps, finish } = scoreOf(week.shop, plan);
    const leastTardiness = scheduleBound(indexedShop(week.shop)).tardiness;
    const whole: WeekPlan = {
      ...plan,
      firstDay: week.firstDay,
      dates: yield* datesOf(week.shop, plan, { variation: variationOf(week.tasks, seen.spread), runs: RUNS, ...weekDice() }),
      tardiness,
      leastTardiness,
      setUps,
      finish,
      datesProven: tardiness <= leastTardiness,
      moved: 0,
      brokenPins: brokenPins(week.shop, plan),
    };
    return done(() => {
      if (weekWord(weekFacts(workshop).facts, seen.spread) !== word) return CHANGED;
      writePlan(database, { madeFor: word, madeAtMs: facts.nowMs, plan: namedPlan(week.shop, whole) });
      return done(null);
    });
  },
  again: () => done(null),
});
