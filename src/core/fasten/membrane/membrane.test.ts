import fc from 'fast-check';
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { toEnd } from '../../toEnd';
import type { Side } from '../../job/sides';
import { bandMatrix, bandPlace, factorBand, solveBand, solveFour, TOGETHER, bandColumns } from '../../linear/bandMatrix';
import { Stapling } from './Stapling';
import { type EdgePlace, JAW_MM, edgeWeights, placeCompliance } from './edgePlaces';
import { type Membrane, condensedMembrane, membraneStiffness, strainsOf, tensionsOf } from './membrane';
import { type MembraneCloth, elasticity } from './membraneCloth';
import { type MembraneMesh, evenLines, nodeAt } from './membraneMesh';

const RAW: MembraneCloth = { exNPerMm: 20, eyNPerMm: 12, nuXY: 0.2, shearNPerMm: 0.5, offGrainDeg: 0 };
const PRIMED: MembraneCloth = { exNPerMm: 40, eyNPerMm: 30, nuXY: 0.2, shearNPerMm: 8, offGrainDeg: 0 };
const meshOf = (across: number, down: number): MembraneMesh => ({ xs: evenLines(900, across), ys: evenLines(600, down) });

const membraneOf = (across: number, down: number, cloth = RAW, springs?: number): Membrane =>
  toEnd(condensedMembrane(meshOf(across, down), cloth, springs));

/** Every place at a pitch round 900 × 600, from the middles. */
function ring(pitchMm: number): EdgePlace[] {
  const along = (side: Side, long: number) =>
    Array.from({ length: Math.round(long / pitchMm) - 1 }, (_, index) => ({ side, offsetMm: (index + 1) * pitchMm - long / 2 }));
  return [...along('top', 900), ...along('right', 600), ...along('bottom', 900), ...along('left', 600)];
}

function wholeStiffness(mesh: MembraneMesh, cloth: MembraneCloth, springs: number): Float64Array[] {
  const band = membraneStiffness(mesh, elasticity(cloth), springs);
  const whole = Array.from({ length: band.size }, () => new Float64Array(band.size));
  for (let row = 0; row < band.size; row += 1)
    for (let column = Math.max(0, row - band.band); column <= row; column += 1)
      whole[row]![column] = whole[column]![row] = band.values[bandPlace(band, row, column)]!;
  return whole;
}

/** Force that holds a node where a field of moves puts it, without springs. */
function forcesOn(mesh: MembraneMesh, moves: Float64Array, node: number): [x: number, y: number] {
  const whole = wholeStiffness(mesh, RAW, 0);
  const force = (row: number) => whole[row]!.reduce((sum, value, k) => sum + value * moves[k]!, 0);
  return [force(2 * node), force(2 * node + 1)];
}

describe('band matrix', () => {
  it('solves one right side, and four at once', () => {
    const random = randomLcg(0.3);
    const [size, band] = [30, 5];
    const matrix = bandMatrix(size, band);
    const whole = Array.from({ length: size }, () => new Float64Array(size));
    for (let row = 0; row < size; row += 1)
      for (let column = Math.max(0, row - band); column <= row; column += 1) {
        const value = row === column ? 12 + random() : random() - 0.5;
        matrix.values[bandPlace(matrix, row, column)] = whole[row]![column] = whole[column]![row] = value;
      }
    // The first rows of the right sides are 0, as those of a node further on are.
    const right = Float64Array.from({ length: TOGETHER * size }, (_, at) => (at < 3 * TOGETHER ? 0 : random()));
    const factor = factorBand(matrix);
    const found = solveFour(factor, bandColumns(factor), right.slice(), 3);
    for (let r = 0; r < TOGETHER; r += 1) {
      const own = (of: Float64Array) => Float64Array.from({ length: size }, (_, row) => of[TOGETHER * row + r]!);
      const product = whole.map((values) => values.reduce((sum, value, k) => sum + value * own(found)[k]!, 0));
      own(right).forEach((value, row) => expect(product[row]).toBeCloseTo(value, 11));
      solveBand(factor, own(right), 3).forEach((value, row) => expect(value).toBeCloseTo(own(found)[row]!, 11));
    }
  });

  it('refuses a matrix that is not positive definite', () => {
    const matrix = bandMatrix(2, 1);
    matrix.values.set([0, 1, 2, 1]);
    expect(() => factorBand(matrix)).toThrow(/not positive definite: row 1 leaves -3/);
  });
});

describe('elements', () => {
  it('pass the patch test: a linear field is in balance inside and has the same tension everywhere', () => {
    const mesh = { xs: Float64Array.of(0, 70, 210, 500, 900), ys: Float64Array.of(0, 110, 330, 600) };
    const [ex, ey, shear] = [0.008, 0.005, 0.01];
    const nodes = mesh.xs.length * mesh.ys.length;
    const field = new Float64Array(2 * nodes);
    mesh.xs.forEach((x, i) =>
      mesh.ys.forEach((y, j) => {
        field[2 * nodeAt(mesh, i, j)] = ex * x + (shear / 2) * y;
        field[2 * nodeAt(mesh, i, j) + 1] = ey * y + (shear / 2) * x;
      }),
    );
    const tensions = tensionsOf({ d: elasticity(RAW) }, strainsOf({ mesh }, field));
    for (let at = 0; at < tensions.length; at += 3) {
      expect(tensions[at]).toBeCloseTo(0.176229508197, 9);
      expect(tensions[at + 1]).toBeCloseTo(0.081147540984, 9);
      expect(tensions[at + 2]).toBeCloseTo(0.005, 9);
    }
    const inner = [1, 2, 3].flatMap((i) => [1, 2].map((j) => nodeAt(mesh, i, j)));
    for (const node of inner) for (const force of forcesOn(mesh, field, node)) expect(force).toBeCloseTo(0, 9);
  });

  it('stretched 9 mm with free sides draw in as the warp bids', () => {
    const mesh = meshOf(9, 6);
    const moves = new Float64Array(140);
    mesh.xs.forEach((x, i) =>
      mesh.ys.forEach((y, j) => {
        moves[2 * nodeAt(mesh, i, j)] = -4.5 + x / 100;
        moves[2 * nodeAt(mesh, i, j) + 1] = (0.6 * (300 - y)) / 300;
      }),
    );
    const tensions = tensionsOf({ d: elasticity(RAW) }, strainsOf({ mesh }, moves));
    for (let at = 0; at < tensions.length; at += 3) {
      expect(tensions[at]).toBeCloseTo(0.2, 9);
      expect(tensions[at + 1]).toBeCloseTo(0, 9);
    }
    // No force is needed but along the two ends that are pulled: so the cloth lies when only they are held.
    mesh.xs.forEach((_x, i) =>
      mesh.ys.forEach((_y, j) => {
        const [x, y] = forcesOn(mesh, moves, nodeAt(mesh, i, j));
        expect(y).toBeCloseTo(0, 9);
        if (i > 0 && i < 9) expect(x).toBeCloseTo(0, 9);
      }),
    );
  });

  it('turned by a right angle are the cloth with warp and weft changed over', () => {
    const swapped = elasticity({ ...RAW, exNPerMm: 12, eyNPerMm: 20, nuXY: (0.2 * 12) / 20 });
    elasticity({ ...RAW, offGrainDeg: 90 }).forEach((value, at) => expect(value).toBeCloseTo(swapped[at]!, 9));
    expect(() => elasticity({ ...RAW, shearNPerMm: 0 })).toThrow(/shearNPerMm must be above 0/);
    expect(() => elasticity({ ...RAW, nuXY: 1.5 })).toThrow(/1 − νxy νyx/);
  });
});

describe('two pulls', () => {
  const opposed = (across: number, down: number, cloth: MembraneCloth) => {
    const mesh = meshOf(across, down);
    const factor = factorBand(membraneStiffness(mesh, elasticity(cloth), 1e-6));
    const jaws = (['top', 'bottom'] as const).map((side) => edgeWeights(mesh, { side, offsetMm: 0 }, JAW_MM.pliers));
    const places = (side: 0 | 1) => jaws[side]!.map(([edge, share]) => [nodeOf(mesh, edge), share] as const);
    const load = new Float64Array(factor.size);
    for (const side of [0, 1] as const)
      for (const [node, share] of places(side)) load[2 * node + 1] = (side === 0 ? -20 : 20) * share;
    const moves = solveBand(factor, load);
    const mean = (side: 0 | 1) => places(side).reduce((sum, [node, share]) => sum + share * moves[2 * node + 1]!, 0);
    return mean(1) - mean(0);
  };
  const nodeOf = (mesh: MembraneMesh, edge: number) => {
    const [right, bottom] = [mesh.xs.length - 1, mesh.ys.length - 1];
    if (edge < right) return nodeAt(mesh, edge, 0);
    return nodeAt(mesh, 2 * right + bottom - edge, bottom);
  };

  it.each([
    ['raw', RAW, 72, 48, 9.79608, 5],
    ['primed', PRIMED, 72, 48, 2.56556, 5],
  ] as const)('of 20 N in the middle of the long sides open %s cloth as known', (_name, cloth, across, down, opening, digits) => {
    expect(opposed(across, down, cloth)).toBeCloseTo(opening, digits);
  });

  it.each([
    ['raw', RAW, 16.362],
    ['primed', PRIMED, 17.3034],
  ] as const)(
    'leave the known force in two fasteners of %s cloth, more by as much as is pulled more',
    (_name, cloth, newtons) => {
      const places: EdgePlace[] = [
        { side: 'top', offsetMm: 0 },
        { side: 'bottom', offsetMm: 0 },
      ];
      const compliance = placeCompliance(membraneOf(72, 48, cloth, 1e-6), places, JAW_MM.pliers);
      const stapling = new Stapling(compliance, null, 2);
      expect(stapling.fasten(0, [20, 40]).unopposed).toBe(true);
      expect(stapling.fasten(1, [20, 40]).givesMmPerN).toBeLessThan(0.7);
      expect(stapling.forces()[3]).toBeCloseTo(newtons, 3);
      expect(stapling.forces(1)[3]! / stapling.forces()[3]!).toBeCloseTo(2, 9);
    },
  );
});

describe('fasteners in and out', () => {
  const membrane = membraneOf(18, 12);
  const places = ring(100);
  const compliance = placeCompliance(membrane, places, JAW_MM.pliers);
  const at = (side: Side, offsetMm: number) =>
    places.findIndex((one) => one.side === side && Math.abs(one.offsetMm - offsetMm) < 1);

  it('tell where nothing holds the other side yet: at the first, and at the second of the same side', () => {
    const stapling = new Stapling(compliance, null);
    expect(stapling.meets(at('top', 50)).givesMmPerN).toBeGreaterThan(500);
    stapling.fasten(at('top', 50), [20]);
    const beside = stapling.meets(at('top', -50));
    expect(beside.givesMmPerN).toBeGreaterThan(3);
    expect(beside.unopposed).toBe(true);
    expect(stapling.meets(at('bottom', 50)).unopposed).toBe(false);
    stapling.fasten(at('top', -50), [20]);
    expect(Math.max(...stapling.forces().map(Math.abs))).toBeLessThan(1e-6);
  });

  it('are symmetric where all is symmetric', () => {
    const stapling = new Stapling(compliance, null);
    places.forEach((place, index) => {
      const out = { top: [0, -1], right: [1.5, 0], bottom: [0, 1], left: [-1.5, 0] } as const;
      stapling.fastenAt(index, out[place.side]);
    });
    const forces = stapling.forces();
    places.forEach(({ side, offsetMm }, index) => {
      const [own, mirrored] = [2 * index, 2 * at(side, -offsetMm)];
      const along = side === 'top' || side === 'bottom' ? 0 : 1;
      const same = (one: number, other: number) => expect(Math.abs(one - other)).toBeLessThan(1e-6);
      same(forces[mirrored + along]!, -forces[own + along]!);
      same(forces[mirrored + 1 - along]!, forces[own + 1 - along]!);
      const across = 2 * at(({ top: 'bottom', bottom: 'top', left: 'right', right: 'left' } as const)[side], offsetMm);
      same(forces[across + along]!, forces[own + along]!);
      same(forces[across + 1 - along]!, -forces[own + 1 - along]!);
    });
  });

  it('give back energy when one comes out, and the same state when it is put back as it was', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          places.map((_place, index) => index),
          { minLength: 4 },
        ),
        fc.nat(),
        (order, pick) => {
          const stapling = new Stapling(compliance, null);
          order.forEach((place, index) => stapling.fasten(place, [10 + index]));
          const place = order[pick % order.length]!;
          const [energy, forces, moves] = [stapling.energy(), stapling.forces(), stapling.moves()];
          stapling.takeOut(place);
          expect(stapling.energy()).toBeLessThanOrEqual(energy + 1e-9);
          expect(stapling.forces().subarray(2 * place, 2 * place + 2)).toEqual(Float64Array.of(0, 0));
          stapling.fastenAt(place, [moves[2 * place]!, moves[2 * place + 1]!]);
          stapling.forces().forEach((force, dof) => expect(Math.abs(force - forces[dof]!)).toBeLessThan(1e-6));
        },
      ),
      { numRuns: 40, seed: 7 },
    );
  });

  it('carries the forces on from event to event, and knows what setting one again would do', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          places.map((_place, index) => index),
          { minLength: 6 },
        ),
        fc.array(fc.nat(), { maxLength: 4 }),
        (order, drawn) => {
          const bars = Float64Array.from({ length: places.length ** 2 }, (_, at) =>
            at % (places.length + 1) === 0 ? 0.02 : 0.004,
          );
          const stapling = new Stapling(compliance, bars, 2);
          order.forEach((place, index) => stapling.fasten(place, [10 + index, 12]));
          for (const one of new Set(drawn.map((pick) => order[pick % order.length]!))) {
            stapling.takeOut(one);
            stapling.fasten(one, [15, 14]);
          }
          const alike = (one: Float64Array, other: Float64Array) =>
            one.forEach((force, dof) => expect(Math.abs(force - other[dof]!)).toBeLessThan(1e-5));
          for (const hand of [0, 1]) alike(stapling.forcesSoFar(hand), stapling.forces(hand));
          const again = order[0]!;
          const told = stapling.forcesIfSetAgain(again, 30);
          stapling.takeOut(again);
          if (stapling.fasten(again, [30, 30]).unopposed) return;
          alike(told, stapling.forces());
        },
      ),
      { numRuns: 40, seed: 8 },
    );
    expect(() => new Stapling(compliance, null).forcesIfSetAgain(2, 10)).toThrow(/place 2 has no fastener to draw/);
  });

  it('twice at one place, or out where none is, is a broken contract', () => {
    const stapling = new Stapling(compliance, null);
    stapling.fasten(3, [0]);
    expect(() => stapling.fasten(3, [10])).toThrow(/place 3 is fastened already/);
    expect(() => stapling.takeOut(4)).toThrow(/place 4 has no fastener/);
    expect(() => stapling.fasten(4, [-1])).toThrow(/0 N or more, got -1/);
  });
});
