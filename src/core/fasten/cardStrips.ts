/* Strips of card under a row of staples: staples come out of them later without tearing the cloth. */
import { SIDES, type Side, isLevel } from '../job/sides';

/** As wide as a crown with a little on both sides, mm. */
export const CARD_WIDE_MM = 14;

/**
 * Card for all sides that are stapled, mm.
 *
 * @param tacked sides that are held by tacks in sight: none under these
 * @example cardLengthMm({ widthMm: 600, heightMm: 400 }, ['top']) // 1400
 */
export const cardLengthMm = (face: { widthMm: number; heightMm: number }, tacked: readonly Side[]): number =>
  SIDES.filter((side) => !tacked.includes(side)).reduce((sum, side) => sum + (isLevel(side) ? face.widthMm : face.heightMm), 0);
