/*
 * Cloth and wood of several canvases reckoned at once: laid on one roll, sawn and bought from one plan. Each carries its share of
 * what they cost together, by its area and by its run of wood, so that the shares add up to the cent.
 */
import { WHOLE_MM } from '../units/length';
import { clothPieceOf, tearOf } from '../cloth/clothPieceOf';
import { layQuick } from '../cloth/layout/layQuick';
import { rollPrice } from '../cloth/rollPrice';
import { buyingPlan, frameWanted } from '../frame/sawing/buyingPlan';
import type { HouseRules } from '../house/houseRules';
import { fabricOf } from '../house/materials';
import { USES, byId } from '../house/schools';
import type { JobInputs } from '../job/job';
import { groupsBy } from '../groupsBy';
import type { Common } from './bill';
import { sharesByWeight } from './shares';

/** Deals an amount out to some places of a list; all of them stay unknown where it is. */
function dealt(into: (number | null)[], places: readonly number[], minor: number | null, weights: readonly number[]): void {
  const shares = minor === null ? null : sharesByWeight(minor, weights);
  places.forEach((place, index) => {
    into[place] = shares ? shares[index]! : null;
  });
}

/**
 * The share of each canvas in cloth and wood reckoned together; those of one cloth on one width of roll are laid on one roll.
 *
 * @param all inputs in the order of the shares
 * @param random the same source gives the same shares
 */
export function setCommon(all: readonly JobInputs[], rules: HouseRules, random: () => number): Common[] {
  const cloth: (number | null)[] = all.map(() => 0);
  const along: (number | null)[] = all.map(() => 0);
  const at = [...all.keys()];
  const rolls = groupsBy(at, (place) => {
    const { brief, cloth: of } = all[place]!;
    return byId(USES, brief.use).painted ? null : `${of.fabric} ${of.rollWidth.mm}`;
  });
  for (const places of rolls.values()) {
    const pieces = places.map((place) => clothPieceOf(String(place), all[place]!, rules, WHOLE_MM));
    const laid = laidOn(all[places[0]!]!, pieces, rules);
    const areas = pieces.map(({ w, h }) => w * h);
    dealt(cloth, places, laid && laid.minor, areas);
    dealt(along, places, laid && Math.round(laid.lengthMm), areas);
  }
  const wood: (number | null)[] = all.map(() => 0);
  const frames = all.map(({ brief, bars }, index) =>
    frameWanted(String(index), { widthMm: brief.width.mm, heightMm: brief.height.mm }, bars, rules),
  );
  for (const places of groupsBy(at, (place) => (frames[place]!.parts.length === 0 ? null : frames[place]!.profile)).values()) {
    const plan = buyingPlan(
      places.map((place) => frames[place]!),
      [],
      rules,
      random,
    );
    const runs = places.map((place) => frames[place]!.parts.reduce((sum, { count, lengthMm }) => sum + count * lengthMm, 0));
    dealt(wood, places, plan.priceMinor, runs);
  }
  return all.map((_one, index) => ({
    together: all.length,
    clothMm: along[index]!,
    clothMinor: cloth[index]!,
    woodMinor: wood[index]!,
  }));
}

/** How much of one roll pieces of one cloth take, and what it costs; null where one is wider than the roll. */
function laidOn(
  { cloth }: JobInputs,
  pieces: readonly ReturnType<typeof clothPieceOf>[],
  rules: HouseRules,
): { lengthMm: number; minor: number | null } | null {
  const fabric = fabricOf(rules, cloth.fabric);
  const width = Math.floor(cloth.rollWidth.mm);
  if (pieces.some(({ w, h, mayTurn }) => (mayTurn ? Math.min(w, h) : w) > width)) return null;
  const { length } = layQuick(pieces, { width, tear: tearOf(fabric, rules) });
  return { lengthMm: length, minor: rollPrice(fabric, width, length) };
}
