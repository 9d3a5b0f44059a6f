/* What is made of tensions: against the one aimed at, against this canvas’s own past, and in the air to come. */
import { bare, printed, printedSpread } from '../../quantities/printed';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { byId } from '../../house/schools';
import { type Verdict, verdict } from '../../job/verdict';
import { type WeatherResponse, flatUpTo, lossPerRh } from '../../tension/clothWeather';
import { FEELS } from '../../tension/feel';
import type { RemedyAdvice } from '../../tension/remedies';
import { capital } from '../../painting/paintingVerdicts';
import type { PlanContext } from '../planContext';
import type { JobHistory, TensionReading } from '../../log/jobHistory';
import { TOLD_APART, aimJudged } from './againstAim';
import { tensionWords } from './tensionWords';

/** One way much tighter than the other. */
const UNEVEN = 1.35;

export function historyVerdicts(
  inputs: JobInputs,
  context: PlanContext,
  { tensions }: JobHistory,
  weather: WeatherResponse,
): Verdict[] {
  const measured = tensions.filter(({ tool }) => tool !== 'hand');
  const last = measured.at(-1);
  if (!last) return [];
  const before = measured.filter(({ tool }) => tool === last.tool).at(-2);
  return [
    aimVerdict(last, inputs.bars.tensionNPerM),
    ...evenVerdict(last),
    ...(before ? [pastVerdict(last, before)] : []),
    weatherVerdict(last, inputs, context, weather),
    yearVerdict(last, context),
  ];
}

function aimVerdict(last: TensionReading, aimed: number): Verdict {
  return verdict({
    ...aimJudged(last.nPerM, last.sdNPerM, aimed),
    id: 'tensionMeasured',
    about: `tension measured by ${last.tool}`,
    measured: last.nPerM,
    limit: aimed,
    of: 'tension',
    says: `${tensionWords(last.nPerM, last.sdNPerM)} by ${last.tool}; ${printed('tension', aimed)} is aimed at.`,
    because:
      last.tool === 'tap'
        ? 'From the notes of three taps by the formula of a membrane with the air it moves. Simulated only, not checked on real canvases yet.'
        : 'From the sag under a weight. Not checked on real canvases yet.',
    uses: ['massSpread'],
  });
}

function evenVerdict({ across, down }: TensionReading): Verdict[] {
  if (across === null || down === null) return [];
  const ratio = Math.max(across, down) / Math.min(across, down);
  if (ratio < UNEVEN) return [];
  return [
    verdict({
      id: 'oneWayTighter',
      about: 'one way tighter',
      level: 'watch',
      measured: ratio,
      limit: UNEVEN,
      of: 'ratio',
      says: `${across > down ? 'Across' : 'Down'} it is ${bare('ratio', ratio)} times as tight as ${across > down ? 'down' : 'across'}.`,
      because: 'Either way is known to some ten in a hundred; more than that is in the cloth.',
      doThis: 'Draw and set again along the looser way, or leave it if it lies flat.',
    }),
  ];
}

function pastVerdict(last: TensionReading, before: TensionReading): Verdict {
  const change = last.nPerM - before.nPerM;
  const sd = Math.hypot(last.sdNPerM, before.sdNPerM);
  const sure = Math.abs(change) > TOLD_APART * sd;
  const air =
    last.rh !== null && before.rh !== null
      ? `; then at ${printed('humidity', before.rh)}, now at ${printed('humidity', last.rh)}`
      : '';
  return verdict({
    id: 'ownPast',
    about: 'its own past',
    level: sure && change < 0 ? 'watch' : 'good',
    measured: change,
    limit: TOLD_APART * sd,
    of: 'tensionChange',
    says: sure
      ? `${change > 0 ? 'Tighter' : 'Looser'} by ${printed('tension', Math.abs(change))} than when it was last measured.`
      : `No change that could be told from chance: ${printedSpread('tensionChange', change, sd)}.`,
    because: `Before: ${tensionWords(before.nPerM, before.sdNPerM)}${air}.`,
    doThis: sure && change < 0 ? 'Look at the air first, then at the remedies.' : '',
  });
}

function weatherVerdict(last: TensionReading, { prime }: JobInputs, { rules }: PlanContext, response: WeatherResponse): Verdict {
  const least = assumed(rules, 'slackBelow');
  const rh = last.rh ?? prime.roomRh;
  const flat = flatUpTo({ nPerM: last.nPerM, rh }, least, response);
  const low = flatUpTo({ nPerM: Math.max(0, last.nPerM - last.sdNPerM), rh }, least, response);
  const damp = assumed(rules, 'dampSpell');
  return verdict({
    id: 'dampAir',
    about: 'damp air',
    level: low !== null && low < damp ? 'watch' : 'good',
    measured: flat,
    limit: damp,
    of: 'humidity',
    says:
      flat === null
        ? 'Tight enough that it stays flat in any air the house reckons with.'
        : `Tight enough that it stays flat up to about ${printed('humidity', flat)}${low !== null ? `, ${printed('humidity', low)} if it is as loose as one standard deviation allows` : ''}.`,
    because: `${last.rh === null ? `Its air was not read; ${printed('humidity', rh)} is assumed. ` : ''}It loses about ${printed('tension', 10 * lossPerRh(response))} for ten % RH more: stiffness × (cloth − bars), both guesses of the house.`,
    doThis: low !== null && low < damp ? 'Tighten before the damp months, or hang it where the air is even.' : '',
    uses: ['clothDamp', 'woodDamp', 'slackBelow', 'dampSpell'],
  });
}

/** From the first day to the end of the first year, in tenfolds. */
const DECADES_IN_A_YEAR = Math.log10(365);

/** What creep alone leaves after a year. */
function yearVerdict(last: TensionReading, { rules, taught }: PlanContext): Verdict {
  const learned = taught?.creep ?? null;
  const lost = Math.min(1, (learned?.value ?? assumed(rules, 'clothCreep') / 100) * DECADES_IN_A_YEAR);
  const left = last.nPerM * (1 - lost);
  const least = assumed(rules, 'slackBelow');
  return verdict({
    id: 'yearOn',
    about: 'a year from now',
    level: left < least ? 'watch' : 'good',
    measured: left,
    limit: least,
    of: 'tensionChange',
    says: `By creep alone about ${printed('tension', left)} would be left after a year in the same air.`,
    because: learned
      ? `This cloth under this ground lost ${printed('creep', learned.value)} in a tenfold of time: ${learned.records} pair${learned.records === 1 ? '' : 's'} of readings of this house.`
      : `The house reckons with ${printed('creep', assumed(rules, 'clothCreep') / 100)} in a tenfold of time, until its own readings say better.`,
    doThis: left < least ? 'Leave it tighter, or look at it again within the year.' : '',
    uses: ['clothCreep', 'slackBelow'],
  });
}

export function feelVerdicts({ tune, bars }: JobInputs): Verdict[] {
  if (tune.feel === null) return [];
  const feel = byId(FEELS, tune.feel);
  const [low, high] = feel.bandNPerM;
  const target = bars.tensionNPerM;
  const level = feel.slack ? 'stop' : target < low || target > high * 1.3 ? 'watch' : 'good';
  return [
    verdict({
      id: 'tensionByFeel',
      about: 'tension by feel',
      level,
      says: `Felt ${feel.name.toLowerCase()}; the bars were reckoned for ${printed('tension', target)}.`,
      because: 'A feel is a band, not a number: it is logged as felt.',
      doThis: feel.slack
        ? 'Choose a remedy below before you prime.'
        : target < low
          ? 'Tighter than the bars were planned for: look at their bow again.'
          : level === 'watch'
            ? 'Looser than planned: a remedy now is easier than later.'
            : '',
    }),
  ];
}

export function remedyVerdict(advice: RemedyAdvice[], { tune }: JobInputs): Verdict[] {
  const chosen = advice.find((one) => one.id === tune.remedy)!;
  if (tune.remedy === 'none') return [];
  if (chosen.barred)
    return [
      verdict({
        id: 'remedy',
        about: 'remedy',
        level: 'stop',
        says: `${chosen.name}: not here.`,
        because: `${capital(chosen.barred)}.`,
        doThis: 'Choose another.',
      }),
    ];
  return [
    verdict({
      id: 'remedy',
      about: 'remedy',
      level: 'good',
      says: `${chosen.name}: ${chosen.speaksFor.join('; ')}.`,
      because:
        chosen.speaksAgainst.length > 0 ? `Against it: ${chosen.speaksAgainst.join('; ')}.` : 'Nothing speaks against it here.',
      doThis: 'Measure before and after: the log keeps both.',
    }),
  ];
}
