import { randomInt, randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { cutOrder } from './cutOrder';
import { type StockLayout, type StockPiece, type StockSheet, layStock } from './layStock';
import { layoutViolations } from './layoutViolations';
import { type Flaw, type PlacedPiece, lengthUsed, overlap } from './rollLayout';
import { snapPiece } from './snapPiece';

const SEEDS = Array.from({ length: 60 }, (_, index) => (index + 0.5) / 60);

interface Case {
  pieces: StockPiece[];
  offcuts: StockSheet[];
  roll: StockSheet;
}

/** Pieces, up to three offcuts and a roll, a third of them with flaws. */
function randomCase(seed: number): Case {
  const between = (least: number, most: number) => randomInt.source(random)(least, most + 1)();
  const random = randomLcg(seed);
  const flaws = (width: number, length: number): Flaw[] =>
    between(0, 2) > 0
      ? []
      : Array.from({ length: between(1, 2) }, () => ({ x: between(0, width - 40), y: between(0, length - 40), w: 30, h: 30 }));
  const sheet = (id: string, width: number, length: number): StockSheet => ({
    id,
    width,
    length,
    tear: 5,
    flaws: flaws(width, length),
  });
  return {
    pieces: Array.from({ length: between(1, 7) }, (_, index) => ({
      id: `p${index}`,
      w: between(150, 700),
      h: between(150, 700),
      mayTurn: between(0, 1) === 1,
      flawRule: between(0, 1) === 1 ? 'face' : 'piece',
      margin: [40, 40, 40, 40],
    })),
    offcuts: Array.from({ length: between(0, 3) }, (_, index) => sheet(`o${index}`, between(200, 800), between(200, 1200))),
    roll: sheet('roll', between(800, 1500), 20_000),
  };
}

function laid({ pieces, offcuts, roll }: Case, seed = 0.5): { last: StockLayout; all: StockLayout[] } {
  const steps = layStock(pieces, offcuts, roll, randomLcg(seed), 8, 200);
  const all: StockLayout[] = [];
  for (;;) {
    const step = steps.next();
    if (step.value) all.push(step.value);
    if (step.done) return { last: step.value, all };
  }
}

describe('pieces on the store of cloth, on 60 random stores', () => {
  const cases = SEEDS.map(randomCase);
  const layouts = cases.map((one) => laid(one).last);

  it('every piece lies once, each cloth passes the check, offcuts are not longer than they are', () => {
    for (const [index, one] of cases.entries()) {
      const { sheets } = layouts[index]!;
      const placed = sheets.flatMap(({ layout }) => layout.placed.map(({ id }) => id));
      expect([...placed].sort()).toEqual(one.pieces.map(({ id }) => id).sort());
      for (const { id, layout } of sheets) {
        const sheet = [...one.offcuts, one.roll].find((cloth) => cloth.id === id)!;
        const own = one.pieces.filter((piece) => layout.placed.some((at) => at.id === piece.id));
        expect(layoutViolations(own as never, sheet, layout.placed)).toEqual([]);
        expect(lengthUsed(layout.placed)).toBeLessThanOrEqual(sheet.length);
      }
    }
  });

  it('the same store and source give the same layout, and none that streams is shorter than the last', () => {
    for (const one of cases.slice(0, 20)) {
      const [first, again] = [laid(one), laid(one)];
      expect(again.last).toEqual(first.last);
      const onRoll = ({ sheets }: StockLayout) => sheets.find(({ id }) => id === 'roll')?.layout.length ?? 0;
      for (const layout of first.all) expect(onRoll(first.last)).toBeLessThanOrEqual(onRoll(layout));
    }
  });

  it('its cuts leave offcuts that touch no piece, one another, or the edge', () => {
    for (const [index, one] of cases.entries())
      for (const { id, layout } of layouts[index]!.sheets) {
        const { width } = [...one.offcuts, one.roll].find((cloth) => cloth.id === id)!;
        const { offcuts, cuts } = cutOrder(layout.placed, width, 5, 200);
        for (const [at, offcut] of offcuts.entries()) {
          expect(offcut.w >= 200 && offcut.h >= 200 && offcut.x >= 0 && offcut.x + offcut.w <= width).toBe(true);
          expect(layout.placed.some((piece) => overlap(piece, offcut))).toBe(false);
          expect(offcuts.slice(at + 1).some((other) => overlap(other, offcut))).toBe(false);
        }
        if (layout.placed.length > 0) expect(cuts[0]).toEqual({ x1: 0, y1: layout.length, x2: width, y2: layout.length });
      }
  });

  it('takes least of the roll whichever pieces lie on the offcuts, where it says so', () => {
    const piece = (id: string, w: number, h: number): StockPiece => ({
      id,
      w,
      h,
      mayTurn: false,
      flawRule: 'piece',
      margin: [0, 0, 0, 0],
    });
    const sheet = (id: string, width: number, length: number): StockSheet => ({ id, width, length, tear: 0, flaws: [] });
    // The larger of the two that fit the offcut leaves the roll 1300 long, the smaller one 1000.
    const { last } = laid({
      pieces: [piece('a', 600, 1000), piece('b', 400, 450), piece('c', 410, 300)],
      offcuts: [sheet('o', 450, 450)],
      roll: sheet('roll', 1000, 20_000),
    });
    expect(last).toMatchObject({ sharedOut: true, sheets: [{ id: 'o' }, { layout: { length: 1000, proven: true } }] });
    let shared = 0;
    for (const one of cases) {
      const plain = { ...one, offcuts: one.offcuts.map((of) => ({ ...of, flaws: [] })), roll: { ...one.roll, flaws: [] } };
      const best = laid(plain).last;
      const length = best.sheets.at(-1)!.layout.length;
      if (!best.sharedOut || best.sheets.length < 2) continue;
      shared += 1;
      // Any other share: each piece on an offcut that it alone fits, or on the roll.
      const fits = (of: StockSheet, { w, h, mayTurn }: StockPiece) =>
        (w <= of.width && h <= of.length) || (mayTurn && h <= of.width && w <= of.length);
      for (const [index, of] of plain.offcuts.entries())
        for (const own of plain.pieces.filter((piece_) => fits(of, piece_))) {
          const rest = laid({
            ...plain,
            offcuts: plain.offcuts.filter((_, at) => at !== index),
            pieces: plain.pieces.filter((p) => p !== own),
          });
          expect(rest.last.sheets.at(-1)!.layout.length).toBeGreaterThanOrEqual(length);
        }
    }
    expect(shared).toBeGreaterThan(20);
  });

  it('a piece pinned on an offcut stays there, one that cannot lie there is refused by its name', () => {
    const offcut: StockSheet = { id: 'o', width: 600, length: 700, tear: 5, flaws: [] };
    const roll: StockSheet = { id: 'roll', width: 1500, length: 9000, tear: 5, flaws: [] };
    const piece = (id: string, w: number, h: number): StockPiece => ({
      id,
      w,
      h,
      mayTurn: false,
      flawRule: 'piece',
      margin: [0, 0, 0, 0],
    });
    const pinned: StockPiece = { ...piece('a', 300, 300), pin: { sheet: 'o', x: 200, y: 350, turned: false } };
    const { last } = laid({ pieces: [pinned, piece('b', 500, 300)], offcuts: [offcut], roll });
    expect(last.sheets[0]).toMatchObject({ id: 'o' });
    expect(last.sheets[0]!.layout.placed).toContainEqual(expect.objectContaining({ id: 'a', x: 200, y: 350 }));
    const outside: StockPiece = { ...pinned, pin: { sheet: 'o', x: 400, y: 0, turned: false } };
    expect(() => laid({ pieces: [outside], offcuts: [offcut], roll })).toThrow(/a/);
  });
});

describe('a piece let go by hand', () => {
  const neighbour: PlacedPiece = { id: 'n', x: 0, y: 0, w: 400, h: 500, turned: false };
  const drop = (x: number, y: number, reach = 20) =>
    snapPiece({ id: 'p', x, y, w: 300, h: 200, turned: false }, [neighbour], { width: 1000, tear: 5 }, reach);

  it.each([
    ['beside its neighbour', 410, 8, { x: 405, y: 0 }],
    ['under it', 3, 512, { x: 0, y: 505 }],
    ['at the far edge', 690, 130, { x: 700, y: 130 }],
    ['flush with its right side', 96, 600, { x: 100, y: 600 }],
    ['nowhere near anything', 550.4, 700.6, { x: 550, y: 701 }],
    ['outside: back inside', -80, -40, { x: 0, y: 0 }],
    ['beyond the far edge: back inside', 990, 40, { x: 700, y: 40 }],
  ])('%s', (_where, x, y, at) => expect(drop(x, y)).toEqual(at));

  it('is not drawn further than its reach', () => expect(drop(430, 40, 10)).toEqual({ x: 430, y: 40 }));
});
