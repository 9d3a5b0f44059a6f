/*
 * What every job stands at, kept beside it, so that a list reads a few rows however many jobs there are. A state is worked out
 * from the case of the job, the same that its page takes; readers settle what was changed before they read.
 */
import { worksTogether } from '@/db/jobSets';
import { createHash } from 'node:crypto';
import type { Database } from 'better-sqlite3';
import { clothPieceOf } from '@/core/cloth/clothPieceOf';
import type { ClothPiece } from '@/core/cloth/layout/rollLayout';
import { type House, type JobCase, caseOf } from '@/core/case/jobCase';
import { type JobWork, NO_WORK, jobWork } from '@/core/case/jobWork';
import type { Clock } from '@/core/case/nextStep';
import { type Need, materialNeeds } from '@/core/cost/materialNeeds';
import type { HangingPlace } from '@/core/life/climates';
import { type Life, lifeOf } from '@/core/life/life';
import type { JobInputs } from '@/core/job/job';
import type { SubstanceId } from '@/core/prime/substances';
import type { StageId } from '@/core/stages/stages';
import { WHOLE_MM } from '@/core/units/length';
import { findJobRow, readJob } from '@/db/jobs';
import { type JobState, dropState, outdatedJobs, unsettledJobs, writeState } from '@/db/jobStates';
import { isBusy } from '@/db/isBusy';
import { houseOf, shapeTrouble, soundLog } from './jobReading';
import type { Workshop } from '../workshop';

/** A coat that comes next. */
export interface NextCoat {
  step: number;
  name: string;
  substance: SubstanceId;
  waterParts: number;
  areaM2: number;
  absorbMlPerM2: number;
  stop: string | null;
}

/** What lists show of a job. */
export interface JobFacts {
  title: string;
  widthMm: number;
  heightMm: number;
  bars: Pick<JobInputs['bars'], 'profile' | 'joint' | 'bracesUpright' | 'bracesLevel'>;
  /** The cloth carries an image: it runs by the stages of paintings. */
  painted: boolean;
  done: StageId[];
  coatsDone: number;
  act: string;
  clock: Clock | null;
  stop: string | null;
  revision: number;
  aside: boolean;
  coat: NextCoat | null;
  /** The cloth to cut: none where it is painted, or recorded already. */
  cloth: { fabric: string; piece: Omit<ClothPiece, 'pin'> } | null;
  /** What its open stages take of the store. */
  needs: Need[];
  /** What it still takes of hands and time. */
  work: JobWork;
  /** Where it hangs and who has it; null where nobody said. */
  hangs: HangingPlace | null;
}

/** A list names left and right as a job does when it is opened: from the back, as the frames lie. */
const listHouse = (workshop: Pick<Workshop, 'database'>): House => ({ ...houseOf(workshop), view: 'back' });

/** The rules and lessons that states stand on, as one word. */
const underOf = ({ rules, lessons }: House): string =>
  createHash('sha256')
    .update(JSON.stringify([VERSION, rules, lessons]))
    .digest('hex')
    .slice(0, 16);
/** Raised when what is worked out changes, so that states of an earlier version are worked out again. */
const VERSION = 6;

/** Finished and broken jobs stand on no rules any more. */
const UNDER_NONE = '';

function stateFor(database: Database, jobId: string, house: House, under: string): JobState | null {
  const row = findJobRow(database, jobId);
  if (!row || row.archived === 1) return null;
  const bare = {
    jobId,
    number: row.number,
    stopped: false,
    minutes: 0,
    waitsUntilMs: null,
    clockReadyMs: null,
    startByMs: null,
    setId: row.set_id,
    ...STILL_MADE,
  };
  try {
    const job = readJob(row);
    const trouble = shapeTrouble(job.inputs);
    if (trouble !== null) throw new Error(trouble);
    const log = soundLog(database, jobId);
    const here = caseOf(job, log, house, 0);
    // What stops any stage of it stops the job.
    Object.values(here.plan);
    const { stage, clock } = here.next;
    const life = lifeOf(log);
    const facts = factsOf(here, life, jobId, row.revision, worksTogether(database, jobId));
    const readyMs = clock && Date.parse(clock.readyAt);
    return {
      ...bare,
      workedUnder: stage === null ? UNDER_NONE : under,
      stage,
      broken: null,
      stopped: facts.stop !== null,
      minutes: stage === null ? 0 : here.plan[stage].minutes,
      // At the beginning of time everything that waits for something still waits.
      waitsUntilMs: here.next.state === 'waiting' ? readyMs : null,
      clockReadyMs: readyMs,
      startByMs: here.startByMs,
      dueOn: job.inputs.brief.dueOn,
      ...outOf(here, life, row.number),
      facts: JSON.stringify(facts),
    };
  } catch (error) {
    // Whatever stops the plan of a job is why it cannot be read.
    const facts: Pick<JobFacts, 'title' | 'revision' | 'aside'> = {
      title: row.title,
      revision: row.revision,
      aside: row.aside === 1,
    };
    return {
      ...bare,
      workedUnder: UNDER_NONE,
      stage: null,
      broken: (error as Error).message,
      dueOn: null,
      facts: JSON.stringify(facts),
    };
  }
}

const placeOf = ({ hangs }: Life): HangingPlace | null => {
  if (!hangs) return null;
  const { at: _at, ...place } = hangs;
  return place;
};

const STILL_MADE = { handedAt: null, lookedAt: null, mostRh: null, words: null };

/** What a canvas that went out is listed and found by; nothing of one that is still made, or came off its bars. */
function outOf(
  here: JobCase,
  { handedOverAt, lookedAt, hangs, takenDown }: Life,
  number: number,
): Pick<JobState, keyof typeof STILL_MADE> {
  if (!handedOverAt || takenDown) return STILL_MADE;
  const { brief } = here.inputs;
  const size = `${Math.round(brief.width.mm)} × ${Math.round(brief.height.mm)}`;
  return {
    handedAt: handedOverAt,
    lookedAt,
    mostRh: hangs?.mostRh ?? null,
    words: [
      `no. ${number}`,
      brief.title,
      size,
      size.replaceAll(' ', ''),
      hangs?.place ?? '',
      hangs?.owner ?? '',
      here.plan.cloth.fabric.name,
      handedOverAt.slice(0, 10),
    ]
      .join('\n')
      .toLowerCase(),
  };
}

function factsOf(here: JobCase, life: Life, jobId: string, revision: number, together: number): JobFacts {
  const { inputs, progress, next } = here;
  const { brief } = inputs;
  const { profile, joint, bracesUpright, bracesLevel } = inputs.bars;
  const coat = next.stage === 'prime' ? here.plan.prime.coats[progress.coatsDone] : undefined;
  const stopAt = (stage: StageId, measuredOnly: boolean) =>
    here.verdictsOf(stage).find((one) => one.level === 'stop' && (!measuredOnly || one.measured !== null))?.says ?? null;
  const uncut = !progress.painted && !progress.done.has('cloth');
  return {
    title: brief.title,
    widthMm: brief.width.mm,
    heightMm: brief.height.mm,
    bars: { profile, joint, bracesUpright, bracesLevel },
    painted: progress.painted,
    done: [...progress.done],
    coatsDone: progress.coatsDone,
    act: next.act,
    clock: next.clock,
    stop: next.stage === null ? null : stopAt(next.stage, true),
    revision,
    aside: false,
    coat: coat
      ? {
          step: progress.coatsDone,
          name: coat.name,
          substance: coat.substance,
          waterParts: coat.waterParts,
          areaM2: here.plan.prime.areaM2,
          absorbMlPerM2: coat.absorbMlPerM2,
          stop: stopAt('prime', false),
        }
      : null,
    needs: next.stage === null ? [] : openNeeds(here),
    work: jobWork(here, together),
    hangs: placeOf(life),
    cloth: uncut ? { fabric: inputs.cloth.fabric, piece: clothPieceOf(jobId, inputs, here.house.rules, WHOLE_MM) } : null,
  };
}

/** What stages that are not recorded take, and coats that are not on. */
const openNeeds = ({ plan, inputs, progress, house }: JobCase): Need[] =>
  materialNeeds(plan, inputs, house.rules).filter(({ stage, step }) =>
    step === null ? !progress.done.has(stage) : step >= progress.coatsDone,
  );

/** So many jobs are worked out before a list is read; where there are more, a few, and the others while nobody waits. */
const AT_ONCE = 16;
const OF_MANY = 2;

/** Works out what was changed since, and what stands on other rules; of very many the most follow by `tendStates`. */
export function settle(workshop: Pick<Workshop, 'database'>): void {
  const many = unsettledJobs(workshop.database, AT_ONCE + 1).length > AT_ONCE;
  for (const _job of settling(workshop, many ? OF_MANY : AT_ONCE));
}

/** Job by job, so that others are served meanwhile. */
export function* settling({ database }: Pick<Workshop, 'database'>, most: number): Generator<string, void> {
  let [house, under]: [House | null, string] = [null, ''];
  const housed = () => {
    house ??= listHouse({ database });
    under ||= underOf(house);
    return house;
  };
  const work = function* (ids: readonly string[]): Generator<string, void> {
    for (const id of ids) {
      const here = housed();
      // What is worked out is what stands at this moment: nobody writes in between.
      keepState(database, id, () => stateFor(database, id, here, under));
      yield id;
    }
  };
  yield* work(unsettledJobs(database, most));
  housed();
  yield* work(outdatedJobs(database, under, most));
}

/** A file that is held for writing by somebody else is still read: the state is worked out again next time. */
function keepState(database: Database, jobId: string, work: () => JobState | null): void {
  // Within a write of somebody’s it goes with that; alone it need not wait for the disk, since it can be worked out again.
  const alone = !database.inTransaction;
  if (alone) database.pragma('synchronous = NORMAL');
  try {
    database
      .transaction(() => {
        const state = work();
        if (state) writeState(database, state);
        else dropState(database, jobId);
      })
      .immediate();
  } catch (error) {
    if (!isBusy(error)) throw error;
  } finally {
    if (alone) database.pragma('synchronous = FULL');
  }
}

/** What a state says; one of an earlier version, not yet worked out again, says nothing of what its stages take and of its work. */
export const factsIn = ({ facts }: JobState): JobFacts => ({
  needs: [],
  work: NO_WORK,
  hangs: null,
  ...(JSON.parse(facts) as Omit<JobFacts, 'needs' | 'work' | 'hangs'>),
});
