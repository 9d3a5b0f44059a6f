/*
 * The simulated cloth of a job: its mesh, cloth, bars and route as plain data for the solver. Folds at the corners are
 * left out, and so are friction at the fold, creep, damp and wrinkles: MODEL_LIMITS says so wherever it is shown.
 */
import type { Fabric } from '../../cloth/fabrics';
import { edgeWidths } from '../../fasten/membrane/clothMeasures';
import { type EdgePlace, JAW_MM } from '../../fasten/membrane/edgePlaces';
import type { MembraneCloth } from '../../fasten/membrane/membraneCloth';
import { FINE_ELEMENTS, PLAY_ELEMENTS, membraneMesh } from '../../fasten/membrane/membraneMesh';
import type { StapleEvent, StapleModel } from '../../fasten/membrane/simulateRoute';
import type { RoutePass } from '../../fasten/routes';
import { type RoutePlan, type RouteStep, samePlace } from '../../fasten/routeSteps';
import { barGive } from '../../frame/barGive';
import { bracedBar } from '../../frame/chooseBars';
import { type HouseRules, assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { FastenInputs } from './fastenInputs';
import { fabricOf, profileOf, woodOf } from '../../house/materials';
import { type Side, SIDES, isLevel } from '../../job/sides';
import { clothRefusal } from './clothRefusal';
import { jobRoute } from './jobRoute';

export const MODEL_LIMITS =
  'A model: friction at the fold, creep, damp, corner folds and wrinkles are left out. It compares orders of work; it does not measure your canvas.';

/** Cloth as the membrane sees it, warp along the width or along the height. */
export function membraneCloth(fabric: Fabric, warp: 'width' | 'height', rules: HouseRules): MembraneCloth {
  const { stiffnessWarpKNPerM: along, stiffnessWeftKNPerM: across } = fabric;
  const contraction = assumed(rules, 'clothContraction');
  return {
    exNPerMm: warp === 'width' ? along : across,
    eyNPerMm: warp === 'width' ? across : along,
    nuXY: warp === 'width' ? contraction : (contraction * across) / along,
    shearNPerMm: assumed(rules, fabric.primed ? 'shearPrimed' : 'shearRaw'),
    offGrainDeg: 0,
  };
}

/** Steps the membrane knows: the corners are folded, not stretched. */
const onCloth = (steps: readonly RouteStep[]) => steps.filter((step) => step.take !== 'corner');

/** Pull of a step as a part of the firm pull; firmer from the middle of a side to its last place by the ramp. */
export function pullPart(
  pull: RoutePass['pull'],
  along: number,
  { ramp }: Pick<FastenInputs, 'ramp'>,
  rules: HouseRules,
): number {
  switch (pull) {
    case 'none':
      return 0;
    case 'gentle':
      return assumed(rules, 'pullGentle');
    case 'snug':
      return assumed(rules, 'pullSnug');
    case 'firm':
      return 1 + (ramp - 1) * along;
  }
}

function eventsOf(plan: RoutePlan, places: readonly EdgePlace[], fasten: FastenInputs, rules: HouseRules): StapleEvent[] {
  const reach = Object.fromEntries(
    SIDES.map((side) => [side, Math.max(1, ...places.filter((one) => one.side === side).map((one) => Math.abs(one.offsetMm)))]),
  ) as Record<Side, number>;
  return onCloth(plan.steps).flatMap((step): StapleEvent[] => {
    const place = places.findIndex((one) => samePlace(one, step));
    const part = pullPart(step.pull, Math.abs(step.offsetMm) / reach[step.side], fasten, rules);
    const out: StapleEvent = { order: step.order, act: 'takeOut', place, part: 0 };
    const fix: StapleEvent = { order: step.order, act: 'fasten', place, part };
    return step.act === 'takeOut' ? [out] : step.act === 'again' ? [out, fix] : [fix];
  });
}

/** Give of all four bars between the places, mm/N; bars do not move each other. */
function barsGive(places: readonly EdgePlace[], { brief, bars }: JobInputs, rules: HouseRules): Float64Array {
  const [profile, wood] = [profileOf(rules, bars.profile), woodOf(rules, bars.species)];
  const give = new Float64Array(places.length ** 2);
  for (const side of SIDES) {
    const [long, across, braces] = isLevel(side)
      ? [brief.width.mm, brief.height.mm, bars.bracesUpright]
      : [brief.height.mm, brief.width.mm, bars.bracesLevel];
    const own = places.flatMap((place, index) => (place.side === side ? [index] : []));
    const beam = bracedBar(long, across, braces, profile, wood, rules);
    const values = barGive(
      beam,
      own.map((index) => long / 2 + places[index]!.offsetMm),
    );
    own.forEach((one, row) =>
      own.forEach((other, column) => (give[one * places.length + other] = values[row * own.length + column]!)),
    );
  }
  return give;
}

/**
 * The cloth of this job going on along a route.
 *
 * @param mesh the one to play with, or the fine one
 * @param route the job’s own where it is left out
 * @throws RangeError where `clothRefusal` speaks
 */
export function stapleModel(
  inputs: JobInputs,
  rules: HouseRules,
  mesh: 'play' | 'fine' = 'play',
  route: FastenInputs['route'] = inputs.fasten.route,
): StapleModel {
  const { brief, cloth } = inputs;
  const fasten = { ...inputs.fasten, route };
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const plan = jobRoute(inputs, rules, route);
  const refusal = clothRefusal(plan);
  if (refusal) throw new RangeError(refusal);
  const places: EdgePlace[] = [];
  for (const { side, offsetMm } of onCloth(plan.steps))
    if (!places.some((one) => samePlace(one, { side, offsetMm }))) places.push({ side, offsetMm });
  const rowOf = (level: boolean) => ({
    offsetsMm: places.flatMap(({ side, offsetMm }) => (isLevel(side) === level ? [Math.abs(offsetMm)] : [])),
    pitchMm: Math.max(...SIDES.map((side) => (isLevel(side) === level ? plan.rows[side].pitchMm : 0))),
  });
  const rows = [rowOf(true), rowOf(false)] as const;
  return {
    mesh: membraneMesh(face, rows, mesh === 'play' ? PLAY_ELEMENTS : FINE_ELEMENTS),
    cloth: membraneCloth(fabricOf(rules, cloth.fabric), cloth.warp, rules),
    places,
    widths: edgeWidths(places),
    bars: barsGive(places, inputs, rules),
    jawMm: JAW_MM[cloth.grip],
    events: eventsOf(plan, places, fasten, rules),
    firmN: fasten.firmPull,
    targetNPerM: inputs.bars.tensionNPerM,
  };
}
