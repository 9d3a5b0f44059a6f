import { effortMinutes, fastenEffort, withMinutes } from '../../effort/effort';
import { printed } from '../../quantities/printed';
import { type EndMargins, centring } from '../../cloth/centring';
import { FASTENERS, type Fastener } from '../../fasten/fasteners';
import { type Handwork, type RoutePlan, handwork } from '../../fasten/routeSteps';
import { ROUTES, type Route } from '../../fasten/routes';
import { profileOf } from '../../house/materials';
import { type HouseRules, assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { AsDone } from './fastenInputs';
import type { LearnedValue, Reading } from '../../log/logEntry';
import { reading } from '../../log/reading';
import { byId } from '../../house/schools';
import { SIDES, type Side } from '../../job/sides';
import { centringVerdicts, laidVerdicts, shortSides } from './centringVerdicts';
import { oldHoleVerdicts, tornVerdicts } from '../../painting/foundVerdicts';
import type { PlanContext, StagePlan } from '../planContext';
import type { ClothPlan } from '../cloth/planCloth';
import { routeUnder, seenSides } from './jobRoute';
import { laidMargins, laidReadings, wantedMargins } from '../../painting/planPainting';
import { fastenVerdicts } from './fastenVerdicts';

export interface FastenPlan extends StagePlan {
  /** What the eight margins should be with the frame lying on the cloth, mm. */
  wanted: EndMargins;
  route: RoutePlan;
  /** Sides whose fasteners are seen: tacks, one by one. */
  seen: readonly Side[];
  hands: Handwork;
  /** With spares, for the kit. */
  fastenersToHave: number;
  /** Tacks beside them, for sides whose fasteners stay in sight. */
  tacksToHave: number;
}

/** Fasteners placed and ordered along the route, with the handwork. */
export function planFasten(
  inputs: JobInputs,
  context: PlanContext,
  { painting, cut }: Pick<ClothPlan, 'painting' | 'cut'>,
): FastenPlan {
  const { rules } = context;
  const { brief, fasten } = inputs;
  const fastener: Fastener = byId(FASTENERS, fasten.fastener);
  const named: Route = byId(ROUTES, fasten.route);
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const seen = seenSides(inputs, painting);
  const route = routeUnder(inputs, rules, painting);
  const wanted = wantedMargins(painting, cut.margins);
  const laid = laidMargins(fasten.laid);
  const centred = centring(laid, wanted, face);
  const sides = shortSides(laid, plannedLeast(wanted));
  const profile = profileOf(rules, inputs.bars.profile);
  const count = route.fasteners;
  const tacks = fastener.seen ? count : route.steps.filter((step) => step.act === 'fix' && seen.includes(step.side)).length;
  const hands = paced(squeezed(routeHandwork(route, face, rules), route, seen), context.taught?.pace);
  const handlings = route.steps.length;
  const effort = fastenEffort(rules, { handlings, turns: route.turns }, context.taught?.pace?.value ?? 1);
  const withSpares = (pieces: number) => Math.ceil(pieces * (1 + assumed(rules, 'sparePercent') / 100));
  const kinds = [...(tacks > 0 ? [printed('tacks', tacks)] : []), ...(count > tacks ? [printed('staples', count - tacks)] : [])];
  const learned = context.taught?.pace ? `, as your last ${context.taught.pace.records} went` : '';
  return {
    answer: kinds.join(', '),
    answerNote: `${named.name}, ${printed('sideChanges', route.turns)}, about ${printed('handTime', effortMinutes(effort))}${learned}`,
    verdicts: [
      ...centringVerdicts(inputs, centred, painting !== null, context, sides[0] ?? null),
      ...laidVerdicts(sides, painting ? null : cut.margins, profile, context),
      ...(painting ? [...oldHoleVerdicts(inputs, context), ...tornVerdicts(inputs, painting, context)] : []),
      ...fastenVerdicts(inputs, context, { painting, route, tacks, fastener, hands }),
    ],
    readings: [...laidReadings(fasten.laid, rules), ...doneReadings(fasten.asDone, routeHandwork(route, face, rules).minutes)],
    ...withMinutes(effort),
    setsMinutes: null,
    wanted,
    route,
    seen,
    hands,
    fastenersToHave: withSpares(fastener.seen ? tacks : count - tacks),
    tacksToHave: fastener.seen ? 0 : withSpares(tacks),
  };
}

/** Handwork of a route with only what is not set on a side in sight squeezed. */
export function squeezed(hands: Handwork, { steps }: RoutePlan, seen: readonly Side[]): Handwork {
  const inSight = steps.filter((step) => seen.includes(step.side) && step.act !== 'takeOut' && step.with !== 'clamps').length;
  return { ...hands, squeezes: hands.squeezes - inSight };
}

const paced = (hands: Handwork, pace: LearnedValue | null | undefined): Handwork =>
  pace ? { ...hands, minutes: hands.minutes * pace.value } : hands;

/** What was noted of how it went. */
function doneReadings({ drawn, pullN, pulls, minutes }: AsDone, planned: number): Reading[] {
  const noted = (value: number | null, made: (value: number) => Reading) => (value === null ? [] : [made(value)]);
  return [
    ...noted(drawn, (pieces) => reading('drawnAgain', pieces, 'pieces', { tool: 'counted' })),
    ...noted(pullN, (newtons) => reading('firmPull', newtons, 'N', { tool: 'by hand', known: 'felt' })),
    ...pulls.map(({ askedN, pulledN }) =>
      reading('pullOverAsked', Math.round((1000 * pulledN) / askedN) / 1000, '×', { tool: 'kitchen scale' }),
    ),
    ...noted(minutes, (spent) => reading('fasteningTime', spent, 'min', { tool: 'clock' })),
    // Where no place was found nothing was planned, and no pace is told.
    ...noted(planned > 0 ? minutes : null, (spent) =>
      reading('fasteningPace', Math.round((1000 * spent) / planned) / 1000, '×', { tool: 'computed', known: 'reckoned' }),
    ),
  ];
}

export const routeHandwork = (route: RoutePlan, face: { widthMm: number; heightMm: number }, rules: HouseRules): Handwork =>
  handwork(route, face, { fastener: assumed(rules, 'secondsFastener'), turn: assumed(rules, 'secondsTurn') });

const plannedLeast = (wanted: EndMargins): Record<Side, number | null> =>
  Object.fromEntries(
    SIDES.map((side) => {
      const told = wanted[side].filter((one) => one !== null);
      return [side, told.length === 0 ? null : Math.min(...told)];
    }),
  ) as Record<Side, number | null>;

/** Sides of a painting where the cloth stage has stopped: nothing is planned there. */
