/** A place in a list as an address says it: a whole number from 0; null for anything else. */
export const placeIn = (said: string | string[] | undefined): number | null =>
  typeof said === 'string' && /^\d{1,9}$/.test(said) ? Number(said) : null;
