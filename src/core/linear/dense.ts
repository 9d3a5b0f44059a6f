/* Small dense systems of equations: Gauss with row exchange. Rows of numbers. */
export type Matrix = readonly ArrayLike<number>[];

/**
 * The solution of `matrix` · x = `right`.
 *
 * @param leastPivot an unknown that is told by less than this is not told
 * @returns null when the equations do not tell every unknown
 * @example solveDense([[2, 0], [1, 4]], [2, 9]) // [1, 2]
 * @example solveDense([[1, 2], [2, 4]], [1, 2]) // null
 */
export function solveDense(matrix: Matrix, right: ArrayLike<number>, leastPivot = 0): number[] | null {
  const size = right.length;
  const work = matrix.map((row, at) => [...Array.from(row), right[at]!]);
  for (let pivot = 0; pivot < size; pivot += 1) {
    let best = pivot;
    for (let row = pivot + 1; row < size; row += 1) if (Math.abs(work[row]![pivot]!) > Math.abs(work[best]![pivot]!)) best = row;
    if (!(Math.abs(work[best]![pivot]!) > leastPivot)) return null;
    [work[pivot], work[best]] = [work[best]!, work[pivot]!];
    const own = work[pivot]!;
    for (let row = pivot + 1; row < size; row += 1) {
      const other = work[row]!;
      const factor = other[pivot]! / own[pivot]!;
      if (factor === 0) continue;
      for (let column = pivot; column <= size; column += 1) other[column]! -= factor * own[column]!;
    }
  }
  const found = new Array<number>(size).fill(0);
  for (let row = size - 1; row >= 0; row -= 1) {
    let sum = work[row]![size]!;
    for (let column = row + 1; column < size; column += 1) sum -= work[row]![column]! * found[column]!;
    found[row] = sum / work[row]![row]!;
  }
  return found;
}

/**
 * The inverse of a symmetric matrix, column by column; null when it has none.
 *
 * @example inverseOf([[2, 0], [0, 4]]) // [[0.5, 0], [0, 0.25]]
 */
export function inverseOf(matrix: Matrix): number[][] | null {
  const columns = matrix.map((_row, at) =>
    solveDense(
      matrix,
      matrix.map((_value, place) => (place === at ? 1 : 0)),
    ),
  );
  return columns.every((column) => column !== null) ? columns : null;
}

/** vᵀ M v. */
export const quadratic = (matrix: Matrix, vector: readonly number[]): number =>
  vector.reduce(
    (sum, one, at) => sum + one * vector.reduce((inner, value, column) => inner + matrix[at]![column]! * value, 0),
    0,
  );
