/* How near two fasteners may stand: their crowns side by side with wood between, or both go into one hole and it splits. */
import type { Fastener } from './fasteners';

/** Wood left between two crowns where the house says nothing else, mm. */
export const CROWN_GAP_MM = 4;

/**
 * The least distance between two neighbours, mm.
 *
 * @example leastPitch({ crownMm: 11 }, 4) // 15
 */
export const leastPitch = ({ crownMm }: Pick<Fastener, 'crownMm'>, gapMm: number): number => crownMm + gapMm;
