/* What is judged of the wind of a frame: a corner that stands off the table. */
import { printed } from '../../quantities/printed';
import { WIND_PATTERNS } from '../../frame/square/wind';
import { assumed } from '../../house/houseRules';
import { EDGES, byId } from '../../house/schools';
import type { JobInputs } from '../../job/job';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import { printFine, printLength } from '../../units/length';
import type { PlanContext } from '../planContext';

/** What wind is judged by: the lift of the fourth corner, mm, or null where nobody looked, over the diagonal that is planned. */
export interface WindCase {
  inputs: JobInputs;
  liftMm: number | null;
  targetDiagonalMm: number;
}

/** More than this is no wind but a slip of the tape, mm a metre of diagonal. */
const MOST_WIND = 200;

/** How far a frame is twisted, against what its use bears. */
export function windVerdict(
  { inputs: { square, brief }, liftMm, targetDiagonalMm }: WindCase,
  { tape, rules }: PlanContext,
): Verdict {
  if (liftMm === null)
    return verdict({
      id: 'wind',
      about: 'wind',
      level: 'watch',
      says: 'Not looked at for wind yet.',
      because: 'A twisted frame stands off the wall and cannot be pressed square.',
      doThis:
        'On a flat table hold three corners and measure under the fourth; or stretch two strings from corner to corner. Type 0 if none.',
    });
  const perMetre = (liftMm / targetDiagonalMm) * 1000;
  if (perMetre > MOST_WIND)
    return verdict({
      id: 'wind',
      about: 'wind',
      level: 'watch',
      says: `A lift of ${printLength(liftMm, tape)} over a diagonal of ${printLength(targetDiagonalMm, tape)} is no wind: it was misread.`,
      because: 'No frame that holds together twists so far.',
      doThis: 'Measure again under the fourth corner, or between the strings where they cross.',
    });
  const edges = byId(EDGES, brief.edges);
  const limit = edges.windShare * assumed(rules, 'windFine');
  const level = levelAtMost(perMetre, limit, edges.windShare * assumed(rules, 'windShows'));
  const { cause, remedy } = byId(WIND_PATTERNS, square.windPattern);
  const fromStrings = square.lift === null ? ' (twice the gap between the strings)' : '';
  return verdict({
    id: 'wind',
    about: 'wind',
    level,
    measured: perMetre,
    limit,
    of: 'twist',
    says:
      liftMm === 0
        ? 'It lies flat: no wind.'
        : `One corner lifts ${printFine(liftMm, tape)}${fromStrings}, ${printed('twist', perMetre, tape)} of diagonal.`,
    because: `${cause} ${edges.name}: up to ${printed('twist', limit, tape)} is fine.`,
    doThis: level === 'good' ? '' : remedy,
    uses: ['windFine', 'windShows'],
  });
}
