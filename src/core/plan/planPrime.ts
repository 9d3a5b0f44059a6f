import { fabricOf, profileOf } from '../job/materials';
import { type AssumptionId } from '../job/assumptions';
import { assumed } from '../job/houseRules';
import type { JobInputs } from '../job/job';
import type { Reading } from '../job/logEntry';
import { byId } from '../job/schools';
import { batchRecipe, primedArea } from '../prime/coatRecipe';
import { dryingFactor } from '../prime/drying';
import { type Coat, type PrimingSystem, SYSTEMS } from '../prime/grounds';
import { SUBSTANCES } from '../prime/substances';
import { decimal } from '../units/numeral';
import type { CoatPlan } from './CoatPlan';
import type { PlanContext, StagePlan } from './context';
import type { BarsPlan } from './planBars';
import { DRY_GROUND } from './jobHistory';
import { roomReadings } from './tensionWords';
import { primeVerdicts } from './primeVerdicts';

export interface PrimePlan extends StagePlan {
  system: PrimingSystem;
  areaM2: number;
  coats: CoatPlan[];
  /** How many times longer than the label; null when it will not dry. */
  factor: number | null;
  /** What went on with the next coat, ml, where it was measured. */
  usedMl: number | null;
}

/** Name of the reading that the absorption of later jobs is learned from, ml/m². */
export const absorbedReading = (absorb: AssumptionId, fabric: string): string => `absorbed, ${absorb}, ${fabric}`;

/** Coats, amounts and drying times for the room as it is; `coatsDone` picks the coat that is next. */
export function planPrime(inputs: JobInputs, context: PlanContext, coatsDone: number, bars: BarsPlan): PrimePlan {
  const { rules } = context;
  const { brief, prime } = inputs;
  const system: PrimingSystem = byId(SYSTEMS, prime.system);
  const profile = profileOf(rules, inputs.bars.profile);
  const areaM2 = primedArea(
    { widthMm: brief.width.mm, heightMm: brief.height.mm },
    profile.depthMm + profile.beadMm,
    prime.edges,
    prime.back,
  );
  const reference = { celsius: assumed(rules, 'refTemperature'), rh: assumed(rules, 'refHumidity') };
  const factor = dryingFactor({ celsius: prime.roomC, rh: prime.roomRh }, reference);
  const coats = system.coats.map((coat, index) =>
    planCoat(coat, index === coatsDone ? prime.waterParts : null, areaM2, factor, context),
  );
  const next = coats[coatsDone];
  const usedMl = prime.mixedMl !== null && prime.leftMl !== null ? prime.mixedMl - prime.leftMl : null;
  return {
    answer: next ? `${decimal(roundUp(next.recipe.totalMl), 0)} ml` : coats.length === 0 ? 'No coat' : 'All coats on',
    answerNote: next ? `${next.name}, coat ${coatsDone + 1} of ${coats.length}, on ${decimal(areaM2, 2)} m²` : system.name,
    verdicts: primeVerdicts({ inputs, system, next, coatsDone, factor, usedMl, areaM2, bars }, context),
    readings: [...roomReadings(prime), ...(next ? coatReadings(next, inputs, areaM2, usedMl, rules) : [])],
    setsMinutes: next?.dryMinutes ? next.dryMinutes[1] : null,
    system,
    areaM2,
    coats,
    factor,
    usedMl,
  };
}

/** A jug shows 5 ml. */
const roundUp = (ml: number): number => Math.ceil(ml / 5) * 5;

function planCoat(
  coat: Coat,
  ownWater: number | null,
  areaM2: number,
  factor: number | null,
  { rules, learned }: PlanContext,
): CoatPlan {
  const taught = learned?.absorption[coat.absorb] ?? null;
  const absorbMlPerM2 = taught?.value ?? assumed(rules, coat.absorb);
  const waterParts = ownWater ?? coat.waterParts;
  return {
    ...coat,
    waterParts,
    recipe: batchRecipe([{ areaM2, absorbMlPerM2 }], { substance: coat.substance, waterParts }, assumed(rules, 'potLoss')),
    absorbMlPerM2,
    learned: taught,
    dryMinutes: factor === null ? null : [coat.labelMinutes[0] * factor, coat.labelMinutes[1] * factor],
  };
}

/** What is written down with a coat: mixed, used, what a square metre took, and what lies on it dry. */
function coatReadings(
  next: CoatPlan,
  { cloth, prime }: JobInputs,
  areaM2: number,
  usedMl: number | null,
  rules: PlanContext['rules'],
): Reading[] {
  const { recipe } = next;
  const onClothMl = usedMl ?? areaM2 * next.absorbMlPerM2;
  const { gPerMl, solids } = byId(SUBSTANCES, next.substance);
  const dryGsm = (onClothMl * gPerMl * solids) / (1 + next.waterParts) / areaM2;
  const raw = !fabricOf(rules, cloth.fabric).primed;
  return [
    { quantity: 'mixed', value: prime.mixedMl ?? roundUp(recipe.totalMl), unit: 'ml', precision: 5, tool: 'jug' },
    ...(usedMl !== null && usedMl > 0
      ? [
          { quantity: 'used', value: usedMl, unit: 'ml', precision: 10, tool: 'jug' },
          ...(raw
            ? [
                {
                  quantity: absorbedReading(next.absorb, cloth.fabric),
                  value: round1(usedMl / areaM2),
                  unit: 'ml/m²',
                  precision: round1(10 / areaM2),
                  tool: 'computed',
                },
              ]
            : []),
        ]
      : []),
    { quantity: DRY_GROUND, value: round1(dryGsm), unit: 'g/m²', precision: round1(0.2 * dryGsm), tool: 'computed' },
  ];
}

const round1 = (value: number): number => Math.round(10 * value) / 10;
