/*
 * Every profile with every number of braces, judged by its bow after creep against its limit.
 * The lightest that holds comes first; with equal weight, the one with fewer braces.
 */
import { assumed, type HouseRules } from '../job/houseRules';
import type { BarsInputs, BraceCount } from '../job/job';
import { byId } from '../job/schools';
import { type Beam, greatestBow, inertiaInPlane } from './bow';
import { type FrameSize, frameWeightKg } from './frameParts';
import { PROFILES, type Profile, type ProfileId } from './profiles';
import { SPECIES } from './timber';

/** Bow of one pair of bars against its limit, mm. */
export interface BarBow {
  beam: Beam;
  firstMm: number;
  lastingMm: number;
  limitMm: number;
}

export interface BarChoice {
  profile: ProfileId;
  bracesUpright: BraceCount;
  bracesLevel: BraceCount;
  topBottom: BarBow;
  leftRight: BarBow;
  weightKg: number;
  braces: number;
  holds: boolean;
}

type BarsSize = Pick<FrameSize, 'widthMm' | 'heightMm'>;
const COUNTS: readonly BraceCount[] = [0, 1, 2];

/** Bow of both pairs of bars of one make-up, and its weight. */
export function judgeBars(size: BarsSize, inputs: BarsInputs, rules: HouseRules): BarChoice {
  const profile: Profile = byId(PROFILES, inputs.profile);
  const species = byId(SPECIES, inputs.species);
  const eNPerMm2 = species.eGPa * 1000 * assumed(rules, 'knots');
  const bow = (lengthMm: number, braces: BraceCount) =>
    barBow(
      {
        lengthMm,
        spans: braces + 1,
        loadNPerMm: inputs.tensionNPerM / 1000,
        eNPerMm2,
        inertiaMm4: inertiaInPlane(profile.widthMm, profile.depthMm),
      },
      rules,
    );
  const topBottom = bow(size.widthMm, inputs.bracesUpright);
  const leftRight = bow(size.heightMm, inputs.bracesLevel);
  const { bracesUpright, bracesLevel } = inputs;
  return {
    profile: inputs.profile,
    bracesUpright,
    bracesLevel,
    topBottom,
    leftRight,
    weightKg: frameWeightKg({ ...size, bracesUpright, bracesLevel }, profile, species.densityKgM3),
    braces: bracesUpright + bracesLevel,
    holds: holds(topBottom) && holds(leftRight),
  };
}

export const holds = (bow: BarBow): boolean => bow.lastingMm <= bow.limitMm;

function barBow(beam: Beam, rules: HouseRules): BarBow {
  const firstMm = greatestBow(beam);
  const span = beam.lengthMm / beam.spans;
  const limitMm = Math.min(assumed(rules, 'bowLimit'), span / assumed(rules, 'bowRatio'));
  return { beam, firstMm, lastingMm: firstMm * assumed(rules, 'creep'), limitMm };
}

/**
 * All make-ups possible with the job's joint, those that hold first, each group by weight.
 *
 * A profile whose bars would leave no opening inside is left out, so the list can be empty.
 */
export function chooseBars(size: BarsSize, inputs: BarsInputs, rules: HouseRules): BarChoice[] {
  const fitting = PROFILES.filter(
    (profile: Profile) => profile.joints.includes(inputs.joint) && Math.min(size.widthMm, size.heightMm) > 3 * profile.widthMm,
  );
  const choices = fitting.flatMap((profile) =>
    COUNTS.flatMap((bracesUpright) =>
      COUNTS.map((bracesLevel) => judgeBars(size, { ...inputs, profile: profile.id, bracesUpright, bracesLevel }, rules)),
    ),
  );
  return choices.sort((a, b) => Number(b.holds) - Number(a.holds) || a.weightKg - b.weightKg || a.braces - b.braces);
}

/** What the custom of the trade would do with this size: the number of braces holding each pair of bars. */
export function ruleOfThumb(size: BarsSize, rules: HouseRules): { bracesUpright: BraceCount; bracesLevel: BraceCount } {
  const braces = (lengthMm: number): BraceCount => {
    if (lengthMm >= assumed(rules, 'twoBracesFrom')) return 2;
    return lengthMm >= assumed(rules, 'braceFrom') ? 1 : 0;
  };
  return { bracesUpright: braces(size.widthMm), bracesLevel: braces(size.heightMm) };
}
