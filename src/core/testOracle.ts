/*
 * What may never be seen in the case of a job, whatever was typed: for tests. Jobs are drawn over all options of all tables and
 * the ends of every range; the plan of each is read as a reader would, word by word and number by number.
 */
import { printed } from './quantities/printed';
import type { Plan } from './case/planJob';
import { DEFAULT_RULES } from './house/houseRules';
import { woodOf } from './house/materials';
import { type JobInputs, jobInputsShape, newInputs } from './job/job';
import { SEAM_SIDES } from './fasten/routeSteps';
import { SIDES, type Side, everySide, isLevel } from './job/sides';
import { type Verdict, isNotWorkedOut } from './job/verdict';
import type { Rule, Shape } from './shape/shape';
import { STAGE_IDS } from './stages/stages';
import { randomInputs } from './testInputs';
import { readJob } from './testReadings';
import { length, RECORD_TAPE } from './units/length';

type Random = () => number;
const pick = <T>(list: readonly T[], random: Random): T => list[Math.floor(random() * list.length)]!;

/** Faces from the least to the largest, mm. */
const FACES = [100, 120, 189, 250, 306, 400, 600, 742, 900, 1200, 1500, 2100, 3000, 4000];

/** A value with other options, flags and quantities, as a maker might choose them. */
function varied(value: unknown, rule: Rule, random: Random): unknown {
  if (rule.kind === 'part' && value !== null) return variedOf(value as Record<string, unknown>, rule.shape, random);
  if (value === null || random() < 0.6) return value;
  if (rule.kind === 'oneOf') return pick(rule.values, random);
  if (rule.kind === 'flag') return !value;
  const factor = 0.3 + 2 * random() ** 2;
  const within = (least: number, most: number, one: number) =>
    random() < 0.1 ? pick([least, most], random) : Math.min(most, Math.max(least, one * factor));
  if (rule.kind === 'number' && !rule.whole) return within(rule.least, rule.most, value as number);
  if (rule.kind === 'length') {
    const { mm, unit } = value as { mm: number; unit: string };
    return { mm: Math.round(within(rule.leastMm, Math.min(rule.mostMm, 4000), mm)), unit };
  }
  return value;
}

const variedOf = (inputs: Record<string, unknown>, shape: Shape, random: Random): Record<string, unknown> =>
  Object.fromEntries(Object.entries(shape).map(([name, { rule }]) => [name, varied(inputs[name], rule, random)]));

/** A painting as it might be measured: everything within some millimetres of its face, now and then a slip of the tape. */
function drawnPainting(random: Random): JobInputs {
  const [widthMm, heightMm] = [pick(FACES, random), pick(FACES, random)];
  const near = (mm: number) => length(Math.max(0, Math.round(random() < 0.05 ? mm * 3 * random() : mm + 8 * (random() - 0.5))));
  const perhaps = (mm: number) => (random() < 0.85 ? near(mm) : null);
  const drawn = variedOf(
    newInputs('Painting', length(widthMm), length(heightMm)) as unknown as Record<string, unknown>,
    jobInputsShape,
    random,
  ) as unknown as JobInputs;
  const sides = { top: widthMm, right: heightMm, bottom: widthMm, left: heightMm };
  const [diagonal, margin] = [Math.hypot(widthMm, heightMm), 10 + 70 * random()];
  const read = () => ({ ...everySide((side) => perhaps(sides[side])), down: perhaps(diagonal), up: perhaps(diagonal) });
  const fold = pick([2, 2, 10, 500], random);
  return {
    ...drawn,
    brief: {
      ...drawn.brief,
      use: pick(['finished', 'restretch'] as const, random),
      width: length(widthMm),
      height: length(heightMm),
      edges: pick(['unframed', 'rebate', 'float'] as const, random),
      rebate: { ...drawn.brief.rebate, ...read(), depth: perhaps(25), lip: everySide(() => perhaps(8)) },
    },
    cloth: {
      ...drawn.cloth,
      left: everySide(() => ({ first: perhaps(margin), second: perhaps(margin) })),
      painting: {
        ...drawn.cloth.painting,
        ...read(),
        bow: everySide(() => (random() < 0.2 ? { by: near(3), outward: random() < 0.5 } : null)),
      },
      found: {
        fold: everySide(() => (random() < 0.8 ? { by: near(fold), within: random() < 0.5 } : null)),
        holes: everySide(() => ({ first: perhaps(20), apart: perhaps(35) })),
        torn: SIDES.flatMap((side) => (random() < 0.1 ? [{ side, from: near(80), to: near(120) }] : [])),
      },
    },
  };
}

/** A job to be asked about: as it might be typed on any day, a painting, near to a frame that was read, or anything at all. */
export function drawnJob(random: Random): JobInputs {
  const kind = random();
  if (kind < 0.2) return randomInputs(random);
  if (kind > 0.7) return drawnPainting(random);
  const near = kind < 0.5 ? readJob(random) : newInputs('Drawn', length(pick(FACES, random)), length(pick(FACES, random)));
  const drawn = variedOf(near as unknown as Record<string, unknown>, jobInputsShape, random) as unknown as JobInputs;
  const { bars, brief, cloth, square, tune, fasten } = randomInputs(random);
  return {
    ...drawn,
    brief: { ...drawn.brief, width: near.brief.width, height: near.brief.height, dueOn: brief.dueOn },
    bars: {
      ...drawn.bars,
      profile: bars.profile,
      species: bars.species,
      bracesUpright: bars.bracesUpright,
      bracesLevel: bars.bracesLevel,
    },
    cloth: { ...drawn.cloth, fabric: cloth.fabric },
    square: random() < 0.8 ? drawn.square : square,
    tune: { ...drawn.tune, feel: tune.feel, signs: tune.signs },
    fasten: { ...drawn.fasten, knots: random() < 0.3 ? fasten.knots : [] },
  };
}

/** What no sentence holds. */
const UNSAID: readonly (readonly [RegExp, string])[] = [
  [/undefined|\bnull\b|NaN|Infinity|\[object/, 'is no word'],
  [/(?<![\w.])-0(?![.\d])|(?<![\w.])-0\.0+(?!\d)/, 'is a nought below nought'],
  [/\d\.\d{3,}(?! m\b)/, 'has more digits than anybody reads'],
  [/(?<![\d.,⁄/] ?)1 (?!is\b|as\b|has\b|was\b|this\b|its\b|times\b)[a-z]{2,}(?<!s)s\b/, 'is one of several'],
  [/about \d+ h \d*[1-9] min/, 'is finer than an estimate'],
  [/\d{7,}/, 'is beyond belief'],
  [/[{}]/, 'is no word'],
  [/ {2}| [.,;:]|\.\.(?!\.)|;\./, 'is no punctuation'],
];

/** Numbers of a value, each with its path. */
function* numbersIn(value: unknown, path: string): Generator<[path: string, value: number]> {
  if (typeof value === 'number') yield [path, value];
  else if (ArrayBuffer.isView(value)) for (const one of value as Float64Array) yield [path, one];
  else if (typeof value === 'object' && value !== null)
    for (const [name, one] of Object.entries(value)) yield* numbersIn(one, Array.isArray(value) ? path : `${path}.${name}`);
}

/** Counts, sizes and weights: never below nothing. */
const NEVER_BELOW =
  /(Kg|kg|minutes|Minutes|count|fasteners|fastenersToHave|tacksToHave|turns|usedMl|groundMl|totalMl|glueG|areaM2|widthMm|heightMm|lengthMm|pitch\w+|bucklesN|carriesN)$/;

/** Sentences of a stage, each with where it stands. */
const wordsOf = (plan: Plan): [where: string, text: string][] => [
  ...STAGE_IDS.flatMap((stage) => {
    const { answer, answerNote, verdicts } = plan[stage];
    return [
      [`${stage} answer`, answer] as [string, string],
      [`${stage} note`, answerNote] as [string, string],
      ...verdicts.flatMap(({ id, says, because, doThis }) =>
        [says, because, doThis].map((text): [string, string] => [`${stage} ${id}`, text]),
      ),
    ];
  }),
  ...plan.kit.map(({ id, what }): [string, string] => [`kit ${id}`, what]),
];

const NO_LENGTH = /(?<![\d.⁄/])0 in\b|(?<![\d.])0 mm\b/;

/** A judgement with a measure and a limit keeps to them. */
const judgedWrong = ({ level, measured, limit, unit, says, doThis }: Verdict): string | null => {
  if (says.trim() === '') return 'says nothing';
  if (unit === 'mm' && Math.abs(measured ?? 0) > 1e-6 && Math.abs(measured ?? 0) < 0.5 && NO_LENGTH.test(says))
    return `measures ${printed('tapeReading', measured!, RECORD_TAPE)} and says nothing`;
  if (measured !== null && !Number.isFinite(measured)) return `measures ${measured}`;
  if (limit !== null && !Number.isFinite(limit)) return `has the limit ${limit}`;
  return level === 'stop' && doThis.trim() === '' ? 'stops and does not say what to do' : null;
};

/** Units that an inch tape is told nothing in; grams and ml are weighed and poured by everybody, by the scale and the jug. */
const METRIC = /\d ?(?:mm|cm|m|kg|°C)\b(?!\/)/;

/** What is bought by the size on its box. */
const BOUGHT_BY_SIZE = /^kit (fasteners|tacks|fixing)/;

/** Sentences of a plan for an inch tape that tell a metric length, weight or temperature. */
export const metricToInches = (plan: Plan): string[] =>
  wordsOf(plan).flatMap(([where, text]) =>
    METRIC.test(text) && !BOUGHT_BY_SIZE.test(where) ? [`${where}: metric to an inch tape (${text})`] : [],
  );

/** Everything wrong with a plan, as “where: what (which)”; nothing where all is well. */
export function troublesOf(plan: Plan): string[] {
  const texts = wordsOf(plan).flatMap(([where, text]) =>
    UNSAID.flatMap(([pattern, what]) => {
      const found = pattern.exec(text);
      return found ? [`${where}: “${found[0]}” ${what} (${text})`] : [];
    }),
  );
  const numbers = STAGE_IDS.flatMap((stage) =>
    [...numbersIn(plan[stage], stage)].flatMap(([path, value]) => {
      if (!Number.isFinite(value)) return path.endsWith('.limit') ? [] : [`${path}: ${value}`];
      return value < -1e-9 && NEVER_BELOW.test(path) ? [`${path}: ${value} is below nothing`] : [];
    }),
  );
  const judged = STAGE_IDS.flatMap((stage) =>
    plan[stage].verdicts.flatMap((one) => {
      const wrong = judgedWrong(one);
      return wrong ? [`${stage} ${one.id}: ${wrong}`] : [];
    }),
  );
  return [...texts, ...numbers, ...judged];
}

/** The judgements of a plan, each with where it stands: “stage id”. */
const judgementsOf = (plan: Plan): [where: string, one: Verdict][] =>
  STAGE_IDS.flatMap((stage) => plan[stage].verdicts.map((one): [string, Verdict] => [`${stage} ${one.id}`, one]));

/** The measures of all judgements, to hold two plans of one job beside each other. */
export const measuresOf = (plan: Plan): Map<string, [measured: number | null, level: string]> =>
  new Map(judgementsOf(plan).map(([where, { measured, level }]) => [where, [measured, level]]));

/**
 * Judgements of one matter: where the first is good, the second never stops; and of two that advise opposite things only one is
 * made. `stage id` as they stand in a plan.
 */
const GOOD_NEVER_BESIDE_STOP: readonly (readonly [good: string, stop: string])[] = [
  ['square rack', 'square agreement'],
  ['square rack', 'square reading'],
  ['square size', 'square reading'],
  ['square pairs', 'square reading'],
  ['bars choice', 'bars leftRightBow'],
  ['bars choice', 'bars topBottomBow'],
  ['fasten centring', 'fasten topLaid'],
  ['fasten centring', 'fasten leftLaid'],
  ['fasten pull', 'fasten pullReach'],
  ['tune corners', 'tune cornersPull'],
  ['tune corners', 'tune cornersBow'],
  ['prime air', 'prime wetting'],
  ['brief rebateFit', 'brief rebateKeyed'],
];
const OPPOSITE: readonly (readonly [string, string])[] = [
  ['fasten spacing', 'fasten closeSpacing'],
  ['tune cornersPull', 'tune yearOn'],
];

/** Judgements of a plan that contradict each other. */
export function contradictions(plan: Plan): string[] {
  const level = new Map(judgementsOf(plan).map(([where, one]) => [where, one.level]));
  const bad = (id: string) => level.has(id) && level.get(id) !== 'good';
  return [
    ...GOOD_NEVER_BESIDE_STOP.filter(([good, stop]) => level.get(good) === 'good' && level.get(stop) === 'stop').map(
      ([good, stop]) => `${good} is good beside ${stop}, which stops`,
    ),
    ...OPPOSITE.filter(([one, other]) => bad(one) && bad(other)).map(
      ([one, other]) => `${one} and ${other} advise opposite things`,
    ),
  ];
}

/** What never falls when one thing grows: the change of the inputs, and what it is read by; null where a plan has none. */
export const MONOTONE: readonly { says: string; more: (inputs: JobInputs) => JobInputs; of: (plan: Plan) => number | null }[] = [
  {
    says: 'more tension bows a bar more',
    more: (inputs) => ({ ...inputs, bars: { ...inputs.bars, tensionNPerM: inputs.bars.tensionNPerM * 1.2 } }),
    of: ({ bars: { chosen } }) => (chosen.braces > 0 ? null : chosen.topBottom.most.lastingMm),
  },
  {
    says: 'closer spacing takes more fasteners',
    more: (inputs) => ({
      ...inputs,
      fasten: { ...inputs.fasten, spacing: { ...inputs.fasten.spacing, mm: Math.max(5, inputs.fasten.spacing.mm * 0.7) } },
    }),
    of: ({ fasten }) => fasten.route.fasteners + fasten.route.leftOut.length,
  },
  {
    says: 'damper air dries slower',
    more: (inputs) => ({ ...inputs, prime: { ...inputs.prime, roomRh: Math.min(100, inputs.prime.roomRh + 10) } }),
    of: ({ prime }) => {
      const times = prime.coats.map(({ dryMinutes }) => dryMinutes?.[1] ?? Infinity);
      return times.length === 0 ? null : Math.max(...times);
    },
  },
  {
    says: 'a larger face weighs more',
    more: (inputs) => ({
      ...inputs,
      brief: { ...inputs.brief, width: { ...inputs.brief.width, mm: Math.min(4000, inputs.brief.width.mm * 1.1) } },
    }),
    of: ({ handover }) => handover.totalKg,
  },
];

/** The numbers that a sentence tells after these words, the least and the most: "44 mm" or "44 to 45 mm"; null where it does not. */
const toldAfter = (text: string, words: string): [number, number] | null => {
  const found = new RegExp(`${words} ([\\d.]+)(?: to ([\\d.]+))? mm`).exec(text);
  return found ? [Number(found[1]), Number(found[2] ?? found[1])] : null;
};

/** What a board of the size of a frame weighs: without braces no frame of that bar weighs more. */
const boardKg = ({ profile }: Plan['bars'], { brief, bars }: JobInputs): number =>
  (brief.width.mm * brief.height.mm * (profile.depthMm + profile.beadMm / 4) * woodOf(DEFAULT_RULES, bars.species).densityKgM3) /
  1e9;

/** What a plan tells and does not keep on its own places, margins and sums; told to a tape of millimetres. */
export function notKept(plan: Plan, inputs: JobInputs): string[] {
  const { fasten, cloth, handover, bars } = plan;
  const { route } = fasten;
  const says = new Map(fasten.verdicts.map((one) => [one.id, one]));
  const face = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const seamed: readonly Side[] = SEAM_SIDES[inputs.cloth.seams];
  const rows = SIDES.map((side) => {
    const fixed = route.steps.filter((step) => step.side === side && step.act === 'fix');
    const long = isLevel(side) ? face.widthMm : face.heightMm;
    const places = fixed.filter(({ take }) => take !== 'corner').map(({ offsetMm }) => offsetMm);
    places.sort((a, b) => a - b);
    const gaps = places.slice(1).map((at, index) => at - places[index]!);
    return { side, long, places, gaps: gaps.sort((a, b) => a - b) };
  });
  const widest = Math.max(0, ...rows.flatMap(({ gaps }) => gaps));
  const spacing = says.get('spacing')!;
  const last = toldAfter(says.get('lastBeforeFold')?.says ?? '', 'stop');
  const across = toldAfter(spacing.says, 'Set');
  const ends = rows
    .filter(({ side, places }) => seamed.includes(side) && places.length > 0)
    .map(({ long, places }) => long / 2 - Math.max(-places[0]!, places.at(-1)!));
  const pieces = [...fasten.answer.matchAll(/([\d]+) (?:tack|staple)/g)].reduce((sum, [, one]) => sum + Number(one), 0);
  const set = route.steps.filter(({ act }) => act === 'fix').length;
  const cuts = [
    [cloth.cut.netWidthMm - face.widthMm, cloth.cut.margins.left, cloth.cut.margins.right],
    [cloth.cut.netHeightMm - face.heightMm, cloth.cut.margins.top, cloth.cut.margins.bottom],
  ] as const;
  const parts = SIDES.map((side) => cloth.cut.margins[side]);
  const keptClear = rows.some(({ side, gaps }) => route.rows[side].pitchMm > 0 && gaps.at(-1)! > route.rows[side].pitchMm + 0.5);
  const close = (mm: number, told: number) => Math.abs(mm - told) < 0.51;
  const kept: [boolean, string][] = [
    [spacing.measured === null || widest <= spacing.measured + 0.05, `neighbours ${widest} apart, ${spacing.measured} told`],
    [
      !spacing.because.includes('never wider than asked') || widest <= inputs.fasten.spacing.mm + 0.05,
      `${widest} wider than asked`,
    ],
    [
      ends.length === 0 || (last !== null && close(Math.min(...ends), last[0]) && close(Math.max(...ends), last[1])),
      `last ones ${ends.join()} from the corner, ${last?.join()} told`,
    ],
    ...rows
      // Where something is kept clear the gap beside it is told.
      .filter(({ side, gaps }) => isLevel(side) && across !== null && gaps.length > 2 && !keptClear)
      .map(({ side, gaps }): [boolean, string] => {
        const middle = gaps[gaps.length >> 1]!;
        return [middle <= across![1] + 1, `the ${side} is ${middle} apart, ${across!.join()} told`];
      }),
    [pieces === route.fasteners && set === route.fasteners, `${pieces} told, ${set} set, ${route.fasteners} counted`],
    [
      fasten.fastenersToHave + fasten.tacksToHave >= route.fasteners,
      `${fasten.fastenersToHave} in the kit of ${route.fasteners}`,
    ],
    ...cuts.map(([mm, one, other]): [boolean, string] => [
      Math.abs(mm - one.totalMm - other.totalMm) < 1e-6,
      `margins of ${mm} are ${one.totalMm} and ${other.totalMm}`,
    ]),
    ...parts.map(({ edgeMm, returnMm, gripMm, hemMm, reserveMm, totalMm }): [boolean, string] => [
      Math.abs(edgeMm + returnMm + gripMm + hemMm + reserveMm - totalMm) < 1e-6,
      `a margin of ${totalMm} whose parts are ${edgeMm + returnMm + gripMm + hemMm + reserveMm}`,
    ]),
    [
      bars.chosen.braces > 0 || bars.chosen.weightKg <= boardKg(bars, inputs),
      `a frame of ${bars.chosen.weightKg} heavier than a board`,
    ],
    [
      Math.abs(handover.frameKg + handover.clothKg + handover.groundKg - handover.totalKg) < 1e-9,
      `a weight of ${handover.totalKg} whose parts are others`,
    ],
  ];
  return kept.filter(([is]) => !is).map(([, what]) => `told and not kept: ${what}`);
}

/** Ids in which "left" is what remains, or both sides stand. */
const BOTH_WAYS = /^(fasten leftOut|cloth marginsLeft|bars leftRightBow|bars leftRight.*)$/;
const OTHER_HAND: Record<string, string> = { left: 'right', right: 'left', Left: 'Right', Right: 'Left' };

/** Where a judgement stands in the plan of the mirrored job. */
export const otherHand = (where: string): string =>
  BOTH_WAYS.test(where) ? where : where.replace(/left|right/gi, (hand) => OTHER_HAND[hand]!);

/** How many judgements of a plan there are, and how many of them could not be worked out. */
export const workedOut = (plan: Plan): { judged: number; not: string[] } => {
  const all = judgementsOf(plan);
  return { judged: all.length, not: all.filter(([, one]) => isNotWorkedOut(one)).map(([where]) => where) };
};
