/*
 * Which pieces lie on which offcut, so that the roll gives least. Tried are all ways to fill the offcuts one after another
 * with collections that take no further piece: a piece more on an offcut never makes the rest on the roll longer, so the
 * least is among them. Few pieces, no flaws and no pins; derived here.
 */
import { quietly } from '../../toEnd';
import { type CutBlock, piecesOf } from './cutBlock';
import { waysOf } from './firstLayout';
import { layRoll } from './layRoll';
import type { ClothPiece, ClothSheet, RollLayout } from './rollLayout';
import { fullSheets } from './subsetFronts';

/** Pieces that are shared out; more would take too long. */
export const MOST_SHARED = 9;
/** Different rests tried on the roll. */
const MOST_RESTS = 400;

export interface Share {
  /** What lies on each offcut; null where nothing does. */
  onOffcuts: (CutBlock | null)[];
  onRoll: RollLayout;
}

/**
 * The share that takes least of the roll.
 *
 * @param pieces at most `MOST_SHARED`, without pins
 * @returns the best found, and whether it is proven to be the least
 */
export function* shareOut(
  pieces: readonly ClothPiece[],
  offcuts: readonly (ClothSheet & { length: number })[],
  roll: ClothSheet,
  random: () => number,
  rounds: number,
  leastOffcut: number,
): Generator<undefined, { best: Share | null; proven: boolean }> {
  const seen = new Set<string>();
  let best: Share | null = null;
  let proven = true;
  function* fill(index: number, left: readonly ClothPiece[], onOffcuts: (CutBlock | null)[]): Generator<undefined, void> {
    const offcut = offcuts[index];
    const state = `${index} ${left.map(({ id }) => id).join(' ')}`;
    if (seen.has(state)) return;
    if (seen.size >= MOST_RESTS) {
      proven = false;
      return;
    }
    seen.add(state);
    if (offcut) {
      const { tear, width, length } = offcut;
      const choices = left.map((piece) => ({ ways: waysOf(piece, tear) }));
      const full = choices.length > 0 ? yield* fullSheets(choices, width + tear, length + tear) : [];
      if (full.length === 0) return yield* fill(index + 1, left, [...onOffcuts, null]);
      for (const block of full) {
        const taken = new Set(piecesOf(block).map(({ id }) => id));
        yield* fill(
          index + 1,
          left.filter(({ id }) => !taken.has(id)),
          [...onOffcuts, block],
        );
      }
      return;
    }
    const onRoll = yield* quietly(layRoll(left, roll, random, rounds, leastOffcut));
    proven &&= onRoll.proven;
    if (!best || onRoll.length < best.onRoll.length) best = { onOffcuts, onRoll };
  }
  yield* fill(0, pieces, []);
  return { best, proven };
}
