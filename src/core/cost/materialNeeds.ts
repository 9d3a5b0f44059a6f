/*
 * What a job takes of everything that is counted, weighed or poured, stage by stage. The same list is bought, taken from the store
 * when the stage is recorded, and paid for.
 */
import { RECORD_TAPE, printSize } from '../units/length';
import type { Plan } from '../case/planJob';
import { FASTENERS } from '../fasten/fasteners';
import type { Fixing } from '../frame/fixings';
import { GLUES } from '../frame/glues';
import { JOINTS, openersOf } from '../frame/joints';
import { type HouseRules, assumed } from '../house/houseRules';
import { byId } from '../house/schools';
import type { JobInputs } from '../job/job';
import { SUBSTANCES } from '../prime/substances';
import { HANGINGS } from '../stages/handover/hangings';
import type { StageId } from '../stages/stages';

export type StoreUnit = 'pieces' | 'g' | 'ml';

export interface Need {
  /** What the store knows it by: "staple8", "screw-3.5x20", "ground-acrylicGround". */
  item: string;
  name: string;
  unit: StoreUnit;
  stage: StageId;
  /** Which coat of priming, from 0; null elsewhere. */
  step: number | null;
  /** What the work takes. */
  used: number;
  /** What should lie ready: the same with spares. */
  toHave: number;
}

/** How an item is sold: so much for a pack of so many; null where nobody said. */
export interface PackPriced {
  pack: number;
  priceMinor: number | null;
}

/** What the store calls a ground. */
export const groundItem = (substance: string): string => `ground-${substance}`;

type Part = Omit<Need, 'stage' | 'step' | 'toHave'> & { toHave?: number };
const at = (stage: StageId, step: number | null, { toHave, ...part }: Part): Need => ({
  ...part,
  stage,
  step,
  toHave: toHave ?? part.used,
});

/** A fixing as the store knows it. */
export function fixingItem({ what, diameterMm, lengthMm }: Fixing): { item: string; name: string } {
  if (lengthMm > 0)
    return {
      item: `${what}-${diameterMm}x${lengthMm}`,
      name: `${what === 'screw' ? 'Screw' : 'Pin'} ${printSize(diameterMm, lengthMm, RECORD_TAPE)}`,
    };
  return what === 'key'
    ? { item: 'keySmall', name: 'Key, small' }
    : { item: what, name: what === 'plate' ? 'Ply plate' : 'Corner block' };
}

function barsNeeds({ bars }: Pick<Plan, 'bars'>, inputs: JobInputs, rules: HouseRules): Need[] {
  const joint = byId(JOINTS, inputs.bars.joint);
  const opener = openersOf(joint.opener);
  const glue = joint.glued ? byId(GLUES, inputs.bars.glue) : null;
  const fixings = new Map<string, Part>();
  for (const one of bars.fixings) {
    const { item, name } = fixingItem(one);
    fixings.set(item, { item, name, unit: 'pieces', used: (fixings.get(item)?.used ?? 0) + one.count });
  }
  return [
    ...(opener
      ? [
          at('bars', null, {
            item: opener.item,
            name: opener.name,
            unit: 'pieces',
            used: opener.count,
            toHave: opener.count + opener.spare,
          }),
        ]
      : []),
    ...(glue
      ? [
          at('bars', null, {
            item: `glue-${glue.id}`,
            name: glue.name,
            unit: 'ml',
            used: bars.chosen.joints * assumed(rules, 'glueJoint'),
          }),
        ]
      : []),
    ...[...fixings.values()].map((part) => at('bars', null, part)),
  ];
}

function fastenNeeds({ fasten }: Pick<Plan, 'fasten'>, inputs: JobInputs): Need[] {
  const { fastener, asDone } = inputs.fasten;
  const chosen = byId(FASTENERS, fastener);
  const drawn = asDone.drawn ?? 0;
  const count = fasten.route.fasteners;
  const kind = (id: 'tack' | typeof fastener, used: number, toHave: number) =>
    used > 0
      ? [at('fasten', null, { item: id, name: byId(FASTENERS, id).name, unit: 'pieces', used, toHave: Math.max(used, toHave) })]
      : [];
  if (chosen.seen) return kind(fastener, count + drawn, fasten.fastenersToHave);
  // Sides in sight are tacked, whatever the others are fastened with.
  const tacks = fasten.route.steps.filter((step) => step.act === 'fix' && fasten.seen.includes(step.side)).length;
  // What was drawn and set again was mostly of the kind that there is more of.
  const again = (more: boolean) => (more ? drawn : 0);
  const staples = count - tacks;
  return [
    ...kind(fastener, staples + again(staples > tacks), fasten.fastenersToHave),
    ...kind('tack', tacks + again(staples <= tacks), fasten.tacksToHave),
  ];
}

const primeNeeds = ({ prime }: Pick<Plan, 'prime'>): Need[] =>
  prime.coats.map((coat, step) => {
    const { name, unit } = byId(SUBSTANCES, coat.substance);
    const used = unit === 'g' ? coat.recipe.glueG : coat.recipe.groundMl;
    return at('prime', step, { item: groundItem(coat.substance), name, unit, used });
  });

function handoverNeeds(inputs: JobInputs): Need[] {
  const hanging = byId(HANGINGS, inputs.handover.hanging);
  if (hanging.carriesKg === 0) return [];
  return [at('handover', null, { item: `hanging-${hanging.id}`, name: hanging.name, unit: 'pieces', used: 1 })];
}

/** Stages that take of what is counted, weighed or poured. */
const TAKING = ['bars', 'fasten', 'prime', 'handover'] as const satisfies StageId[];

/** What one stage of a planned job takes of what is counted, weighed or poured; nothing else of it is planned for this. */
export function stageNeeds(stage: StageId, plan: Plan, inputs: JobInputs, rules: HouseRules): Need[] {
  if (stage === 'bars') return barsNeeds(plan, inputs, rules);
  if (stage === 'fasten') return fastenNeeds(plan, inputs);
  if (stage === 'prime') return primeNeeds(plan);
  return stage === 'handover' ? handoverNeeds(inputs) : [];
}

/** Everything that a planned job takes of what is counted, weighed or poured; cloth and wood are reckoned by themselves. */
export const materialNeeds = (plan: Plan, inputs: JobInputs, rules: HouseRules): Need[] =>
  TAKING.flatMap((stage) => stageNeeds(stage, plan, inputs, rules));
