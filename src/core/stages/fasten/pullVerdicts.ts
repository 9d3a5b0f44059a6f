/* What is judged of pulls that were worked out: what they gain over those that are taught, what the hand can hold, where the cloth goes. */
import { bare, printed } from '../../quantities/printed';
import type { Hand, HandNoise } from '../../fasten/hand';
import type { JobInputs } from '../../job/job';
import { sideWords } from '../../job/sideWords';
import { type Verdict, verdict } from '../../job/verdict';
import { printFine } from '../../units/length';
import { USES, byId } from '../../house/schools';
import type { PlanContext } from '../planContext';
import type { EndOfPulls, PullPlan } from './pullPlan';

/** A gain of less than this is within what hands vary by. */
export const WITHIN_THE_BAND = 0.03;
/** The middle may be drawn so far on raw cloth, and on a painting, mm. */
const DRIFT_SEEN_MM = 3;
const DRIFT_PAINTED_MM = 1;

/** More than this part of the shorter side no hand lets a cloth be drawn: the model, which has no friction and no eye, is not believed. */
export const DRIFT_BELIEVED_PART = 0.03;

const uneven = (value: number) => bare('unevenness', value);
const range = ({ range: [least, most] }: EndOfPulls) => `${uneven(least)} to ${uneven(most)}`;

/** "3 mm to the left and 2 mm up": the way a drift is answered, as the sides are named on the back or in front. */
export function driftAnswer({ xMm, yMm }: PullPlan['drift'], { tape, view }: Pick<PlanContext, 'tape' | 'view'>): string {
  const say = sideWords(view);
  const parts = [
    Math.abs(xMm) >= 0.5 ? `${printFine(Math.round(Math.abs(xMm)), tape)} towards ${say.side(xMm > 0 ? 'left' : 'right')}` : '',
    Math.abs(yMm) >= 0.5 ? `${printFine(Math.round(Math.abs(yMm)), tape)} towards ${say.side(yMm > 0 ? 'top' : 'bottom')}` : '',
  ].filter((part) => part !== '');
  return parts.join(' and ');
}

export function pullVerdicts(
  plan: PullPlan,
  inputs: JobInputs,
  context: Pick<PlanContext, 'tape' | 'view'>,
  hands: { hand: Hand | null; noise: HandNoise | null },
): Verdict[] {
  return [
    gainVerdict(plan, hands.noise),
    ...pushingVerdict(plan),
    ...reachVerdict(plan, inputs),
    ...tensionVerdict(plan),
    ...driftVerdict(plan, inputs, context),
    ...handVerdict(hands),
  ];
}

function gainVerdict({ taught, worked, floor, bounds }: PullPlan, noise: HandNoise | null): Verdict {
  const gain = taught.expected - worked.expected;
  const gains = gain > WITHIN_THE_BAND;
  const both = `By this list the edge ends uneven by about ${uneven(worked.expected)}, as taught by ${uneven(taught.expected)}`;
  const percent = Math.round(100 * bounds.noise);
  return verdict({
    id: 'pullGain',
    about: 'evenness by the pulls',
    level: worked.expected <= taught.expected ? 'good' : 'watch',
    measured: worked.expected,
    limit: taught.expected,
    of: 'unevenness',
    says: gains
      ? `${both}; with these hands no list tried for this order comes under ${uneven(floor)}.`
      : gain < -WITHIN_THE_BAND
        ? `${both}: what it loses there it gains in ${bounds.driftPerMm ? 'an image that stays where it was laid' : 'safety on cloth stiffer or softer than reckoned'}.`
        : `${both}: hands that vary make no difference of it.`,
    because: `Hands that vary by ${printed('percent', percent)} from pull to pull${noise && !noise.simulated ? `, as ${noise.pulls} pulls on the scale told` : ', as is assumed'}. On cloth half or twice as stiff, sheared otherwise or slipping on the back: ${range(worked)}, as taught ${range(taught)}. No friction, no lasting give in it.`,
    doThis: gains
      ? 'Pull by the list: the first four make most of the gain.'
      : gain < -WITHIN_THE_BAND && bounds.driftPerMm
        ? 'Pull by the list where the image must not wander; else go by the feel of the cloth.'
        : 'Go by the feel of the cloth.',
    uses: ['handNoise', 'pullLevels'],
  });
}

function pushingVerdict({ taught, worked }: PullPlan): Verdict[] {
  if (taught.pushing === 0 && worked.pushing === 0) return [];
  return [
    verdict({
      id: 'pullPushing',
      about: 'fasteners that end with nothing',
      level: worked.pushing > 0 ? 'watch' : 'good',
      measured: worked.pushing,
      limit: 0,
      of: 'fasteners',
      says: `As taught ${taught.pushing === 1 ? 'one fastener ends' : `${taught.pushing} fasteners end`} holding nothing, by this list ${worked.pushing === 0 ? 'none' : worked.pushing}.`,
      because: 'Where the cloth would have to push, a fastener holds nothing: it is counted as that.',
      doThis: worked.pushing > 0 ? 'Draw those and set them again at the end.' : '',
    }),
  ];
}

function reachVerdict({ pulls, bounds }: PullPlan, { cloth }: JobInputs): Verdict[] {
  const hardest = Math.max(...pulls.map(({ workedN }) => workedN));
  if (hardest < bounds.mostN - 1e-9) return [];
  return [
    verdict({
      id: 'pullReach',
      about: 'hardest pull of the list',
      level: 'watch',
      measured: hardest,
      limit: bounds.mostN,
      of: 'pull',
      says: `The list asks for ${printed('pull', hardest)}, the most that ${cloth.grip === 'hand' ? 'fingers' : 'pliers'} pull.`,
      because: 'The first to answer carries what its neighbours take off it later.',
      doThis: cloth.grip === 'hand' ? 'Take pliers for those, jaw on the cloth; or aim lower.' : 'Aim lower, or set them closer.',
      uses: cloth.grip === 'hand' ? ['fingersMost'] : ['pliersMost'],
    }),
  ];
}

/** A list may miss the tension aimed at by so much before it is said. */
const TENSION_MISSED = 0.15;

function tensionVerdict({ aimedNPerM, reachedNPerM, bounds }: PullPlan): Verdict[] {
  const missed = reachedNPerM / aimedNPerM - 1;
  if (Math.abs(missed) <= TENSION_MISSED) return [];
  return [
    verdict({
      id: 'pullTension',
      about: 'tension by the pulls',
      level: 'watch',
      measured: reachedNPerM,
      limit: aimedNPerM,
      of: 'tension',
      says: `By this list the cloth comes to about ${printed('tension', reachedNPerM)}; ${printed('tension', aimedNPerM)} is aimed at.`,
      because:
        missed > 0
          ? `No hand pulls less than ${printed('pull', bounds.leastN)} on purpose, and the fasteners stand close.`
          : `No pull goes over ${printed('pull', bounds.mostN)}.`,
      doThis: missed > 0 ? 'Aim higher in Bars, or fasten further apart.' : 'Aim lower in Bars, take pliers, or fasten closer.',
    }),
  ];
}

function driftVerdict(
  { drift, taughtDrift, bounds }: PullPlan,
  { brief }: JobInputs,
  context: Pick<PlanContext, 'tape' | 'view'>,
): Verdict[] {
  const { painted } = byId(USES, brief.use);
  const limit = painted ? DRIFT_PAINTED_MM : DRIFT_SEEN_MM;
  const far = Math.hypot(drift.xMm, drift.yMm);
  if (far <= limit) return [];
  const mm = (value: number) => printFine(Math.round(value), context.tape);
  const believed = DRIFT_BELIEVED_PART * Math.min(brief.width.mm, brief.height.mm);
  if (far > believed)
    return [
      verdict({
        id: 'pullDrift',
        about: 'drift of the cloth',
        level: 'watch',
        measured: null,
        limit: believed,
        of: 'drift',
        says: `How far the middle is drawn by this list could not be worked out: the model draws it further than the ${mm(believed)} that a hand would let it.`,
        because:
          'The model has no friction and no eye: before all four sides hold, it lets the cloth go where a maker lays it straight.',
        doThis: 'Mark the middles of bars and cloth, and lay them together before each of the first fasteners.',
      }),
    ];
  return [
    verdict({
      id: 'pullDrift',
      about: 'drift of the cloth',
      level: painted ? 'watch' : 'good',
      measured: far,
      limit,
      of: 'drift',
      says: `By this list the middle is drawn about ${mm(far)} from where it was laid, as taught about ${mm(Math.hypot(taughtDrift.xMm, taughtDrift.yMm))}.`,
      because: `The side that is fastened first holds the cloth; the one that answers draws it over.${bounds.driftPerMm ? ` A millimetre was counted as ${uneven(bounds.driftPerMm)} of unevenness when the list was worked out.` : ''}`,
      doThis: `Lay the cloth ${driftAnswer(drift, context)} beforehand${painted ? '; look at the image after the first four, and set them again while it costs nothing' : ''}.`,
      uses: painted ? ['driftCounts'] : [],
    }),
  ];
}

function handVerdict({ hand }: { hand: Hand | null }): Verdict[] {
  if (hand && !hand.simulated) return [];
  return [
    verdict({
      id: 'handTrial',
      about: 'hand on the scale',
      level: 'watch',
      says: hand
        ? 'This hand was tried on the practice scale alone: its newtons are invented.'
        : 'This hand was not tried on the scale: newtons are no feeling yet.',
      because: 'Nobody feels newtons; a pull is known by what it felt like on the scale.',
      doThis: 'Hook a kitchen scale to a strip of cloth, pull to the feel three times, and type what it showed.',
    }),
  ];
}
