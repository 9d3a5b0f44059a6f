/* The gates before the cloth: a frame is measured square before anything is drawn over it, and no hand goes before a conservator. */
import type { JobInputs } from '../job/job';
import { type Verdict, verdict } from '../job/verdict';
import { type ActId, mayBeDone } from '../stages/look/mayBeDone';
import type { StageId } from '../stages/stages';
import type { Progress } from './progress';

/**
 * What is held before a stage: by the squareness of the frame, by what is known of the painting. A stop of the frame can be
 * overruled with a reason, which is kept with the record; that of a painting by what a conservator said, in its file.
 */
export const gateVerdicts = (stage: StageId, progress: Progress, inputs: JobInputs, atMs: number): Verdict[] => [
  ...conservatorGate(stage, progress, inputs),
  ...decisionGate(stage, progress, inputs, atMs),
  ...squareGate(stage, progress),
];

/** What is done to a work at a stage; nothing where it is only measured, made beside it or looked at. */
const ACT_AT: Partial<Record<StageId, ActId>> = { fasten: 'fasten', tune: 'key', handover: 'hang' };

const CONSERVATOR_FIRST = 'conservatorFirst';

/** The verdict that no reason opens, only what a conservator said; null where none stands. */
export const heldForConservator = (verdicts: readonly Verdict[]): Verdict | null =>
  verdicts.find(({ id, level }) => id === CONSERVATOR_FIRST && level === 'stop') ?? null;

function conservatorGate(stage: StageId, { painted }: Progress, inputs: JobInputs): Verdict[] {
  if (!painted || stage === 'look') return [];
  const act = ACT_AT[stage];
  const permission = mayBeDone(act ?? 'fasten', inputs);
  if (permission.may === 'allowed') return [];
  const held = act !== undefined && stage !== 'handover';
  return [
    verdict({
      id: CONSERVATOR_FIRST,
      about: 'conservator first',
      level: held ? 'stop' : 'watch',
      says: permission.says,
      because: act ? permission.because : 'What is measured and made here is only for the case that it may be stretched.',
      doThis: 'Ask a conservator, and write into its file who decided and what was said.',
    }),
  ];
}

/** A decision cannot be of a day to come. */
function decisionGate(stage: StageId, { painted }: Progress, { look }: JobInputs, atMs: number): Verdict[] {
  const { decidedOn } = look;
  if (!painted || stage !== 'look' || decidedOn === null || Date.parse(`${decidedOn}T00:00:00Z`) <= atMs + DAY_MS) return [];
  return [
    verdict({
      id: 'decisionDay',
      about: 'day of the decision',
      level: 'stop',
      says: `The decision is dated ${decidedOn}, which is still to come.`,
      because: 'What nobody has decided yet opens nothing.',
      doThis: 'Put in the day on which it was decided.',
    }),
  ];
}

const DAY_MS = 86_400_000;

/** Before the cloth goes near the frame: a squareness record younger than the last change to it. */
function squareGate(stage: StageId, { records, run }: Progress): Verdict[] {
  if (run[run.indexOf('square') + 1] !== stage) return [];
  const last = (id: StageId) => records.findLast((entry) => entry.stage === id);
  const [frame, square] = [last('bars'), last('square')];
  const gate = (level: Verdict['level'], says: string, because: string) => [
    verdict({
      id: 'squarenessRecord',
      about: 'squareness record',
      level,
      says,
      because,
      doThis: 'Read both diagonals now and record them under Square, or go on with a reason.',
    }),
  ];
  const late = 'Cloth drawn over a racked frame holds it racked; after the last fastener it cannot be pressed.';
  if (!square) return gate('stop', 'No squareness is recorded for this frame.', late);
  if (frame && records.indexOf(square) < records.indexOf(frame))
    return gate('stop', 'The frame was changed after it was last measured for square.', late);
  if (frame?.readyAt && square.at < frame.readyAt)
    return gate(
      'watch',
      'It was measured before the glue had set.',
      'A joint moves until its glue has set. Check again just before the cloth goes on.',
    );
  return [];
}
