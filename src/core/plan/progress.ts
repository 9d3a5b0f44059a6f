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
  /** The first stage not done, or null when the job is finished. Square is passed over once the cloth was cut without it. */
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
  const passed = (id: StageId) => id === 'square' && done.has('cloth');
  return { records, done, coatsDone: coats.length, now: STAGE_IDS.find((id) => !done.has(id) && !passed(id)) ?? null };
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

/** Stages that must stand recorded before this one; squareness can be passed over with a reason, see `gateVerdicts`. */
export const missingBefore = (stage: StageId, { done }: Progress): StageId[] =>
  STAGE_IDS.slice(0, STAGE_IDS.indexOf(stage)).filter((id) => !done.has(id) && id !== 'square');

/**
 * The gate before the cloth: it asks for a squareness record younger than the last change to the frame. A stop can
 * be overruled with a reason, which is kept with the record.
 */
export function gateVerdicts(stage: StageId, { records }: Progress): Verdict[] {
  if (stage !== 'cloth') return [];
  const last = (id: StageId) => records.findLast((entry) => entry.stage === id);
  const [frame, square] = [last('bars'), last('square')];
  const gate = (level: Verdict['level'], says: string, because: string) => [
    verdict({
      about: 'squareness record',
      level,
      says,
      because,
      doThis: 'Read both diagonals now and record them under Square, or go on with a reason.',
    }),
  ];
  const late = 'Cloth drawn over a racked frame holds it racked; after the last fastener it cannot be pressed.';
  if (!square) return gate('stop', 'No squareness is recorded for this frame.', late);
  if (frame && square.at < frame.at) return gate('stop', 'The frame was changed after it was last measured for square.', late);
  if (frame?.readyAt && square.at < frame.readyAt)
    return gate(
      'watch',
      'It was measured before the glue had set.',
      'A joint moves until its glue has set. Check again just before the cloth goes on.',
    );
  return [];
}

/** Tuning goes on as long as the canvas lives: what is typed for it stays free after its record. */
export const staysOpen = (stage: StageId): boolean => stage === 'tune';

/** What of priming may not change between its coats: all but the room and the pot of the next coat. */
function coatInputs({ prime: { system, edges, back, wetFirst, over } }: JobInputs) {
  return { system, edges, back, wetFirst, over };
}

/**
 * Stages whose recorded inputs a save would change: a finished step keeps what it was done by.
 * The room climate, the pot and, before the first coat, the whole priming stage stay free.
 */
export function lockedChanges(before: JobInputs, after: JobInputs, progress: Progress): StageId[] {
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  return STAGES.map((stage) => stage.id).filter((id) => {
    if (id === 'prime') {
      if (progress.coatsDone === 0) return false;
      return !same(coatInputs(before), coatInputs(after));
    }
    return progress.done.has(id) && !staysOpen(id) && !same(before[id], after[id]);
  });
}
