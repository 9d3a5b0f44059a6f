/*
 * Least value of a function without slopes: the simplex of Nelder & Mead (Computer Journal 7, 1965), with the usual
 * reflection 1, expansion 2, contraction ½ and shrinking ½.
 */
export interface Least {
  at: number[];
  value: number;
}

/**
 * Walks downhill from a start; deterministic.
 *
 * @param steps first step along each axis
 * @param rounds most rounds; it stops before when the simplex is flat to `flat`
 * @example nelderMead(([x]) => (x - 2) ** 2, [0], [1], 100).at[0] // 2.00…
 */
export function nelderMead(
  cost: (at: readonly number[]) => number,
  start: readonly number[],
  steps: readonly number[],
  rounds: number,
  flat = 1e-7,
): Least {
  const measured = (at: number[]): Least => ({ at, value: cost(at) });
  const simplex = [
    measured([...start]),
    ...steps.map((step, axis) => measured(start.map((value, index) => (index === axis ? value + step : value)))),
  ];
  const worst = steps.length;
  for (let round = 0; round < rounds; round += 1) {
    simplex.sort((one, other) => one.value - other.value);
    const [best, last] = [simplex[0]!, simplex[worst]!];
    if (last.value - best.value < flat) break;
    const middle = start.map((_, axis) => simplex.slice(0, worst).reduce((sum, { at }) => sum + at[axis]!, 0) / worst);
    const along = (reach: number) => measured(middle.map((value, axis) => value + reach * (value - last.at[axis]!)));
    const reflected = along(1);
    if (reflected.value < best.value) {
      const expanded = along(2);
      simplex[worst] = expanded.value < reflected.value ? expanded : reflected;
    } else if (reflected.value < simplex[worst - 1]!.value) simplex[worst] = reflected;
    else {
      const contracted = along(reflected.value < last.value ? 0.5 : -0.5);
      if (contracted.value < Math.min(reflected.value, last.value)) simplex[worst] = contracted;
      else
        for (let index = 1; index <= worst; index += 1)
          simplex[index] = measured(simplex[index]!.at.map((value, axis) => (value + best.at[axis]!) / 2));
    }
  }
  return simplex.reduce((least, one) => (one.value < least.value ? one : least));
}
