/*
 * Pieces on the store of cloth: offcuts first, the smallest that can be filled, each with the pieces that put most
 * of it to use; the rest on the roll.
 */
import { type CutBlock, placedAt } from './cutBlock';
import { waysOf } from './firstLayout';
import { layRoll } from './layRoll';
import { leastTop } from './leastTop';
import { type ClothPiece, type ClothSheet, type PlacedPiece, type RollLayout, lengthUsed } from './rollLayout';
import { MOST_SHARED, shareOut } from './shareOut';
import { fillSheet } from './subsetFronts';

export interface StockSheet extends ClothSheet {
  id: string;
  /** What is left of it, mm. */
  length: number;
}

/** A piece; a pin names the roll or offcut it lies on. */
export interface StockPiece extends Omit<ClothPiece, 'pin'> {
  pin?: { x: number; y: number; turned: boolean; sheet: string };
}

export interface StockLayout {
  /** Offcuts put to use, in order, and the roll last. */
  sheets: { id: string; layout: RollLayout }[];
  /** No other pieces on the offcuts would take less of the roll. */
  sharedOut: boolean;
}

/** Pieces tried at once on an offcut. */
const MOST_TRIED = 9;

/**
 * Lays pieces on offcuts, then on the roll. Yields and returns as layRoll does.
 *
 * @param offcuts empty when they are to be left alone
 */
export function* layStock(
  pieces: readonly StockPiece[],
  offcuts: readonly StockSheet[],
  roll: StockSheet,
  random: () => number,
  rounds: number,
  leastOffcut: number,
): Generator<StockLayout | undefined, StockLayout> {
  let left = [...pieces];
  const filled: StockLayout['sheets'] = [];
  const plain = [...offcuts, roll].every(({ flaws }) => flaws.length === 0) && pieces.every((piece) => !piece.pin);
  const smallFirst = [...offcuts].sort((a, b) => a.width * a.length - b.width * b.length);
  for (const offcut of smallFirst) {
    const own = left.filter((piece) => !piece.pin || piece.pin.sheet === offcut.id);
    const placed = yield* onOffcut(own, offcut);
    if (placed.length === 0) continue;
    filled.push({ id: offcut.id, layout: offcutLayout(placed) });
    left = left.filter((piece) => !placed.some((one) => one.id === piece.id));
    yield undefined;
  }
  const onRoll = layRoll(left, roll, random, rounds, leastOffcut);
  for (;;) {
    const step = onRoll.next();
    const whole = step.value && {
      sheets: [...filled, { id: roll.id, layout: step.value }],
      sharedOut: offcuts.length === 0 || (plain && filled.length === 0),
    };
    if (!step.done) {
      yield whole;
      continue;
    }
    const few = plain && pieces.length <= MOST_SHARED && !whole!.sharedOut;
    if (!few) return whole!;
    const unpinned = pieces as readonly Omit<StockPiece, 'pin'>[];
    return yield* shared(whole!, smallFirst, shareOut(unpinned, smallFirst, roll, random, rounds, leastOffcut));
  }
}

/** What lies on an offcut; nothing is claimed of its length. */
function offcutLayout(placed: PlacedPiece[]): RollLayout {
  const length = lengthUsed(placed);
  return { placed, length, bound: length, proven: false };
}

/** The same, or what takes less of the roll by other pieces on the offcuts. */
function* shared(
  greedy: StockLayout,
  offcuts: readonly StockSheet[],
  shares: ReturnType<typeof shareOut>,
): Generator<StockLayout | undefined, StockLayout> {
  yield greedy;
  const { best, proven } = yield* shares;
  if (!best || best.onRoll.length >= greedy.sheets.at(-1)!.layout.length) return { ...greedy, sharedOut: proven };
  const onOffcuts = best.onOffcuts.flatMap((block, index) =>
    block ? [{ id: offcuts[index]!.id, layout: offcutLayout(placedAt(block, 0, 0, offcuts[index]!.tear)) }] : [],
  );
  return { sheets: [...onOffcuts, { id: greedy.sheets.at(-1)!.id, layout: best.onRoll }], sharedOut: proven };
}

function* onOffcut(pieces: readonly StockPiece[], offcut: StockSheet): Generator<undefined, PlacedPiece[]> {
  const { tear, width, length } = offcut;
  const pinned = pieces.filter((piece) => piece.pin);
  const fitting = pieces
    .filter((piece) => !piece.pin && waysOf(piece, 0).some((way) => way.w <= width && way.h <= length))
    .sort((a, b) => b.w * b.h - a.w * a.h)
    .slice(0, MOST_TRIED);
  if (pinned.length === 0 && offcut.flaws.length === 0) {
    const choices = fitting.map((piece) => ({ ways: waysOf(piece, tear) }));
    const block: CutBlock | null = fitting.length > 0 ? yield* fillSheet(choices, width + tear, length + tear) : null;
    return block ? placedAt(block, 0, 0, tear) : [];
  }
  // Flaws or pins: as many of the largest as still lie within its length.
  let taken: StockPiece[] = pinned;
  let best = fitted(taken, offcut);
  for (const piece of fitting) {
    const more = fitted([...taken, piece], offcut);
    if (!more) continue;
    taken = [...taken, piece];
    best = more;
  }
  const left = piecesLeft(pinned, best);
  if (left.length > 0) throw new RangeError(`pins: ${left.map((piece) => piece.id).join(', ')} cannot lie there`);
  return best ?? [];
}

const piecesLeft = (pinned: readonly StockPiece[], best: PlacedPiece[] | null) =>
  pinned.filter((piece) => !best?.some((one) => one.id === piece.id));

function fitted(pieces: readonly StockPiece[], offcut: StockSheet): PlacedPiece[] | null {
  if (pieces.length === 0) return null;
  const placed = leastTop(pieces, offcut);
  return typeof placed !== 'string' && lengthUsed(placed) <= offcut.length ? placed : null;
}
