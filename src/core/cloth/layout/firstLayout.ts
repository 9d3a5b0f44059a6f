/*
 * A valid layout at once: pieces fill cells from the corner, the largest that fits first, and what is left of a
 * cell is cut in two. Several orders are tried, the shortest is kept.
 */
import { type CutBlock, joined, pieceBlock, piecesOf } from './cutBlock';
import type { ClothPiece } from './rollLayout';

type Order = (a: CutBlock, b: CutBlock) => number;

/** Rows begin with the first piece of an order; cells take the first that fits. */
const ORDERS: Order[] = [
  (a, b) => b.h - a.h || b.w - a.w,
  (a, b) => b.w - a.w || b.h - a.h,
  (a, b) => b.w * b.h - a.w * a.h || b.h - a.h,
  (a, b) => b.w + b.h - a.w - a.h || b.h - a.h,
];

/**
 * A block that holds every piece within the width.
 *
 * @param width inflated by the tear; every piece fits it, in one of the ways it may lie
 */
export function firstLayout(pieces: readonly ClothPiece[], width: number, tear: number): CutBlock {
  const tries = ORDERS.flatMap((order) =>
    [true, false].flatMap((lieFlat) => [true, false].map((cutDown) => inRows(pieces, width, tear, order, lieFlat, cutDown))),
  );
  return tries.reduce((best, one) => (one.h < best.h ? one : best));
}

function inRows(
  pieces: readonly ClothPiece[],
  width: number,
  tear: number,
  order: Order,
  lieFlat: boolean,
  cutDown: boolean,
): CutBlock {
  let left = pieces
    .map((piece) => {
      const ways = waysOf(piece, tear).filter((way) => way.w <= width);
      return ways.sort((a, b) => (lieFlat ? a.h - b.h : b.h - a.h))[0]!;
    })
    .sort(order);
  let rows: CutBlock | null = null;
  while (left.length > 0) {
    const row = fillCell(left, width, left[0]!.h, tear, cutDown)!;
    rows = rows ? joined('below', rows, row) : row;
    left = without(left, row);
  }
  return rows!;
}

export const waysOf = (piece: ClothPiece, tear: number): CutBlock[] =>
  piece.mayTurn && piece.w !== piece.h
    ? [pieceBlock(piece, false, tear), pieceBlock(piece, true, tear)]
    : [pieceBlock(piece, false, tear)];

const without = (blocks: readonly CutBlock[], taken: CutBlock | null): CutBlock[] => {
  if (!taken) return [...blocks];
  const gone = new Set(piecesOf(taken));
  return blocks.filter((block) => block.kind !== 'piece' || !gone.has(block.piece));
};

/** Some of these pieces in a cell, or null when none fits. */
export function fillCell(blocks: readonly CutBlock[], w: number, h: number, tear: number, cutDown: boolean): CutBlock | null {
  for (const block of blocks) {
    if (block.kind !== 'piece') continue;
    const way = waysOf(block.piece, tear).find((one) => one.w <= w && one.h <= h);
    if (!way) continue;
    let left = without(blocks, way);
    if (cutDown) {
      const under = fillCell(left, way.w, h - way.h, tear, cutDown);
      left = without(left, under);
      const column = under ? joined('below', way, under) : way;
      const beside = fillCell(left, w - way.w, h, tear, cutDown);
      return beside ? joined('beside', column, beside) : column;
    }
    const beside = fillCell(left, w - way.w, way.h, tear, cutDown);
    left = without(left, beside);
    const row = beside ? joined('beside', way, beside) : way;
    const under = fillCell(left, w, h - way.h, tear, cutDown);
    return under ? joined('below', row, under) : row;
  }
  return null;
}
