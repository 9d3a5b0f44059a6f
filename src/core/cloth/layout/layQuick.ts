/*
 * About what pieces take of a roll, in no time: for a price or a list of what to buy, where a few per cent more do no harm. Few
 * pieces are laid as they would be cut, many by the first layout alone; flaws are not looked at.
 */
import { toEnd } from '../../toEnd';
import { placedAt } from './cutBlock';
import { firstLayout } from './firstLayout';
import { layRoll } from './layRoll';
import type { ClothPiece, PlacedPiece } from './rollLayout';

/** So many pieces are laid in full. */
const FEW = 5;
/** Never asked for: few pieces are laid without improvement by chance. */
const steady = () => 0.5;

/**
 * @param pieces none wider than the roll
 * @param sheet usable width and what a tear takes, mm
 */
export function layQuick(
  pieces: readonly ClothPiece[],
  { width, tear }: { width: number; tear: number },
): { placed: PlacedPiece[]; length: number } {
  if (pieces.length <= FEW) return toEnd(layRoll(pieces, { width, tear, flaws: [] }, steady, 0));
  const block = firstLayout(pieces, width + tear, tear);
  return { placed: placedAt(block, 0, 0, tear), length: block.h - tear };
}
