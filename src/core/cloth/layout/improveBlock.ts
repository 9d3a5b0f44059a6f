/*
 * Large-neighbourhood search on the cut tree: take it apart into blocks, where much is wasted sooner; marry those
 * that waste little together until few are left; join these exactly. Now and then a little worse is let through,
 * so that the search does not sit fast.
 */
import { type CutBlock, joined, pieceArea, piecesOf, rowsOf, turnedBlock } from './cutBlock';
import { waysOf } from './firstLayout';
import type { ClothPiece } from './rollLayout';
import { type BlockChoice, joinBlocks } from './subsetFronts';

/** Blocks joined at once: what a join costs grows threefold with each. */
const MOST_JOINED = 9;
/** Part of the length that one round may lose. */
const MOST_WORSE = 0.01;

/**
 * One round: another block of the same pieces, mostly no longer than this one.
 *
 * @param width inflated by the tear
 * @param random the same source gives the same round
 */
export function* improveBlock(root: CutBlock, width: number, tear: number, random: () => number): Generator<undefined, CutBlock> {
  const rows = rowsOf(root);
  const some = rows.length > 2 && random() < 0.4 ? shuffled(rows, random).slice(0, 2 + Math.floor(random() * 3)) : rows;
  const rest = rows.filter((row) => !some.includes(row));
  const apart = takenApart(some, tear, random);
  const few = marriedDown(shuffled(apart, random), width, tear, random);
  const worse = Math.floor(root.h * MOST_WORSE * random() ** 4);
  const longest = root.h + worse - rest.reduce((sum, row) => sum + row.h, 0);
  const choices = shuffled(few, random).map((block) => choiceOf(block, tear));
  const again = yield* joinBlocks(choices, width, longest, random);
  return again ? rest.reduce((all, row) => joined('below', all, row), again) : root;
}

/** Blocks opened by chance, and a few pieces taken out on their own. */
function takenApart(rows: readonly CutBlock[], tear: number, random: () => number): CutBlock[] {
  const pieces = rows.flatMap(piecesOf);
  const many = random() < 0.5;
  const most = many
    ? MOST_JOINED + Math.floor(random() ** 1.5 * Math.max(0, pieces.length - MOST_JOINED + 1))
    : MOST_JOINED - Math.floor(random() * 3);
  const blocks = opened(rows, most, random() < 0.5 ? wasteOf : (block) => block.w * block.h, random);
  if (random() < (many ? 0.7 : 0.4)) return blocks;
  const loose = new Set(shuffled(pieces, random).slice(0, 1 + Math.floor(random() * 3)));
  return [...blocks.flatMap((block) => withoutPieces(block, loose) ?? []), ...[...loose].map((piece) => waysOf(piece, tear)[0]!)];
}

const wasteOf = (block: CutBlock): number => block.w * block.h - pieceArea(block);

/** Opens blocks, those of more weight sooner, until there are so many or only pieces are left. */
function opened(
  rows: readonly CutBlock[],
  most: number,
  weightOf: (block: CutBlock) => number,
  random: () => number,
): CutBlock[] {
  const blocks = [...rows];
  while (blocks.length < most) {
    const shut = blocks.filter((block) => block.kind !== 'piece');
    if (shut.length === 0) break;
    const weights = shut.map((block) => weightOf(block) + 1);
    let ticket = random() * weights.reduce((sum, weight) => sum + weight, 0);
    const drawn = weights.findIndex((weight) => (ticket -= weight) <= 0);
    const block = shut[Math.max(0, drawn)]!;
    blocks.splice(blocks.indexOf(block), 1, block.first, block.second);
  }
  return blocks;
}

function withoutPieces(block: CutBlock, gone: ReadonlySet<ClothPiece>): CutBlock | null {
  if (block.kind === 'piece') return gone.has(block.piece) ? null : block;
  const first = withoutPieces(block.first, gone);
  const second = withoutPieces(block.second, gone);
  return first && second ? joined(block.kind, first, second) : (first ?? second);
}

interface Marriage {
  cost: number;
  first: number;
  second: number;
  block: () => CutBlock;
}

/** Joins the two blocks that waste least together, by their size and by chance, until few are left. */
function marriedDown(blocks: readonly CutBlock[], width: number, tear: number, random: () => number): CutBlock[] {
  const power = random();
  const choices = blocks.map((block) => choiceOf(block, tear));
  while (choices.length > MOST_JOINED) {
    const best = bestMarriage(choices, width, power, random);
    if (!best) break;
    choices[best.first] = choiceOf(best.block(), tear);
    choices.splice(best.second, 1);
  }
  return choices.map((choice) => choice.ways[0]!);
}

function bestMarriage(choices: readonly BlockChoice[], width: number, power: number, random: () => number): Marriage | null {
  let best: Marriage | null = null;
  const offer = (waste: number, first: number, second: number, a: CutBlock, b: CutBlock, kind: 'beside' | 'below') => {
    const cost = ((waste + 1) / (a.w * a.h + b.w * b.h) ** power) * (0.6 + 0.8 * random());
    if (!best || cost < best.cost) best = { cost, first, second, block: () => joined(kind, a, b) };
  };
  for (let first = 0; first < choices.length; first += 1)
    for (let second = first + 1; second < choices.length; second += 1)
      for (const a of choices[first]!.ways)
        for (const b of choices[second]!.ways) {
          if (a.w + b.w <= width) offer(Math.abs(a.h - b.h) * (a.h < b.h ? a.w : b.w), first, second, a, b, 'beside');
          if (a.w <= width && b.w <= width) offer(Math.abs(a.w - b.w) * (a.w < b.w ? a.h : b.h), first, second, a, b, 'below');
        }
  return best;
}

function choiceOf(block: CutBlock, tear: number): BlockChoice {
  if (block.kind === 'piece') return { ways: waysOf(block.piece, tear) };
  const turns = block.w !== block.h && piecesOf(block).every((piece) => piece.mayTurn);
  return { ways: turns ? [block, turnedBlock(block)] : [block] };
}

/** A list in an order by chance. */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const copy = [...list];
  for (let index = copy.length - 1; index > 0; index -= 1) {
    const other = Math.floor(random() * (index + 1));
    [copy[index], copy[other]] = [copy[other]!, copy[index]!];
  }
  return copy;
}
