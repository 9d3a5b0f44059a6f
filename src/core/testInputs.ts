/* Inputs for tests: anything that a shape allows, from a seeded source. */
import { type JobInputs, jobInputsShape } from './job/job';
import { LENGTH_UNITS, type Rule, type Shape } from './shape/shape';

type Random = () => number;

const between = (least: number, most: number, random: Random): number =>
  // Mostly of the size of a canvas, now and then at an end of the range.
  random() < 0.1 ? (random() < 0.5 ? least : most) : least + (Math.min(most, least + 4000) - least) * random() ** 2;

function valueOf(rule: Rule, random: Random): unknown {
  switch (rule.kind) {
    case 'text':
      return rule.pattern ? '2031-05-04' : 'x'.repeat(Math.max(rule.least, Math.floor(3 * random())));
    case 'number': {
      const value = between(rule.least, rule.most, random);
      return rule.whole ? Math.round(value) : value;
    }
    case 'flag':
      return random() < 0.5;
    case 'oneOf':
      return rule.values[Math.floor(random() * rule.values.length)];
    case 'length':
      return { mm: between(rule.leastMm, rule.mostMm, random), unit: LENGTH_UNITS[Math.floor(random() * LENGTH_UNITS.length)] };
    case 'part':
      return randomOf(rule.shape, random);
    case 'numbers':
      return {};
    case 'list': {
      const list = Array.from({ length: Math.max(rule.least, Math.floor(random() * 4)) }, () => valueOf(rule.of, random));
      return rule.unique ? [...new Set(list)] : list.slice(0, rule.most);
    }
  }
}

/** Something of a shape; fields that may be left open are, half of the time. */
const randomOf = (shape: Shape, random: Random): unknown =>
  Object.fromEntries(
    Object.entries(shape).map(([name, { rule, optional }]) => [name, optional && random() < 0.5 ? null : valueOf(rule, random)]),
  );

/** Inputs that hold together, of the materials that ship; readings may be anything. */
export function randomInputs(random: Random): JobInputs {
  const inputs = randomOf(jobInputsShape, random) as JobInputs;
  const braces = () => Array.from({ length: Math.floor(random() * 3) }, (_, index) => 0.2 + 0.3 * index + 0.2 * random());
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  return {
    ...inputs,
    bars: {
      ...inputs.bars,
      profile: pick(['light', 'standard', 'broad', 'heavy', 'deep', 'extraDeep', 'batten', 'flatBatten']),
      species: pick(['spruce', 'ash', 'paulownia']),
      bracesUpright: braces(),
      bracesLevel: braces(),
    },
    cloth: { ...inputs.cloth, fabric: pick(['cottonLight', 'cottonMedium', 'cottonHeavy', 'linenMedium', 'linenPrimed']) },
  };
}
