import { NO_EFFORT, coatEffort, withMinutes } from '../../effort/effort';
import { toldTo } from '../../quantities/toldTo';
import { printed } from '../../quantities/printed';
import { fabricOf, profileOf } from '../../house/materials';
import { type AssumptionId, assumption } from '../../house/assumptions';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { Reading } from '../../log/logEntry';
import { byId, isPainted } from '../../house/schools';
import { batchRecipe, primedArea } from '../../prime/coatRecipe';
import { dryingMinutes } from '../../prime/drying';
import { type Coat, type PrimingSystem } from '../../prime/grounds';
import { primingOf } from '../../prime/primingOf';
import { SUBSTANCES } from '../../prime/substances';
import type { CoatPlan } from './CoatPlan';
import type { PlanContext, StagePlan } from '../planContext';
import type { BarsPlan } from '../bars/planBars';
import { reading } from '../../log/reading';
import { roomReadings } from '../tune/tensionWords';
import { primeVerdicts } from './primeVerdicts';
import { type Airs, type Wetting, planWetting } from './wetting';

export interface PrimePlan extends StagePlan {
  system: PrimingSystem;
  areaM2: number;
  coats: CoatPlan[];
  /** Before and between the coats. */
  steps: readonly string[];
  /** Wetting the cloth before the first coat; null where it is not asked for. */
  wetting: Wetting | null;
  /** What went on with the next coat, ml, where it was measured and something did. */
  usedMl: number | null;
}

/** What a reading of absorption is of: the absorption of later jobs is learned by it. */
export const absorbedOf = (absorb: AssumptionId, fabric: string): string => `${absorb} ${fabric}`;

/** Coats, amounts and drying times for the room as it is; `coatsDone` picks the coat that is next. */
export function planPrime(inputs: JobInputs, context: PlanContext, coatsDone: number, bars: BarsPlan): PrimePlan {
  const { rules, tape } = context;
  const { brief, prime } = inputs;
  const system: PrimingSystem = primingOf(inputs);
  if (isPainted(brief.use)) return notPrimed(system);
  const profile = profileOf(rules, inputs.bars.profile);
  const areaM2 = primedArea(
    { widthMm: brief.width.mm, heightMm: brief.height.mm },
    profile.depthMm + profile.beadMm,
    prime.edges,
    prime.back,
  );
  const reference = { celsius: assumed(rules, 'refTemperature'), rh: assumed(rules, 'refHumidity') };
  const room = { celsius: prime.roomC, rh: prime.roomRh };
  const coats = system.coats.map((coat, index) =>
    planCoat(coat, index === coatsDone ? prime.waterParts : null, areaM2, { room, reference }, context),
  );
  const wetting = prime.wetFirst && coatsDone === 0 ? planWetting(areaM2, { room, reference }, context) : null;
  const next = coats[coatsDone];
  // A left-over without a measured mix is held against the mix that was told.
  const mixedMl = prime.mixedMl ?? (next ? roundUp(next.recipe.totalMl) : null);
  const goneMl = mixedMl !== null && prime.leftMl !== null ? mixedMl - prime.leftMl : null;
  const usedMl = goneMl !== null && goneMl > 0 ? goneMl : null;
  return {
    answer: next ? printed('volume', roundUp(next.recipe.totalMl), tape) : coats.length === 0 ? 'No coat' : 'All coats on',
    answerNote: next
      ? `${next.name}, coat ${coatsDone + 1} of ${coats.length}, on ${printed('area', areaM2, tape)}`
      : system.name,
    verdicts: primeVerdicts({ inputs, system, next, coatsDone, wetting, goneMl, areaM2, bars }, context),
    readings: [...roomReadings(prime), ...(next ? coatReadings(next, inputs, areaM2, usedMl, rules) : [])],
    ...withMinutes(next?.effort ?? NO_EFFORT),
    setsMinutes: next?.dryMinutes ? next.dryMinutes[1] : null,
    system,
    areaM2,
    coats,
    steps: [...(wetting ? [wetting.step] : []), ...system.steps.map((one) => toldTo(one, context.tape))],
    wetting,
    usedMl,
  };
}

/** The plan of a canvas that carries an image: no coat, no water, nothing to judge. */
const notPrimed = (system: PrimingSystem): PrimePlan => ({
  answer: 'Not primed',
  answerNote: 'it carries an image',
  verdicts: [],
  readings: [],
  ...withMinutes(NO_EFFORT),
  setsMinutes: null,
  system,
  areaM2: 0,
  coats: [],
  steps: [],
  wetting: null,
  usedMl: null,
});

/** A jug shows 5 ml. */
const roundUp = (ml: number): number => Math.ceil(ml / 5) * 5;

function planCoat(
  coat: Coat,
  ownWater: number | null,
  areaM2: number,
  { room, reference }: Airs,
  { rules, taught: lessons }: PlanContext,
): CoatPlan {
  const taught = lessons?.[coat.absorb] ?? null;
  const absorbMlPerM2 = taught?.value ?? assumed(rules, coat.absorb);
  const waterParts = ownWater ?? coat.waterParts;
  return {
    ...coat,
    waterParts,
    recipe: batchRecipe([{ areaM2, absorbMlPerM2 }], { substance: coat.substance, waterParts }, assumed(rules, 'potLoss')),
    absorbMlPerM2,
    effort: coatEffort(rules, areaM2, coat.sandAfter),
    learned: taught,
    dryMinutes: dryingMinutes(
      byId(SUBSTANCES, coat.substance).hardens,
      coat.labelMinutes,
      room,
      reference,
      assumed(rules, 'dryFloor'),
    ),
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
  const onClothMl = usedMl ?? areaM2 * next.absorbMlPerM2;
  const { gPerMl, solids } = byId(SUBSTANCES, next.substance);
  const dryGsm = (onClothMl * gPerMl * solids) / (1 + next.waterParts) / areaM2;
  const raw = !fabricOf(rules, cloth.fabric).primed;
  const known = prime.mixedMl === null ? 'reckoned' : 'measured';
  return [
    ...(prime.mixedMl === null ? [] : [reading('groundMixed', prime.mixedMl, 'ml', { precision: 5, tool: 'jug' })]),
    ...(usedMl !== null
      ? [
          reading('groundUsed', usedMl, 'ml', { precision: 10, tool: 'jug', known }),
          ...(raw && plausible(next, usedMl / areaM2) ? [absorbedReading(next, cloth.fabric, usedMl / areaM2, 10 / areaM2)] : []),
        ]
      : []),
    reading('dryGround', round1(dryGsm), 'g/m²', { precision: round1(0.2 * dryGsm), tool: 'computed', known: 'reckoned' }),
  ];
}

/** What lies far outside what cloth takes up is a misread jug: nothing is learned from it. */
const plausible = ({ absorb }: CoatPlan, mlPerM2: number): boolean => {
  const { min, max } = assumption(absorb);
  return mlPerM2 >= min / 2 && mlPerM2 <= 2 * max;
};

const absorbedReading = ({ absorb }: CoatPlan, fabric: string, mlPerM2: number, precision: number): Reading =>
  reading('absorbed', round1(mlPerM2), 'ml/m²', {
    of: absorbedOf(absorb, fabric),
    precision: round1(precision),
    tool: 'computed',
    known: 'reckoned',
  });

const round1 = (value: number): number => Math.round(10 * value) / 10;
