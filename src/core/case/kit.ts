/*
 * The kit list: tools and materials for this job, counted from the plan so far, so that nothing runs out
 * half-way. A line's id stays the same while the counts change, so ticks are kept.
 */
import { fabricOf } from '../house/materials';
import { FASTENERS, type FastenerId } from '../fasten/fasteners';
import { CARD_WIDE_MM, cardLengthMm } from '../fasten/cardStrips';
import { fixingWords } from '../frame/fixings';
import { GLUES } from '../frame/glues';
import { JOINTS, openersOf } from '../frame/joints';
import type { JobInputs } from '../job/job';
import { SUBSTANCES } from '../prime/substances';
import { USES, byId, isPainted } from '../house/schools';
import { printLength, printSize } from '../units/length';
import type { PlanContext } from '../stages/planContext';
import type { BarsPlan } from '../stages/bars/planBars';
import type { ClothPlan } from '../stages/cloth/planCloth';
import type { FastenPlan } from '../stages/fasten/planFasten';
import type { PrimePlan } from '../stages/prime/planPrime';

export interface KitLine {
  id: string;
  group: 'materials' | 'tools' | 'care';
  what: string;
}

export interface KitPlans {
  bars: BarsPlan;
  cloth: ClothPlan;
  fasten: FastenPlan;
  prime: PrimePlan;
}

/** Everything to lay ready for a job, materials first. */
export function kitList(inputs: JobInputs, plans: KitPlans, context: PlanContext): KitLine[] {
  return [...materials(inputs, plans, context), ...tools(inputs, plans), ...care(inputs, plans)];
}

/** “8 keys, 2 a corner, and 2 spare”, “4 corner bolts”. */
const openerWords = ({ name, count, spare }: NonNullable<ReturnType<typeof openersOf>>): string =>
  spare > 0 ? `${count} ${name.toLowerCase()}s, ${count / 4} a corner, and ${spare} spare` : `${count} ${name.toLowerCase()}s`;

const line = (group: KitLine['group'], id: string, what: string): KitLine => ({ id, group, what });

/** The strips that staples go through, of all sides that are stapled. */
function cardLine(
  { brief, fasten: { overCard } }: JobInputs,
  { seen, fastenersToHave }: FastenPlan,
  { tape }: PlanContext,
): KitLine[] {
  const longMm = cardLengthMm({ widthMm: brief.width.mm, heightMm: brief.height.mm }, seen);
  return overCard && fastenersToHave > 0 && longMm > 0
    ? [
        line(
          'materials',
          'card',
          `Card strip without acid, ${printLength(CARD_WIDE_MM, tape)} wide, ${printLength(longMm, tape, 'up')} in all`,
        ),
      ]
    : [];
}

function materials(inputs: JobInputs, { bars, cloth, fasten, prime }: KitPlans, context: PlanContext): KitLine[] {
  const { tape, rules } = context;
  const { profile } = bars;
  const opener = openersOf(byId(JOINTS, inputs.bars.joint).opener);
  const parts = bars.parts.map((part) =>
    line(
      'materials',
      `part ${part.name}`,
      `${part.count} × ${part.name}, ${printLength(part.lengthMm, tape)}, ${profile.name.toLowerCase()}`,
    ),
  );
  const openers = opener ? [line('materials', 'openers', openerWords(opener))] : [];
  const glued = byId(JOINTS, inputs.bars.joint).glued ? [line('materials', 'woodGlue', byId(GLUES, inputs.bars.glue).name)] : [];
  const fixed = bars.fixings.map((one, index) =>
    line('materials', `fixing ${index + 1}`, `${fixingWords(one)}, ${one.where === 'corner' ? 'corners' : `${one.where}s`}`),
  );
  const clothLine = cloth.painted
    ? []
    : [
        line(
          'materials',
          'cloth',
          `${fabricOf(rules, inputs.cloth.fabric).name}, ${printSize(cloth.cut.widthMm, cloth.cut.heightMm, tape, 'up')}`,
        ),
      ];
  const counted = (id: string, count: number, fastener: FastenerId) =>
    count > 0 ? [line('materials', id, `${count} × ${byId(FASTENERS, fastener).name.toLowerCase()}, spares in`)] : [];
  const fasteners = [
    ...counted('fasteners', fasten.fastenersToHave, inputs.fasten.fastener),
    ...counted('tacks', fasten.tacksToHave, 'tack'),
    ...cardLine(inputs, fasten, context),
  ];
  const poured = SUBSTANCES.flatMap((one) => {
    const coats = prime.coats.filter(({ substance }) => substance === one.id);
    const amount = coats.reduce((sum, { recipe }) => sum + (one.unit === 'g' ? recipe.glueG : recipe.groundMl), 0);
    return amount > 0
      ? [
          line(
            'materials',
            one.id,
            `${one.name}, ${one.unit === 'g' ? Math.ceil(amount) : Math.ceil(amount / 10) * 10} ${one.unit}`,
          ),
        ]
      : [];
  });
  return [...parts, ...openers, ...glued, ...fixed, ...clothLine, ...fasteners, ...poured];
}

function tools(inputs: JobInputs, { prime, fasten }: KitPlans): KitLine[] {
  const { squeezed } = byId(FASTENERS, inputs.fasten.fastener);
  const tacked = !squeezed || fasten.tacksToHave > 0;
  const clamped = fasten.route.steps.some((step) => step.with === 'clamps');
  const joint = byId(JOINTS, inputs.bars.joint);
  const painted = isPainted(inputs.brief.use);
  return [
    line('tools', 'tape', 'Tape, long rule and square'),
    line('tools', 'mallet', 'Rubber mallet or a block'),
    ...(joint.glued ? [line('tools', 'clamps', 'Clamps, damp rag')] : []),
    ...(squeezed && fasten.fastenersToHave > 0 ? [line('tools', 'fastening', 'Stapler, loaded')] : []),
    ...(tacked ? [line('tools', squeezed ? 'hammer' : 'fastening', 'Tack hammer, magnetic')] : []),
    ...(clamped ? [line('tools', 'softClamps', 'Wide-jawed clamps, padded')] : []),
    ...(inputs.cloth.grip === 'pliers'
      ? [line('tools', 'pliers', painted ? 'Stretching pliers, their jaws padded' : 'Stretching pliers')]
      : []),
    ...(painted ? paintingTools(inputs) : [line('tools', 'shears', 'Shears')]),
    line('tools', 'screwdriver', 'Fine screwdriver, to draw staples and tuck folds'),
    ...(prime.coats.length > 0
      ? [line('tools', 'brush', 'Wide brush, jug, scale'), line('tools', 'sand', 'Fine sandpaper')]
      : []),
    ...(prime.coats.some((coat) => coat.kind === 'size') ? [line('tools', 'bath', 'Water bath and thermometer')] : []),
  ];
}

/** What a painting lies on and is handled with; what cuts its cloth is not among it. */
const paintingTools = ({ brief }: JobInputs): KitLine[] => [
  ...(byId(USES, brief.use).foldedBefore ? [line('tools', 'lifter', 'Tack lifter or thin fork, to draw what holds it now')] : []),
  line('tools', 'support', 'Soft, clean support, larger than the image'),
  line('tools', 'interleaf', 'Interleaving for the face: smooth paper that does not stick'),
];

function care(inputs: JobInputs, { prime }: KitPlans): KitLine[] {
  return [
    line('care', 'eyes', 'Eye protection'),
    ...(prime.coats.some((coat) => coat.sandAfter) ? [line('care', 'mask', 'Dust mask for sanding')] : []),
    ...(byId(USES, inputs.brief.use).painted ? [line('care', 'cover', 'Soft clean cover, card for behind the keys')] : []),
  ];
}
