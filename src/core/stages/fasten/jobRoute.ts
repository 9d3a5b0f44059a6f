/* The route of a job on its own frame: braces and knots kept clear, tacks that are seen spread from corner to corner. */
import { MARGIN_STYLES } from '../../cloth/marginStyles';
import { type BarredPlaces, KNOT_MM } from '../../fasten/clearPlaces';
import { FASTENERS, type Fastener } from '../../fasten/fasteners';
import { type RouteLimits, type RoutePlan, routePlan } from '../../fasten/routeSteps';
import { type HouseRules, assumed, tapeFor } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { ClothInputs } from '../cloth/clothInputs';
import type { FastenInputs } from './fastenInputs';
import { profileOf } from '../../house/materials';
import { USES, byId } from '../../house/schools';
import { SIDES, type Side, everySide, isLevel } from '../../job/sides';
import { barredByHoles, holesOf, roomBetween, rowOf, tornOnFace } from '../../painting/foundLines';
import { type PaintingPlan, planPainting } from '../../painting/planPainting';

/** Sides whose fasteners stay in sight: tacks on the edge of new work, and what a painting’s short margins ask for. */
export function seenSides({ cloth, fasten }: JobInputs, painting: PaintingPlan | null): Side[] {
  if (painting) return painting.sides.flatMap(({ side, onEdge }) => (onEdge ? [side] : []));
  const fastener: Fastener = byId(FASTENERS, fasten.fastener);
  return fastener.seen && byId(MARGIN_STYLES, cloth.marginStyle).onEdge ? [...SIDES] : [];
}

/** Sides of a painting that nothing can be fastened on: too little cloth is left. */
export const unheldSides = (painting: PaintingPlan | null): Side[] =>
  painting ? painting.sides.flatMap(({ side, fixing }) => (fixing === 'none' ? [side] : [])) : [];

/** What a route keeps to besides its row: wood between crowns, sides that hold nothing, where the folds end. */
const routeLimits = (rules: HouseRules, painting: PaintingPlan | null, { seams }: Pick<ClothInputs, 'seams'>): RouteLimits => ({
  gapMm: assumed(rules, 'crownGap'),
  unheld: unheldSides(painting),
  seams,
});

/** Ends of braces, knots, old holes and torn edges, as stretches of each side that no fastener goes into; on the edge a brace does not matter. */
export function barredPlaces(
  { brief, bars, fasten, cloth }: JobInputs,
  rules: HouseRules,
  seen: readonly Side[],
  painting: PaintingPlan | null,
): BarredPlaces {
  const half = profileOf(rules, bars.profile).brace.widthMm / 2;
  const about = (fromMiddleMm: number, reachMm: number) => ({ fromMm: fromMiddleMm - reachMm, toMm: fromMiddleMm + reachMm });
  const clear = assumed(rules, 'holeClear');
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const holes = painting?.registration ? holesOf(cloth.found, painting.registration, face) : null;
  const torn = painting ? tornOnFace(cloth.found, painting.registration, face) : [];
  const of = (side: Side) => {
    const level = side === 'top' || side === 'bottom';
    const long = level ? brief.width.mm : brief.height.mm;
    const ends = seen.includes(side) ? [] : level ? bars.bracesUpright : bars.bracesLevel;
    const knots = fasten.knots.filter((knot) => knot.side === side).map((knot) => about(knot.at.mm - long / 2, KNOT_MM));
    const row = rowOf(cloth.found.holes[side]);
    // Where no fastener fits between two holes, none is kept clear of them: it is said instead.
    const old = holes && row && roomBetween(row, clear) ? barredByHoles(holes[side], long, clear) : [];
    const gone = torn.flatMap((one) => (one.side === side ? [{ fromMm: one.fromMm - long / 2, toMm: one.toMm - long / 2 }] : []));
    return [...ends.map((part) => about((part - 0.5) * long, half)), ...knots, ...old, ...gone];
  };
  return everySide(of);
}

/** The order of fasteners of a job whose painting, if it is one, is placed so. */
export function routeUnder(
  inputs: JobInputs,
  rules: HouseRules,
  painting: PaintingPlan | null,
  route: FastenInputs['route'] = inputs.fasten.route,
): RoutePlan {
  const { brief, fasten, cloth } = inputs;
  const seen = seenSides(inputs, painting);
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const barred = barredPlaces(inputs, rules, seen, painting);
  const plan = routePlan(face, { ...fasten, route }, barred, seen, routeLimits(rules, painting, cloth));
  // What falls into a torn stretch is told with it.
  const torn = painting ? tornOnFace(cloth.found, painting.registration, face) : [];
  const inTorn = ({ side, offsetMm }: RoutePlan['leftOut'][number]) =>
    torn.some((one) => {
      const at = offsetMm + (isLevel(side) ? face.widthMm : face.heightMm) / 2;
      return one.side === side && at >= one.fromMm && at <= one.toMm;
    });
  return { ...plan, leftOut: plan.leftOut.filter((place) => !inTorn(place)) };
}

/**
 * The order of fasteners of a job.
 *
 * @param route another one than the job’s own
 */
export function jobRoute(inputs: JobInputs, rules: HouseRules, route?: FastenInputs['route']): RoutePlan {
  const painted = byId(USES, inputs.brief.use).painted;
  const painting = painted ? planPainting(inputs, { rules, tape: tapeFor(rules, 'mm') }) : null;
  return routeUnder(inputs, rules, painting, route);
}
