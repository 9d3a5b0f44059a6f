/* The centring check in words: how to move the frame on the cloth before the first fastener. */
import type { Centring } from '../../cloth/centring';
import type { JobInputs } from '../../job/job';
import { SIDES } from '../../job/sides';
import { type Verdict, verdict } from '../../job/verdict';
import { printFine } from '../../units/length';
import type { PlanContext } from '../planContext';

/** Margins within this of each other are as good as hands can lay them, mm. */
const WELL_LAID_MM = 2;

/** Nothing where nothing was measured; a painting is always asked for it. */
export function centringVerdicts(
  { fasten, brief }: JobInputs,
  centred: Centring | null,
  painted: boolean,
  { tape }: PlanContext,
): Verdict[] {
  const read = SIDES.flatMap((side) => [fasten.laid[side].first, fasten.laid[side].second]).filter((one) => one !== null).length;
  if (!centred)
    return read === 0 && !painted
      ? []
      : [
          verdict({
            id: 'centring',
            about: 'centring',
            level: 'watch',
            says:
              read === 0
                ? 'The margins are not checked yet, the frame lying on the cloth.'
                : 'Too few margins to tell how it lies.',
            because: 'Eight margins, two a side, tell a shift and a turn; one on every side and both ends of two are the least.',
            doThis: 'Measure them under Centring before the first fastener.',
          }),
        ];
  const good = centred.offMm <= WELL_LAID_MM;
  const skewed = centred.leftOverMm > WELL_LAID_MM;
  return [
    verdict({
      id: 'centring',
      about: 'centring',
      level: good ? 'good' : 'watch',
      measured: centred.offMm,
      limit: WELL_LAID_MM,
      unit: 'mm',
      says: good
        ? `It lies as planned: no margin more than ${printFine(centred.offMm, tape)} off.`
        : `A margin is ${printFine(centred.offMm, tape)} off.`,
      because: `Worked out from ${centred.readings} margins; moving leaves ${printFine(centred.leftOverMm, tape)}.`,
      doThis: good
        ? ''
        : `${moveWords(centred, brief.width.mm >= brief.height.mm, (mm) => printFine(mm, tape))}${skewed ? ' What is left is the cloth: not square, or off its thread.' : ''}`,
    }),
  ];
}

/** "Move the frame 4 mm to the left and 2 mm up; turn it: its right end 3 mm down." Sides as seen from the front. */
export function moveWords({ rightMm, downMm, endsMoveMm }: Centring, wide: boolean, print: (mm: number) => string): string {
  const shifts = [
    ...(Math.abs(rightMm) >= 0.25 ? [`${print(Math.abs(rightMm))} towards the ${rightMm > 0 ? 'right' : 'left'} side`] : []),
    ...(Math.abs(downMm) >= 0.25 ? [`${print(Math.abs(downMm))} towards the ${downMm > 0 ? 'bottom' : 'top'}`] : []),
  ];
  const shift = shifts.length > 0 ? [`Move the frame ${shifts.join(' and ')}.`] : [];
  // Clockwise: the right end of the top goes down; of an upright the top goes to the right.
  const end = wide
    ? `its right end ${print(Math.abs(endsMoveMm))} towards the ${endsMoveMm > 0 ? 'bottom' : 'top'}`
    : `its top ${print(Math.abs(endsMoveMm))} towards the ${endsMoveMm > 0 ? 'right' : 'left'} side`;
  const turn = Math.abs(endsMoveMm) >= 0.25 ? [`Turn it about its middle: ${end}.`] : [];
  return [...shift, ...turn].join(' ');
}
