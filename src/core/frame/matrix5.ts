/* Just enough of linear algebra for the five unknowns of a quadrilateral. Rows of numbers. */
export type Matrix5 = number[][];

/**
 * The inverse of a symmetric, positive definite matrix: Gauss–Jordan with row exchange.
 *
 * @throws RangeError when the matrix has no inverse
 * @example inverse5([[2, 0], [0, 4]]) // [[0.5, 0], [0, 0.25]]
 */
export function inverse5(matrix: Matrix5): Matrix5 {
  const size = matrix.length;
  const work = matrix.map((row, at) => [...row, ...row.map((_value, column) => (column === at ? 1 : 0))]);
  for (let pivot = 0; pivot < size; pivot += 1) {
    let best = pivot;
    for (let row = pivot + 1; row < size; row += 1) if (Math.abs(work[row]![pivot]!) > Math.abs(work[best]![pivot]!)) best = row;
    if (!(Math.abs(work[best]![pivot]!) > 0)) throw new RangeError('the matrix has no inverse');
    [work[pivot], work[best]] = [work[best]!, work[pivot]!];
    const scale = work[pivot]![pivot]!;
    work[pivot] = work[pivot]!.map((value) => value / scale);
    for (let row = 0; row < size; row += 1) {
      if (row === pivot) continue;
      const factor = work[row]![pivot]!;
      work[row] = work[row]!.map((value, column) => value - factor * work[pivot]![column]!);
    }
  }
  return work.map((row) => row.slice(size));
}

/** vᵀ M v. */
export const quadratic5 = (matrix: Matrix5, vector: readonly number[]): number =>
  matrix.reduce(
    (sum, row, at) => sum + vector[at]! * row.reduce((inner, value, column) => inner + value * vector[column]!, 0),
    0,
  );
