/**
 * Quarter hours that minutes take, at least one.
 *
 * @example quartersOf(31) // 3
 */
export const quartersOf = (minutes: number): number => Math.max(1, Math.ceil(minutes / 15 - 1e-9));
