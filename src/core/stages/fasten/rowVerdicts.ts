/* What is judged of the row of fasteners on a side: how far apart, what found no place, where the last ones stop. */
import { printed, printedRange } from '../../quantities/printed';
import { usualSpacing } from '../../fasten/fasteners';
import { type RoutePlan, SEAM_SIDES } from '../../fasten/routeSteps';
import { toldTo } from '../../quantities/toldTo';
import { assumed } from '../../house/houseRules';
import { fabricOf, profileOf, woodOf } from '../../house/materials';
import { isPainted } from '../../house/schools';
import type { JobInputs } from '../../job/job';
import { SIDES, isLevel } from '../../job/sides';
import { sideWords } from '../../job/sideWords';
import { type Verdict, verdict } from '../../job/verdict';
import { type Tape, printLength } from '../../units/length';
import type { PlanContext } from '../planContext';
import { placeWords } from './clothRunVerdicts';

/** Whether the places of a route are apart as they should be, all there, and leave room for the fold. */
export const rowVerdicts = (inputs: JobInputs, route: RoutePlan, context: PlanContext): Verdict[] => [
  ...leftOutVerdict(route, context),
  ...spacingVerdicts(inputs, route, context),
  ...cornerVerdict(inputs, route, context),
];

/** Wood that splits: heavier than this, or a bar no deeper than that. */
export const DENSE_KG_M3 = 600;
const THIN_MM = 18;

function spacingVerdicts({ brief, bars, cloth, fasten }: JobInputs, route: RoutePlan, { tape, rules }: PlanContext): Verdict[] {
  const fabric = fabricOf(rules, cloth.fabric);
  const profile = profileOf(rules, bars.profile);
  const splits = woodOf(rules, bars.species).densityKgM3 > DENSE_KG_M3 || profile.depthMm < THIN_MM;
  const usual = usualSpacing(fabric.gsm, Math.max(brief.width.mm, brief.height.mm), splits);
  const pitches = (level: boolean) =>
    SIDES.flatMap((side) => (isLevel(side) === level && route.rows[side].pitchMm > 0 ? [route.rows[side].pitchMm] : []));
  const rows = [...pitches(true), ...pitches(false)];
  const torn = isPainted(brief.use) && cloth.found.torn.length > 0;
  const gapMm = Math.max(...SIDES.map((side) => route.rows[side].widestMm));
  const widest = Math.max(gapMm, ...rows);
  const wide = widest > usual.toMm + 0.05;
  const stretched = SIDES.some((side) => {
    const { pitchMm, widestMm } = route.rows[side];
    return pitchMm > 0 && widestMm > pitchMm + 0.5;
  });
  const close = !wide && rows.length > 0 && Math.min(...rows) < usual.fromMm - 0.05;
  const along = (level: boolean, way: string) => {
    const own = pitches(level);
    return own.length === 0 ? `only the middle along the ${way}` : `${spread(own, tape)} apart along the ${way}`;
  };
  const row =
    rows.length === 0
      ? `One at each middle, then the corners${gapMm > 0 ? `: ${printed('rowGap', gapMm, tape)} apart` : ''}`
      : `Set ${along(true, 'width')}, ${along(false, 'height')}`;
  return [
    verdict({
      id: 'spacing',
      about: 'spacing',
      level: wide ? 'watch' : 'good',
      measured: widest,
      limit: usual.toMm,
      of: 'rowGap',
      says: `${row}${stretched ? `; up to ${printed('rowGap', gapMm, tape)} where a brace, a knot, a hole or a tear is kept clear` : ''}.`,
      because: `Evenly spread, ${widest > fasten.spacing.mm + 0.05 ? 'wider than asked where crowns, a brace or a knot leave no room' : 'never wider than asked'}, never so near that crowns share a hole. Custom here, ${toldTo(usual.because, tape)}${usual.wider ? `, ${printLength(usual.fromMm, tape)} at the least in this wood` : ''}.`,
      doThis: !wide
        ? ''
        : stretched && Math.max(0, ...rows) <= usual.toMm + 0.05
          ? torn
            ? 'Nothing goes into a torn stretch; beside a brace one more may be set, if the edge scallops.'
            : 'Set one more there, clear of the brace, if the edge scallops.'
          : fasten.spacing.mm > usual.toMm
            ? 'Too far apart scallops the edge: come closer.'
            : 'The side is short: let the last ones stand nearer to the corner.',
      uses: ['crownGap'],
    }),
    // Of its own: set closely is no sign that the edge will scallop.
    ...(close
      ? [
          verdict({
            id: 'closeSpacing',
            about: 'close spacing',
            level: 'watch',
            measured: Math.min(...rows),
            limit: usual.fromMm,
            of: 'rowGap',
            says: `${printed('rowGap', Math.min(...rows), tape)} apart is closer than custom, from ${printed('rowGap', usual.fromMm, tape)}.`,
            because: 'More holes in cloth and wood, more work for the hand.',
            doThis: 'A wider spacing would do.',
          }),
        ]
      : []),
  ];
}

/** Places that found no clear wood. */
function leftOutVerdict({ leftOut }: RoutePlan, { tape, view }: PlanContext): Verdict[] {
  if (leftOut.length === 0) return [];
  const words = leftOut.map((place) => placeWords(place, tape, sideWords(view)));
  return [
    verdict({
      id: 'leftOut',
      about: 'places left out',
      level: 'watch',
      measured: leftOut.length,
      limit: 0,
      of: 'places',
      says: `${leftOut.length === 1 ? 'One place is' : `${leftOut.length} places are`} left out: ${words.slice(0, 4).join('; ')}${words.length > 4 ? ' …' : ''}.`,
      because: 'A brace end, a knot or a neighbour leaves no clear wood for it.',
      doThis: 'Move the brace, or set one by eye where the wood is clear.',
      uses: ['crownGap'],
    }),
  ];
}

function cornerVerdict({ fasten, cloth }: JobInputs, { rows }: RoutePlan, { tape, rules }: PlanContext): Verdict[] {
  const last = SEAM_SIDES[cloth.seams].flatMap((side) => rows[side].lastMm ?? []);
  if (last.length === 0) return [];
  const nearest = Math.min(...last);
  const nearer = fasten.lastFromCorner.mm < nearest - 0.05;
  const [least, most] = [assumed(rules, 'foldNearest'), assumed(rules, 'foldFarthest')];
  const ok = last.every((mm) => mm >= least && mm <= most);
  const room = `${printLength(least, tape)} to ${printLength(most, tape)}`;
  return [
    verdict({
      id: 'lastBeforeFold',
      about: 'last before the fold',
      level: ok ? 'good' : 'watch',
      measured: nearest < least ? nearest : Math.max(...last),
      limit: nearest < least ? least : most,
      of: 'rowGap',
      says: `The last ones stop ${spread(last, tape)} from the corner until the fold is made.`,
      because: `Room for the fold: ${room}.${nearer ? ` ${printLength(fasten.lastFromCorner.mm, tape)} was asked: the row ends where its spacing and the fold’s own fastener let it.` : ''}`,
      doThis: ok ? 'Fold roughly before they come this close.' : `Stay within ${room}.`,
      uses: ['foldNearest', 'foldFarthest'],
    }),
  ];
}

/** "44 mm", or "44 to 45 mm" where the sides of a way differ. */
const spread = (mm: readonly number[], tape: Tape): string => printedRange('rowGap', Math.min(...mm), Math.max(...mm), tape);
