/*
 * How far a bar gives at one place for a force at another: a beam on its two corners by its closed form, with the braces
 * as redundant supports (force method; Timoshenko, Strength of Materials I, 1955). Corners are taken for pins, which is
 * the softest they can be. mm, N.
 */
import { solveDense } from '../linear/dense';
import type { Beam } from './beam';

/** Deflection of a simple beam at x for a unit force at a, times E I. */
function simpleBeam(lengthMm: number, xMm: number, aMm: number): number {
  const [x, a] = xMm <= aMm ? [xMm, aMm] : [aMm, xMm];
  const b = lengthMm - a;
  return (b * x * (lengthMm ** 2 - b ** 2 - x ** 2)) / (6 * lengthMm);
}

/**
 * Give of a bar between places, mm/N, places × places, row by row.
 *
 * @param placesMm from the first end, 0 to the length
 * @throws RangeError for a place beyond the bar
 * @example barGive({ lengthMm: 1000, eNPerMm2: 10_000, inertiaMm4: 100_000, supports: [] }, [500])[0] // 0.0208333…
 */
export function barGive(
  { lengthMm, eNPerMm2, inertiaMm4, supports }: Pick<Beam, 'lengthMm' | 'eNPerMm2' | 'inertiaMm4' | 'supports'>,
  placesMm: readonly number[],
): Float64Array {
  const flex = eNPerMm2 * inertiaMm4;
  for (const at of placesMm)
    if (!(at >= 0 && at <= lengthMm)) throw new RangeError(`a place lies on the bar, 0 to ${lengthMm} mm, got ${at}`);
  const give = (x: number, a: number) => simpleBeam(lengthMm, x, a) / flex;
  const count = placesMm.length;
  const braces = supports.map((one, row) =>
    supports.map((other, column) => give(one.atMm, other.atMm) + (row === column ? 1 / one.stiffnessNPerMm : 0)),
  );
  const out = new Float64Array(count * count);
  placesMm.forEach((load, column) => {
    const forces = solveDense(
      braces,
      supports.map(({ atMm }) => give(atMm, load)),
    )!;
    placesMm.forEach((at, row) => {
      let moved = give(at, load);
      supports.forEach((support, index) => (moved -= forces[index]! * give(at, support.atMm)));
      out[row * count + column] = moved;
    });
  });
  return out;
}
