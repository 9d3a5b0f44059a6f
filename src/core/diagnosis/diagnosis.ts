/*
 * Signs seen on a canvas → causes ranked. Each cause weighs as often as it is behind the signs seen, and then as this
 * job's own judgements speak: a bad one trebles it, a good one that was measured takes it to a third (derived here: the
 * weights of a naive Bayes rule with round likelihoods; they rank, they are no probabilities).
 */
import { toldTo } from '../quantities/toldTo';
import { RECORD_TAPE, type Tape } from '../units/length';
import { printed } from '../quantities/printed';
import { type HouseRules, assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { USES, byId } from '../house/schools';
import { ROUTES, type Route } from '../fasten/routes';
import { stageById } from '../stages/stages';
import { FRONT_WORDS, type SideWords } from '../job/sideWords';
import { type Verdict, verdict } from '../job/verdict';
import { tensionWords } from '../stages/tune/tensionWords';
import { CAUSES, type Cause, SIGNS, type Sign } from './causes';
import { ZONES, type Zone, zoneWords } from './zones';
import type { Plan } from '../case/planJob';

export interface Seen {
  sign: string;
  zone: Zone;
}

/** Signs that are seen at a place of this kind. */
export const signsAt = (zone: Zone): Sign[] => {
  const { kind } = byId(ZONES, zone);
  return SIGNS.filter((sign) => sign.zones.includes(kind));
};

export interface RankedCause {
  cause: Cause;
  /** Share of all the weight, 0 to 1: ranks, is no probability. */
  share: number;
  /** What of this job speaks for it and against it. */
  speaksFor: string[];
  speaksAgainst: string[];
}

const SPEAKS = 3;
/** What was measured far off its aim speaks louder than anything that was only planned. */
const LOUD = 4;

/**
 * Causes of the signs seen, likeliest first.
 *
 * @throws RangeError for a sign that is in no table
 */
export function diagnose(seen: readonly Seen[], inputs: JobInputs, plan: Plan, rules: HouseRules): RankedCause[] {
  for (const { sign } of seen) byId(SIGNS, sign);
  const ranked = CAUSES.flatMap((cause) => {
    const prior = seen.reduce((sum, { sign }) => sum + (cause.signs[sign] ?? 0), 0);
    if (prior === 0) return [];
    const { speaksFor, speaksAgainst, loud } = evidence(cause, seen, inputs, plan, rules);
    const factor = (speaksFor.length > 0 ? SPEAKS : speaksAgainst.length > 0 ? 1 / SPEAKS : 1) * (loud ? LOUD : 1);
    return [{ cause, weight: prior * factor, speaksFor, speaksAgainst }];
  });
  const whole = ranked.reduce((sum, { weight }) => sum + weight, 0);
  return ranked.sort((a, b) => b.weight - a.weight).map(({ weight, ...rest }) => ({ ...rest, share: weight / whole }));
}

function evidence(cause: Cause, seen: readonly Seen[], inputs: JobInputs, plan: Plan, rules: HouseRules) {
  const judged = cause.told.flatMap(({ stage, verdict }) => plan[stage].verdicts.filter((one) => one.id === verdict));
  const own = ownEvidence(cause, seen, inputs, plan, rules);
  const speaksFor = [...judged.filter((one) => one.level !== 'good').map((one) => one.says), ...own.speaksFor];
  // A good judgement speaks against a cause only where something was measured or reckoned.
  const good = judged.filter((one) => one.level === 'good' && one.measured !== null).map((one) => one.says);
  return { speaksFor, speaksAgainst: [...good, ...own.speaksAgainst], loud: own.loud === true };
}

/** Parts of the tension aimed at below and above which it was measured far off. */
const LOOSE_PART = 0.7;
const TIGHT_PART = 1.3;

/** What no judgement of the plan says in so many words. */
interface OwnEvidence {
  speaksFor: string[];
  speaksAgainst: string[];
  loud?: boolean;
}

/** The tension that was measured, against the one aimed at: null where none was. */
function measuredPart({ bars }: JobInputs, plan: Plan): { part: number; says: string } | null {
  const { last } = plan.tune;
  if (!last || last.tool === 'hand') return null;
  const says = `${tensionWords(last.nPerM, last.sdNPerM)} by ${last.tool}; ${printed('tension', bars.tensionNPerM)} is aimed at.`;
  return { part: last.nPerM / bars.tensionNPerM, says };
}

function ownEvidence({ id }: Cause, seen: readonly Seen[], inputs: JobInputs, plan: Plan, rules: HouseRules): OwnEvidence {
  const { bars, fasten, prime } = inputs;
  const measured = measuredPart(inputs, plan);
  const say = (yes: boolean, speaksFor: string, against = '') => ({
    speaksFor: yes ? [speaksFor] : [],
    speaksAgainst: !yes && against !== '' ? [against] : [],
  });
  switch (id) {
    case 'noBead':
      return say(
        plan.bars.profile.beadMm === 0,
        'This bar has no bead.',
        `The bar’s bead stands ${printed('bead', plan.bars.profile.beadMm, RECORD_TAPE)} proud.`,
      );
    case 'firstSlack':
      return say(
        !fasten.secondRound && seen.some(({ zone }) => byId(ZONES, zone).kind !== 'corner'),
        'No second round is planned: the first ones lose most of their pull.',
        'All were drawn and set again.',
      );
    case 'temporaryIn': {
      const held = plan.fasten.route.steps.filter((step) => step.act === 'hold').length;
      return say(held > 0, `${held} held for the time being on this route.`, 'Nothing held for the time being on this route.');
    }
    case 'oneSideHard':
      return say(fixesUnpulled(byId(ROUTES, fasten.route)), 'Two sides were fixed before anything was pulled against them.');
    case 'damp':
      return say(
        prime.roomRh >= assumed(rules, 'dampFrom'),
        `The room stands at ${printed('humidity', prime.roomRh)}.`,
        `The room stands at ${printed('humidity', prime.roomRh)}.`,
      );
    case 'notTightEnough':
      if (!measured) return say(false, '');
      return { ...say(measured.part < LOOSE_PART, measured.says, measured.says), loud: measured.part < LOOSE_PART };
    case 'tooTight':
      if (!measured) return say(bars.tensionNPerM >= 350, `${printed('tension', bars.tensionNPerM)} is hard.`);
      return { ...say(measured.part > TIGHT_PART, measured.says, measured.says), loud: measured.part > TIGHT_PART };
    default:
      return { speaksFor: [], speaksAgainst: [] };
  }
}

/** Signs on a painting that are not for the maker to treat. */
const FOR_A_CONSERVATOR: readonly string[] = ['dent', 'groundCracks', 'tearing', 'slackLater', 'pullLines'];

/** The ranking as verdicts: the likely ones watched, those this job speaks against told as unlikely. */
export function diagnosisVerdicts(
  seen: readonly Seen[],
  inputs: JobInputs,
  plan: Plan,
  { rules, tape }: { rules: HouseRules; tape: Tape },
  say: SideWords = FRONT_WORDS,
): { verdict: Verdict; cause: Cause | null }[] {
  const caution =
    byId(USES, inputs.brief.use).painted && seen.some(({ sign }) => FOR_A_CONSERVATOR.includes(sign))
      ? [
          {
            cause: null,
            verdict: verdict({
              id: 'paintedCanvas',
              about: 'painted canvas',
              level: 'stop',
              says: 'This is a painting: stop before anything is pulled, wetted or glued.',
              because: 'What mends a blank canvas can crack or lift paint.',
              doThis: 'Ask a conservator; go on with what is only looked at.',
            }),
          },
        ]
      : [];
  const ranked = diagnose(seen, inputs, plan, rules).map(({ cause, speaksFor, speaksAgainst }) => {
    const zones = seen.filter(({ sign }) => (cause.signs[sign] ?? 0) > 0).map(({ zone }) => zoneWords(zone, say));
    const where = [...new Set(zones)].join(', ');
    const likely = speaksFor.length > 0;
    const unlikely = !likely && speaksAgainst.length > 0;
    return {
      cause,
      verdict: verdict({
        id: cause.id,
        about: cause.name,
        level: unlikely ? 'good' : 'watch',
        says: `${unlikely ? 'Unlikely here' : likely ? 'Likely' : 'Possible'}: ${cause.name[0]!.toLowerCase()}${cause.name.slice(1)}.`,
        because: [...speaksFor, ...speaksAgainst].join(' ') || 'Nothing measured on this job tells for it or against it.',
        doThis: unlikely
          ? ''
          : `${where[0]!.toUpperCase()}${where.slice(1)}: ${toldTo(cause.remedy.join(' '), tape)} Then repeat: ${stageById(cause.stage).name}.`,
      }),
    };
  });
  return [...caution, ...ranked];
}

/** Whole sides are fixed on this route before anything pulls against them. */
const fixesUnpulled = ({ passes }: Route): boolean => passes.some(({ take, pull }) => take === 'halving' && pull === 'none');
