/*
 * Roll of a bar: the cloth pulls at its front edge, so that it twists inwards. Saint-Venant torsion of a
 * rectangle (Roark’s Formulas for Stress and Strain), the ends and braces holding it; G of wood taken as E / 16
 * (mean of softwoods). An estimate: corners and brace joints give a little too.
 */

/** Torsion constant of a rectangle, mm⁴; within 0.5 %. */
export function torsionConstant(oneMm: number, otherMm: number): number {
  const [a, b] = [Math.max(oneMm, otherMm), Math.min(oneMm, otherMm)];
  return a * b ** 3 * (1 / 3 - 0.21 * (b / a) * (1 - b ** 4 / (12 * a ** 4)));
}

/**
 * The greatest roll of a bar between two places that hold it, degrees.
 *
 * @param leverMm from the middle of the section to the cloth at the front
 * @example rollDegrees({ spanMm: 1000, loadNPerMm: 0.25, leverMm: 23, widthMm: 42, depthMm: 38, eNPerMm2: 8640 }) // 0.214…
 */
export function rollDegrees({
  spanMm,
  loadNPerMm,
  leverMm,
  widthMm,
  depthMm,
  eNPerMm2,
}: {
  spanMm: number;
  loadNPerMm: number;
  leverMm: number;
  widthMm: number;
  depthMm: number;
  eNPerMm2: number;
}): number {
  const twist = (loadNPerMm * leverMm * spanMm ** 2) / (8 * (eNPerMm2 / 16) * torsionConstant(widthMm, depthMm));
  return (twist * 180) / Math.PI;
}
