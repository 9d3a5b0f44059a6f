import { layoutViolations } from './layoutViolations';
import { type ClothPiece, type ClothSheet, type PlacedPiece, lying } from './rollLayout';

/** Where the pinned pieces lie. */
export const pinnedPlaces = (pieces: readonly ClothPiece[]): PlacedPiece[] =>
  pieces.flatMap((piece) => {
    if (!piece.pin) return [];
    const { w, h } = lying(piece, piece.pin.turned);
    return [{ id: piece.id, x: piece.pin.x, y: piece.pin.y, w, h, turned: piece.pin.turned }];
  });

/** What is wrong with the pins alone, as sentences; none when the solver can work round them. */
export const pinTrouble = (pieces: readonly ClothPiece[], sheet: ClothSheet): string[] =>
  layoutViolations(
    pieces.filter((piece) => piece.pin),
    sheet,
    pinnedPlaces(pieces),
  );
