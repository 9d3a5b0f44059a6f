import { type BarBow, type BarChoice, chooseBars, holds, judgeBars, ruleOfThumb } from '../frame/chooseBars';
import { type FramePart, frameParts } from '../frame/frameParts';
import { JOINTS } from '../frame/joints';
import { PROFILES, type Profile } from '../frame/profiles';
import { type HouseRules, assumed } from '../job/houseRules';
import type { JobInputs } from '../job/job';
import { byId } from '../job/schools';
import { type Verdict, levelAtMost, verdict } from '../job/verdict';
import { printFine, printLength, printSize } from '../units/length';
import { printMass } from '../units/mass';
import type { PlanContext, StagePlan } from './context';

export interface BarsPlan extends StagePlan {
  chosen: BarChoice;
  /** Lightest first among those that hold, then the rest; every joint-compatible make-up. */
  choices: BarChoice[];
  recommended: BarChoice | null;
  /** Empty when the bars leave no opening. */
  parts: FramePart[];
  /** Brace to cloth, mm. */
  braceClearMm: number;
}

const FORMULA = 'Bow = 5 T L⁴ / (384 E I), I = depth × width³ / 12; with braces, three moments over equal spans.';

/** Bars for the face: bow of each pair against its limit, the lightest that holds, what to buy or cut. */
export function planBars(inputs: JobInputs, context: PlanContext): BarsPlan {
  const { tape, rules } = context;
  const size = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const profile: Profile = byId(PROFILES, inputs.bars.profile);
  const chosen = judgeBars(size, inputs.bars, rules);
  const choices = chooseBars(size, inputs.bars, rules);
  const recommended = choices[0]?.holds ? choices[0] : null;
  const opening = Math.min(size.widthMm, size.heightMm) > 2 * profile.widthMm;
  const braceClearMm = profile.depthMm + profile.beadMm - profile.brace.depthMm;
  const glued = byId(JOINTS, inputs.bars.joint).glued;
  return {
    answer: printSize(profile.widthMm, profile.depthMm, tape),
    answerNote: `${profile.name}, ${braceWords(chosen)}, ${printMass(chosen.weightKg, tape)}`,
    verdicts: [
      ...openingVerdict(opening, profile, context),
      ...jointVerdict(inputs, profile),
      bowVerdict('top and bottom bars', chosen.topBottom, context),
      bowVerdict('left and right bars', chosen.leftRight, context),
      ...lighterVerdict(chosen, choices, recommended, context),
      ...braceVerdict(chosen, braceClearMm, context),
      thumbVerdict(chosen, size, context),
    ],
    readings: [{ quantity: 'frame weight', value: chosen.weightKg, unit: 'kg', precision: null, tool: 'computed' }],
    setsMinutes: glued ? assumed(rules, 'glueHours') * 60 : null,
    chosen,
    choices,
    recommended,
    parts: opening
      ? frameParts({ ...size, bracesUpright: chosen.bracesUpright, bracesLevel: chosen.bracesLevel }, profile, inputs.bars.joint)
      : [],
    braceClearMm,
  };
}

/** The bars of a job exchanged for the lightest that hold with its joint; as they are when none does. */
export function withLightestBars(inputs: JobInputs, rules: HouseRules): JobInputs {
  const size = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const [first] = chooseBars(size, inputs.bars, rules);
  if (!first?.holds) return inputs;
  const { profile, bracesUpright, bracesLevel } = first;
  return { ...inputs, bars: { ...inputs.bars, profile, bracesUpright, bracesLevel } };
}

/** "no brace", "one upright brace", "a cross". */
export function braceWords({
  bracesUpright: upright,
  bracesLevel: level,
}: Pick<BarChoice, 'bracesUpright' | 'bracesLevel'>): string {
  const count = ['no', 'one', 'two'];
  if (upright === 0 && level === 0) return 'no brace';
  if (upright === 1 && level === 1) return 'a cross';
  if (level === 0) return `${count[upright]} upright brace${upright > 1 ? 's' : ''}`;
  if (upright === 0) return `${count[level]} level brace${level > 1 ? 's' : ''}`;
  return `${count[upright]} upright, ${count[level]} level`;
}

function openingVerdict(opening: boolean, profile: Profile, { tape }: PlanContext): Verdict[] {
  if (opening) return [];
  return [
    verdict({
      about: 'opening',
      level: 'stop',
      says: `Bars ${printLength(profile.widthMm, tape)} wide leave no opening inside.`,
      because: 'Two bar widths are as much as the short side.',
      doThis: 'Choose a narrower bar, or stretch over a board.',
    }),
  ];
}

function jointVerdict({ bars }: JobInputs, profile: Profile): Verdict[] {
  if (profile.joints.includes(bars.joint)) return [];
  const offered = profile.joints.map((id) => byId(JOINTS, id).name.toLowerCase()).join(' or ');
  return [
    verdict({
      about: 'joint',
      level: 'stop',
      says: `The ${profile.name.toLowerCase()} is not made with this joint.`,
      because: 'Pieces of different make do not fit each other.',
      doThis: `Take ${offered}, or another bar.`,
    }),
  ];
}

function bowVerdict(about: string, bow: BarBow, { tape, rules }: PlanContext): Verdict {
  const level = levelAtMost(bow.lastingMm, bow.limitMm, bow.limitMm * 1.25);
  return verdict({
    about,
    level,
    measured: bow.lastingMm,
    limit: bow.limitMm,
    unit: 'mm',
    says: `${about[0]!.toUpperCase()}${about.slice(1)} bow ${printFine(bow.lastingMm, tape)} in time, limit ${printFine(bow.limitMm, tape)}.`,
    because: `${FORMULA} At first ${printFine(bow.firstMm, tape)}; wood creeps ${assumed(rules, 'creep')} times.`,
    doThis: level === 'good' ? '' : 'Add a brace against these bars, take a wider bar, or stretch more gently.',
    uses: ['creep', 'knots', 'bowLimit', 'bowRatio'],
  });
}

function lighterVerdict(
  chosen: BarChoice,
  choices: BarChoice[],
  recommended: BarChoice | null,
  { tape }: PlanContext,
): Verdict[] {
  if (choices.length === 0) {
    return [
      verdict({
        about: 'choice',
        level: 'watch',
        says: 'This face is small for every bar of this joint.',
        because: 'Less than a bar’s width would be left open inside.',
        doThis: 'Stretch it over a board, or take another joint.',
      }),
    ];
  }
  if (!recommended) {
    return [
      verdict({
        about: 'choice',
        level: 'stop',
        says: 'No bar of this joint holds this size at this tension.',
        because: 'Every profile with up to two braces each way bows past its limit.',
        doThis: 'Lower the tension or change the joint.',
      }),
    ];
  }
  const same =
    recommended.profile === chosen.profile &&
    recommended.bracesUpright === chosen.bracesUpright &&
    recommended.bracesLevel === chosen.bracesLevel;
  if (same)
    return [
      verdict({
        about: 'choice',
        level: 'good',
        says: 'This is the lightest make-up that holds.',
        because: 'All profiles of this joint with none to two braces each way were tried.',
      }),
    ];
  const name = byId(PROFILES, recommended.profile).name.toLowerCase();
  const saved = chosen.weightKg - recommended.weightKg;
  if (chosen.holds && saved < 0.15) return [];
  return [
    verdict({
      about: 'choice',
      level: chosen.holds ? 'good' : 'watch',
      says: `Lightest that holds: ${name}, ${braceWords(recommended)}, ${printMass(recommended.weightKg, tape)}.`,
      because: chosen.holds ? `Yours holds too and weighs ${printMass(saved, tape)} more.` : 'Yours bows past its limit.',
      doThis: 'Pick a row of the table to change.',
    }),
  ];
}

function braceVerdict(chosen: BarChoice, clearMm: number, { tape, rules }: PlanContext): Verdict[] {
  if (chosen.braces === 0) return [];
  const least = assumed(rules, 'brushSag');
  const ok = clearMm >= least;
  return [
    verdict({
      about: 'brace clearance',
      level: ok ? 'good' : 'stop',
      measured: clearMm,
      limit: least,
      unit: 'mm',
      says: `Braces stand ${printFine(clearMm, tape)} behind the cloth, ${printFine(least, tape)} needed.`,
      because: 'The cloth sags under a brush and must not touch wood.',
      doThis: ok ? '' : 'Set the braces further back.',
      uses: ['brushSag'],
    }),
  ];
}

function thumbVerdict(chosen: BarChoice, size: { widthMm: number; heightMm: number }, { rules }: PlanContext): Verdict {
  const thumb = ruleOfThumb(size, rules);
  const agrees = thumb.bracesUpright === chosen.bracesUpright && thumb.bracesLevel === chosen.bracesLevel;
  return verdict({
    about: 'rule of thumb',
    level: 'good',
    says: agrees
      ? `The rule of thumb says the same: ${braceWords(thumb)}.`
      : `The rule of thumb would take ${braceWords(thumb)}; the sum ${holds(chosen.topBottom) && holds(chosen.leftRight) ? 'holds without it' : 'says otherwise'}.`,
    because:
      'Custom knows the length only; the sum knows wood, width and tension. A brace also makes a tall frame easier to carry.',
    uses: ['braceFrom', 'twoBracesFrom'],
  });
}
