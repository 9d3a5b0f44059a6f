import { fabricOf, profileOf } from '../job/materials';
import { assumed, type HouseRules } from '../job/houseRules';
import type { JobInputs } from '../job/job';
import { EDGES, USES, byId } from '../job/schools';
import { type Verdict, verdict } from '../job/verdict';
import { type CoatRecipe, coatRecipe, primedArea } from '../prime/coatRecipe';
import { dryingFactor } from '../prime/drying';
import { type Coat, type PrimingSystem, SYSTEMS } from '../prime/grounds';
import { printDuration } from '../units/duration';
import { decimal } from '../units/numeral';
import type { PlanContext, StagePlan } from './context';

export interface CoatPlan extends Coat {
  recipe: CoatRecipe;
  /** Drying in this room, minutes; null when the air is too damp to dry it. */
  dryMinutes: readonly [number, number] | null;
}

export interface PrimePlan extends StagePlan {
  system: PrimingSystem;
  areaM2: number;
  coats: CoatPlan[];
  /** How many times longer than the label; null when it will not dry. */
  factor: number | null;
}

/** The pot amounts are set out of the ml by a scale that shows whole grams. */
const PAINTED_WORDS = 'There is an image on this cloth: nothing is primed.';

/** Coats, amounts and drying times for the room as it is; `coatsDone` picks the coat that is next. */
export function planPrime(inputs: JobInputs, { rules }: PlanContext, coatsDone: number): PrimePlan {
  const { brief, bars, prime } = inputs;
  const system: PrimingSystem = byId(SYSTEMS, prime.system);
  const profile = profileOf(rules, bars.profile);
  const areaM2 = primedArea(
    { widthMm: brief.width.mm, heightMm: brief.height.mm },
    profile.depthMm + profile.beadMm,
    prime.edges,
    prime.back,
  );
  const reference = { celsius: assumed(rules, 'refTemperature'), rh: assumed(rules, 'refHumidity') };
  const factor = dryingFactor({ celsius: prime.roomC, rh: prime.roomRh }, reference);
  const coats = system.coats.map((coat) => planCoat(coat, areaM2, factor, rules));
  const next = coats[coatsDone];
  return {
    answer: next ? `${decimal(Math.ceil(next.recipe.totalMl / 5) * 5, 0)} ml` : coats.length === 0 ? 'No coat' : 'All coats on',
    answerNote: next ? `${next.name}, coat ${coatsDone + 1} of ${coats.length}, on ${decimal(areaM2, 2)} m²` : system.name,
    verdicts: [...orderVerdicts(inputs, system, rules), ...airVerdicts(inputs, system, next, factor), ...cautionVerdicts(system)],
    readings: [
      { quantity: 'room temperature', value: prime.roomC, unit: '°C', precision: 0.5, tool: 'hygrometer' },
      { quantity: 'room humidity', value: prime.roomRh, unit: '% RH', precision: 3, tool: 'hygrometer' },
      ...(next
        ? [{ quantity: 'mixed', value: Math.ceil(next.recipe.totalMl / 5) * 5, unit: 'ml', precision: 5, tool: 'jug' }]
        : []),
    ],
    setsMinutes: next?.dryMinutes ? next.dryMinutes[1] : null,
    system,
    areaM2,
    coats,
    factor,
  };
}

function planCoat(coat: Coat, areaM2: number, factor: number | null, rules: HouseRules): CoatPlan {
  const recipe = coatRecipe(areaM2, coat, assumed(rules, coat.absorb), assumed(rules, 'potLoss'));
  const dryMinutes = factor === null ? null : ([coat.labelMinutes[0] * factor, coat.labelMinutes[1] * factor] as const);
  return { ...coat, recipe, dryMinutes };
}

function orderVerdicts({ brief, cloth, prime }: JobInputs, system: PrimingSystem, rules: HouseRules): Verdict[] {
  const painted = byId(USES, brief.use).painted;
  const fabric = fabricOf(rules, cloth.fabric);
  const list: Verdict[] = [];
  if (painted && system.coats.length > 0)
    list.push(
      verdict({
        about: 'painted canvas',
        level: 'stop',
        says: PAINTED_WORDS,
        because: 'A ground would cover it.',
        doThis: 'Choose “Leave as it is”.',
      }),
    );
  if (!painted && fabric.primed && system.coats.length > 0)
    list.push(
      verdict({
        about: 'primed cloth',
        level: 'watch',
        says: 'This cloth comes primed.',
        because: 'A second ground on a strange one may not hold.',
        doThis: 'Leave it as it is, or try it on an offcut.',
      }),
    );
  if (!painted && !fabric.primed && brief.medium === 'oil' && !system.sealsForOil)
    list.push(
      verdict({
        about: 'barrier',
        level: 'stop',
        says: 'Oil on unsealed cloth rots it in decades.',
        because: 'A sealed or acrylic ground is the barrier between oil and thread.',
        doThis: 'Size and ground it first.',
      }),
    );
  if (!system.takesWaterborne && (brief.medium === 'acrylic' || brief.medium === 'watercolour'))
    list.push(
      verdict({
        about: 'layer order',
        level: 'stop',
        says: 'Water-borne paint does not hold on an oil ground.',
        because: 'Lean water-borne layers peel off oil.',
        doThis: 'Take an acrylic ground, or paint in oil.',
      }),
    );
  if (byId(EDGES, brief.edges).seen && !prime.edges && system.coats.length > 0)
    list.push(
      verdict({
        about: 'edges',
        level: 'watch',
        says: 'The edges will be seen and are left raw.',
        because: 'Edges are always primed for unframed and float-framed work.',
        doThis: 'Prime the edges too.',
      }),
    );
  return list;
}

function airVerdicts({ prime }: JobInputs, system: PrimingSystem, next: CoatPlan | undefined, factor: number | null): Verdict[] {
  if (!next) return [];
  const air = `${decimal(prime.roomC, 1)} °C and ${decimal(prime.roomRh, 0)} % RH`;
  if (factor === null || !next.dryMinutes) {
    return [
      verdict({
        about: 'air',
        level: 'stop',
        measured: prime.roomRh,
        limit: null,
        unit: '% RH',
        says: `At ${air} the coat will not dry.`,
        because: 'The air takes up next to no water: drying goes with its vapour deficit.',
        doThis: 'Warm or dry the room first.',
        uses: ['refTemperature', 'refHumidity'],
      }),
    ];
  }
  const [from, to] = next.dryMinutes;
  const range =
    printDuration(from) === printDuration(to) ? printDuration(from) : `${printDuration(from)} to ${printDuration(to)}`;
  const cold = prime.roomC < system.leastC;
  return [
    verdict({
      about: 'air',
      level: cold ? 'stop' : factor > 2 ? 'watch' : 'good',
      measured: factor,
      limit: 2,
      unit: '× label',
      says: cold
        ? `At ${decimal(prime.roomC, 1)} °C this ground does not form a film; ${system.leastC} °C is the least.`
        : `Dries in ${range} at ${air}: ${decimal(factor, 1)} times the label.`,
      because: 'Label time × VPD(reference) / VPD(room), VPD after Tetens.',
      doThis: cold ? 'Warm the room.' : factor > 2 ? 'Warm or dry the room, or wait the longer time.' : '',
      uses: ['refTemperature', 'refHumidity'],
    }),
  ];
}

const cautionVerdicts = (system: PrimingSystem): Verdict[] =>
  system.cautions.map((says, index) =>
    verdict({
      about: `care ${index + 1}`,
      level: 'watch',
      says,
      because: 'The usual caution; local rules come first.',
      doThis: '',
    }),
  );
