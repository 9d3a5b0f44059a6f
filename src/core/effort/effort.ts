/*
 * What hands take of each stage: set up once for all canvases that are done together, and each canvas by its size and its parts. The
 * one estimate that slip, bench, bill, week and promise take.
 */
import { type HouseRules, assumed } from '../house/houseRules';
import type { AssumptionId } from '../house/assumptions';

/** So many of something, at so many minutes each. */
export interface EffortPart {
  /** The rate it is taken from. */
  rate: AssumptionId;
  count: number;
  each: number;
}

export interface StageEffort {
  /** Minutes once for all that are done together. */
  setUpMinutes: number;
  parts: EffortPart[];
}

export const NO_EFFORT: StageEffort = { setUpMinutes: 0, parts: [] };

/** Minutes that one canvas takes by itself. */
const eachMinutes = ({ parts }: StageEffort): number => parts.reduce((sum, { count, each }) => sum + count * each, 0);

/**
 * Minutes of one canvas: what it takes by itself, and its share of what is set up once.
 *
 * @param together how many canvases are done together
 * @example effortMinutes({ setUpMinutes: 6, parts: [{ rate: 'clothEach', count: 1, each: 2 }] }, 3) // 4
 */
export const effortMinutes = (effort: StageEffort, together = 1): number => effort.setUpMinutes / together + eachMinutes(effort);

/** What a plan says of the hands of its stage, done for one canvas by itself. */
export const withMinutes = (effort: StageEffort): { effort: StageEffort; minutes: number } => ({
  effort,
  minutes: effortMinutes(effort),
});

const SECONDS = 60;

/** Parts at the rates of a house; what there is none of is left out. */
export function effortOf(
  rules: HouseRules,
  setUps: readonly AssumptionId[],
  counts: Partial<Record<AssumptionId, number>>,
): StageEffort {
  return {
    setUpMinutes: setUps.reduce((sum, id) => sum + assumed(rules, id), 0),
    parts: (Object.entries(counts) as [AssumptionId, number][]).flatMap(([rate, count]) =>
      count > 0 ? [{ rate, count, each: assumed(rules, rate) }] : [],
    ),
  };
}

interface FrameWork {
  /** Parts that are sawn. */
  sawn: number;
  braces: number;
  /** Corners and braces are glued or screwed. */
  glued: boolean;
  holes: number;
}

/** A frame put together; the saw itself is set up by the hours of the house. */
export const barsEffort = (rules: HouseRules, { sawn, braces, glued, holes }: FrameWork): StageEffort =>
  effortOf(rules, ['barsSetUp', ...(glued ? (['glueSetUp'] as const) : [])], {
    minutesCorner: 4,
    glueCorner: glued ? 4 : 0,
    minutesBrace: braces,
    glueBrace: glued ? braces : 0,
    minutesCut: sawn,
    minutesHole: holes,
  });

/** From this side on a frame is walked round, mm. */
const LARGE_MM = 1000;

export const squareEffort = (rules: HouseRules, face: { widthMm: number; heightMm: number }): StageEffort =>
  effortOf(rules, ['squareSetUp'], { squareEach: 1, squareLarge: Math.min(face.widthMm, face.heightMm) > LARGE_MM ? 1 : 0 });

/** Two of the four sides of a piece are cut: the others are the roll’s or the neighbour’s. */
export const clothEffort = (rules: HouseRules, cut: { widthMm: number; heightMm: number }): StageEffort =>
  effortOf(rules, ['clothSetUp'], { clothEach: 1, clothMetre: (cut.widthMm + cut.heightMm) / 1000 });

/**
 * Laid, fastened along its route, its corners folded.
 *
 * @param pace of the house over its rates, for the route alone: 1 where nothing is known
 */
export function fastenEffort(rules: HouseRules, route: { handlings: number; turns: number }, pace: number): StageEffort {
  const seconds = (rate: 'secondsFastener' | 'secondsTurn', count: number): EffortPart[] =>
    count > 0 ? [{ rate, count, each: (assumed(rules, rate) * pace) / SECONDS }] : [];
  const { setUpMinutes, parts } = effortOf(rules, ['fastenSetUp'], { layEach: 1, cornerEach: 4 });
  return {
    setUpMinutes,
    parts: [...parts, ...seconds('secondsFastener', route.handlings), ...seconds('secondsTurn', route.turns)],
  };
}

/** One coat; the pot is mixed and washed out by the hours of the house. */
export const coatEffort = (rules: HouseRules, areaM2: number, sanded: boolean): StageEffort =>
  effortOf(rules, [], { coatEach: 1, coatM2: areaM2, sandM2: sanded ? areaM2 : 0 });
