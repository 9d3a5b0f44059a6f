/* The condensed cloth against the whole cloth solved at once for every event, with the fasteners as multipliers. */
import { randomLcg, randomNormal } from 'd3-random';
import { expect, it } from 'vitest';
import { toEnd } from '../../toEnd';
import { bandPlace } from '../../linear/bandMatrix';
import { Stapling } from './Stapling';
import { type EdgePlace, JAW_MM, edgeForces, placeCompliance } from './edgePlaces';
import { condensedMembrane, membraneStiffness, movesUnder } from './membrane';
import { type MembraneCloth, elasticity } from './membraneCloth';
import { type MembraneMesh, nodeAt } from './membraneMesh';

const RAW: MembraneCloth = { exNPerMm: 20, eyNPerMm: 12, nuXY: 0.2, shearNPerMm: 0.5, offGrainDeg: 0 };

/** Solves by elimination on the whole matrix: the naive way. */
function denseSolve(matrix: readonly Float64Array[], right: readonly number[]): Float64Array {
  const rows = matrix.map((row, index) => Float64Array.from([...row, right[index]!]));
  const size = rows.length;
  for (let pivot = 0; pivot < size; pivot += 1) {
    const best = rows.reduce(
      (top, row, index) => (index >= pivot && Math.abs(row[pivot]!) > Math.abs(rows[top]![pivot]!) ? index : top),
      pivot,
    );
    [rows[pivot], rows[best]] = [rows[best]!, rows[pivot]!];
    for (let row = pivot + 1; row < size; row += 1) {
      const factor = rows[row]![pivot]! / rows[pivot]![pivot]!;
      if (factor !== 0) for (let k = pivot; k <= size; k += 1) rows[row]![k]! -= factor * rows[pivot]![k]!;
    }
  }
  const out = new Float64Array(size);
  for (let row = size - 1; row >= 0; row -= 1) {
    let sum = rows[row]![size]!;
    for (let k = row + 1; k < size; k += 1) sum -= rows[row]![k]! * out[k]!;
    out[row] = sum / rows[row]![row]!;
  }
  return out;
}

function wholeStiffness(mesh: MembraneMesh, cloth: MembraneCloth, springs: number): Float64Array[] {
  const band = membraneStiffness(mesh, elasticity(cloth), springs);
  const whole = Array.from({ length: band.size }, () => new Float64Array(band.size));
  for (let row = 0; row < band.size; row += 1)
    for (let column = Math.max(0, row - band.band); column <= row; column += 1)
      whole[row]![column] = whole[column]![row] = band.values[bandPlace(band, row, column)]!;
  return whole;
}

it.each([
  ['on the grain, stiff bars', 0, false],
  ['off the grain, bars that give', 12, true],
])('agree with the whole cloth solved at once: %s', (_name, offGrainDeg, elastic) => {
  const small = { xs: Float64Array.of(0, 60, 180, 300, 420, 540, 600), ys: Float64Array.of(0, 60, 200, 340, 400) };
  const cloth = { ...RAW, offGrainDeg };
  const some: EdgePlace[] = [
    { side: 'top', offsetMm: 0 },
    { side: 'bottom', offsetMm: 0 },
    { side: 'left', offsetMm: -20 },
    { side: 'right', offsetMm: 5 },
    { side: 'top', offsetMm: -97 },
    { side: 'bottom', offsetMm: 120 },
    { side: 'right', offsetMm: -110 },
  ];
  const solved = toEnd(condensedMembrane(small, cloth));
  const bars = elastic
    ? Float64Array.from({ length: 49 }, (_, index) => {
        const [a, b] = [some[Math.floor(index / 7)]!, some[index % 7]!];
        return a.side === b.side ? (a === b ? 0.05 : 0.03) : 0;
      })
    : null;
  const stapling = new Stapling(placeCompliance(solved, some, JAW_MM.pliers), bars);
  const normal = randomNormal.source(randomLcg(0.4))(20, 3);
  const naive = new NaiveStapling(small, cloth, some, bars);
  for (const [place] of some.entries()) {
    const pull = normal();
    stapling.fasten(place, [pull]);
    naive.fasten(place, pull);
    if (place === 4) {
      stapling.takeOut(1);
      naive.takeOut(1);
      stapling.fasten(1, [25]);
      naive.fasten(1, 25);
    }
    stapling.forces().forEach((force, dof) => expect(Math.abs(force - naive.forces[dof]!)).toBeLessThan(1e-6));
  }
  const moves = movesUnder(solved, edgeForces(solved, some, stapling.forces()));
  moves.forEach((move, dof) => expect(Math.abs(move - naive.moves[dof]!)).toBeLessThan(1e-6));
});

/** Every event solved on the whole cloth, the fasteners as multipliers: no condensing, no inverse kept. */
class NaiveStapling {
  forces: number[];
  moves: Float64Array = new Float64Array();
  private readonly whole: Float64Array[];
  private held: { place: number; moves: [number, number] }[] = [];

  constructor(
    private readonly mesh: MembraneMesh,
    cloth: MembraneCloth,
    private readonly places: readonly EdgePlace[],
    private readonly bars: Float64Array | null,
  ) {
    this.whole = wholeStiffness(mesh, cloth, 1e-3);
    this.forces = places.map(() => [0, 0]).flat();
  }

  fasten(place: number, pullN: number): void {
    const [nx, ny] = this.out(place);
    const free = this.solve(place, 0);
    const slack = this.solve(place, 1).jaw - free.jaw > 3;
    const pulled = this.solve(place, slack ? 0 : pullN);
    const crown = this.rows(place, 12).map((row) => row.reduce((sum, share, dof) => sum + share * pulled.moves[dof]!, 0));
    const bar = pulled.bar(place);
    this.held.push({ place, moves: [crown[0]! + bar * nx, crown[1]! + bar * ny] });
    this.show();
  }

  takeOut(place: number): void {
    this.held = this.held.filter((one) => one.place !== place);
    this.show();
  }

  private out(place: number): readonly [number, number] {
    return ({ top: [0, -1], right: [1, 0], bottom: [0, 1], left: [-1, 0] } as const)[this.places[place]!.side];
  }

  private show(): void {
    const { moves, multipliers } = this.solve(null, 0);
    this.moves = moves;
    this.forces = this.forces.map(() => 0);
    this.held.forEach(({ place }, index) => {
      this.forces[2 * place] = multipliers[2 * index]!;
      this.forces[2 * place + 1] = multipliers[2 * index + 1]!;
    });
  }

  /** Mean over a stretch of the edge, x and y, by adding up fine slices. */
  private rows(place: number, wide: number): [Float64Array, Float64Array] {
    const { side, offsetMm } = this.places[place]!;
    const level = side === 'top' || side === 'bottom';
    const lines = level ? this.mesh.xs : this.mesh.ys;
    const other = side === 'top' || side === 'left' ? 0 : (level ? this.mesh.ys : this.mesh.xs).length - 1;
    const rows: [Float64Array, Float64Array] = [new Float64Array(this.whole.length), new Float64Array(this.whole.length)];
    // Two Gauss points in every piece between lines: exact for straight shapes.
    const from = lines.at(-1)! / 2 + offsetMm - wide / 2;
    const stops = [from, ...[...lines].filter((line) => line > from && line < from + wide), from + wide];
    stops.slice(1).forEach((to, index) => {
      for (const side of [-1, 1]) {
        const x = (stops[index]! + to) / 2 + (side * (to - stops[index]!)) / 2 / Math.sqrt(3);
        const line = [...lines].findLastIndex((one) => one <= x);
        const t = (x - lines[line]!) / (lines[line + 1]! - lines[line]!);
        for (const [at, share] of [
          [line, 1 - t],
          [line + 1, t],
        ] as const) {
          const node = level ? nodeAt(this.mesh, at, other) : nodeAt(this.mesh, other, at);
          for (const axis of [0, 1] as const) rows[axis][2 * node + axis]! += (share * (to - stops[index]!)) / 2 / wide;
        }
      }
    });
    return rows;
  }

  private solve(pulled: number | null, pullN: number) {
    const size = this.whole.length;
    const constraints = this.held.flatMap(({ place, moves }) =>
      this.rows(place, 12).map((row, axis) => ({ place, axis, row, move: moves[axis]! })),
    );
    const give = (a: number, b: number) => this.bars?.[a * this.places.length + b] ?? 0;
    const load = new Float64Array(size);
    const jaw = pulled === null ? null : this.rows(pulled, 55);
    if (pulled !== null && jaw)
      jaw.forEach((row, axis) => row.forEach((share, dof) => (load[dof]! += share * pullN * this.out(pulled)[axis]!)));
    const matrix = [
      ...this.whole.map((row, dof) => Float64Array.from([...row, ...constraints.map((one) => -one.row[dof]!)])),
      ...constraints.map((one) =>
        Float64Array.from([
          ...one.row,
          ...constraints.map(
            (other) => give(one.place, other.place) * this.out(one.place)[one.axis]! * this.out(other.place)[other.axis]!,
          ),
        ]),
      ),
    ];
    const right = [
      ...load,
      ...constraints.map(
        (one) => one.move - (pulled === null ? 0 : give(one.place, pulled) * pullN * this.out(one.place)[one.axis]!),
      ),
    ];
    const solution = denseSolve(matrix, right);
    const multipliers = solution.subarray(size);
    const along = (row: Float64Array, axis: number) =>
      row.reduce((sum, share, dof) => sum + share * solution[dof]!, 0) * this.out(pulled!)[axis]!;
    return {
      moves: solution.subarray(0, size),
      multipliers,
      jaw: jaw ? along(jaw[0], 0) + along(jaw[1], 1) : 0,
      bar: (place: number) =>
        constraints.reduce(
          (sum, one, index) => sum + give(place, one.place) * this.out(one.place)[one.axis]! * multipliers[index]!,
          0,
        ) +
        give(place, pulled!) * pullN,
    };
  }
}
