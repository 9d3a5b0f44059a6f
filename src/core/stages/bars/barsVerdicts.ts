/* What is judged about the bars of a job, one verdict each. */
import { bare, printed } from '../../quantities/printed';
import { type BarBow, type BarChoice, bowShare, ruleOfThumb } from '../../frame/chooseBars';
import { BRACE_FIXINGS, type HeldBy } from '../../frame/braceFixings';
import type { Fixing } from '../../frame/fixings';
import { nearestListed } from '../../frame/sawing/framePrice';
import { JOINTS } from '../../frame/joints';
import { profileOf } from '../../house/materials';
import type { Profile } from '../../frame/profiles';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { byId } from '../../house/schools';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import type { ClothLoad } from '../../tension/clothLoad';
import { printFine, printLength } from '../../units/length';
import { printMoney } from '../../units/money';
import { braceCountWords, braceWords } from './braceWords';
import type { Bracing } from './bracing';
import type { PlanContext } from '../planContext';

export interface BarsCase {
  inputs: JobInputs;
  profile: Profile;
  chosen: BarChoice;
  choices: BarChoice[];
  recommended: BarChoice | null;
  bracing: Bracing;
  load: ClothLoad;
  joined: Fixing[];
  /** How the ends of the braces are held. */
  heldBy: HeldBy;
}

/** All verdicts on the bars of a job. */
export function barsVerdicts(one: BarsCase, context: PlanContext): Verdict[] {
  return [
    ...openingVerdict(one, context),
    ...jointVerdict(one),
    bowVerdict('topBottomBow', 'top and bottom bars', one.chosen.topBottom, one, context),
    bowVerdict('leftRightBow', 'left and right bars', one.chosen.leftRight, one, context),
    ...choiceVerdict(one, context),
    ...listVerdicts(one, context),
    ...clearanceVerdict(one, context),
    ...bucklingVerdict(one, context),
    barRollVerdict(one, context),
    ...fixingVerdicts(one, context),
    thumbVerdict(one, context),
  ];
}

function openingVerdict({ chosen, profile }: BarsCase, { tape }: PlanContext): Verdict[] {
  if (chosen.parts.length > 0) return [];
  return [
    verdict({
      id: 'opening',
      about: 'opening',
      level: 'stop',
      says: `Bars ${printLength(profile.widthMm, tape)} wide leave no opening inside.`,
      because: 'Two bar widths are as much as the short side.',
      doThis: 'Choose a narrower bar, or stretch over a board.',
    }),
  ];
}

function jointVerdict({ inputs, profile }: BarsCase): Verdict[] {
  if (profile.joints.includes(inputs.bars.joint)) return [];
  const offered = profile.joints.map((id) => byId(JOINTS, id).name.toLowerCase()).join(' or ');
  return [
    verdict({
      id: 'joint',
      about: 'joint',
      level: 'stop',
      says: `The ${profile.name.toLowerCase()} is not made with this joint.`,
      because: 'Pieces of different make do not fit each other.',
      doThis: `Take ${offered}, or another bar.`,
    }),
  ];
}

function bowVerdict(id: string, about: string, bow: BarBow, { load }: BarsCase, { tape, rules }: PlanContext): Verdict {
  const level = levelAtMost(bow.lastingMm, bow.limitMm, bow.limitMm * 1.25);
  const { most } = bow;
  // The bow that is seen comes first; the span that is judged hardest is told where it is another.
  const elsewhere = Math.abs(most.atMm - bow.atMm) > 1;
  const lead = elsewhere && most.lastingMm <= most.limitMm && level !== 'good' ? bow : most;
  const added = load.added.map((one) => `${one.what} ${bare('tension', one.nPerM)}`).join(', ');
  const name = `${about[0]!.toUpperCase()}${about.slice(1)}`;
  const also =
    elsewhere && lead === most && level !== 'good'
      ? ` The span about ${printLength(bow.atMm, tape)} along is judged hardest: ${printFine(bow.lastingMm, tape)} of ${printFine(bow.limitMm, tape)}.`
      : '';
  return verdict({
    id,
    about,
    level,
    measured: lead.lastingMm,
    limit: lead.limitMm,
    of: 'bow',
    says: `${name} bow ${printFine(lead.lastingMm, tape)} in time, limit ${printFine(lead.limitMm, tape)}.${also}`,
    because: `Solved as a beam over its braces, every span judged, E I y⁗ = T, I = depth × width³ / 12. ${printFine(lead.firstMm, tape)} at first under ${printed('tension', load.firstNPerM)}; later ${printed('tension', load.lastingNPerM)} (${added || 'nothing added'}), and wood creeps ${assumed(rules, 'creep')} times.`,
    doThis: level === 'good' ? '' : 'Add a brace against these bars or move one, take a wider bar, or stretch more gently.',
    uses: ['creep', 'knots', 'bowLimit', 'bowRatio', 'sizeRise', 'groundRise', 'dryRise', 'braceGive', 'cornerFixity'],
  });
}

const same = (a: BarChoice, b: BarChoice) =>
  a.profile === b.profile && a.bracesUpright.length === b.bracesUpright.length && a.bracesLevel.length === b.bracesLevel.length;

function choiceVerdict({ chosen, choices, recommended }: BarsCase, { tape, rules }: PlanContext): Verdict[] {
  if (choices.length === 0) {
    return [
      verdict({
        id: 'choice',
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
        id: 'choice',
        about: 'choice',
        level: 'stop',
        says: 'No bar of this joint holds this size at this tension.',
        because: `${choices.length} make-ups were tried, each profile with up to two braces each way: all bow past their limit.`,
        doThis: 'Lower the tension or change the joint.',
      }),
    ];
  }
  const name = profileOf(rules, recommended.profile).name.toLowerCase();
  const why = `Of ${choices.length} make-ups ${choices.filter((one) => one.holds).length} hold; the lightest is taken, a brace saved being worth ${printed('mass', assumed(rules, 'braceWorth'), tape)}.`;
  if (same(recommended, chosen) && chosen.holds)
    return [
      verdict({
        id: 'choice',
        about: 'choice',
        level: 'good',
        says: 'This is what the sum would take.',
        because: why,
        uses: ['braceWorth'],
      }),
    ];
  const saved = chosen.weightKg - recommended.weightKg;
  const cheaper = (chosen.price.minor ?? 0) - (recommended.price.minor ?? 0);
  const trade = [
    `${printed('mass', Math.abs(saved), tape)} ${saved >= 0 ? 'lighter' : 'heavier'}`,
    ...(chosen.price.minor !== null && recommended.price.minor !== null && cheaper !== 0
      ? [`${printMoney(Math.abs(cheaper), rules.currency)} ${cheaper > 0 ? 'cheaper' : 'dearer'}`]
      : []),
  ].join(', ');
  return [
    verdict({
      id: 'choice',
      about: 'choice',
      level: chosen.holds ? 'good' : 'watch',
      says: `Lightest that holds: ${name}, ${braceWords(recommended)}, ${printed('mass', recommended.weightKg, tape)}.`,
      because: `${why} Against yours: ${trade}, at ${printed('percent', 100 * bowShare(recommended))} of the bow allowed.`,
      doThis: 'Choose another in the table.',
      uses: ['braceWorth'],
    }),
  ];
}

/** Bought bars whose length is not on the list: which listed size is next. */
function listVerdicts({ inputs, profile, chosen }: BarsCase, { tape, rules, faceSettled }: PlanContext): Verdict[] {
  const { brief, bars } = inputs;
  if (byId(JOINTS, bars.joint).parts !== 'pair' || profile.pairs.length === 0) return [];
  const near = (mm: number) => {
    const { below, above } = nearestListed(mm, profile.pairs);
    return [below, above].filter((one) => one !== null);
  };
  const off = [brief.width.mm, brief.height.mm].filter((mm) => !near(mm).some((one) => Math.abs(one - mm) <= 0.25));
  if (off.length === 0) return [];
  const closest = (mm: number) => near(mm).reduce((a, b) => (Math.abs(b - mm) < Math.abs(a - mm) ? b : a), Infinity);
  const change = [brief.width.mm, brief.height.mm].map((mm) =>
    off.includes(mm) && Number.isFinite(closest(mm)) ? closest(mm) : mm,
  );
  return [
    verdict({
      id: 'listedLengths',
      about: 'listed lengths',
      level: 'watch',
      says: `${[...new Set(off)].map((mm) => printLength(mm, tape)).join(' and ')} ${off.length > 1 ? 'are' : 'is'} not on the list of the ${profile.name.toLowerCase()}: a special order.`,
      because: `Made to order costs ${assumed(rules, 'specialFactor')} times the next length${chosen.price.minor === null ? '' : `; the frame comes to ${printMoney(chosen.price.minor, rules.currency)}`}.`,
      doThis: faceSettled
        ? 'Order them to measure, or saw them yourself.'
        : `${printLength(change[0]!, tape)} × ${printLength(change[1]!, tape)} comes from the list, if the size is still free.`,
      uses: ['specialFactor'],
    }),
  ];
}

function clearanceVerdict({ chosen, bracing }: BarsCase, { tape, rules }: PlanContext): Verdict[] {
  if (chosen.braces === 0) return [];
  const { clearMm, sagMm } = bracing;
  const level = clearMm >= sagMm ? 'good' : clearMm >= assumed(rules, 'brushSag') ? 'watch' : 'stop';
  return [
    verdict({
      id: 'braceClearance',
      about: 'brace clearance',
      level,
      measured: clearMm,
      limit: sagMm,
      of: 'braceClearance',
      says: `Braces stand ${printFine(clearMm, tape)} behind the cloth, ${printFine(sagMm, tape)} needed.`,
      because: 'The cloth sags under a brush, F / (2 π T) · ln(R / r), and must not touch wood: the brace would print through.',
      doThis: level === 'good' ? '' : 'Set the braces further back, take thinner ones, or brush lightly over them.',
      uses: ['brushSag', 'brushForce'],
    }),
  ];
}

function bucklingVerdict({ bracing: { hardest } }: BarsCase, { rules }: PlanContext): Verdict[] {
  if (!hardest) return [];
  const safety = assumed(rules, 'buckling');
  const limit = hardest.bearsN / safety;
  const level = levelAtMost(hardest.carriesN, limit, hardest.bearsN / assumed(rules, 'bucklingLeast'));
  return [
    verdict({
      id: 'braceLoad',
      about: 'brace load',
      level,
      measured: hardest.carriesN,
      limit,
      of: 'braceForce',
      says: `The ${hardest.way} brace carries ${printed('braceForce', hardest.carriesN)}, up to ${printed('braceForce', limit)} is safe.`,
      because:
        hardest.fails === 'buckles'
          ? `π² E I / L² = ${printed('braceForce', hardest.bearsN)} over its longest piece, ${safety} times safe.`
          : `Short as it is, its wood is crushed at ${printed('braceForce', hardest.bearsN)} before it buckles: E / 300 over its section, ${safety} times safe.`,
      doThis: level === 'good' ? '' : 'Take a thicker brace, or let one the other way cross it.',
      uses: ['buckling', 'bucklingLeast', 'knots'],
    }),
  ];
}

function barRollVerdict({ bracing }: BarsCase, { tape, rules }: PlanContext): Verdict {
  const limit = assumed(rules, 'rollLimit');
  const level = levelAtMost(bracing.rollDegrees, limit, 2 * limit);
  return verdict({
    id: 'roll',
    about: 'roll',
    level,
    measured: bracing.rollDegrees,
    limit,
    of: 'roll',
    says: `The bars roll ${printed('roll', bracing.rollDegrees)} in time, the front edge ${printFine(bracing.rollMm, tape)} inwards: about.`,
    because:
      'The cloth pulls at the front edge: t L² / 8 G J, G = E / 16, corners and braces holding. An estimate, half or twice as much is possible.',
    doThis: level === 'good' ? '' : 'Brace these bars, or take a wider one.',
    uses: ['rollLimit', 'creep', 'knots'],
  });
}

/** Screws that no stock length makes, and braces that keep a stretcher shut. */
function fixingVerdicts({ inputs, joined, chosen, heldBy }: BarsCase, { rules, tape }: PlanContext): Verdict[] {
  const joint = byId(JOINTS, inputs.bars.joint);
  const fixing = byId(BRACE_FIXINGS, heldBy);
  const list: Verdict[] = [];
  if (joint.glued && !joined.some((one) => one.where === 'corner'))
    list.push(
      verdict({
        id: 'cornerScrews',
        about: 'corner screws',
        level: 'watch',
        says: 'No stock screw stays inside the wood at the corner.',
        because: 'A tip that pokes out cuts the cloth.',
        doThis: 'Dowel or staple it, or take a thicker section.',
      }),
    );
  if (chosen.braces > 0 && !joined.some((one) => one.where === 'brace end'))
    list.push(
      verdict({
        id: 'braceScrews',
        about: 'brace screws',
        level: 'stop',
        limit: assumed(rules, 'braceBite'),
        of: 'screwBite',
        says: `No stock screw holds these braces: ${fixing.name.toLowerCase()} does not go with this section.`,
        because: `A screw in end grain bites ${printLength(assumed(rules, 'braceBite'), tape)} at least, and is no thicker than the brace can take without splitting.`,
        doThis: 'Take a ply plate from behind, corner blocks, or a thicker brace.',
        uses: ['braceBite'],
      }),
    );
  if (chosen.braces > 0 && joint.opens && !fixing.opens)
    list.push(
      verdict({
        id: 'bracesShut',
        about: 'braces and corners',
        level: 'watch',
        says: `Held so (${fixing.name.toLowerCase()}), the braces keep this frame from opening along them.`,
        because: 'Keys or bolts move the bars apart; a brace that is fixed at both ends does not get longer.',
        doThis: 'Let the braces float in slots with small keys of their own, or do not count on opening the corners.',
      }),
    );
  return list;
}

function thumbVerdict({ inputs, chosen }: BarsCase, { rules }: PlanContext): Verdict {
  const { brief, bars } = inputs;
  const thumb = ruleOfThumb({ widthMm: brief.width.mm, heightMm: brief.height.mm }, rules);
  const agrees = thumb.bracesUpright === bars.bracesUpright.length && thumb.bracesLevel === bars.bracesLevel.length;
  const more = thumb.bracesUpright + thumb.bracesLevel > chosen.braces;
  const says = chosen.holds
    ? more
      ? 'the sum holds with fewer'
      : 'the sum holds with these too'
    : 'these bars bow past their limit';
  return verdict({
    id: 'ruleOfThumb',
    about: 'rule of thumb',
    level: 'good',
    says: agrees
      ? `The rule of thumb says the same: ${braceWords(bars)}.`
      : `The rule of thumb would take ${braceCountWords(thumb.bracesUpright, thumb.bracesLevel)}; ${says}.`,
    because:
      'Custom knows the length only; the sum knows wood, width and tension. A brace also makes a tall frame easier to carry.',
    uses: ['braceFrom', 'twoBracesFrom'],
  });
}
