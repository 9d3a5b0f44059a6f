/**
 * Rows by a key, keys in the order they come in first; rows without one are left out.
 *
 * @example [...groupsBy(['pin', 'plate', 'bolt'], (one) => one[0]).keys()] // ['p', 'b']
 */
export function groupsBy<T, K>(rows: readonly T[], keyOf: (row: T) => K | null | undefined): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const row of rows) {
    const key = keyOf(row);
    if (key === null || key === undefined) continue;
    const own = groups.get(key);
    if (own) own.push(row);
    else groups.set(key, [row]);
  }
  return groups;
}
