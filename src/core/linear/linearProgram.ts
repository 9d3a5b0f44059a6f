/*
 * Linear programmes with a handful of free variables and some dozens of limits: the dual has a row a variable, so its tableau is
 * small. Two phases; of rows that are alike the one with the largest pivot leaves. After the textbook.
 */
import { solveDense } from './dense';

/** Counts as nothing in a tableau. */
const DUST = 1e-9;
/** What is divided by is at least this: less is what rounding left. */
const LEAST_PIVOT = 1e-7;
const MOST_STEPS = 400;

/** One limit: so much of each variable together is at most this. */
export interface Limit {
  of: readonly number[];
  most: number;
}

/**
 * Where a sum is greatest within limits; null where the limits leave no place, or no greatest one.
 *
 * @param gain what each variable adds, free of sign
 * @example greatest([1, 1], [{ of: [1, 0], most: 2 }, { of: [0, 1], most: 3 }]) // [2, 3]
 */
export function greatest(gain: readonly number[], limits: readonly Limit[]): number[] | null {
  const rows = gain.length;
  const count = limits.length;
  // Rows: what each variable gains is made of limits, none taken less than nothing; one slack a row to begin with.
  const table = gain.map((one, row) => {
    const sign = one < 0 ? -1 : 1;
    const own = Array.from({ length: rows }, (_, index) => (index === row ? 1 : 0));
    return [...limits.map(({ of }) => sign * of[row]!), ...own, sign * one];
  });
  const basis = gain.map((_one, row) => count + row);
  const first = descend(table, basis, [...limits.map(() => 0), ...gain.map(() => 1)], count + rows);
  if (first === null || first > 1e-7) return null;
  // A slack that stayed at nothing would grow unseen: a limit takes its row, where one can.
  basis.forEach((column, row) => {
    const other =
      column < count ? -1 : limits.findIndex((_limit, index) => !basis.includes(index) && Math.abs(table[row]![index]!) > DUST);
    if (other < 0) return;
    pivot(table, row, other);
    basis[row] = other;
  });
  if (descend(table, basis, [...limits.map(({ most }) => most), ...gain.map(() => 0)], count) === null) return null;
  // The limits that are met tell the place; a row that nothing was needed for holds its variable at nothing.
  const met = basis.map((column) =>
    column < count ? limits[column]! : { of: gain.map((_one, index) => (index === column - count ? 1 : 0)), most: 0 },
  );
  return (
    solveDense(
      met.map(({ of }) => [...of]),
      met.map(({ most }) => most),
      1e-12,
    ) ?? null
  );
}

/** Brings a tableau to its least cost among the first `open` columns; null where there is no least. */
function descend(table: number[][], basis: number[], cost: readonly number[], open: number): number | null {
  const last = table[0]!.length - 1;
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const gainOf = (column: number) =>
      cost[column]! - table.reduce((sum, row, index) => sum + cost[basis[index]!]! * row[column]!, 0);
    let enters = -1;
    for (let column = 0; column < open && enters < 0; column += 1)
      if (!basis.includes(column) && gainOf(column) < -DUST) enters = column;
    if (enters < 0) return table.reduce((sum, row, index) => sum + cost[basis[index]!]! * row[last]!, 0);
    let leaves = -1;
    for (let row = 0; row < table.length; row += 1) {
      const part = table[row]![enters]!;
      if (part <= LEAST_PIVOT) continue;
      const better = leaves < 0 ? 1 : table[leaves]![last]! / table[leaves]![enters]! - table[row]![last]! / part;
      if (better > DUST || (better > -DUST && leaves >= 0 && part > table[leaves]![enters]!)) leaves = row;
    }
    if (leaves < 0) return null;
    pivot(table, leaves, enters);
    basis[leaves] = enters;
  }
  return null;
}

function pivot(table: number[][], at: number, column: number): void {
  const part = table[at]![column]!;
  table[at] = table[at]!.map((one) => one / part);
  for (let row = 0; row < table.length; row += 1) {
    const times = table[row]![column]!;
    if (row !== at && times !== 0) table[row] = table[row]!.map((one, index) => one - times * table[at]![index]!);
  }
}
