/* The gates before the cloth: a frame is measured square before anything is drawn over it, and no hand goes before a conservator. */
import type { JobInputs } from '../job/job';
import { type Verdict, verdict } from '../job/verdict';
import { careOf } from '../stages/look/care';
import { asksWords } from '../stages/look/lookVerdicts';
import type { StageId } from '../stages/stages';
import type { Progress } from './progress';

/** What is held before a stage: by the squareness of the frame, by what was seen of the painting. A stop can be overruled with a reason, which is kept with the record. */
export const gateVerdicts = (stage: StageId, progress: Progress, inputs: JobInputs): Verdict[] => [
  ...conservatorGate(stage, progress, inputs),
  ...squareGate(stage, progress),
];

/** Stages at which a painting is pulled, bent or struck near. */
const HANDS_ON: readonly StageId[] = ['fasten', 'tune'];

function conservatorGate(stage: StageId, { painted }: Progress, { look }: JobInputs): Verdict[] {
  const care = careOf(look);
  if (!painted || care.handsMay || stage === 'look' || stage === 'handover') return [];
  const held = HANDS_ON.includes(stage);
  return [
    verdict({
      id: 'conservatorFirst',
      about: 'conservator first',
      level: held ? 'stop' : 'watch',
      says: `A conservator first: it has ${asksWords(care)}.`,
      because: held
        ? 'Pull, bends and blows near it lift what is loose and run on what is torn.'
        : 'What is measured and made here is only for the case that it may be stretched.',
      doThis: 'Ask a conservator; write down under Look what was said and by whom.',
    }),
  ];
}

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
