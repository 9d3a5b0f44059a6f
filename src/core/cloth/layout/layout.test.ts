import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { cutOrder } from './cutOrder';
import { layQuick } from './layQuick';
import { layRoll } from './layRoll';
import { type StockPiece, layStock } from './layStock';
import { layoutViolations } from './layoutViolations';
import { leastTop } from './leastTop';
import { pinTrouble } from './pinTrouble';
import {
  type ClothPiece,
  type ClothSheet,
  type Flaw,
  type PlacedPiece,
  type RollLayout,
  keptClear,
  lengthUsed,
  lying,
  overlap,
} from './rollLayout';

function everyLayout(pieces: readonly ClothPiece[], sheet: ClothSheet, seed = 0.3, rounds = 6): RollLayout[] {
  const steps = layRoll(pieces, sheet, randomLcg(seed), rounds);
  const shown: RollLayout[] = [];
  for (;;) {
    const step = steps.next();
    if (step.value) shown.push(step.value);
    if (step.done) return shown;
  }
}
const laid = (pieces: readonly ClothPiece[], sheet: ClothSheet, seed?: number, rounds?: number) =>
  everyLayout(pieces, sheet, seed, rounds).at(-1)!;

const piece = (id: string, w: number, h: number, more: Partial<ClothPiece> = {}): ClothPiece => ({
  id,
  w,
  h,
  mayTurn: false,
  flawRule: 'piece',
  margin: [0, 0, 0, 0],
  ...more,
});
const plain = (width: number, tear = 0, flaws: Flaw[] = []): ClothSheet => ({ width, tear, flaws });

/** A problem by chance: sizes on a grid, so that pieces sometimes match; with flaws up to so many. */
function problem(random: () => number, most: number, grid: number, mostFlaws: number) {
  const upTo = (count: number) => Math.floor(random() * count);
  const width = grid * (7 + upTo(4));
  const tear = [0, 0, 5, grid][upTo(4)]!;
  const flaws = Array.from({ length: upTo(mostFlaws + 1) }, () => ({
    x: grid * upTo(7),
    y: grid * upTo(8),
    w: grid * (1 + upTo(2)),
    h: grid * (1 + upTo(2)),
  }));
  const pieces = Array.from({ length: 1 + upTo(most) }, (_, index) =>
    piece(`p${index}`, grid * (2 + upTo(5)), grid * (2 + upTo(6)), {
      mayTurn: random() < 0.5,
      flawRule: random() < 0.5 ? 'face' : 'piece',
      margin: [0, grid, grid / 2, 0],
    }),
  );
  return { pieces, sheet: plain(width, tear, flaws) };
}

describe('a layout on the roll', () => {
  it('is valid, never longer than the first, never below its bound', () => {
    const random = randomLcg(0.11);
    for (let run = 0; run < rounds(250, 1000); run += 1) {
      const { pieces, sheet } = problem(random, run % 10 === 0 ? 18 : 6, 100, run % 3 === 0 ? 3 : 0);
      if (run % 7 === 0) pieces[0] = { ...pieces[0]!, pin: { x: 100, y: 300, turned: false } };
      if (pinTrouble(pieces, sheet).length > 0) continue;
      const shown = everyLayout(pieces, sheet, 0.5, 2);
      for (const layout of shown) expect(layoutViolations(pieces, sheet, layout.placed), `run ${run}`).toEqual([]);
      const lengths = shown.map((layout) => layout.length);
      expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
      expect(shown.every(({ bound, length }) => bound <= length)).toBe(true);
    }
  });

  it('is the least that a search from the other end finds, up to six pieces', () => {
    const random = randomLcg(0.23);
    for (let run = 0; run < 150; run += 1) {
      const { pieces, sheet } = problem(random, 6, 100, 0);
      const layout = laid(pieces, sheet);
      expect(layout).toMatchObject({ proven: true, length: leastByWidth(pieces, sheet) });
    }
  });

  it('is the least on a grid of cuts with flaws, up to four pieces', () => {
    const random = randomLcg(0.31);
    for (let run = 0; run < rounds(12, 30); run += 1) {
      const { pieces, sheet } = problem(random, 4, 100, 3);
      if (sheet.tear === 5) sheet.tear = 50;
      const length = leastOnGrid(pieces, sheet, 50);
      expect(laid(pieces, sheet), `run ${run}`).toMatchObject({ proven: true, length });
      // Whatever is known before: one that is as short is found, and none shorter.
      for (const below of [Infinity, length + 1])
        expect(lengthUsed(leastTop(pieces, sheet, below) as PlacedPiece[])).toBe(length);
      expect(leastTop(pieces, sheet, length)).toBe('none');
    }
  });

  it('round flaws is proven for eight pieces, and no shorter by any change that a long search tries', () => {
    const random = randomLcg(0.43);
    for (let run = 0; run < rounds(3, 20); run += 1) {
      const { pieces, sheet } = problem(random, 8, 200, 3);
      const eight = Array.from({ length: 8 }, (_, index) => ({ ...pieces[index % pieces.length]!, id: `e${index}` }));
      const proven = laid(eight, sheet, 0.5, 20);
      expect(proven.proven, `run ${run}`).toBe(true);
      expect(layoutViolations(eight, sheet, proven.placed)).toEqual([]);
      for (const seed of [0.2, 0.7]) expect(laid(eight.slice(1), sheet, seed, 20).length).toBeLessThanOrEqual(proven.length);
      const pinnedAway = laid([{ ...eight[0]!, pin: { x: 0, y: 6000, turned: false } }, ...eight.slice(1)], sheet, 0.5, 4);
      expect(pinnedAway.length).toBeGreaterThanOrEqual(proven.length);
    }
  });

  it('is the same for the same seed, and proves known lengths', () => {
    const many = Array.from({ length: 22 }, (_, index) =>
      piece(`p${index}`, 290 + ((index * 137) % 900), 240 + ((index * 61) % 700)),
    );
    expect(laid(many, plain(2060, 5), 0.7, 20)).toEqual(laid(many, plain(2060, 5), 0.7, 20));
    const sizes = [490, 590, 290, 290, 490, 490, 690, 690, 890, 1090, 790, 590, 790, 590, 290, 290];
    const eight = (mayTurn: boolean) =>
      Array.from({ length: 8 }, (_, index) => piece(`c${index}`, sizes[2 * index]!, sizes[2 * index + 1]!, { mayTurn }));
    expect(laid(eight(false), plain(2060, 5))).toMatchObject({ length: 1785, proven: true });
    expect(laid(eight(true), plain(2060, 5))).toMatchObject({ length: 1775, proven: true });
    const flaws = [
      { x: 230, y: 160, w: 110, h: 80 },
      { x: 190, y: 690, w: 90, h: 60 },
    ];
    const four = (flawRule: ClothPiece['flawRule']) =>
      [420, 700, 520, 520, 310, 270, 440, 580].flatMap((w, index, all) =>
        index % 2 === 0 ? [piece(`p${index}`, w, all[index + 1]!, { flawRule, margin: [80, 80, 80, 80] })] : [],
      );
    expect(laid(four('face'), plain(1100, 10, flaws)).length).toBe(1230);
    expect(laid(four('piece'), plain(1100, 10, flaws)).length).toBe(1290);
  });

  it('finds the perfect fit of twenty pieces and says so', () => {
    const cells = slashed({ x: 0, y: 0, w: 2060, h: 3000 }, 20, randomLcg(0.9));
    const layout = laid(
      cells.map(({ w, h }, index) => piece(`p${index}`, w, h)),
      plain(2060),
      0.2,
      200,
    );
    expect(layout).toMatchObject({ length: 3000, proven: true });
  });

  it('refuses what cannot be', () => {
    expect(() => laid([piece('a', 1200, 300)], plain(1000))).toThrow(/piece a is 1200 mm across and the roll 1000 mm/);
    expect(() => laid([piece('a', 10.5, 300)], plain(1000))).toThrow(/whole mm/);
    const cross = [
      piece('a', 600, 300, { pin: { x: 0, y: 0, turned: false } }),
      piece('b', 600, 300, { pin: { x: 500, y: 100, turned: false } }),
    ];
    expect(() => laid(cross, plain(1000))).toThrow(/no cuts from edge to edge/);
  });

  it('keeps pins and turns margins with the piece', () => {
    const pinned = piece('a', 400, 300, { mayTurn: true, pin: { x: 300, y: 500, turned: true } });
    const layout = laid([pinned, piece('b', 900, 400), piece('c', 250, 250)], plain(1000, 5));
    expect(layout.placed.find((one) => one.id === 'a')).toMatchObject({ x: 300, y: 500, w: 300, h: 400, turned: true });
    expect(lying(piece('m', 10, 20, { margin: [1, 2, 3, 4] }), true).margin).toEqual([4, 1, 2, 3]);
  });
});

describe('cuts and leftovers', () => {
  it('free every piece with cuts from edge to edge, and overlap nothing they keep', () => {
    const random = randomLcg(0.41);
    for (let run = 0; run < 120; run += 1) {
      const { pieces, sheet } = problem(random, 7, 100, 2);
      const { placed, length } = laid(pieces, sheet);
      const { cuts, offcuts } = cutOrder(placed, sheet.width, sheet.tear, 150);
      let parts: Flaw[] = [{ x: 0, y: 0, w: sheet.width, h: length + 1e6 }];
      for (const cut of cuts) {
        const across = cut.y1 === cut.y2;
        const part = parts.find((one) =>
          across
            ? one.x === cut.x1 && one.x + one.w === cut.x2 && cut.y1 > one.y - sheet.tear && cut.y1 < one.y + one.h
            : one.y === cut.y1 && one.y + one.h === cut.y2 && cut.x1 > one.x - sheet.tear && cut.x1 < one.x + one.w,
        )!;
        expect(part, `run ${run}: a cut from edge to edge`).toBeDefined();
        const at = across ? cut.y1 - part.y : cut.x1 - part.x;
        const beyond = at + sheet.tear;
        const halves = across
          ? [
              { ...part, h: at },
              { ...part, y: part.y + beyond, h: part.h - beyond },
            ]
          : [
              { ...part, w: at },
              { ...part, x: part.x + beyond, w: part.w - beyond },
            ];
        parts = [...parts.filter((one) => one !== part), ...halves.filter((one) => one.w > 0 && one.h > 0)];
      }
      for (const rect of [...placed, ...offcuts])
        expect(parts.some((one) => one.x === rect.x && one.y === rect.y && one.w === rect.w && one.h === rect.h)).toBe(true);
      for (const offcut of offcuts) expect(placed.some((one) => overlap(one, offcut))).toBe(false);
    }
  });

  it('fills offcuts first, the smallest that will do, and takes the rest from the roll', () => {
    const pieces: StockPiece[] = [piece('a', 500, 400), piece('b', 300, 300), piece('c', 900, 1200)].map(
      ({ pin: _pin, ...one }) => one,
    );
    const offcut = (id: string, width: number, length: number, flaws: Flaw[] = []) => ({ id, width, length, tear: 5, flaws });
    const roll = offcut('roll', 1500, 8000);
    const lay = (offcuts: ReturnType<typeof offcut>[]) => {
      const steps = layStock(pieces, offcuts, roll, randomLcg(0.5), 5, 200);
      for (;;) {
        const step = steps.next();
        if (step.done)
          return step.value.sheets.map(({ id, layout }) => [
            id,
            layout.placed
              .map((one) => one.id)
              .sort()
              .join(''),
          ]);
      }
    };
    expect(lay([offcut('large', 1400, 900), offcut('small', 520, 750)])).toEqual([
      ['small', 'ab'],
      ['roll', 'c'],
    ]);
    expect(lay([offcut('small', 520, 750, [{ x: 0, y: 0, w: 300, h: 300 }])])).toEqual([
      ['small', 'a'],
      ['roll', 'bc'],
    ]);
    expect(lay([])).toEqual([['roll', 'abc']]);
  });
});

/** The same question from the other end: the least length of a set within a width, cut at every sum of widths. */
function leastByWidth(pieces: readonly ClothPiece[], { width, tear }: ClothSheet): number {
  const known = new Map<string, number>();
  const ways = (one: ClothPiece) =>
    (one.mayTurn
      ? [
          [one.w, one.h],
          [one.h, one.w],
        ]
      : [[one.w, one.h]]) as [number, number][];
  const sums: Set<number>[] = [new Set([0])];
  for (let set = 1; set < 1 << pieces.length; set += 1) {
    const index = 31 - Math.clz32(set);
    const rest = [...sums[set ^ (1 << index)]!];
    sums[set] = new Set([...rest, ...ways(pieces[index]!).flatMap(([w]) => rest.map((sum) => sum + w + tear))]);
  }
  const least = (set: number, room: number): number => {
    const key = `${set} ${room}`;
    const there = known.get(key);
    if (there !== undefined) return there;
    const inside = pieces.filter((_, index) => set & (1 << index));
    let best = Infinity;
    if (inside.length === 1) for (const [w, h] of ways(inside[0]!)) if (w <= room) best = Math.min(best, h);
    for (let part = (set - 1) & set; part > 0; part = (part - 1) & set) {
      best = Math.min(best, least(part, room) + tear + least(set ^ part, room));
      for (const sum of sums[part]!) {
        const at = sum - tear;
        if (at + tear >= room) continue;
        const a = least(part, at);
        if (a < best) best = Math.min(best, Math.max(a, least(set ^ part, room - at - tear)));
      }
    }
    known.set(key, best);
    return best;
  };
  return least((1 << pieces.length) - 1, width);
}

/** Yes or no for closed cells, every cut and every place on the grid tried. */
function leastOnGrid(pieces: readonly ClothPiece[], sheet: ClothSheet, grid: number): number {
  const known = new Map<string, boolean>();
  const fits = (set: number, x0: number, y0: number, x1: number, y1: number): boolean => {
    if (x1 <= x0 || y1 <= y0) return false;
    const key = [set, x0, y0, x1, y1].join(' ');
    const there = known.get(key);
    if (there !== undefined) return there;
    const found =
      (set & (set - 1)) === 0 ? aloneFits(pieces[31 - Math.clz32(set)]!, x0, y0, x1, y1) : cutFits(set, x0, y0, x1, y1);
    known.set(key, found);
    return found;
  };
  const aloneFits = (one: ClothPiece, x0: number, y0: number, x1: number, y1: number) => {
    for (const turned of one.mayTurn ? [false, true] : [false]) {
      const { w, h } = lying(one, turned);
      for (let x = x0; x + w <= x1; x += grid)
        for (let y = y0; y + h <= y1; y += grid)
          if (!sheet.flaws.some((flaw) => overlap(flaw, keptClear(one, { id: one.id, x, y, w, h, turned })))) return true;
    }
    return false;
  };
  const cutFits = (set: number, x0: number, y0: number, x1: number, y1: number) => {
    for (let part = (set - 1) & set; part > 0; part = (part - 1) & set) {
      for (let at = x0 + grid; at < x1; at += grid)
        if (fits(part, x0, y0, at, y1) && fits(set ^ part, at + sheet.tear, y0, x1, y1)) return true;
      for (let at = y0 + grid; at < y1; at += grid)
        if (fits(part, x0, y0, x1, at) && fits(set ^ part, x0, at + sheet.tear, x1, y1)) return true;
    }
    return false;
  };
  for (let length = grid; ; length += grid) if (fits((1 << pieces.length) - 1, 0, 0, sheet.width, length)) return length;
}

/** A rectangle cut from edge to edge into so many. */
function slashed(cell: Flaw, count: number, random: () => number): Flaw[] {
  if (count === 1) return [cell];
  const part = 1 + Math.floor(random() * (count - 1));
  const share = 0.25 + 0.5 * random();
  if (cell.w > cell.h) {
    const at = Math.round(cell.w * share);
    return [
      ...slashed({ ...cell, w: at }, part, random),
      ...slashed({ ...cell, x: cell.x + at, w: cell.w - at }, count - part, random),
    ];
  }
  const at = Math.round(cell.h * share);
  return [
    ...slashed({ ...cell, h: at }, part, random),
    ...slashed({ ...cell, y: cell.y + at, h: cell.h - at }, count - part, random),
  ];
}

describe('about what pieces take of a roll', () => {
  it('can be cut so, is never less than the bound, and a few per cent more at the most than what is searched for', () => {
    const random = randomLcg(0.61);
    let [quick, searched] = [0, 0];
    for (let turn = 0; turn < rounds(40, 1500); turn += 1) {
      const pieces = problem(random, 14, 50, 0).pieces.filter(({ w, h, mayTurn }) => (mayTurn ? Math.min(w, h) : w) <= 350);
      if (pieces.length === 0) continue;
      const sheet = plain(350, 5);
      const { placed, length } = layQuick(pieces, sheet);
      expect(layoutViolations(pieces, sheet, placed)).toEqual([]);
      expect(length).toBe(lengthUsed(placed));
      const best = laid(pieces, sheet);
      expect(length).toBeGreaterThanOrEqual(best.bound);
      quick += length;
      searched += best.length;
    }
    expect(quick / searched).toBeLessThan(1.1);
  });
});
