/* What needs hands next on a job, and what it must wait for. */
import { printed } from '../quantities/printed';
import type { JobInputs } from '../job/job';
import { type Verdict, verdict } from '../job/verdict';
import { primingOf } from '../prime/primingOf';
import { type StageId, stageActs } from '../stages/stages';
import type { Progress } from './progress';

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
  state: 'now' | 'waiting' | 'finished';
  clock: Clock | null;
}

/** What needs hands next on a job at a moment (ms since 1970), and whether it must wait for something to dry. */
export function nextStep(inputs: JobInputs, progress: Progress, nowMs: number): NextStep {
  const { now } = progress;
  if (now === null) return { stage: null, act: 'Handed over', state: 'finished', clock: null };
  const clock = clockOf(progress);
  const blocks = clock !== null && (clock.stage === 'prime' ? now === 'prime' || now === 'handover' : now === 'fasten');
  const waiting = blocks && Date.parse(clock.readyAt) > nowMs;
  const coat = primingOf(inputs).coats[progress.coatsDone];
  const act = now === 'prime' && coat ? coat.name : stageActs(now, progress.painted).act;
  return { stage: now, act, state: waiting ? 'waiting' : 'now', clock };
}

/** The caution that stands on the next step while something dries or sets; none when nothing does. */
export function waitVerdicts({ state, clock }: NextStep, nowMs: number): Verdict[] {
  if (state !== 'waiting' || !clock) return [];
  const minutes = Math.max(1, (Date.parse(clock.readyAt) - nowMs) / 60_000);
  const glue = clock.stage === 'bars';
  return [
    verdict({
      id: 'waiting',
      about: 'waiting',
      level: 'watch',
      measured: minutes,
      limit: 0,
      of: 'dryingTime',
      says: glue
        ? `The glue sets for another ${printed('clockTime', minutes)}.`
        : `The last coat dries for another ${printed('clockTime', minutes)}.`,
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
