/* The centring check in words: how to move the frame on the cloth before the first fastener. */
import type { Centring, EndMargins } from '../../cloth/centring';
import type { MarginParts } from '../../cloth/cutSize';
import { FIXING_WORDS, fixingFor } from '../../cloth/marginLeft';
import type { Profile } from '../../frame/profiles';
import type { JobInputs } from '../../job/job';
import { SIDES, type Side } from '../../job/sides';
import { type SideWords, sideWords } from '../../job/sideWords';
import { type Verdict, verdict } from '../../job/verdict';
import { printFine } from '../../units/length';
import { capital } from '../../painting/paintingVerdicts';
import type { PlanContext } from '../planContext';

/** Margins within this of each other are as good as hands can lay them, mm. */
const WELL_LAID_MM = 2;

/** The side that was laid furthest short of its plan, mm. */
export interface ShortSide {
  side: Side;
  laidMm: number;
  plannedMm: number;
}

/** Least margin of each side as it was laid against the plan; sides where nothing was read are left out. */
export function shortSides(laid: EndMargins, planned: Record<Side, number | null>): ShortSide[] {
  return SIDES.flatMap((side) => {
    const read = laid[side].filter((one) => one !== null);
    const plannedMm = planned[side];
    return read.length === 0 || plannedMm === null ? [] : [{ side, laidMm: Math.min(...read), plannedMm }];
  }).sort((a, b) => b.plannedMm - b.laidMm - (a.plannedMm - a.laidMm));
}

/** What each side can be held by, as the cloth was laid: judged anew where it is shorter than planned. */
export function laidVerdicts(
  sides: readonly ShortSide[],
  margins: Record<Side, MarginParts> | null,
  profile: Profile,
  { rules, tape, view }: PlanContext,
): Verdict[] {
  const say = sideWords(view);
  return sides
    .filter(({ laidMm, plannedMm }) => plannedMm - laidMm > WELL_LAID_MM)
    .map(({ side, laidMm, plannedMm }) => {
      const fixing = fixingFor(laidMm, profile, rules);
      const onEdge = margins?.[side].onEdge === true;
      const fine = fixing === 'backByHand' || (onEdge && fixing !== 'none');
      return verdict({
        id: `${side}Laid`,
        about: `${say.side(side)} margin as laid`,
        level: fixing === 'none' ? 'stop' : fine ? 'good' : 'watch',
        measured: laidMm,
        limit: plannedMm,
        of: 'marginLeft',
        says: `${capital(say.side(side))}: ${printFine(laidMm, tape)} laid, ${printFine(plannedMm, tape)} planned; ${FIXING_WORDS[fixing]}.`,
        because:
          'What was measured on the bench stands, not what was planned: it must pass the depth of the bar and still be held.',
        doThis:
          fixing === 'none'
            ? 'Stop: this cloth cannot be stretched on this frame. Cut another piece, or take a smaller or thinner frame.'
            : fine
              ? ''
              : 'Pull that side so, or lay the frame again.',
        uses: ['handGrip', 'pliersGrip', 'rawEdge'],
      });
    });
}

/** Nothing where nothing was measured; a painting is always asked for it. */
export function centringVerdicts(
  { fasten, brief }: JobInputs,
  centred: Centring | null,
  painted: boolean,
  { tape, view }: PlanContext,
  shortest: ShortSide | null = null,
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
  const say = sideWords(view);
  const short = shortest !== null && shortest.plannedMm - shortest.laidMm > WELL_LAID_MM;
  const good = centred.offMm <= WELL_LAID_MM && !short;
  const skewed = centred.leftOverMm > WELL_LAID_MM;
  return [
    verdict({
      id: 'centring',
      about: 'centring',
      level: good ? 'good' : 'watch',
      measured: centred.offMm,
      limit: WELL_LAID_MM,
      of: 'offsetOnCloth',
      says: good
        ? `It lies as planned: no margin more than ${printFine(centred.offMm, tape)} off.`
        : short && centred.offMm <= WELL_LAID_MM
          ? `It lies in the middle, but the cloth is smaller than planned: ${printFine(shortest.laidMm, tape)} at the ${say.side(shortest.side)}, ${printFine(shortest.plannedMm, tape)} planned.`
          : `A margin is ${printFine(centred.offMm, tape)} off.`,
      because: `Worked out from ${centred.readings} margins; moving leaves ${printFine(centred.leftOverMm, tape)}.`,
      doThis: good
        ? ''
        : centred.offMm <= WELL_LAID_MM
          ? 'No move mends it: see what each side can still be held by.'
          : `${moveWords(centred, brief.width.mm >= brief.height.mm, (mm) => printFine(mm, tape), say)}${skewed ? ' What is left is the cloth: not square, or off its thread.' : ''}`,
    }),
  ];
}

/** "Move the frame 4 mm towards the left side and 2 mm towards the top. Turn it about its middle: its right end 3 mm towards the bottom." */
export function moveWords(
  { rightMm, downMm, endsMoveMm }: Centring,
  wide: boolean,
  print: (mm: number) => string,
  say: SideWords,
): string {
  const shifts = [
    ...(Math.abs(rightMm) >= 0.25
      ? [`${print(Math.abs(rightMm))} towards the ${say.side(rightMm > 0 ? 'right' : 'left')} side`]
      : []),
    ...(Math.abs(downMm) >= 0.25 ? [`${print(Math.abs(downMm))} towards the ${downMm > 0 ? 'bottom' : 'top'}`] : []),
  ];
  const shift = shifts.length > 0 ? [`Move the frame ${shifts.join(' and ')}.`] : [];
  // Clockwise: the right end of the top goes down; of an upright the top goes to the right. From the back it is the left one.
  const rightEndMm = say.view === 'front' ? endsMoveMm : -endsMoveMm;
  const end = wide
    ? `its right end ${print(Math.abs(endsMoveMm))} towards the ${rightEndMm > 0 ? 'bottom' : 'top'}`
    : `its top ${print(Math.abs(endsMoveMm))} towards the ${say.side(endsMoveMm > 0 ? 'right' : 'left')} side`;
  const turn = Math.abs(endsMoveMm) >= 0.25 ? [`Turn it about its middle: ${end}.`] : [];
  return [...shift, ...turn].join(' ');
}
