/*
 * Braces: what they carry, when they buckle (Euler, both ends free to turn), how much they give, and how far the
 * cloth sags towards them under a brush (point load on a membrane, R = 0.6 × the short side).
 */

/** Euler's load of a brace, N; the thinner way counts. `lengthMm` is the longest piece between crossings. */
export function bucklingN(lengthMm: number, section: { widthMm: number; depthMm: number }, eNPerMm2: number): number {
  const [thin, thick] = [Math.min(section.widthMm, section.depthMm), Math.max(section.widthMm, section.depthMm)];
  return (Math.PI ** 2 * eNPerMm2 * ((thick * thin ** 3) / 12)) / lengthMm ** 2;
}

/** Wood is crushed along the grain at about one part in so many of its stiffness, softwood and hardwood alike. */
const STIFFNESS_OVER_CRUSHING = 300;

/**
 * What a brace bears before its wood is crushed along the grain, N.
 *
 * @example crushingN({ widthMm: 40, depthMm: 13 }, 9000) // 15600
 */
export const crushingN = (section: { widthMm: number; depthMm: number }, eNPerMm2: number): number =>
  (eNPerMm2 * section.widthMm * section.depthMm) / STIFFNESS_OVER_CRUSHING;

/**
 * Stiffness of one end of a brace that both opposite bars lean on, N/mm: its wood over half its length, and its seat.
 *
 * @param giveMm how much the seat gives at 100 N
 * @example braceStiffness(534, { widthMm: 40, depthMm: 13 }, 8640, 0) // 16826.9…
 */
export function braceStiffness(
  lengthMm: number,
  section: { widthMm: number; depthMm: number },
  eNPerMm2: number,
  giveMm: number,
): number {
  return 1 / (lengthMm / (2 * eNPerMm2 * section.widthMm * section.depthMm) + giveMm / 100);
}

/** Radius of the part of the brush that pushes, mm. */
const BRUSH_MM = 20;

/**
 * Sag of the cloth under a brush in its middle, mm: F / (2 π T) · ln(R / r).
 *
 * @example brushSag(4, 250, { widthMm: 812, heightMm: 512 }) // 6.956…
 */
export function brushSag(forceN: number, tensionNPerM: number, free: { widthMm: number; heightMm: number }): number {
  const reach = 0.6 * Math.min(free.widthMm, free.heightMm);
  if (reach <= BRUSH_MM) return 0;
  return (forceN / (2 * Math.PI * (tensionNPerM / 1000))) * Math.log(reach / BRUSH_MM);
}
