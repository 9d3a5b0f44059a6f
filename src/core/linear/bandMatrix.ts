/*
 * Symmetric positive definite band matrices: Cholesky factor (row by row, as George & Liu, Computer Solution of
 * Large Sparse Positive Definite Systems, 1981, ch. 4) and solution for several right sides at once.
 * Entry (i, j), j ≤ i, stands at i · (band + 1) + j − i + band.
 */

export interface BandMatrix {
  size: number;
  /** How far an entry may stand from the diagonal. */
  band: number;
  values: Float64Array;
}

export const bandMatrix = (size: number, band: number): BandMatrix => ({
  size,
  band,
  values: new Float64Array(size * (band + 1)),
});

/** Where entry (row, column) of the lower half stands. */
export const bandPlace = ({ band }: BandMatrix, row: number, column: number): number => row * (band + 1) + column - row + band;

/** Right sides, or entries of a row, that are worked out beside each other: as many as stay in registers. */
export const TOGETHER = 4;

/**
 * Turns the matrix into its Cholesky factor, in its own place.
 *
 * @throws RangeError when the matrix is not positive definite
 */
export function factorBand(matrix: BandMatrix): BandMatrix {
  const { size, band, values } = matrix;
  for (let row = 0; row < size; row += 1) {
    const rowAt = row * (band + 1) + band - row;
    const first = Math.max(0, row - band);
    let column = first;
    for (; column + TOGETHER <= row; column += TOGETHER) fourEntries(matrix, rowAt, first, column);
    for (; column <= row; column += 1) {
      const columnAt = column * (band + 1) + band - column;
      let sum = values[rowAt + column]!;
      for (let k = first; k < column; k += 1) sum -= values[rowAt + k]! * values[columnAt + k]!;
      if (column < row) values[rowAt + column] = sum / values[columnAt + column]!;
      else if (sum > 0) values[rowAt + row] = Math.sqrt(sum);
      else throw new RangeError(`the matrix is not positive definite: row ${row} leaves ${sum}`);
    }
  }
  return matrix;
}

/** Four entries of a row of the factor, from `column` on: what they share is gone through once. */
function fourEntries({ band, values }: BandMatrix, rowAt: number, first: number, column: number): void {
  const [at0, at1, at2, at3] = [0, 1, 2, 3].map((more) => (column + more) * (band + 1) + band - column - more) as Four;
  const own = rowAt + column;
  let [a, b, c, d] = [values[own]!, values[own + 1]!, values[own + 2]!, values[own + 3]!];
  for (let k = first; k < column; k += 1) {
    const part = values[rowAt + k]!;
    a -= part * values[at0 + k]!;
    b -= part * values[at1 + k]!;
    c -= part * values[at2 + k]!;
    d -= part * values[at3 + k]!;
  }
  a /= values[at0 + column]!;
  b = (b - a * values[at1 + column]!) / values[at1 + column + 1]!;
  c = (c - a * values[at2 + column]! - b * values[at2 + column + 1]!) / values[at2 + column + 2]!;
  d = (d - a * values[at3 + column]! - b * values[at3 + column + 1]! - c * values[at3 + column + 2]!) / values[at3 + column + 3]!;
  values[own] = a;
  values[own + 1] = b;
  values[own + 2] = c;
  values[own + 3] = d;
}
type Four = [number, number, number, number];

/**
 * Solves for one right side, in its place.
 *
 * @param factor as `factorBand` leaves it
 * @param from the right side is 0 before this row
 */
export function solveBand({ size, band, values }: BandMatrix, right: Float64Array, from = 0): Float64Array {
  for (let row = from; row < size; row += 1) {
    const rowAt = row * (band + 1) + band - row;
    let sum = right[row]!;
    for (let k = Math.max(from, row - band); k < row; k += 1) sum -= values[rowAt + k]! * right[k]!;
    right[row] = sum / values[rowAt + row]!;
  }
  for (let row = size - 1; row >= 0; row -= 1) {
    const rowAt = row * (band + 1) + band - row;
    const found = right[row]! / values[rowAt + row]!;
    right[row] = found;
    for (let k = Math.max(0, row - band); k < row; k += 1) right[k]! -= values[rowAt + k]! * found;
  }
  return right;
}

/**
 * Solves for `TOGETHER` right sides that stand beside each other (entry r of unknown i at i · TOGETHER + r), in their place.
 *
 * @param factor as `factorBand` leaves it
 * @param columns the same factor column by column, as `bandColumns` lays it out
 * @param from every right side is 0 before this row
 */
export function solveFour(factor: BandMatrix, columns: Float64Array, right: Float64Array, from = 0): Float64Array {
  const { size, band, values } = factor;
  for (let row = from; row < size; row += 1) {
    const first = Math.max(from, row - band);
    const end = row * (band + 1) + band;
    const own = TOGETHER * row;
    let [a, b, c, d] = [right[own]!, right[own + 1]!, right[own + 2]!, right[own + 3]!];
    for (let entry = end + first - row, at = TOGETHER * first; entry < end; entry += 1, at += TOGETHER) {
      const part = values[entry]!;
      a -= part * right[at]!;
      b -= part * right[at + 1]!;
      c -= part * right[at + 2]!;
      d -= part * right[at + 3]!;
    }
    divideFour(right, own, values[end]!, a, b, c, d);
  }
  for (let row = size - 1; row >= 0; row -= 1) {
    const most = Math.min(band, size - 1 - row);
    const start = row * (band + 1);
    const own = TOGETHER * row;
    let [a, b, c, d] = [right[own]!, right[own + 1]!, right[own + 2]!, right[own + 3]!];
    for (let entry = start + 1, at = own + TOGETHER; entry <= start + most; entry += 1, at += TOGETHER) {
      const part = columns[entry]!;
      a -= part * right[at]!;
      b -= part * right[at + 1]!;
      c -= part * right[at + 2]!;
      d -= part * right[at + 3]!;
    }
    divideFour(right, own, columns[start]!, a, b, c, d);
  }
  return right;
}

function divideFour(right: Float64Array, at: number, by: number, a: number, b: number, c: number, d: number): void {
  right[at] = a / by;
  right[at + 1] = b / by;
  right[at + 2] = c / by;
  right[at + 3] = d / by;
}

/** The factor column by column: entry (row + k, row) stands at row · (band + 1) + k. */
export function bandColumns({ size, band, values }: BandMatrix): Float64Array {
  const columns = new Float64Array(values.length);
  for (let row = 0; row < size; row += 1)
    for (let k = 0; k <= band && row + k < size; k += 1)
      columns[row * (band + 1) + k] = values[(row + k) * (band + 1) + band - k]!;
  return columns;
}
