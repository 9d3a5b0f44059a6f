/*
 * One reading of a job, for whoever shows, prints, records or counts it: how far it is, what its log tells, the plan of every
 * stage. A recorded stage stands as it was recorded, under the rules and lessons of that day; the others are worked out from
 * what is typed now. Pure; what is costly is worked out when it is asked for, and once.
 */
import type { Hand, HandNoise } from '../fasten/hand';
import type { HouseRules } from '../house/houseRules';
import { type CreepLesson, creepKey } from '../life/creep';
import type { Job, JobInputs } from '../job/job';
import type { View } from '../job/sideWords';
import type { Verdict } from '../job/verdict';
import { type JobHistory, historyOf } from '../log/jobHistory';
import { type LogEntry, NOTHING_TAUGHT, type Taught } from '../log/logEntry';
import type { StagePlan } from '../stages/planContext';
import { planPrime } from '../stages/prime/planPrime';
import { type Makers, onDemand, once } from '../onDemand';
import { lookNow } from '../stages/look/workFile';
import { STAGE_IDS, type StageId, isFaceUp } from '../stages/stages';
import type { Tape } from '../units/length';
import { inputsAsClosed } from './closedInputs';
import { gateVerdicts } from './gate';
import { type NextStep, nextStep, waitVerdicts } from './nextStep';
import { type Plan, type StageGround, planStages } from './planJob';
import { type Progress, progressOf, staysOpen } from './progress';
import { type Slack, slackOf } from './slack';

/** What the records of a house taught: its pace, and by cloth its stiffness and absorption. */
export interface HouseLessons {
  pace: Taught['pace'];
  cloths: Readonly<Record<string, Omit<Taught, 'pace' | 'creep'>>>;
  /** By cloth and ground: see `creepKey`. */
  creep: Readonly<Record<string, CreepLesson>>;
  /** Hands that were tried on the scale, and how much they vary from pull to pull. */
  hands: readonly Hand[];
  handNoise: HandNoise | null;
}

/** What a job is read under. */
export interface House {
  rules: HouseRules;
  tape: Tape;
  lessons: HouseLessons;
  /** Where the reader looks from at the stages that are done on the back; the front where it is left out. */
  view?: View | undefined;
}

export const NO_LESSONS: HouseLessons = { pace: null, cloths: {}, creep: {}, hands: [], handNoise: null };

export interface JobCase {
  job: Pick<Job, 'inputs'>;
  house: House;
  progress: Progress;
  history: JobHistory;
  next: NextStep;
  /** Recorded stages as they were recorded, the others as they stand. */
  inputs: JobInputs;
  plan: Plan;
  /** What taught the stages that are not recorded. */
  taught: Taught;
  /** The record that a stage stands by, or null; of priming the last coat. */
  entryOf: (stage: StageId) => LogEntry | null;
  /** Recorded and closed: nothing of it changes any more. */
  isFrozen: (stage: StageId) => boolean;
  /** Where the words of a stage name left and right from: a closed one keeps the view it was recorded from. */
  viewOf: (stage: StageId) => View;
  /** Everything that is judged about a stage now: its plan, what dries, the gate before it. */
  verdictsOf: (stage: StageId) => Verdict[];
  slack: Slack | null;
  /** The latest moment to start if nothing dried or set any more, ms since 1970; null where nobody waits for it. */
  startByMs: number | null;
}

/** The lessons that hold for a job’s cloth. */
export function taughtFor({ pace, cloths, creep }: HouseLessons, { cloth, prime }: Pick<JobInputs, 'cloth' | 'prime'>): Taught {
  const faded = creep[creepKey(cloth.fabric, prime.system)];
  return {
    ...NOTHING_TAUGHT,
    ...cloths[cloth.fabric],
    pace,
    creep: faded ? { value: Math.max(0, faded.perDecade), records: faded.cases } : null,
  };
}

/** The end of a day in the time of the reader, ms since 1970; null for none. */
const endOfDay = (day: string | null): number | null => (day === null ? null : Date.parse(`${day}T23:59:59`));

/**
 * The case of a job at a moment.
 *
 * @param log its entries with their frozen plans, oldest first
 * @param atMs now, ms since 1970
 */
export function caseOf(job: Pick<Job, 'inputs'>, log: readonly LogEntry[], house: House, atMs: number): JobCase {
  const progress = progressOf(job.inputs, log);
  const entryOf = (stage: StageId) => progress.records.findLast((record) => record.stage === stage) ?? null;
  const isFrozen = (stage: StageId) => progress.done.has(stage) && !staysOpen(stage);
  /** The record whose inputs a stage is planned from; a painting is placed by what was measured and what was chosen, the later of both. */
  const groundEntry = (stage: StageId) => {
    const asks: StageId[] = stage === 'cloth' && progress.painted ? ['brief', 'cloth'] : [stage];
    if (!asks.every(isFrozen)) return null;
    return progress.records.findLast((record) => asks.includes(record.stage)) ?? null;
  };
  const history = once(() => historyOf(log));
  const taught = taughtFor(house.lessons, job.inputs);
  const next = nextStep(job.inputs, progress, atMs);
  const now = once((): StageGround => {
    const closed = inputsAsClosed(job.inputs, (stage) => (isFrozen(stage) ? (entryOf(stage)?.plan?.inputs ?? null) : null));
    const inputs = progress.painted ? { ...closed, look: lookNow(closed.look, log) } : closed;
    return {
      inputs,
      context: {
        rules: house.rules,
        tape: house.tape,
        view: house.view,
        taught,
        history: history(),
        faceSettled: isFrozen('brief'),
      },
    };
  });
  const plan = once(() => {
    const groundOf = (stage: StageId) => groundOfRecord(groundEntry(stage), log, house.tape) ?? now();
    const worked = planStages(groundOf, now(), progress.coatsDone);
    const standing = <Id extends StageId>(stage: Id): Plan[Id] =>
      isFrozen(stage) ? asRecorded(worked[stage], entryOf(stage)) : worked[stage];
    const each = Object.fromEntries(STAGE_IDS.map((stage) => [stage, () => standing(stage)])) as unknown as Makers<Plan>;
    return onDemand<Plan>({
      ...each,
      prime: () => withCoatsOn(standing('prime'), worked.bars, progress.records, log, house.tape),
      kit: () => worked.kit,
    });
  });
  return {
    job,
    house,
    progress,
    next,
    taught,
    entryOf,
    isFrozen,
    get history() {
      return history();
    },
    get inputs() {
      return now().inputs;
    },
    get plan() {
      return plan();
    },
    viewOf: (stage) => {
      if (isFaceUp(stage, false)) return 'front';
      const live = isFaceUp(stage, progress.painted) ? 'front' : (house.view ?? 'front');
      return (isFrozen(stage) && entryOf(stage)?.plan?.view) || live;
    },
    verdictsOf: (stage) =>
      isFrozen(stage)
        ? plan()[stage].verdicts
        : [
            ...plan()[stage].verdicts,
            ...(stage === next.stage ? waitVerdicts(next, atMs) : []),
            ...gateVerdicts(stage, progress, now().inputs, atMs),
          ],
    get startByMs() {
      return slackOf(plan(), progress, house.rules, atMs, endOfDay(job.inputs.brief.dueOn), null)?.latestStartMs ?? null;
    },
    get slack() {
      const runsUntil = next.clock ? Date.parse(next.clock.readyAt) : null;
      return slackOf(plan(), progress, house.rules, atMs, endOfDay(job.inputs.brief.dueOn), runsUntil);
    },
  };
}

/** What a record was planned from; null where it kept no plan. Its history is the log before it. */
function groundOfRecord(entry: LogEntry | null, log: readonly LogEntry[], tape: Tape): StageGround | null {
  if (!entry?.plan) return null;
  const { inputs, rules, taught, view } = entry.plan;
  return { inputs, context: { rules, tape, view, taught, history: historyOf(log.slice(0, log.indexOf(entry))) } };
}

/** A plan with the words that were recorded in place of those worked out today. */
const asRecorded = <P extends StagePlan>(worked: P, entry: LogEntry | null): P =>
  entry?.plan
    ? {
        ...worked,
        answer: entry.plan.answer,
        answerNote: entry.plan.answerNote,
        verdicts: entry.plan.verdicts,
        readings: entry.readings,
      }
    : worked;

/** Coats that are on keep the mix and the drying they were recorded with. */
function withCoatsOn(
  prime: Plan['prime'],
  bars: Plan['bars'],
  records: readonly LogEntry[],
  log: readonly LogEntry[],
  tape: Tape,
): Plan['prime'] {
  const coats = prime.coats.map((coat, index) => {
    const ground = groundOfRecord(records.find((one) => one.stage === 'prime' && one.step === index) ?? null, log, tape);
    return ground ? (planPrime(ground.inputs, ground.context, index, bars).coats[index] ?? coat) : coat;
  });
  return { ...prime, coats };
}
