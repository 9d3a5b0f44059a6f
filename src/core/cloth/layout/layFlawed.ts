/*
 * Layout round flaws and pins. A few pieces are settled exactly (leastTop). More are laid by a tree of cuts that
 * is walked from the start of the roll, every piece bumping past flaws; pieces are taken out of the tree and put
 * elsewhere, and what does not get longer stays.
 */
import { type Cell, lowestIn } from './cellTop';
import { type CutBlock, joined, pieceBlock, piecesOf, rowsOf } from './cutBlock';
import { firstLayout, waysOf } from './firstLayout';
import { improveBlock, shuffled } from './improveBlock';
import { MOST_PIECES, leastTop } from './leastTop';
import { lengthBound } from './lengthBound';
import { pinTrouble } from './pinTrouble';
import { type ClothPiece, type ClothSheet, type PlacedPiece, type RollLayout, lengthUsed } from './rollLayout';

/** Changes tried in a round. */
const TRIES = 12;
/** So many are settled at once; more are laid well first, since a proof looks at nothing that is longer. */
const FEW = 5;
const ROUNDS_BEFORE = 12;

/**
 * Lays pieces round flaws and pins; yields and returns as layRoll does.
 *
 * @throws RangeError when the pins themselves cannot be cut free
 */
export function* layFlawed(
  pieces: readonly ClothPiece[],
  sheet: ClothSheet,
  random: () => number,
  rounds: number,
): Generator<RollLayout | undefined, RollLayout> {
  const trouble = pinTrouble(pieces, sheet);
  if (trouble.length > 0) throw new RangeError(`pins: ${trouble.join('; ')}`);
  const shown = (placed: PlacedPiece[], bound: number): RollLayout => {
    const length = lengthUsed(placed);
    return { placed, length, bound: Math.min(bound, length), proven: bound >= length };
  };
  let now = grown(pieces, sheet);
  let best = now;
  const steps = lengthBound(pieces, sheet.width + sheet.tear, sheet.tear);
  const alone = floorOf(pieces, sheet);
  yield shown(best.placed, alone);
  let bound = alone;
  let rising = true;
  // As if there were no flaws, beside the other: where it is short, a little out of the way of flaws is short too.
  const width = sheet.width + sheet.tear;
  let plain = pieces.some((piece) => piece.pin) ? null : firstLayout(pieces, width, sheet.tear);
  const provenAt = pieces.length > MOST_PIECES ? Infinity : pieces.length > FEW ? Math.min(ROUNDS_BEFORE, rounds - 1) : 0;
  for (let round = 0; round < rounds && best.length > bound; round += 1) {
    if (round === provenAt) {
      const exact = leastTop(pieces, sheet, best.length);
      // Nothing is shorter: what there is has been proven.
      if (exact === 'none') return shown(best.placed, best.length);
      if (exact !== 'too many') return shown(exact, lengthUsed(exact));
    }
    if (rising) {
      const step = steps.next();
      bound = Math.max(bound, step.value);
      rising = !step.done;
    }
    if (plain) plain = yield* improveBlock(plain, width, sheet.tear, random);
    let better = false;
    for (let tried = 0; tried < TRIES; tried += 1) {
      const tree = plain && tried % 2 === 0 ? reordered(plain, random) : changed(now.tree, sheet.tear, random);
      const next = laid(tree, sheet);
      if (!next || next.cost > now.cost * (1 + 0.004 * random() ** 6)) continue;
      now = next;
      if (now.length >= best.length) continue;
      best = now;
      better = true;
    }
    yield better || round % 50 === 49 ? shown(best.placed, bound) : undefined;
  }
  return shown(best.placed, bound);
}

/** The tree with its rows in another order, and here and there two neighbours exchanged: as long on plain cloth. */
function reordered(tree: CutBlock, random: () => number): CutBlock {
  const rows = shuffled(rowsOf(tree), random);
  return rows.map((row) => mirrored(row, random)).reduce((first, second) => joined('below', first, second));
}

function mirrored(block: CutBlock, random: () => number): CutBlock {
  if (block.kind === 'piece') return block;
  const [first, second] = [mirrored(block.first, random), mirrored(block.second, random)];
  return random() < 0.5 ? joined(block.kind, second, first) : joined(block.kind, first, second);
}

/** Least length because of one piece alone. */
const floorOf = (pieces: readonly ClothPiece[], sheet: ClothSheet): number =>
  Math.max(
    ...pieces.map((piece) => {
      const alone = leastTop([piece], sheet);
      return typeof alone === 'string' ? 0 : lengthUsed(alone);
    }),
  );

interface Laid {
  tree: CutBlock;
  placed: PlacedPiece[];
  length: number;
  /** Length, and a little of where the pieces end, so that a search sees it is getting nearer. */
  cost: number;
}

/** The layout of a tree of cuts, or null when a piece or pin finds no room in its cell. */
function laid(tree: CutBlock, sheet: ClothSheet): Laid | null {
  const placed = walked(tree, { x0: 0, x1: sheet.width, y0: 0 }, sheet);
  if (!placed) return null;
  const length = lengthUsed(placed);
  const mean = placed.reduce((sum, one) => sum + one.y + one.h, 0) / placed.length;
  return { tree, placed, length, cost: length + 0.02 * mean };
}

function walked(block: CutBlock, cell: Cell, sheet: ClothSheet): PlacedPiece[] | null {
  if (block.kind === 'piece') {
    const at = lowestIn(block.piece, block.turned, cell, sheet);
    return at && [at];
  }
  if (block.kind === 'below') {
    const first = walked(block.first, cell, sheet);
    const second = first && walked(block.second, { ...cell, y0: lengthUsed(first) + sheet.tear }, sheet);
    return second && [...first, ...second];
  }
  let best: PlacedPiece[] | null = null;
  for (const at of cutsBetween(block.first, block.second, cell, sheet)) {
    const first = walked(block.first, { ...cell, x1: at }, sheet);
    if (!first) continue;
    const end = Math.max(...first.map((one) => one.x + one.w));
    const second = walked(block.second, { ...cell, x0: end + sheet.tear }, sheet);
    if (!second) continue;
    const both = [...first, ...second];
    if (!best || lengthUsed(both) < lengthUsed(best)) best = both;
    // Nothing was bumped aside: no other cut does better.
    if (lengthUsed(best) === cell.y0 + block.h - sheet.tear) break;
  }
  return best;
}

/** Places for the cut between two blocks: as narrow as the first is, and as wide as the second and the pins let it. */
function cutsBetween(first: CutBlock, second: CutBlock, cell: Cell, { tear }: ClothSheet): number[] {
  const pinned = Math.min(cell.x1, ...piecesOf(second).flatMap((piece) => (piece.pin ? [piece.pin.x - tear] : [])));
  return [...new Set([cell.x0 + first.w - tear, Math.min(cell.x1 - second.w, pinned), pinned])].filter((at) => at > cell.x0);
}

/** A tree grown from the pins, or from the largest piece: every next piece goes where the whole ends soonest. */
function grown(pieces: readonly ClothPiece[], sheet: ClothSheet): Laid {
  const pinned = pieces.filter((piece) => piece.pin).map((piece) => pieceBlock(piece, piece.pin!.turned, sheet.tear));
  const free = pieces.filter((piece) => !piece.pin).sort((a, b) => b.w * b.h - a.w * a.h);
  let tree =
    pinned.length > 0
      ? pinTree(pinned, sheet.tear)
      : waysOf(free.shift()!, sheet.tear).find((way) => way.w <= sheet.width + sheet.tear)!;
  let best = laid(tree, sheet);
  for (const piece of free) {
    best = null;
    for (const grownTree of waysOf(piece, sheet.tear).flatMap((way) => [...grafts(tree, way)])) {
      const next = laid(grownTree, sheet);
      if (next && (!best || next.cost < best.cost)) best = next;
    }
    if (!best) throw new Error(`piece ${piece.id} found no place`);
    tree = best.tree;
  }
  return best!;
}

/** The tree of cuts that frees the pins; they can be freed, as pinTrouble says. */
function pinTree(pinned: readonly CutBlock[], tear: number): CutBlock {
  if (pinned.length === 1) return pinned[0]!;
  for (const [kind, start, size] of [
    ['below', 'y', 'h'],
    ['beside', 'x', 'w'],
  ] as const) {
    const pinOf = (block: CutBlock) => (block.kind === 'piece' ? block.piece.pin![start] : 0);
    const sorted = [...pinned].sort((a, b) => pinOf(a) - pinOf(b));
    let end = -Infinity;
    for (const [index, block] of sorted.entries()) {
      if (index > 0 && pinOf(block) >= end)
        return joined(kind, pinTree(sorted.slice(0, index), tear), pinTree(sorted.slice(index), tear));
      end = Math.max(end, pinOf(block) + block[size]);
    }
  }
  throw new Error('pins that cannot be freed came past their check');
}

/** Every tree with a block put beside or below one of the tree’s blocks, before or after it. */
function* grafts(tree: CutBlock, block: CutBlock): Generator<CutBlock> {
  for (const kind of ['beside', 'below'] as const) {
    yield joined(kind, tree, block);
    yield joined(kind, block, tree);
  }
  if (tree.kind === 'piece') return;
  for (const first of grafts(tree.first, block)) yield joined(tree.kind, first, tree.second);
  for (const second of grafts(tree.second, block)) yield joined(tree.kind, tree.first, second);
}

/** The tree with one change by chance: a piece put elsewhere, two exchanged, a cut the other way, two blocks swapped. */
function changed(tree: CutBlock, tear: number, random: () => number): CutBlock {
  const pieces = piecesOf(tree);
  const drawn = pieces[Math.floor(random() * pieces.length)]!;
  const kind = random();
  if (kind < 0.5 && !drawn.pin && pieces.length > 1) {
    const ways = waysOf(drawn, tear);
    return grafted(without(tree, drawn)!, ways[Math.floor(random() * ways.length)]!, random);
  }
  const other = pieces[Math.floor(random() * pieces.length)]!;
  if (kind < 0.7 && other !== drawn && !other.pin && !drawn.pin) return exchanged(tree, drawn, other, tear, random);
  return shifted(tree, Math.floor(random() * (pieces.length - 1)), random() < 0.5);
}

function without(block: CutBlock, piece: ClothPiece): CutBlock | null {
  if (block.kind === 'piece') return block.piece === piece ? null : block;
  const first = without(block.first, piece);
  const second = without(block.second, piece);
  return first && second ? joined(block.kind, first, second) : (first ?? second);
}

/** A block put at a place of the tree by chance. */
function grafted(tree: CutBlock, block: CutBlock, random: () => number): CutBlock {
  if (tree.kind === 'piece' || random() < 0.25) {
    const kind = random() < 0.5 ? 'beside' : 'below';
    return random() < 0.5 ? joined(kind, tree, block) : joined(kind, block, tree);
  }
  return random() < 0.5
    ? joined(tree.kind, grafted(tree.first, block, random), tree.second)
    : joined(tree.kind, tree.first, grafted(tree.second, block, random));
}

function exchanged(block: CutBlock, a: ClothPiece, b: ClothPiece, tear: number, random: () => number): CutBlock {
  if (block.kind !== 'piece')
    return joined(block.kind, exchanged(block.first, a, b, tear, random), exchanged(block.second, a, b, tear, random));
  const piece = block.piece === a ? b : block.piece === b ? a : null;
  if (!piece) return block;
  const ways = waysOf(piece, tear);
  return ways[Math.floor(random() * ways.length)]!;
}

/** The n-th join turned the other way, or its two blocks swapped. */
function shifted(tree: CutBlock, nth: number, swap: boolean): CutBlock {
  let count = 0;
  const walk = (block: CutBlock): CutBlock => {
    if (block.kind === 'piece') return block;
    const here = count === nth;
    count += 1;
    const first = walk(block.first);
    const second = walk(block.second);
    if (!here) return joined(block.kind, first, second);
    return swap ? joined(block.kind, second, first) : joined(block.kind === 'beside' ? 'below' : 'beside', first, second);
  };
  return walk(tree);
}
