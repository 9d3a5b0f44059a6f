/*
 * The layout of pieces on a roll: guillotine cuts only (cloth is torn from edge to edge), least length, then the
 * largest leftover worth keeping. A first layout at once; then, where the sub-collections are few enough, the
 * proven least; beyond, a search that goes on as long as it is let, with a bound beside it. Flaws and pins make a
 * block depend on where it lies: see layFlawed.
 */
import { type CutBlock, placedAt } from './cutBlock';
import { largestLeftover } from './cutOrder';
import { firstLayout, waysOf } from './firstLayout';
import { improveBlock } from './improveBlock';
import { layFlawed } from './layFlawed';
import { lengthBound } from './lengthBound';
import { type ClothPiece, type ClothSheet, type RollLayout, checkProblem } from './rollLayout';
import { blockKinds, joinBlocks, joinCost } from './subsetFronts';

/** Pairs of sub-collections that are joined in about two tenths of a second: twelve unlike pieces. */
const PAIRS_AT_ONCE = 300_000;
/** Pairs joined in seconds, once a good layout is there to prune by. */
const PAIRS_IN_THE_END = 4_000_000;
const ROUNDS_BEFORE = 40;
/** Layouts of one length looked at for the largest leftover. */
const TIDY_ROUNDS = 24;

/**
 * Lays pieces on a roll. Yields every better layout, and nothing now and then, so that the caller can stop;
 * returns the last.
 *
 * @param rounds of improvement where the least is not proven; the same rounds and source give the same layout
 * @param leastOffcut size worth keeping both ways, mm
 * @throws RangeError for sizes that cannot be, a piece wider than the roll, or pins that cannot be cut free
 */
export function* layRoll(
  pieces: readonly ClothPiece[],
  sheet: ClothSheet,
  random: () => number,
  rounds: number,
  leastOffcut = 200,
): Generator<RollLayout | undefined, RollLayout> {
  checkProblem(pieces, sheet);
  if (pieces.length === 0) return { placed: [], length: 0, bound: 0, proven: true };
  if (sheet.flaws.length > 0 || pieces.some((piece) => piece.pin)) return yield* layFlawed(pieces, sheet, random, rounds);
  const { tear } = sheet;
  const width = sheet.width + tear;
  const first = firstLayout(pieces, width, tear);
  const shown = (block: CutBlock, bound: number): RollLayout => {
    const length = block.h - tear;
    return { placed: placedAt(block, 0, 0, tear), length, bound: Math.min(bound, length), proven: bound >= length };
  };
  yield shown(first, Math.max(...pieces.map((piece) => (piece.mayTurn ? Math.min(piece.w, piece.h) : piece.h))));
  const choices = pieces.map((piece) => ({ ways: waysOf(piece, tear) }));
  const cost = joinCost(blockKinds(choices).map((kind) => kind.length));
  const steps = lengthBound(pieces, width, tear);
  let bound = steps.next();
  let now = first;
  let best = first;
  const search = cost <= PAIRS_AT_ONCE ? 0 : cost <= PAIRS_IN_THE_END ? Math.min(rounds, ROUNDS_BEFORE) : rounds;
  for (let round = 0; round < search && best.h - tear > bound.value; round += 1) {
    if (!bound.done) bound = steps.next();
    now = yield* improveBlock(now, width, tear, random);
    const better = now.h < best.h;
    if (better) best = now;
    yield better || round % 50 === 49 ? shown(best, bound.value) : undefined;
  }
  const proven = cost <= PAIRS_IN_THE_END && search < rounds;
  if (proven) best = (yield* joinBlocks(choices, width, best.h)) ?? best;
  const floor = proven ? best.h - tear : bound.value;
  yield shown(best, floor);
  return shown(yield* tidied(best, width, tear, leastOffcut, random), floor);
}

/** Of several layouts of one length, the one with the largest leftover. */
function* tidied(
  block: CutBlock,
  width: number,
  tear: number,
  leastOffcut: number,
  random: () => number,
): Generator<undefined, CutBlock> {
  const leftover = (one: CutBlock) => largestLeftover(placedAt(one, 0, 0, tear), width - tear, tear, leastOffcut);
  let best = { block, leftover: leftover(block) };
  let now = block;
  for (let round = 0; round < TIDY_ROUNDS; round += 1) {
    const next = yield* improveBlock(now, width, tear, random);
    if (next.h > block.h) continue;
    now = next;
    const left = leftover(next);
    if (left > best.leftover) best = { block: next, leftover: left };
  }
  return best.block;
}
