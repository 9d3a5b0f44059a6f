import { stiffnessOf } from '../cloth/fabrics';
import { JOINTS } from '../frame/joints';
import { assumed } from '../job/houseRules';
import { fabricOf } from '../job/materials';
import type { JobInputs } from '../job/job';
import { EDGES, USES, byId } from '../job/schools';
import { type Verdict, levelAtMost, verdict } from '../job/verdict';
import { type CornerOpening, cornerOpening } from '../tension/cornerOpening';
import { FEELS } from '../tension/feel';
import { REMEDIES, type RemedyCase, type RemedyId } from '../tension/remedies';
import { printFine } from '../units/length';
import type { PlanContext, StagePlan } from './context';
import { weighedTension, weightReadings, weightVerdicts, weightWords } from './weightVerdicts';

export interface RemedyAdvice {
  id: RemedyId;
  name: string;
  barred: string | null;
  speaksFor: string[];
  speaksAgainst: string[];
}

export interface TunePlan extends StagePlan {
  opening: CornerOpening;
  canOpen: boolean;
  advice: RemedyAdvice[];
}

/** What was felt, what opening the corners would do, and what speaks for and against each remedy here. */
export function planTune(inputs: JobInputs, context: PlanContext): TunePlan {
  const { tape } = context;
  const { brief, bars, cloth, tune } = inputs;
  const fabric = fabricOf(context.rules, cloth.fabric);
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const opening = cornerOpening(tune.opening.mm, face, stiffnessOf(fabric));
  const canOpen = byId(JOINTS, bars.joint).opens;
  const here: RemedyCase = {
    painted: byId(USES, brief.use).painted,
    primed: fabric.primed,
    cornersOpen: canOpen,
    inRebate: byId(EDGES, brief.edges).inRebate,
    growthWords: `${printFine(opening.growthMm, tape)} of ${printFine(brief.rebateClearance.mm, tape)}`,
  };
  const advice = REMEDIES.map(({ id, name, barred, speaksFor, speaksAgainst }) => ({
    id,
    name,
    barred: barred(here),
    speaksFor: speaksFor(here),
    speaksAgainst: speaksAgainst(here),
  }));
  const feel = byId(FEELS, tune.feel);
  const weighed = here.painted ? null : weighedTension(inputs, context);
  return {
    answer: weighed ? weightWords(weighed) : feel.name,
    answerNote: `${weighed ? 'by weight; it feels ' + feel.name.toLowerCase() + ', ' : ''}${feel.says}; roughly ${feel.bandNPerM[0]} to ${feel.bandNPerM[1]} N/m, by feel${weighed ? '' : ' only'}`,
    verdicts: [
      ...weightVerdicts(inputs, weighed),
      feelVerdict(inputs),
      ...remedyVerdict(advice, inputs),
      ...openingVerdicts(opening, canOpen, inputs, context),
    ],
    readings: [
      ...weightReadings(weighed),
      { quantity: 'corner opening', value: tune.opening.mm, unit: 'mm', precision: 0.2, tool: 'rule' },
      {
        quantity: 'felt tension, middle of band',
        value: (feel.bandNPerM[0] + feel.bandNPerM[1]) / 2,
        unit: 'N/m',
        precision: (feel.bandNPerM[1] - feel.bandNPerM[0]) / 2,
        tool: 'hand',
      },
    ],
    setsMinutes: null,
    opening,
    canOpen,
    advice,
  };
}

function feelVerdict({ tune, bars }: JobInputs): Verdict {
  const feel = byId(FEELS, tune.feel);
  const [low, high] = feel.bandNPerM;
  const target = bars.tensionNPerM;
  const level = target < low ? 'watch' : target > high * 1.3 ? 'watch' : 'good';
  return verdict({
    about: 'tension by feel',
    level: tune.feel === 'slack' ? 'stop' : level,
    says: `Felt ${feel.name.toLowerCase()}; the bars were reckoned for ${target} N/m.`,
    because: 'A feel is a band, not a number: it is logged as felt.',
    doThis:
      tune.feel === 'slack'
        ? 'Choose a remedy below before you prime.'
        : target < low
          ? 'Tighter than the bars were reckoned for: look at their bow again.'
          : level === 'watch'
            ? 'Looser than planned: a remedy now is easier than later.'
            : '',
  });
}

function remedyVerdict(advice: RemedyAdvice[], { tune }: JobInputs): Verdict[] {
  const chosen = advice.find((one) => one.id === tune.remedy)!;
  if (tune.remedy === 'none') return [];
  if (chosen.barred)
    return [
      verdict({
        about: 'remedy',
        level: 'stop',
        says: `${chosen.name}: not here.`,
        because: `${chosen.barred[0]!.toUpperCase()}${chosen.barred.slice(1)}.`,
        doThis: 'Choose another.',
      }),
    ];
  return [
    verdict({
      about: 'remedy',
      level: 'good',
      says: `${chosen.name}: ${chosen.speaksFor.join('; ')}.`,
      because: `Against it: ${chosen.speaksAgainst.join('; ')}.`,
    }),
  ];
}

function openingVerdicts(
  opening: CornerOpening,
  canOpen: boolean,
  { tune, brief }: JobInputs,
  { tape, rules }: PlanContext,
): Verdict[] {
  if (tune.opening.mm === 0) return [];
  if (!canOpen)
    return [
      verdict({
        about: 'corners',
        level: 'stop',
        says: 'This is a strainer: its corners do not open.',
        because: 'Glue, staples or screws hold them.',
        doThis: 'Set the opening to 0, or re-stretch.',
      }),
    ];
  const level = levelAtMost(tune.opening.mm, assumed(rules, 'keyWatch'), assumed(rules, 'keyEnd'));
  const list = [
    verdict({
      about: 'corners',
      level,
      measured: tune.opening.mm,
      limit: assumed(rules, 'keyWatch'),
      unit: 'mm',
      says: `Opened ${printFine(tune.opening.mm, tape)} at each corner: it grows ${printFine(opening.growthMm, tape)} each way, tension rises about ${opening.riseWidthNPerM.toFixed(0)} N/m across and ${opening.riseHeightNPerM.toFixed(0)} N/m down.`,
      because: 'Rise = stiffness × growth / length: an upper estimate, nothing slips.',
      doThis:
        level === 'good'
          ? 'All four alike, card behind each key, tap gently.'
          : level === 'watch'
            ? 'That is a lot: re-stretching is surer.'
            : 'The joint is at its end: close it and re-stretch.',
      uses: ['keyWatch', 'keyEnd'],
    }),
  ];
  if (!byId(EDGES, brief.edges).inRebate) return list;
  const clearanceMm = brief.rebateClearance.mm;
  const fits = opening.growthMm <= clearanceMm;
  return [
    ...list,
    verdict({
      about: 'rebate',
      level: fits ? 'good' : 'stop',
      measured: opening.growthMm,
      limit: clearanceMm,
      unit: 'mm',
      says: `Grows ${printFine(opening.growthMm, tape)} into ${printFine(clearanceMm, tape)} of clearance.`,
      because: 'A keyed frame may no longer fit its rebate.',
      doThis: fits ? '' : 'Open less, or widen the rebate.',
    }),
  ];
}
