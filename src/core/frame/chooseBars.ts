/*
 * Every profile with every number of braces, judged by its bow after creep under the lasting pull, against its
 * limit. Of those that hold, the ones that nothing beats in bow, weight, price and work are the Pareto set; the
 * recommended one is the lightest, a brace saved being worth some weight.
 */
import { type StageEffort, barsEffort, withMinutes } from '../effort/effort';
import { assumed, type HouseRules } from '../house/houseRules';
import { type BarsInputs, evenBraces } from '../stages/bars/barsInputs';
import { byId } from '../house/schools';
import type { ClothLoad } from '../tension/clothLoad';
import { type Beam, type BeamSolution, inertiaInPlane, solveBeam, spanBows } from './beam';
import { braceStiffness } from './braces';
import { type FramePart, type FrameSize, frameWeightKg, partsIfOpen } from './frameParts';
import { type FramePrice, framePrice } from './sawing/framePrice';
import { JOINTS } from './joints';
import { profileOf, profilesOf, woodOf } from '../house/materials';
import type { Profile } from './profiles';
import type { Species } from './timber';

/** A bow at a place of a bar, at first and in time, and what is allowed there, mm. */
export interface BowAt {
  firstMm: number;
  lastingMm: number;
  limitMm: number;
  /** Where along the bar. */
  atMm: number;
}

/** Bow of one pair of bars in the span that comes nearest to its limit, and where the bar bows most. */
export interface BarBow extends BowAt {
  /** Solved under the tension at first. */
  solution: BeamSolution;
  most: BowAt;
  /** Lasting over first: creep, and the pull that is added. */
  lasting: number;
}

export interface BarChoice {
  profile: string;
  bracesUpright: number[];
  bracesLevel: number[];
  /** Empty when the bars leave no opening. */
  parts: FramePart[];
  topBottom: BarBow;
  leftRight: BarBow;
  weightKg: number;
  price: FramePrice;
  effort: StageEffort;
  minutes: number;
  /** Corners and brace ends. */
  joints: number;
  braces: number;
  holds: boolean;
  /** Nothing that holds is better in one way and no worse in the others. */
  unbeaten: boolean;
}

type BarsSize = Pick<FrameSize, 'widthMm' | 'heightMm'>;
type MakeUp = Pick<BarsInputs, 'species' | 'joint' | 'bracesUpright' | 'bracesLevel'>;

/** Stiffness of the wood as it is built with, N/mm². */
export const workingE = (wood: Species, rules: HouseRules): number => wood.eGPa * 1000 * (wood.knots ?? assumed(rules, 'knots'));

/** Bow of both pairs of bars of one make-up, its weight, price and work. */
export function judgeBars(size: BarsSize, inputs: BarsInputs, load: ClothLoad, rules: HouseRules): BarChoice {
  const profile = profileOf(rules, inputs.profile);
  return judge(size, profile, inputs, pairBows(size, profile, inputs, load, rules), rules);
}

/** How the two pairs of bars bow: each pair by its own braces, whatever holds the other. */
interface PairBows {
  topBottom: (braces: readonly number[]) => BarBow;
  leftRight: (braces: readonly number[]) => BarBow;
}

function pairBows({ widthMm, heightMm }: BarsSize, profile: Profile, bars: MakeUp, load: ClothLoad, rules: HouseRules): PairBows {
  const wood = woodOf(rules, bars.species);
  return {
    topBottom: (braces) => barBow(widthMm, heightMm, braces, profile, bars, wood, load, rules),
    leftRight: (braces) => barBow(heightMm, widthMm, braces, profile, bars, wood, load, rules),
  };
}

/** The same, each pair worked out once for every number of braces. */
function rememberedBows(bows: PairBows): PairBows {
  const remembered = (bow: PairBows['topBottom']): PairBows['topBottom'] => {
    const known = new Map<number, BarBow>();
    return (braces) => {
      const there = known.get(braces.length) ?? bow(braces);
      known.set(braces.length, there);
      return there;
    };
  };
  return { topBottom: remembered(bows.topBottom), leftRight: remembered(bows.leftRight) };
}

function judge(size: BarsSize, profile: Profile, bars: MakeUp, bows: PairBows, rules: HouseRules): BarChoice {
  const wood = woodOf(rules, bars.species);
  const counts = { ...size, bracesUpright: bars.bracesUpright.length, bracesLevel: bars.bracesLevel.length };
  const parts = partsIfOpen(counts, profile, bars.joint);
  const [topBottom, leftRight] = [bows.topBottom(bars.bracesUpright), bows.leftRight(bars.bracesLevel)];
  const braces = counts.bracesUpright + counts.bracesLevel;
  return {
    profile: profile.id,
    bracesUpright: bars.bracesUpright,
    bracesLevel: bars.bracesLevel,
    parts,
    topBottom,
    leftRight,
    weightKg: frameWeightKg(counts, profile, wood.densityKgM3),
    price: framePrice(parts, profile, rules),
    ...withMinutes(workOf(parts, braces, bars, rules)),
    joints: 4 + 2 * braces + counts.bracesUpright * counts.bracesLevel,
    braces,
    holds: holds(topBottom) && holds(leftRight),
    unbeaten: false,
  };
}

/** Bow allowed in a span, mm: the smaller of the house’s most and the span’s own part. */
export const bowLimitMm = (spanMm: number, rules: HouseRules): number =>
  Math.min(assumed(rules, 'bowLimit'), spanMm / assumed(rules, 'bowRatio'));

export const holds = (bow: BarBow): boolean => bow.lastingMm <= bow.limitMm;

/** What hands take of one make-up: what is sawn, put together, glued and drilled. */
function workOf(parts: readonly FramePart[], braces: number, bars: MakeUp, rules: HouseRules): StageEffort {
  const { glued } = byId(JOINTS, bars.joint);
  return barsEffort(rules, {
    sawn: parts.filter((part) => part.from !== 'pairs').reduce((sum, part) => sum + part.count, 0),
    braces,
    glued,
    holes: glued ? 2 * braces : 0,
  });
}

/** A bar with what it is made of and the braces that hold it, as a beam without its load. */
export function bracedBar(
  lengthMm: number,
  acrossMm: number,
  braces: readonly number[],
  profile: Profile,
  wood: Species,
  rules: HouseRules,
): Pick<Beam, 'lengthMm' | 'eNPerMm2' | 'inertiaMm4' | 'supports'> {
  const eNPerMm2 = workingE(wood, rules);
  const inside = Math.max(10, acrossMm - 2 * profile.widthMm);
  const stiffnessNPerMm = braceStiffness(inside, profile.brace, eNPerMm2, assumed(rules, 'braceGive'));
  return {
    lengthMm,
    eNPerMm2,
    inertiaMm4: inertiaInPlane(profile.widthMm, profile.depthMm),
    supports: braces.map((part) => ({ atMm: part * lengthMm, stiffnessNPerMm })),
  };
}

function barBow(
  lengthMm: number,
  acrossMm: number,
  braces: readonly number[],
  profile: Profile,
  { joint }: MakeUp,
  wood: Species,
  load: ClothLoad,
  rules: HouseRules,
): BarBow {
  const solution = solveBeam({
    ...bracedBar(lengthMm, acrossMm, braces, profile, wood, rules),
    loadNPerMm: [load.firstNPerM / 1000, load.firstNPerM / 1000],
    endFixity: byId(JOINTS, joint).opens ? 0 : assumed(rules, 'cornerFixity'),
  });
  const lasting = assumed(rules, 'creep') * (load.lastingNPerM / load.firstNPerM);
  const spans = spanBows(solution).map(({ fromMm, toMm, atMm, bowMm }): BowAt => ({
    atMm,
    firstMm: bowMm,
    lastingMm: bowMm * lasting,
    limitMm: bowLimitMm(toMm - fromMm, rules),
  }));
  const share = ({ firstMm, limitMm }: BowAt) => firstMm / limitMm;
  const worst = spans.reduce((a, b) => (share(b) > share(a) * (1 + 1e-9) ? b : a));
  const most = spans.reduce((a, b) => (b.firstMm > a.firstMm * (1 + 1e-9) ? b : a));
  return { solution, ...worst, most, lasting };
}

const COUNTS = [0, 1, 2];

/**
 * All make-ups possible with the job's joint, braces spread evenly: those that hold first, each group by weight.
 *
 * A profile whose bars would leave no opening inside is left out, so the list can be empty.
 */
export function chooseBars(size: BarsSize, inputs: BarsInputs, load: ClothLoad, rules: HouseRules): BarChoice[] {
  const fitting = profilesOf(rules).filter(
    (profile) =>
      profile.offered && profile.joints.includes(inputs.joint) && Math.min(size.widthMm, size.heightMm) > 3 * profile.widthMm,
  );
  const choices = fitting.flatMap((profile) => {
    const bows = rememberedBows(pairBows(size, profile, inputs, load, rules));
    return COUNTS.flatMap((upright) =>
      COUNTS.map((level) =>
        judge(size, profile, { ...inputs, bracesUpright: evenBraces(upright), bracesLevel: evenBraces(level) }, bows, rules),
      ),
    );
  });
  markUnbeaten(choices);
  return choices.sort((a, b) => Number(b.holds) - Number(a.holds) || a.weightKg - b.weightKg || a.braces - b.braces);
}

/** How near the bow comes to its limit: 1 is at the limit. */
export const bowShare = ({ topBottom, leftRight }: BarChoice): number =>
  Math.max(topBottom.lastingMm / topBottom.limitMm, leftRight.lastingMm / leftRight.limitMm);

function markUnbeaten(choices: BarChoice[]): void {
  const good = choices.filter((one) => one.holds);
  const measures = good.map((one) => [bowShare(one), one.weightKg, one.price.minor ?? Infinity, one.minutes]);
  good.forEach((one, index) => {
    one.unbeaten = !measures.some(
      (other) =>
        other.every((value, at) => value <= measures[index]![at]!) && other.some((value, at) => value < measures[index]![at]!),
    );
  });
}

/** The lightest that holds, a brace saved being worth some weight; null when none holds. */
export function recommendedBars(choices: readonly BarChoice[], rules: HouseRules): BarChoice | null {
  const worth = (one: BarChoice) => one.weightKg + assumed(rules, 'braceWorth') * one.braces;
  return choices.filter((one) => one.holds).reduce<BarChoice | null>((a, b) => (a && worth(a) <= worth(b) ? a : b), null);
}

/** What the custom of the trade would do with this size: how many braces hold each pair of bars. */
export function ruleOfThumb(size: BarsSize, rules: HouseRules): { bracesUpright: number; bracesLevel: number } {
  const braces = (lengthMm: number) => {
    if (lengthMm >= assumed(rules, 'twoBracesFrom')) return 2;
    return lengthMm >= assumed(rules, 'braceFrom') ? 1 : 0;
  };
  return { bracesUpright: braces(size.widthMm), bracesLevel: braces(size.heightMm) };
}
