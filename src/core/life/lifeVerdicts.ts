/* What is made of a canvas that hangs: whether it lost what the air and the years take, or more; its place; when it is to be looked at again. */
import { bare, printed, printedRange } from '../quantities/printed';
import { type HouseRules, assumed } from '../house/houseRules';
import { type Verdict, verdict } from '../job/verdict';
import { type TensionReading, lastTension } from '../log/jobHistory';
import type { Permission } from '../stages/look/mayBeDone';
import { tensionWords } from '../stages/tune/tensionWords';
import { type WeatherResponse, lossPerRh, tensionAt } from '../tension/clothWeather';
import { longDay } from '../units/inWords';
import { type HangingPlace, placeWords } from './climates';
import { type CreepLesson, daysSince, leftByCreep, movedBefore, readingBefore } from './creep';
import { type Fading, feltPastVerdict } from './feltPast';
import type { Life } from './life';

/** What a life is judged under. */
export interface LifeGround {
  rules: HouseRules;
  response: WeatherResponse;
  /** What the house learned of this cloth under this ground; null where it has too few cases. */
  lesson: CreepLesson | null;
  painted: boolean;
  fragile: boolean;
  /** Whether it may hang, by its file. */
  hanging: Permission;
  keyed: boolean;
  nowMs: number;
}

/** So few cases teach nothing: the assumption of the house stands. */
const LEAST_CASES = 2;
/** No cloth is known better than this, in a tenfold of time. */
const LEAST_SD = 0.01;
const MONTH_MS = 30.44 * 86_400_000;
/** Told apart from chance by so many standard deviations. */
const TOLD_APART = 2;

/** The creep that is reckoned with, how well it is known, and where it comes from. */
export function creepOf({ lesson, rules }: Pick<LifeGround, 'lesson' | 'rules'>): {
  perDecade: number;
  sd: number;
  because: string;
} {
  if (lesson && lesson.cases >= LEAST_CASES)
    return {
      perDecade: lesson.perDecade,
      sd: Math.max(LEAST_SD, lesson.sd),
      because: `This cloth under this ground lost ${printed('lostShare', lesson.perDecade)} in a tenfold of time, the middle one of ${lesson.cases} cases of this house (${printedRange('lostShare', lesson.least, lesson.most)})`,
    };
  const percent = assumed(rules, 'clothCreep');
  return {
    perDecade: percent / 100,
    sd: percent / 200,
    because: `The house reckons with ${printed('percent', percent)} in a tenfold of time; ${lesson ? `${lesson.cases} case of its own is too few` : 'it has no case of its own yet'}`,
  };
}

export interface Expected {
  nPerM: number;
  sdNPerM: number;
  /** Of the loss since: by the air and by creep, N/m; below 0 where it gained. */
  byAir: number;
  byCreep: number;
}

/**
 * What a cloth should have now, from an earlier reading; null where the air of either is not known.
 *
 * @param movedAt when it was moved last before both
 * @param rh of the air now, %
 */
export function expectedNow(
  first: TensionReading,
  movedAt: string,
  now: { at: string; rh: number | null },
  ground: Pick<LifeGround, 'response' | 'lesson' | 'rules'>,
): Expected | null {
  if (first.rh === null || now.rh === null) return null;
  const creep = creepOf(ground);
  const [from, to] = [daysSince(movedAt, first.at), daysSince(movedAt, now.at)];
  const byCreep = first.nPerM * (1 - leftByCreep(creep.perDecade, from, to));
  const byAir = lossPerRh(ground.response) * (now.rh - first.rh);
  const sdCreep = first.nPerM * creep.sd * Math.abs(Math.log10(to / from));
  return {
    nPerM: Math.max(0, first.nPerM - byCreep - byAir),
    // The coefficients of the air are guesses: half of what they say is as likely.
    sdNPerM: Math.hypot(first.sdNPerM, sdCreep, byAir / 2),
    byAir,
    byCreep,
  };
}

export function lifeVerdicts(life: Life, ground: LifeGround): Verdict[] {
  return [
    ...hangingVerdicts(life, ground),
    ...pastVerdicts(life, ground),
    ...placeVerdicts(life, ground),
    ...dryVerdicts(life, ground),
    ...lookVerdicts(life, ground),
  ];
}

function pastVerdicts(life: Life, ground: LifeGround): Verdict[] {
  const last = life.tensions.at(-1);
  const first = last && readingBefore(life, last);
  const moved = last && movedBefore(life, last.order);
  if (!last || !first || !moved) return [];
  if (first.tool === 'hand')
    return [
      feltPastVerdict({
        first,
        last,
        fading: fadingBetween(first, moved.at, last, ground),
        between: life.marks.filter(({ order }) => order > first.order && order <= last.order),
        gave: remedyWords(ground),
        tightened: tighterWords(ground),
      }),
    ];
  const since = `on ${longDay(first.at)}, the first reading after “${moved.says.toLowerCase()}”`;
  const lost = first.nPerM - last.nPerM;
  const change = `${printed('lostShare', Math.abs(lost / first.nPerM))} ${lost >= 0 ? 'less' : 'more'}`;
  const expected = expectedNow(first, moved.at, last, ground);
  if (!expected)
    return [
      verdict({
        id: 'lifePast',
        about: 'its own past',
        level: lost > TOLD_APART * Math.hypot(first.sdNPerM, last.sdNPerM) ? 'watch' : 'good',
        measured: -lost,
        of: 'tensionChange',
        says: `${readWords(last)}, ${change} than ${since}.`,
        because: 'The air of one of the two was not read: what the weather did cannot be taken off.',
        doThis: 'Note the humidity with every reading.',
      }),
    ];
  const beyond = expected.nPerM - last.nPerM;
  const sd = Math.hypot(expected.sdNPerM, last.sdNPerM);
  const cloth = beyond > TOLD_APART * sd;
  // No cloth gets tighter by itself than its air makes it.
  const tighter = beyond < -TOLD_APART * sd;
  const weather = !cloth && lost > 0 && expected.byAir > expected.byCreep && expected.byAir > last.sdNPerM;
  const because = `${tensionWords(first.nPerM, first.sdNPerM)} then at ${printed('humidity', first.rh!)}, ${readWords(last)} now at ${printed('humidity', last.rh!)}. The air takes ${printed('tension', expected.byAir)}, creep ${bare('tension', expected.byCreep)}: ${tensionWords(expected.nPerM, expected.sdNPerM)} would be left. ${creepOf(ground).because}.`;
  return [
    verdict({
      id: 'lifePast',
      about: 'its own past',
      level: cloth || tighter ? 'watch' : 'good',
      measured: beyond,
      limit: TOLD_APART * sd,
      of: 'tensionChange',
      says: cloth
        ? `${change} than ${since}: it is the cloth, not the weather.`
        : tighter
          ? `${change} than ${since}: tighter than it gets by itself.`
          : weather
            ? `${change} than ${since}: it is the weather, not the cloth.`
            : `${change} than ${since}: what the air and the time would do.`,
      because,
      doThis: cloth
        ? remedyWords(ground)
        : tighter
          ? tighterWords(ground)
          : weather
            ? 'Wait for drier air before any remedy.'
            : '',
      uses: ['clothCreep', 'clothDamp', 'woodDamp'],
    }),
  ];
}

/** What air and age take between two readings; null where the air of either is not known. */
function fadingBetween(first: TensionReading, movedAt: string, last: TensionReading, ground: LifeGround): Fading | null {
  const expected = expectedNow(first, movedAt, last, ground);
  return expected && { creepPart: expected.byCreep / first.nPerM, byAir: expected.byAir };
}

/** A reading, and that it was felt where it was. */
const readWords = ({ nPerM, sdNPerM, tool }: TensionReading): string =>
  `${tool === 'hand' ? 'felt, ' : ''}${tensionWords(nPerM, sdNPerM)}`;

/** What to do about a cloth that gave: a conservator before any hand where paint could be hurt. */
function remedyWords({ painted, fragile, keyed }: LifeGround): string {
  if (fragile) return 'The painting is fragile: stop and ask a conservator before anything else.';
  const look = 'Look for a drawn fastener, an open joint or a key that fell out';
  const act = keyed ? 'then open the corners a little, all four' : 'then draw the loose side and set it again';
  return `${look}; ${act}.${painted ? ' Where the paint is of value or flakes, ask a conservator first.' : ''}`;
}

/** What to do about a cloth that got tighter than it does by itself. */
const tighterWords = ({ painted }: LifeGround): string =>
  `Ask whether somebody opened its corners, and note it; otherwise read it once more by the same tool: one of the two readings is off.${painted ? ' Paint that is pulled tight can crack: let a conservator see it.' : ''}`;

/** A painting that its file says is not to hang. */
function hangingVerdicts({ hangs, takenDown }: Life, { hanging }: LifeGround): Verdict[] {
  if (hanging.may === 'allowed' || takenDown) return [];
  return [
    verdict({
      id: 'lifeHanging',
      about: 'hanging',
      level: 'stop',
      says: hanging.says,
      because: hanging.because,
      doThis: `${hangs ? 'Take it off the wall with two people and lay' : 'Keep'} it flat, face up; write into its file what a conservator said.`,
    }),
  ];
}

function placeVerdicts(life: Life, { rules, response }: LifeGround): Verdict[] {
  const { hangs } = life;
  const last = lastTension(life);
  if (!hangs || life.takenDown) return [];
  const least = assumed(rules, 'slackBelow');
  const newest = life.tensions.at(-1);
  const feltSlack = newest?.tool === 'hand' && newest.nPerM < least;
  const dampFrom = assumed(rules, 'dampSpell');
  const damp = isDampPlace(hangs, rules);
  if (!last || last.rh === null || feltSlack)
    return [
      verdict({
        id: 'lifePlace',
        about: 'the place',
        level: damp || feltSlack ? 'watch' : 'good',
        measured: hangs.mostRh,
        limit: dampFrom,
        of: 'humidity',
        says: damp
          ? `It hangs damp: up to ${printed('humidity', hangs.mostRh)}.`
          : `Its place stays below ${printed('humidity', dampFrom)}.`,
        because: `${placeWords(hangs)}. ${feltSlack ? 'It was felt slack since it was measured' : 'No tension was measured with its air'}, so what it does there is not told.`,
        doThis: damp || feltSlack ? 'Measure it where it hangs, with the air.' : '',
        uses: ['dampSpell'],
      }),
    ];
  const known = { nPerM: last.nPerM, rh: last.rh };
  const [low, high] = [tensionAt(known, hangs.mostRh, response), tensionAt(known, hangs.leastRh, response)];
  const slack = low < least;
  const needed = least + lossPerRh(response) * (hangs.mostRh - known.rh);
  return [
    verdict({
      id: 'lifePlace',
      about: 'the place',
      level: slack ? 'watch' : 'good',
      measured: low,
      limit: least,
      of: 'tensionChange',
      says: slack
        ? `Where it hangs it goes slack in damp weather: ${printed('tension', low)} at ${printed('humidity', hangs.mostRh)}.`
        : `Where it hangs it stays flat: ${printedRange('tension', low, high)} over its air.`,
      because: `${placeWords(hangs)}; from ${tensionWords(last.nPerM, last.sdNPerM)} at ${printed('humidity', known.rh)}, linear, without delay.`,
      doThis: slack ? `It wants ${printed('tension', needed)} in the air it was measured in, or a drier place.` : '',
      uses: ['clothDamp', 'woodDamp', 'slackBelow'],
    }),
  ];
}

/** A painting that its driest air pulls harder than paint bears; nothing where it does not. */
function dryVerdicts(life: Life, { rules, response, painted }: LifeGround): Verdict[] {
  const last = lastTension(life);
  if (!painted || !life.hangs || life.takenDown || !last || last.rh === null) return [];
  const most = assumed(rules, 'paintedMost');
  const high = tensionAt({ nPerM: last.nPerM, rh: last.rh }, life.hangs.leastRh, response);
  if (high <= most) return [];
  return [
    verdict({
      id: 'lifeDry',
      about: 'dry air',
      level: 'watch',
      measured: high,
      limit: most,
      of: 'tension',
      says: `In its driest air it is pulled to ${printed('tension', high)}; ${printed('tension', most)} is the most for a painting.`,
      because: `${placeWords(life.hangs)}; from ${tensionWords(last.nPerM, last.sdNPerM)} at ${printed('humidity', last.rh)}, linear, without delay. Old paint does not stretch with its cloth: it cracks.`,
      doThis: 'Hang it where the air stays less dry. Let a conservator see the paint before anything is slackened.',
      uses: ['clothDamp', 'woodDamp', 'paintedMost'],
    }),
  ];
}

/** Its air is as damp as what counts as a damp spell. */
export const isDampPlace = ({ mostRh }: Pick<HangingPlace, 'mostRh'>, rules: HouseRules): boolean =>
  mostRh >= assumed(rules, 'dampSpell');

function lookVerdicts({ lookedAt, handedOverAt, takenDown }: Life, { rules, nowMs }: LifeGround): Verdict[] {
  if (!lookedAt || !handedOverAt || takenDown) return [];
  const every = assumed(rules, 'lookAgain');
  const months = (nowMs - Date.parse(lookedAt)) / MONTH_MS;
  const late = months > every;
  return [
    verdict({
      id: 'lifeLook',
      about: 'looking at it',
      level: late ? 'watch' : 'good',
      measured: months,
      limit: every,
      of: 'months',
      says: late ? `Not looked at for ${printed('years', months / 12)}.` : `Looked at ${longDay(lookedAt)}.`,
      because: `This house looks at what it made every ${printed('months', every)}, where it can.`,
      doThis: late ? 'Ask whoever has it how it hangs; a feel and the humidity say much.' : '',
      uses: ['lookAgain'],
    }),
  ];
}
