import { format } from 'date-fns';
import type { NextStep } from '@/core/case/nextStep';
import { type DateStanding, dateStanding, worstStanding } from '@/core/week/dateVerdicts';
import { slackDaysAt } from '@/core/case/slack';
import { type StageId } from '@/core/stages/stages';
import { type BrokenJob } from '@/db/jobs';
import {
  type JobState,
  type OpenTotals,
  brokenStates,
  clockStates,
  countClocks,
  finishedStates,
  openStates,
  openTotals,
  statesOfSet,
  unsettledCount,
} from '@/db/jobStates';
import { readPlan } from '@/db/weeks';
import { setTally } from '@/core/set/setTally';
import { findJobSet } from '@/db/jobSets';
import { type JobFacts, factsIn, settle } from '../job/jobStates';
import type { Workshop } from '../workshop';

export interface BenchRow extends Pick<
  JobFacts,
  'title' | 'widthMm' | 'heightMm' | 'bars' | 'painted' | 'done' | 'coatsDone' | 'stop'
> {
  id: string;
  number: number;
  dueOn: string | null;
  /** Days between now and the latest start; null when nobody waits. */
  slackDays: number | null;
  /** How its date stands in the plan of the days; null where it has none there. */
  standing: DateStanding | null;
  next: NextStep;
  /** Minutes of hands that the next step takes; of a set, of all that can be done at its stage. */
  minutes: number;
  /** The set that stands in this row; null for a canvas alone. */
  set: BenchSet | null;
}

/** A set in one row of the bench. */
export interface BenchSet {
  id: string;
  title: string;
  /** "9 of 12 fastened". */
  words: string;
  canvases: { id: string; number: number; title: string; act: string; widthMm: number; heightMm: number }[];
}

export interface BenchPage extends OpenTotals {
  /** In the order of what needs hands next: what is ready by its date, what is stopped, what waits. Finished ones newest first. */
  rows: BenchRow[];
  /** Which of them these are. */
  show: 'open' | 'finished';
  from: number;
  /** Jobs on a page at the most. */
  most: number;
  broken: BrokenJob[];
  /** Jobs that are still being looked through, after a change of all of them. */
  unread: number;
}

/** Jobs on one page of the bench. */
const BENCH_ROWS = 20;

/** A page of the bench: open jobs, or those that are handed over. */
export function benchPage(workshop: Workshop, show: BenchPage['show'] = 'open', from = 0): BenchPage {
  const { database, now } = workshop;
  settle(workshop);
  const nowMs = now().getTime();
  const page = { from, most: BENCH_ROWS };
  const states = show === 'open' ? openStates(database, nowMs, page) : finishedStates(database, page);
  const standing = standingsNow(database);
  return {
    rows: states.map((state) =>
      show === 'open' && state.setId ? setRow(database, state, nowMs, standing) : benchRow(state, nowMs, standing),
    ),
    show,
    from,
    most: BENCH_ROWS,
    broken: brokenJobs(workshop),
    unread: unsettledCount(database),
    ...openTotals(database, nowMs, format(nowMs, 'yyyy-MM-dd')),
  };
}

type Standings = ReadonlyMap<string, DateStanding>;

/** How dates stand in the plan of the days as it was made last. */
function standingsNow(database: Workshop['database']): Standings {
  const dates = readPlan(database)?.plan.dates ?? [];
  return new Map(
    dates.flatMap(([job, date]) => {
      const standing = dateStanding(date);
      return standing === null ? [] : [[job, standing] as const];
    }),
  );
}

function benchRow(state: JobState, nowMs: number, standing: Standings): BenchRow {
  const { title, widthMm, heightMm, bars, painted, done: stages, coatsDone, act, clock, stop } = factsIn(state);
  const { stage, startByMs, waitsUntilMs } = state;
  return {
    id: state.jobId,
    number: state.number,
    title,
    widthMm,
    heightMm,
    bars,
    painted,
    dueOn: state.dueOn,
    slackDays: startByMs === null ? null : slackDaysAt(startByMs, state.clockReadyMs, nowMs),
    standing: (stage !== null && state.dueOn !== null && standing.get(state.jobId)) || null,
    done: stages,
    coatsDone,
    next: { stage, act, state: stepState(stage, waitsUntilMs, nowMs), clock },
    minutes: state.minutes,
    stop,
    set: null,
  };
}

/** A set as the row of the canvas in it that needs hands first. */
function setRow(database: Workshop['database'], first: JobState, nowMs: number, standing: Standings): BenchRow {
  const row = benchRow(first, nowMs, standing);
  const set = findJobSet(database, first.setId!);
  const states = statesOfSet(database, first.setId!);
  if (!set || states.length === 0) return row;
  const canvases = states.map((state) => ({ state, facts: factsIn(state) }));
  const hands = states.filter((one) => one.stage === first.stage && !(one.waitsUntilMs !== null && one.waitsUntilMs > nowMs));
  return {
    ...row,
    title: set.title,
    standing: worstStanding(states.flatMap(({ jobId }) => standing.get(jobId) ?? [])),
    minutes: hands.reduce((sum, one) => sum + one.minutes, 0),
    set: {
      id: set.id,
      title: set.title,
      words: setTally(
        canvases.map(({ state, facts }) => ({ done: facts.done, coatsDone: facts.coatsDone, stage: state.stage })),
        row.painted,
      ).words,
      canvases: canvases.map(({ state, facts }) => ({
        id: state.jobId,
        number: state.number,
        title: facts.title,
        act: facts.act,
        widthMm: facts.widthMm,
        heightMm: facts.heightMm,
      })),
    },
  };
}

const stepState = (stage: StageId | null, waitsUntilMs: number | null, nowMs: number): NextStep['state'] => {
  if (stage === null) return 'finished';
  return waitsUntilMs !== null && waitsUntilMs > nowMs ? 'waiting' : 'now';
};

/** The jobs that cannot be read, as far as they were looked at. */
export function brokenJobs({ database }: Pick<Workshop, 'database'>): BrokenJob[] {
  return brokenStates(database).map((state) => {
    const { title, revision, aside } = factsIn(state);
    return { id: state.jobId, number: state.number, title, revision, aside, because: state.broken! };
  });
}

export interface DryingClock {
  jobId: string;
  number: number;
  title: string;
  what: string;
  startedAt: string;
  readyAt: string;
}

/** Clocks that are told at once. */
const MOST_CLOCKS = 12;

/** What dries or sets, or is ready and not yet gone on with, the soonest first; and how many there are in all. */
export function dryingClocks(workshop: Pick<Workshop, 'database'>): { clocks: DryingClock[]; count: number } {
  settle(workshop);
  const clocks = clockStates(workshop.database, MOST_CLOCKS).map((state) => {
    const { title, clock } = factsIn(state);
    const { what, startedAt, readyAt } = clock!;
    return { jobId: state.jobId, number: state.number, title, what, startedAt, readyAt };
  });
  return { clocks, count: clocks.length < MOST_CLOCKS ? clocks.length : countClocks(workshop.database) };
}
