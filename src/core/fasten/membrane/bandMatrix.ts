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
    for (let column = first; column <= row; column += 1) {
      const columnAt = column * (band + 1) + band - column;
      let sum = values[rowAt + column]!;
      for (let k = Math.max(first, column - band); k < column; k += 1) sum -= values[rowAt + k]! * values[columnAt + k]!;
      if (column < row) values[rowAt + column] = sum / values[columnAt + column]!;
      else if (sum > 0) values[rowAt + row] = Math.sqrt(sum);
      else throw new RangeError(`the matrix is not positive definite: row ${row} leaves ${sum}`);
    }
  }
  return matrix;
}

/**
 * Solves for `count` right sides that stand beside each other (entry r of unknown i at i · count + r), in their place.
 *
 * @param factor as `factorBand` leaves it
 * @param from every right side is 0 before this row
 */
export function solveBand(factor: BandMatrix, right: Float64Array, count = 1, from = 0): Float64Array {
  return count === 1 ? solveOne(factor, right, from) : solveSeveral(factor, right, count, from);
}

function solveOne({ size, band, values }: BandMatrix, right: Float64Array, from: number): Float64Array {
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

function solveSeveral({ size, band, values }: BandMatrix, right: Float64Array, count: number, from: number): Float64Array {
  for (let row = from; row < size; row += 1) {
    const rowAt = row * (band + 1) + band - row;
    const own = row * count;
    const end = own + count;
    for (let k = Math.max(from, row - band); k < row; k += 1) {
      const factor = values[rowAt + k]!;
      for (let one = own, at = k * count; one < end; one += 1, at += 1) right[one]! -= factor * right[at]!;
    }
    const whole = values[rowAt + row]!;
    for (let one = own; one < end; one += 1) right[one]! /= whole;
  }
  for (let row = size - 1; row >= 0; row -= 1) {
    const rowAt = row * (band + 1) + band - row;
    const own = row * count;
    const end = own + count;
    const whole = values[rowAt + row]!;
    for (let one = own; one < end; one += 1) right[one]! /= whole;
    for (let k = Math.max(0, row - band); k < row; k += 1) {
      const factor = values[rowAt + k]!;
      for (let one = own, at = k * count; one < end; one += 1, at += 1) right[at]! -= factor * right[one]!;
    }
  }
  return right;
}
