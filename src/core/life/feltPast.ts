/*
 * Feels compared with feels. A hand sorts a cloth into five bands and no finer: so what its air and its age would have made of
 * it is carried out for everything that the first feel may have been, for creep and air as little or as much as they are likely
 * to take, and for a hand that is off by a part of a band; how many of these would feel as loose, or as tight, as it does now.
 */
import { printed, printedRange } from '../quantities/printed';
import { type Verdict, verdict } from '../job/verdict';
import type { TensionReading } from '../log/jobHistory';
import { FEELS, middleOf } from '../tension/feel';
import { longDay } from '../units/inWords';
import type { LifeMark } from './life';

/** The feel whose middle a kept reading is. */
const indexOf = ({ nPerM }: Pick<TensionReading, 'nPerM'>): number => {
  const apart = FEELS.map((one) => Math.abs(middleOf(one) - nPerM));
  return apart.indexOf(Math.min(...apart));
};

/** Places within the band of the first feel that are tried. */
const PLACES = 20;
/** How far off a hand is, N/m, and what creep and air take of what is expected of them: each alike often, the middle twice. */
const HANDS_OFF = [-20, 0, 0, 20];
const PARTS = [0.5, 1, 1, 1.5];

/** What would be left of a tension, by its air and its age. */
export interface Fading {
  /** Part of it that creep takes. */
  creepPart: number;
  /** What the air takes, N/m; below 0 where it gives. */
  byAir: number;
}

/**
 * How many of 100 cloths that did what their air and age make them do would feel so.
 *
 * @param from index of the first feel among the five, from the loosest
 * @param to index of the last one
 * @returns as loose as that or looser, and as tight as that or tighter; 0 to 100 each
 * @example oddsOfFeel(2, 2, { creepPart: 0, byAir: 0 }).asLoose > 50 // true
 */
export function oddsOfFeel(from: number, to: number, { creepPart, byAir }: Fading): { asLoose: number; asTight: number } {
  const [low, high] = FEELS[from]!.bandNPerM;
  const [lowest, highest] = FEELS[to]!.bandNPerM;
  let [cases, loose, tight] = [0, 0, 0];
  for (let place = 0; place < PLACES; place += 1)
    for (const creep of PARTS)
      for (const air of PARTS)
        for (const off of HANDS_OFF) {
          const then = low + ((high - low) * (place + 0.5)) / PLACES;
          const now = Math.max(0, then * (1 - creep * creepPart) - air * byAir) + off;
          cases += 1;
          if (now < highest) loose += 1;
          if (now >= lowest || to === 0) tight += 1;
        }
  return { asLoose: (100 * loose) / cases, asTight: (100 * tight) / cases };
}

/** Rarer than so many of 100 is told apart from air and age. */
const RARE = 5;

const stepWords = (steps: number): string =>
  steps === 0
    ? 'as'
    : `${Math.abs(steps) === 1 ? 'one step' : `${Math.abs(steps)} steps`} ${steps > 0 ? 'looser than' : 'tighter than'}`;

interface FeltPast {
  first: TensionReading;
  last: TensionReading;
  /** Null where the air of one of the two was not read. */
  fading: Fading | null;
  /** What was noted between the two. */
  between: readonly LifeMark[];
  /** What to do about a cloth that gave, and about one that got tighter. */
  gave: string;
  tightened: string;
}

/** What two feels tell, the cloth not moved between them: its air and its age, or more. */
export function feltPastVerdict({ first, last, fading, between, gave, tightened }: FeltPast): Verdict {
  const [from, to] = [indexOf(first), indexOf(last)];
  const steps = from - to;
  const bands = [...new Set([from, to])].map((index) => {
    const { name, bandNPerM } = FEELS[index]!;
    return `${name.toLowerCase()} is roughly ${printedRange('tension', ...bandNPerM)}`;
  });
  const since = steps === 0 ? `as on ${longDay(first.at)}` : `${stepWords(steps)} on ${longDay(first.at)}`;
  const felt = `Felt ${FEELS[to]!.name.toLowerCase()}, ${since}`;
  const whole = (level: Verdict['level'], says: string, because: string, doThis: string): Verdict =>
    verdict({
      id: 'lifePast',
      about: 'its own past',
      level,
      measured: last.nPerM - first.nPerM,
      of: 'tensionChange',
      says,
      because: `By feel alone: ${bands.join(', ')}. ${because}`,
      doThis,
      uses: ['clothCreep', 'clothDamp', 'woodDamp'],
    });
  if (!fading)
    return whole(
      steps > 0 ? 'watch' : 'good',
      `${felt}.`,
      'The air of one of the two was not read: what the weather did cannot be taken off.',
      steps > 0
        ? 'Note the humidity with every feel; feel it again in air like that of then.'
        : 'Note the humidity with every feel.',
    );
  const { asLoose, asTight } = oddsOfFeel(from, to, fading);
  const air = `${printed('humidity', first.rh!)} then, ${printed('humidity', last.rh!)} now`;
  const seen = between.filter(({ tells }) => tells);
  // What was seen to give while the air was no damper than before is no weather.
  const gaveInLikeAir = steps > 0 && seen.length > 0 && fading.byAir <= 0;
  if (asLoose < RARE || gaveInLikeAir)
    return whole(
      'watch',
      `${felt}: it is the cloth, not the weather.`,
      `${air}: ${Math.round(asLoose)} of 100 cloths would feel as loose by air and age${gaveInLikeAir ? `; it was noted “${seen.at(-1)!.says.toLowerCase()}”, and the air was no damper` : ''}.`,
      gave,
    );
  if (asTight < RARE)
    return whole(
      'watch',
      `${felt}: tighter than it gets by itself.`,
      `${air}: ${Math.round(asTight)} of 100 cloths would feel as tight.`,
      tightened,
    );
  return whole(
    FEELS[to]!.slack ? 'watch' : 'good',
    `${felt}: its air and its age may do that.`,
    `${air}: ${Math.round(asLoose)} of 100 cloths would feel as loose by air and age.`,
    FEELS[to]!.slack ? 'Feel it again in air like that of then before anything is done.' : '',
  );
}
