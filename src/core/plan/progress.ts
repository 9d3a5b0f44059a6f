/*
 * How far a job is, read from its log alone: which stages stand recorded, how many coats are on, what dries.
 */
import type { JobInputs } from '../job/job';
import type { LogEntry } from '../job/logEntry';
import { USES, byId } from '../job/schools';
import { STAGES, STAGE_IDS, type StageId, stageActs, stageById } from '../job/stages';
import { type Verdict, verdict } from '../job/verdict';
import { SYSTEMS } from '../prime/grounds';
import { printDuration } from '../units/duration';

/** Records that have not been taken back, oldest first. */
export function standingRecords(log: readonly LogEntry[]): LogEntry[] {
  const withdrawn = new Set(log.map((entry) => entry.corrects));
  return log.filter((entry) => entry.kind === 'record' && !withdrawn.has(entry.id)).sort((a, b) => a.at.localeCompare(b.at));
}

export interface Progress {
  records: LogEntry[];
  done: ReadonlySet<StageId>;
  coatsDone: number;
  /** The first stage not done, or null when the job is finished. */
  now: StageId | null;
}

/** A stage is done when it has a standing record; priming when it has one for every coat. */
export function progressOf(inputs: JobInputs, log: readonly LogEntry[]): Progress {
  const records = standingRecords(log);
  const coats = records.filter((entry) => entry.stage === 'prime');
  const coatsWanted = Math.max(1, byId(SYSTEMS, inputs.prime.system).coats.length);
  const done = new Set(
    STAGE_IDS.filter((id) => (id === 'prime' ? coats.length >= coatsWanted : records.some((entry) => entry.stage === id))),
  );
  return { records, done, coatsDone: coats.length, now: STAGE_IDS.find((id) => !done.has(id)) ?? null };
}

/** The clock that runs or last ran on a job: what it waits for, and since when it is ready. */
export interface Clock {
  stage: StageId;
  what: string;
  startedAt: string;
  readyAt: string;
}

/** The clock that still matters: coats until the next is on, glue until the cloth is fastened. */
export function clockOf({ records, now, done }: Progress): Clock | null {
  if (now === null) return null;
  const held = records.filter((entry) => entry.readyAt !== null && (entry.stage === 'bars' ? !done.has('fasten') : true));
  const last = held.at(-1);
  if (!last || (last.stage === 'prime' && last.step === null)) return null;
  return { stage: last.stage, what: last.stage === 'bars' ? 'glue' : last.did, startedAt: last.at, readyAt: last.readyAt! };
}

export interface NextStep {
  stage: StageId | null;
  act: string;
  minutes: number;
  state: 'now' | 'waiting' | 'finished';
  clock: Clock | null;
}

/** What needs hands next on a job at a moment (ms since 1970), and whether it must wait for something to dry. */
export function nextStep(inputs: JobInputs, progress: Progress, nowMs: number): NextStep {
  const { now } = progress;
  if (now === null) return { stage: null, act: 'Handed over', minutes: 0, state: 'finished', clock: null };
  const clock = clockOf(progress);
  const stage = stageById(now);
  const blocks = clock !== null && (clock.stage === 'prime' ? now === 'prime' || now === 'handover' : now === 'fasten');
  const waiting = blocks && Date.parse(clock.readyAt) > nowMs;
  const coat = byId(SYSTEMS, inputs.prime.system).coats[progress.coatsDone];
  const act = now === 'prime' && coat ? coat.name : stageActs(now, byId(USES, inputs.brief.use).painted).act;
  return { stage: now, act, minutes: stage.minutes, state: waiting ? 'waiting' : 'now', clock };
}

/** The caution that stands on the next step while something dries or sets; none when nothing does. */
export function waitVerdicts({ state, clock }: NextStep, nowMs: number): Verdict[] {
  if (state !== 'waiting' || !clock) return [];
  const minutes = Math.max(1, (Date.parse(clock.readyAt) - nowMs) / 60_000);
  const glue = clock.stage === 'bars';
  return [
    verdict({
      about: 'waiting',
      level: 'watch',
      measured: minutes,
      limit: 0,
      unit: 'min',
      says: glue
        ? `The glue sets for another ${printDuration(minutes)}.`
        : `The last coat dries for another ${printDuration(minutes)}.`,
      because: glue
        ? 'Some go on at once because the fasteners hold; a joint that moves now stays moved.'
        : 'Reckoned with the longer time on the label, in the air it was put on in.',
      doThis: glue
        ? 'Wait, or check the diagonals again just before the cloth goes on.'
        : 'Wait, or touch it first: it must be dry and not cold to the hand.',
      uses: glue ? ['glueHours'] : ['refTemperature', 'refHumidity'],
    }),
  ];
}

/**
 * Stages whose recorded inputs a save would change: a finished step keeps what it was done by.
 * The room climate and, before the first coat, the whole priming stage stay free.
 */
export function lockedChanges(before: JobInputs, after: JobInputs, progress: Progress): StageId[] {
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  return STAGES.map((stage) => stage.id).filter((id) => {
    if (id === 'prime') {
      if (progress.coatsDone === 0) return false;
      const { roomC: _c, roomRh: _rh, ...was } = before.prime;
      const { roomC: _c2, roomRh: _rh2, ...is } = after.prime;
      return !same(was, is);
    }
    return progress.done.has(id) && !same(before[id], after[id]);
  });
}
