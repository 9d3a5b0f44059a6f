/*
 * The places X and Y taken for each other. X sounds the note 2,1 and not 1,2, Y the other way round; three notes fit either
 * reading exactly, so only the tensions that come of it tell. From f² ∝ 4 Tx/a² + Ty/b² (2,1) and Tx/a² + 4 Ty/b² (1,2):
 * changed over, Tx′ = Ty a²/b² and Ty′ = Tx b²/a². Derived here.
 */
import type { Pull, Span } from './membraneTone';

/** One way is this much tighter than the other, ln: more than hands do unasked. */
const UNLIKE = 0.55;
/** Changed over the two ways are at least so much more alike. */
const MORE_ALIKE = 0.4;

/**
 * The tensions if X and Y were taken for each other, where that is the likelier; null where the reading stands as it is.
 * On a square face either reading is as likely: nothing is told.
 *
 * @example changedOver({ a: 0.5, b: 0.4 }, { tx: 281, ty: 128 }) // { tx: 200, ty: 179.84 }
 * @example changedOver({ a: 0.5, b: 0.4 }, { tx: 200, ty: 180 }) // null
 */
export function changedOver({ a, b }: Span, { tx, ty }: Pull): Pull | null {
  const square = (a / b) ** 2;
  const other = { tx: ty * square, ty: tx / square };
  const unlike = Math.abs(Math.log(tx / ty));
  return unlike > UNLIKE && Math.abs(Math.log(other.tx / other.ty)) < MORE_ALIKE * unlike ? other : null;
}
