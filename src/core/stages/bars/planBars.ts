import { printed } from '../../quantities/printed';
import { assemblySteps, setHours, type AssemblyStep } from '../../frame/assembly';
import { type BarChoice, chooseBars, judgeBars, recommendedBars } from '../../frame/chooseBars';
import { type Fixing, braceHeldBy, fixings } from '../../frame/fixings';
import type { FramePart } from '../../frame/frameParts';
import { JOINTS } from '../../frame/joints';
import { profileOf, woodOf } from '../../house/materials';
import type { Profile } from '../../frame/profiles';
import { type HouseRules, assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { BarsInputs } from './barsInputs';
import { byId } from '../../house/schools';
import { type ClothLoad, clothLoad } from '../../tension/clothLoad';
import { printSize } from '../../units/length';
import { depthVerdicts } from '../../painting/depthVerdicts';
import { barsVerdicts } from './barsVerdicts';
import { braceWords } from './braceWords';
import { type Bracing, bracingOf } from './bracing';
import type { PlanContext, StagePlan } from '../planContext';

export interface BarsPlan extends StagePlan {
  profile: Profile;
  load: ClothLoad;
  chosen: BarChoice;
  /** Lightest first among those that hold, then the rest; every joint-compatible make-up with even braces. */
  choices: BarChoice[];
  recommended: BarChoice | null;
  /** Empty when the bars leave no opening. */
  parts: FramePart[];
  fixings: Fixing[];
  assembly: AssemblyStep[];
  bracing: Bracing;
}

/** Bars for the face: bow of each pair against its limit, the lightest that holds, what to buy or cut, how to join it. */
export function planBars(inputs: JobInputs, context: PlanContext): BarsPlan {
  const { tape, rules } = context;
  const { bars } = inputs;
  const size = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const profile = profileOf(rules, bars.profile);
  const wood = woodOf(rules, bars.species);
  const load = clothLoad(inputs, rules);
  const chosen = judgeBars(size, bars, load, rules);
  const choices = cachedChoices(size, bars, load, rules);
  const recommended = recommendedBars(choices, rules);
  const bracing = bracingOf(size, inputs, profile, chosen, load, rules);
  const held = {
    joint: bars.joint,
    braces: chosen.braces,
    braceFixing: bars.braceFixing,
    dense: wood.densityKgM3 > 600,
    leastBiteMm: assumed(rules, 'braceBite'),
    beadMm: 2 * (size.widthMm + size.heightMm),
  };
  const joined = fixings(profile, held);
  const glued = byId(JOINTS, bars.joint).glued;
  return {
    answer: printSize(profile.widthMm, profile.depthMm, tape),
    answerNote: `${profile.name}, ${braceWords(bars)}, ${printed('mass', chosen.weightKg, tape)}`,
    verdicts: [
      ...barsVerdicts(
        { inputs, profile, chosen, choices, recommended, bracing, load, joined, heldBy: braceHeldBy(profile, held) },
        context,
      ),
      ...depthVerdicts(inputs, context),
    ],
    readings: [],
    effort: chosen.effort,
    minutes: chosen.minutes,
    setsMinutes: glued ? setHours(bars.glue, (id) => assumed(rules, id)) * 60 : null,
    profile,
    load,
    chosen,
    choices,
    recommended,
    parts: chosen.parts,
    fixings: joined,
    assembly: assemblySteps(bars.joint, bars.glue, {
      braces: chosen.braces,
      beadStrip: profile.beadStrip,
      heldBy: braceHeldBy(profile, held),
    }),
    bracing,
  };
}

/** Answers by what they depend on: no choice depends on where the chosen braces stand, so moving one asks nothing anew. */
const kept = new Map<string, BarChoice[]>();
/** Answers kept; the oldest goes first. */
const MOST_KEPT = 100;

function cachedChoices(
  size: { widthMm: number; heightMm: number },
  bars: BarsInputs,
  load: ClothLoad,
  rules: HouseRules,
): BarChoice[] {
  const { assumptions, materials } = rules;
  const key = JSON.stringify([size, bars.joint, bars.species, load.firstNPerM, load.lastingNPerM, assumptions, materials]);
  const there = kept.get(key);
  if (there) return there;
  const choices = chooseBars(size, bars, load, rules);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, choices);
  return choices;
}

/** The bars of a job exchanged for the recommended ones with its joint; as they are when none holds. */
export function withRecommendedBars(inputs: JobInputs, rules: HouseRules): JobInputs {
  const size = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const best = recommendedBars(chooseBars(size, inputs.bars, clothLoad(inputs, rules), rules), rules);
  if (!best) return inputs;
  const { profile, bracesUpright, bracesLevel } = best;
  return { ...inputs, bars: { ...inputs.bars, profile, bracesUpright, bracesLevel } };
}
