/* The gate before the cloth: a frame is measured square before anything is drawn over it. */
import { type Verdict, verdict } from '../job/verdict';
import type { StageId } from '../stages/stages';
import type { Progress } from './progress';

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
