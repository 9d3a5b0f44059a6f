/* The checker of roll layouts: it knows the rules of tearing and none of the solver. */
import { type ClothPiece, type ClothSheet, type PlacedPiece, keptClear, lying, overlap } from './rollLayout';

/**
 * What is wrong with a layout, as sentences; none when every piece lies once, inside, as its grain allows, clear
 * of flaws, where it is pinned, and cuts from edge to edge free them all with the tear between.
 */
export function layoutViolations(pieces: readonly ClothPiece[], sheet: ClothSheet, placed: readonly PlacedPiece[]): string[] {
  const wrong: string[] = [];
  if (placed.length !== pieces.length) wrong.push(`${placed.length} pieces lie on the roll, ${pieces.length} were asked`);
  for (const piece of pieces) {
    const at = placed.find((one) => one.id === piece.id);
    if (!at) {
      wrong.push(`${piece.id} is missing`);
      continue;
    }
    const { w, h } = lying(piece, at.turned);
    if (at.w !== w || at.h !== h) wrong.push(`${piece.id} has lost its size`);
    if (at.turned && !piece.mayTurn) wrong.push(`${piece.id} is turned against its grain`);
    if (at.x < 0 || at.y < 0 || at.x + at.w > sheet.width) wrong.push(`${piece.id} hangs over the edge`);
    if (piece.pin && (piece.pin.x !== at.x || piece.pin.y !== at.y || piece.pin.turned !== at.turned))
      wrong.push(`${piece.id} is not where it was pinned`);
    if (sheet.flaws.some((flaw) => overlap(flaw, keptClear(piece, at)))) wrong.push(`${piece.id} has a flaw`);
  }
  if (!torn(placed, sheet.tear)) wrong.push('no cuts from edge to edge free every piece');
  return wrong;
}

/** Whether a cut parts these pieces into two groups at least a tear apart, and each group again. */
function torn(placed: readonly PlacedPiece[], tear: number): boolean {
  if (placed.length <= 1) return true;
  for (const [start, size] of [
    ['x', 'w'],
    ['y', 'h'],
  ] as const) {
    const sorted = [...placed].sort((a, b) => a[start] - b[start]);
    let end = -Infinity;
    for (const [index, one] of sorted.entries()) {
      // A cut that parts a layout without crossing a piece never spoils another: the first found will do.
      if (index > 0 && one[start] >= end + tear) return torn(sorted.slice(0, index), tear) && torn(sorted.slice(index), tear);
      end = Math.max(end, one[start] + one[size]);
    }
  }
  return false;
}
