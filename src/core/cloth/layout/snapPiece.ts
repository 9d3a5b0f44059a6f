import type { PlacedPiece } from './rollLayout';

/**
 * Where a piece that is let go near others comes to lie: flush with the edges of the roll and a tear away from its
 * neighbours, each way on its own; whole mm, inside the roll.
 *
 * @param reach how near an edge draws it, mm
 * @example snapPiece({ id: 'a', x: 12, y: 507, w: 400, h: 300, turned: false }, [{ id: 'b', x: 0, y: 0, w: 400, h: 500, turned: false }], { width: 1000, tear: 5 }, 20) // { x: 0, y: 505 }
 */
export function snapPiece(
  piece: PlacedPiece,
  others: readonly PlacedPiece[],
  { width, tear }: { width: number; tear: number },
  reach: number,
): { x: number; y: number } {
  const near = (at: number, places: readonly number[]) =>
    places.reduce((best, place) => (Math.abs(place - at) < Math.abs(best - at) ? place : best), Infinity);
  const beside = (start: 'x' | 'y', size: 'w' | 'h') =>
    others.flatMap((other) => [
      other[start],
      other[start] + other[size] + tear,
      other[start] - tear - piece[size],
      other[start] + other[size] - piece[size],
    ]);
  const along = (at: number, places: readonly number[], most: number) => {
    const place = near(at, places);
    return Math.min(Math.max(0, Math.round(Math.abs(place - at) <= reach ? place : at)), Math.max(0, most));
  };
  return {
    x: along(piece.x, [0, width - piece.w, ...beside('x', 'w')], width - piece.w),
    y: along(piece.y, [0, ...beside('y', 'h')], Infinity),
  };
}
