/*
 * Cloth as an orthotropic, linear membrane: σ = D ε with stress resultants in N/mm, warp along x before it is turned.
 * D = [[Ex/q, νyx Ex/q, 0], [νyx Ex/q, Ey/q, 0], [0, 0, G]], νyx = νxy Ey/Ex, q = 1 − νxy νyx (Jones, Mechanics of
 * Composite Materials, 1999, ch. 2). x right, y down.
 */

export interface MembraneCloth {
  /** Stiffness along x and along y, N/mm (the same figure as kN/m). */
  exNPerMm: number;
  eyNPerMm: number;
  /** How much it draws in along y when stretched along x. */
  nuXY: number;
  /** Stiffness against the threads sliding out of square, N/mm. */
  shearNPerMm: number;
  /** How far its threads are turned from the bars, degrees clockwise seen from the front; 0 is on the grain. */
  offGrainDeg: number;
}

/** Three by three, row by row; strain is (εx, εy, γ). */
export type Elasticity = Float64Array;

/**
 * D of the cloth, turned to the bars.
 *
 * @throws RangeError for a stiffness of 0 or less, or a contraction no cloth can have
 * @example elasticity({ exNPerMm: 20, eyNPerMm: 12, nuXY: 0.2, shearNPerMm: 0.5, offGrainDeg: 0 })[0] // 20.4918…
 */
export function elasticity({ exNPerMm, eyNPerMm, nuXY, shearNPerMm, offGrainDeg }: MembraneCloth): Elasticity {
  for (const [name, value] of Object.entries({ exNPerMm, eyNPerMm, shearNPerMm }))
    if (!(value > 0)) throw new RangeError(`${name} must be above 0 N/mm, got ${value}`);
  const nuYX = (nuXY * eyNPerMm) / exNPerMm;
  const q = 1 - nuXY * nuYX;
  if (!(q > 0)) throw new RangeError(`nuXY is ${nuXY}: 1 − νxy νyx must be above 0, got ${q}`);
  const own = [exNPerMm / q, (nuYX * exNPerMm) / q, 0, (nuYX * exNPerMm) / q, eyNPerMm / q, 0, 0, 0, shearNPerMm];
  const angle = (offGrainDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const turn = [c * c, s * s, c * s, s * s, c * c, -c * s, -2 * c * s, 2 * c * s, c * c - s * s];
  const turned = new Float64Array(9);
  for (let row = 0; row < 3; row += 1)
    for (let column = 0; column < 3; column += 1)
      for (let k = 0; k < 3; k += 1)
        for (let l = 0; l < 3; l += 1) turned[row * 3 + column]! += turn[k * 3 + row]! * own[k * 3 + l]! * turn[l * 3 + column]!;
  return turned;
}

/** Corners of an element, clockwise from its upper left one, in −1 to 1. */
const CORNERS = [
  [-1, -1],
  [1, -1],
  [1, 1],
  [-1, 1],
] as const;

/** Strain (εx, εy, γ) from the eight moves of an element's corners, at a place in it from −1 to 1: three rows of eight. */
export function strainRows(widthMm: number, heightMm: number, x: number, y: number): Float64Array {
  const rows = new Float64Array(24);
  CORNERS.forEach(([cx, cy], corner) => {
    const byX = (cx * (1 + cy * y)) / (2 * widthMm);
    const byY = (cy * (1 + cx * x)) / (2 * heightMm);
    rows[corner * 2] = byX;
    rows[8 + corner * 2 + 1] = byY;
    rows[16 + corner * 2] = byY;
    rows[16 + corner * 2 + 1] = byX;
  });
  return rows;
}

/** Stiffness of a rectangular element of four nodes, 8 × 8, by two by two Gauss points. */
export function elementStiffness(widthMm: number, heightMm: number, d: Elasticity): Float64Array {
  const stiffness = new Float64Array(64);
  const gauss = 1 / Math.sqrt(3);
  for (const [gx, gy] of CORNERS) {
    const rows = strainRows(widthMm, heightMm, gx * gauss, gy * gauss);
    for (let a = 0; a < 8; a += 1)
      for (let b = 0; b < 8; b += 1) {
        let sum = 0;
        for (let k = 0; k < 3; k += 1) for (let l = 0; l < 3; l += 1) sum += rows[k * 8 + a]! * d[k * 3 + l]! * rows[l * 8 + b]!;
        stiffness[a * 8 + b]! += (sum * widthMm * heightMm) / 4;
      }
  }
  return stiffness;
}
