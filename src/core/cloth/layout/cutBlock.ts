/*
 * A block of cloth: one piece, or two blocks joined side by side or one below the other. Sizes are inflated by
 * the tear on the right and below, so that neighbours simply touch.
 */
import type { ClothPiece, PlacedPiece } from './rollLayout';

export type CutBlock =
  | { kind: 'piece'; piece: ClothPiece; turned: boolean; w: number; h: number }
  | { kind: 'beside' | 'below'; first: CutBlock; second: CutBlock; w: number; h: number };

export function pieceBlock(piece: ClothPiece, turned: boolean, tear: number): CutBlock {
  const [w, h] = turned ? [piece.h, piece.w] : [piece.w, piece.h];
  return { kind: 'piece', piece, turned, w: w + tear, h: h + tear };
}

export const joined = (kind: 'beside' | 'below', first: CutBlock, second: CutBlock): CutBlock =>
  kind === 'beside'
    ? { kind, first, second, w: first.w + second.w, h: Math.max(first.h, second.h) }
    : { kind, first, second, w: Math.max(first.w, second.w), h: first.h + second.h };

/** The block turned by a quarter, pieces and all. */
export const turnedBlock = (block: CutBlock): CutBlock =>
  block.kind === 'piece'
    ? { ...block, turned: !block.turned, w: block.h, h: block.w }
    : joined(block.kind === 'beside' ? 'below' : 'beside', turnedBlock(block.first), turnedBlock(block.second));

export const piecesOf = (block: CutBlock): ClothPiece[] =>
  block.kind === 'piece' ? [block.piece] : [...piecesOf(block.first), ...piecesOf(block.second)];

/** Blocks one below the other that reach across the whole width. */
export const rowsOf = (block: CutBlock): CutBlock[] =>
  block.kind === 'below' ? [...rowsOf(block.first), ...rowsOf(block.second)] : [block];

/** Cloth in the pieces of a block, mm², the tear counted in. */
export const pieceArea = (block: CutBlock): number =>
  block.kind === 'piece' ? block.w * block.h : pieceArea(block.first) + pieceArea(block.second);

/** Where the pieces of a block lie when its corner is at x, y. */
export function placedAt(block: CutBlock, x: number, y: number, tear: number): PlacedPiece[] {
  if (block.kind === 'piece') {
    const { piece, turned, w, h } = block;
    return [{ id: piece.id, x, y, w: w - tear, h: h - tear, turned }];
  }
  const beside = block.kind === 'beside';
  return [
    ...placedAt(block.first, x, y, tear),
    ...placedAt(block.second, beside ? x + block.first.w : x, beside ? y : y + block.first.h, tear),
  ];
}
