import type { Profile } from '../frame/profiles';

/** Least that is left to swing, mm: smaller is no canvas. */
const LEAST_MM = 50;

/**
 * The part of the face that is free: without a bead the cloth lies on the whole bar, and only what is inside it swings or sags.
 *
 * @example freeSpan({ widthMm: 500, heightMm: 400 }, { widthMm: 44, beadMm: 0 }) // { widthMm: 412, heightMm: 312 }
 */
export function freeSpan(
  face: { widthMm: number; heightMm: number },
  { widthMm, beadMm }: Pick<Profile, 'widthMm' | 'beadMm'>,
): { widthMm: number; heightMm: number } {
  const off = beadMm > 0 ? 0 : 2 * widthMm;
  return { widthMm: Math.max(LEAST_MM, face.widthMm - off), heightMm: Math.max(LEAST_MM, face.heightMm - off) };
}
