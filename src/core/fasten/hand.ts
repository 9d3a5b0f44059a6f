/*
 * A hand tried on the scale: how many newtons a pull is that feels so, and how much it varies from pull to pull. The scale is
 * hooked to a strip of cloth and pulled to the feel, three times and more; a kitchen scale reads kilograms, 1 kg is 9.81 N.
 */

export const HAND_FEELS = [
  { id: 'light', name: 'a light pinch' },
  { id: 'firm', name: 'a firm pinch' },
  { id: 'hard', name: 'a hard pinch' },
  { id: 'fingers', name: 'all fingers' },
  { id: 'pliers', name: 'pliers, rolled' },
] as const;
export type HandFeelId = (typeof HAND_FEELS)[number]['id'];

/** Pulls of one feel at one trial. */
export interface HandTrial {
  maker: string;
  feel: HandFeelId;
  pulledN: readonly number[];
  simulated: boolean;
}

export interface HandFeel {
  feel: HandFeelId;
  meanN: number;
  pulls: number;
}

/** One maker’s hand, feels from the lightest to the hardest. */
export interface Hand {
  maker: string;
  feels: HandFeel[];
  /** Tried on the practice scale alone: its newtons are invented. */
  simulated: boolean;
}

/** How much the hands of a house vary from pull to pull, as a part of the pull, and from how many pulls that is known. */
export interface HandNoise {
  noise: number;
  pulls: number;
  simulated: boolean;
}

/** From fewer pulls beyond their means nothing is said of how a hand varies. */
const LEAST_FREEDOM = 4;
/** A hand that varies more than this is no hand: the scale was read wrong. */
const MOST_NOISE = 0.5;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** What was measured goes before what was practised: practice counts while nothing else is there. */
const countedOf = <T extends { simulated: boolean }>(trials: readonly T[]): readonly T[] => {
  const measured = trials.filter(({ simulated }) => !simulated);
  return measured.length > 0 ? measured : trials;
};

/**
 * The hand of a maker; null while nobody tried it.
 *
 * @param trials of any maker, the latest last
 * @example handOf([{ maker: 'Me', feel: 'firm', pulledN: [17, 18, 19], simulated: false }], 'Me').feels[0].meanN // 18
 */
export function handOf(trials: readonly HandTrial[], maker: string): Hand | null {
  const own = countedOf(trials.filter((one) => one.maker === maker && one.pulledN.length > 0));
  if (own.length === 0) return null;
  const feels = HAND_FEELS.flatMap(({ id }): HandFeel[] => {
    const pulled = own.filter(({ feel }) => feel === id).flatMap(({ pulledN }) => pulledN);
    return pulled.length === 0 ? [] : [{ feel: id, meanN: mean(pulled), pulls: pulled.length }];
  });
  return { maker, feels: feels.sort((a, b) => a.meanN - b.meanN), simulated: own[0]!.simulated };
}

/**
 * How much hands vary: the spread of pulls meant to be alike, each group about its own mean, all groups pooled.
 *
 * @param ratios pulls over what was asked for, as they were told at real work
 * @returns null while too few pulls are known
 * @example handNoise([{ maker: 'Me', feel: 'firm', pulledN: [9, 10, 11, 9, 10, 11], simulated: false }], []).pulls // 6
 */
export function handNoise(trials: readonly HandTrial[], ratios: readonly number[]): HandNoise | null {
  const counted = countedOf([
    ...trials,
    ...(ratios.length > 0 ? [{ maker: '', feel: 'firm' as const, pulledN: ratios, simulated: false }] : []),
  ]);
  let [squares, freedom, pulls] = [0, 0, 0];
  for (const { pulledN } of counted) {
    const usual = pulledN.length > 0 ? mean(pulledN) : 0;
    if (!(usual > 0)) continue;
    squares += pulledN.reduce((sum, pull) => sum + (pull / usual - 1) ** 2, 0);
    freedom += pulledN.length - 1;
    pulls += pulledN.length;
  }
  if (freedom < LEAST_FREEDOM) return null;
  return { noise: Math.min(MOST_NOISE, Math.sqrt(squares / freedom)), pulls, simulated: counted[0]!.simulated };
}

/** A pull this near to what a feel came to is that feel, as a part. */
const SAME_FEEL = 0.15;

/**
 * A pull in words for fingers; empty while the hand was not tried.
 *
 * @example feelWords(18, { maker: 'Me', feels: [{ feel: 'light', meanN: 10, pulls: 3 }, { feel: 'firm', meanN: 18, pulls: 3 }], simulated: false }) // 'a firm pinch'
 */
export function feelWords(newtons: number, hand: Pick<Hand, 'feels'> | null): string {
  if (!hand || hand.feels.length === 0) return '';
  const name = (feel: HandFeelId) => HAND_FEELS.find(({ id }) => id === feel)!.name;
  const near = hand.feels.reduce((a, b) => (Math.abs(b.meanN - newtons) < Math.abs(a.meanN - newtons) ? b : a));
  if (Math.abs(newtons / near.meanN - 1) <= SAME_FEEL) return name(near.feel);
  const above = hand.feels.find(({ meanN }) => meanN > newtons);
  const below = hand.feels.findLast(({ meanN }) => meanN < newtons);
  return below ? `over ${name(below.feel)}` : `under ${name(above!.feel)}`;
}
