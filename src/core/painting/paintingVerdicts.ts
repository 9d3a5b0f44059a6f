/* What is judged about a painting that is placed on its frame: how true it lies, what is held by what, what to spare it. */
import { printed } from '../quantities/printed';
import { type MeasuredRebate, planRebate } from './planRebate';
import { CORNERS } from '../frame/square/corners';
import { type SideWords, sideWords } from '../job/sideWords';
import { agreementVerdict, checkEachOther } from '../stages/square/agreementVerdict';
import { FIXING_WORDS } from '../cloth/marginLeft';
import { CORNER_FOLDS, type CornerFold } from '../cloth/cornerFolds';
import { type Registration, UNSEEN_MM } from '../cloth/registration';
import { assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { USES, byId } from '../house/schools';
import { SIDES, type Side, isLevel } from '../job/sides';
import { type Verdict, levelAtMost, verdict } from '../job/verdict';
import { type Tape, printFine, printLength, printSize } from '../units/length';
import { type SetRow, setRow } from '../fasten/setRow';
import { routeUnder } from '../stages/fasten/jobRoute';
import type { PlanContext } from '../stages/planContext';
import { type PaintedSide, type PaintingPlan, whatWouldHold } from './planPainting';

/** How far the painted edge runs off the edge of the frame from one end to the other, bow and all, mm. */
export const wavers = ({ sides }: Registration, side: Side): number => sides[side].mostMm - sides[side].leastMm;

/** How far the image’s farthest corner lies from the face’s, mm. */
export const farthestCorner = ({ corners }: Registration): number =>
  Math.max(...CORNERS.map((corner) => Math.hypot(corners[corner].x, corners[corner].y)));

export const capital = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}`;

/** "turned 0.42° clockwise"; seen from the back the same turn runs the other way. */
export const turnWords = (degrees: number, { view }: SideWords): string =>
  Math.abs(degrees) < 0.005
    ? 'not turned'
    : `turned ${printed('angle', Math.abs(degrees))} ${degrees > 0 === (view === 'front') ? 'clockwise' : 'anticlockwise'}`;

/** What is judged of a painting that is measured: whether its readings can be true, whether any margin is still to be read. */
export function measuredVerdicts(inputs: JobInputs, plan: PaintingPlan, context: PlanContext): Verdict[] {
  return [...imageVerdicts(inputs, plan, context), ...unreadMargins(plan.sides, context)];
}

/** What is judged of the face on a painting: how true it lies, what each side is held by, what bends. */
export function placedVerdicts(inputs: JobInputs, plan: PaintingPlan, context: PlanContext): Verdict[] {
  const placed = plan.registration ? placingVerdicts(inputs, plan.registration, context) : imageVerdicts(inputs, plan, context);
  return [...placed, ...sideVerdicts(inputs, plan, context), ...foldedVerdicts(inputs)];
}

/** Whether the image is measured, and its readings check each other and do so. */
function imageVerdicts(inputs: JobInputs, plan: PaintingPlan, context: PlanContext): Verdict[] {
  const { image } = plan;
  if (image.kind !== 'fitted') return [unmeasured(inputs, plan, context)];
  if (checkEachOther(image)) return agreementVerdict(image, 'image', context);
  return [
    verdict({
      id: 'image',
      about: 'image',
      level: 'watch',
      says: 'The image is not read in full: its readings do not check each other.',
      because: 'Four sides and both diagonals are one more than a shape needs; with fewer a slip of the tape stays unseen.',
      doThis: 'Read its four sides and both diagonals.',
    }),
  ];
}

/** What a fold does to paint and to a painting’s cloth. */
function foldedVerdicts({ cloth, brief }: JobInputs): Verdict[] {
  const fold: CornerFold = byId(CORNER_FOLDS, cloth.corner);
  return [
    ...(fold.cut === 'never'
      ? []
      : [
          verdict({
            id: 'cornerCloth',
            about: 'corner cloth',
            level: 'stop',
            says: `${fold.name} corners cut into the painting’s cloth.`,
            because: 'What is cut off a painting is gone, and with it the next stretching.',
            doThis: 'Choose a single fold or a double pleat.',
          }),
        ]),
    ...(byId(USES, brief.use).foldedBefore || brief.placing.mostWrap.mm > 0
      ? [
          verdict({
            id: 'paintAtFolds',
            about: 'paint at the folds',
            level: 'watch',
            says: 'Old paint cracks where it is bent anew.',
            because: 'Along old folds it is weakest, in a cold room stiffest.',
            doThis: 'Warm room, slow bends, new folds along the old ones. A painting of value: a conservator first.',
          }),
        ]
      : []),
  ];
}

const unmeasured = ({ brief }: JobInputs, { image }: PaintingPlan, { tape }: PlanContext): Verdict =>
  verdict({
    id: 'image',
    about: 'image',
    level: image.kind === 'impossible' ? 'stop' : 'watch',
    says:
      image.kind === 'impossible'
        ? 'The readings of the image cannot all be true.'
        : 'The image is not measured: it is taken for a true rectangle of the face.',
    because: `Painted edges are seldom true; the face is ${printSize(brief.width.mm, brief.height.mm, tape)}.`,
    doThis:
      image.kind === 'impossible'
        ? 'Read its sides and diagonals again, corner to corner of the paint.'
        : 'Read its four sides and both diagonals, then how far each edge bows.',
  });

/** What would put a place of the frame within its limits, as far as anything does. */
export function wouldHoldWords(inputs: JobInputs, context: PlanContext): string {
  const { tape } = context;
  const would = whatWouldHold(inputs, context);
  const ways = [
    ...(would.face ? [`take a face of ${printSize(would.face.widthMm, would.face.heightMm, tape, 'down')}`] : []),
    ...(would.wrapMm === null ? [] : [`let ${printFine(would.wrapMm, tape)} go round`]),
    ...(would.bareMm === null ? [] : [`allow ${printFine(would.bareMm, tape)} of bare cloth`]),
  ];
  return ways.length === 0
    ? 'Measure the image again: no face near this one holds on it.'
    : `What would hold: ${ways.join('; or ')}.`;
}

/** Whether the lip hides all that is bare of the face, by the worst place of each side; false where nobody measured the frame. */
function hiddenBare({ sides }: Registration, rebate: MeasuredRebate | null): boolean {
  if (rebate?.kind !== 'measured') return false;
  return SIDES.every((side) => {
    const bare = Math.max(0, -sides[side].leastMm);
    const hidden = rebate.plan.hiddenFace[side];
    return bare <= UNSEEN_MM || (hidden !== null && bare <= Math.min(hidden.first, hidden.second));
  });
}

function placingVerdicts(inputs: JobInputs, registration: Registration, context: PlanContext): Verdict[] {
  const { tape, rules, view } = context;
  const say = sideWords(view);
  const { keep, mostWrap, mayBare } = inputs.brief.placing;
  const { mostWrapMm, mostBareMm, wrapsTooFar: wraps } = registration;
  // What the lip of the frame hides may be bare.
  const hidden = hiddenBare(registration, planRebate(inputs, context));
  const bareMatters = registration.baresTooMuch && !hidden;
  const kept = SIDES.filter((side) => keep.includes(side));
  const worst = kept.reduce<Side | null>(
    (most, side) => (most && wavers(registration, most) >= wavers(registration, side) ? most : side),
    null,
  );
  const limit = assumed(rules, 'parallelLimit');
  const corner = CORNERS.reduce((most, one) => {
    const far = (name: typeof one) => Math.hypot(registration.corners[name].x, registration.corners[name].y);
    return far(one) > far(most) ? one : most;
  });
  return [
    verdict({
      id: 'framePlace',
      about: 'place of the frame',
      level: bareMatters || wraps ? 'stop' : 'good',
      measured: bareMatters ? mostBareMm : mostWrapMm,
      limit: bareMatters ? 0 : mostWrap.mm,
      of: 'offsetOnCloth',
      says: bareMatters
        ? `${printFine(mostBareMm, tape)} of bare cloth shows on the face at the worst place${wraps ? `, ${printFine(mostWrapMm, tape)} of the image goes round` : ''}.`
        : `${printFine(mostWrapMm, tape)} of the image goes round the edge at most, ${printLength(mostWrap.mm, tape)} allowed${
            mostBareMm <= UNSEEN_MM
              ? ''
              : hidden
                ? `; the lip hides ${printFine(mostBareMm, tape)} of bare cloth`
                : mayBare
                  ? `; ${printFine(mostBareMm, tape)} of bare cloth shows`
                  : ''
          }.`,
      because: `Frame ${turnWords(registration.turnDegrees, say)} on the image; the farthest corner is the ${say.corner(corner)} one.`,
      doThis: bareMatters || wraps ? wouldHoldWords(inputs, context) : '',
    }),
    ...(worst
      ? [
          verdict({
            id: 'parallelEdges',
            about: 'parallel edges',
            level: levelAtMost(wavers(registration, worst), limit, 3 * limit),
            measured: wavers(registration, worst),
            limit,
            of: 'misfit',
            says: `Of the edges to keep, the ${say.side(worst)} one runs off most: ${printFine(wavers(registration, worst), tape)}, ${printFine(limit, tape)} shows.`,
            because: `The others take the error: ${
              SIDES.filter((side) => !keep.includes(side))
                .map((side) => `${say.side(side)} ${printFine(wavers(registration, side), tape)}`)
                .join(', ') || 'none, all four are kept'
            }.`,
            doThis: wavers(registration, worst) > limit ? 'Keep fewer edges, or accept it: compare under Priorities.' : '',
            uses: ['parallelLimit'],
          }),
        ]
      : []),
  ];
}

/** "17 tacks, 43.6 mm apart, the first 21.8 mm from the corner." */
const tackWords = ({ count, pitchMm, firstMm }: SetRow, tape: Tape): string =>
  `${printed('tacks', count)}, ${count > 1 ? `${printFine(pitchMm, tape)} apart, ` : ''}the first ${printFine(firstMm, tape)} from the corner.`;

function sideVerdicts(inputs: JobInputs, plan: PaintingPlan, { rules, tape, view }: PlanContext): Verdict[] {
  const say = sideWords(view);
  const { sides } = plan;
  const route = sides.some(({ onEdge }) => onEdge) ? routeUnder(inputs, rules, plan) : null;
  const { width, height } = inputs.brief;
  return sides.flatMap(({ side, leastMm, fixing, onEdge }) => {
    if (leastMm === null || fixing === null) return [];
    const row = route && onEdge ? setRow(route, side, isLevel(side) ? width.mm : height.mm) : null;
    return [
      verdict({
        id: `${side}Margin`,
        about: `${say.side(side)} margin`,
        level: fixing === 'none' ? 'stop' : fixing === 'backByHand' ? 'good' : 'watch',
        measured: leastMm,
        limit: null,
        of: 'marginLeft',
        says: `${capital(say.side(side))}: ${leastMm < 0 ? `the cloth ends ${printFine(-leastMm, tape)} short of the edge of the face` : `${printFine(leastMm, tape)} left`}, ${FIXING_WORDS[fixing]}.`,
        because: 'What is left must pass the depth of the bar and still be held; a fastener stands clear of the raw edge.',
        doThis:
          fixing === 'none'
            ? 'Stop here and ask a conservator about strip-lining. Where only a stretch of it is short or torn, enter that stretch under Torn edges at Measure, and the margin of the rest.'
            : row
              ? tackWords(row, tape)
              : '',
        uses: ['handGrip', 'pliersGrip', 'rawEdge'],
      }),
    ];
  });
}

function unreadMargins(sides: readonly PaintedSide[], { view }: PlanContext): Verdict[] {
  const say = sideWords(view);
  const unread = sides.filter((one) => one.leastMm === null).map((one) => say.side(one.side));
  if (unread.length === 0) return [];
  return [
    verdict({
      id: 'marginsLeft',
      about: 'margins left',
      level: 'stop',
      says: `Still to measure: margin at ${unread.join(', ')}.`,
      because: 'A painting decides the size backwards: image, wrap, margin left.',
      doThis: 'Measure from the image to the edge of the cloth at both ends of the side.',
    }),
  ];
}
