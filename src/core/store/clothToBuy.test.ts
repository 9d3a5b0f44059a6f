/* What of a cloth is bought: whole pieces on what is here, the rest on a roll that is sold; bought so, nothing more is wanted. */
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import type { StockCloth } from '../cloth/clothStock';
import { tearOf } from '../cloth/clothPieceOf';
import { FABRICS } from '../cloth/fabrics';
import { DEFAULT_RULES } from '../house/houseRules';
import { clothToBuy } from './clothToBuy';

const FABRIC = {
  ...FABRICS[0]!,
  rolls: [
    { mm: 1500, priceMinor: 900 },
    { mm: 2100, priceMinor: 1200 },
  ],
};
const TEAR = tearOf(FABRIC, DEFAULT_RULES);
let serial = 0;
const piece = (w: number, h: number, mayTurn = false) => ({
  id: `p${(serial += 1)}`,
  w,
  h,
  mayTurn,
  flawRule: 'face' as const,
  margin: [0, 0, 0, 0] as const,
});
type Piece = ReturnType<typeof piece>;
const cloth = (kind: StockCloth['kind'], widthMm: number, lengthMm: number, flaws: StockCloth['flaws'] = []): StockCloth => ({
  id: `c${(serial += 1)}`,
  kind,
  fabric: FABRIC.id,
  tag: `${kind} ${serial}`,
  widthMm,
  selvedgeMm: 0,
  lengthMm,
  flaws,
});
const buy = (pieces: readonly Piece[], there: readonly StockCloth[]) => clothToBuy(FABRIC, pieces, there, DEFAULT_RULES);
/** What was bought, put at the end of what is here, to the next tenth of a metre. */
const withBought = (there: readonly StockCloth[], { roll }: ReturnType<typeof buy>): StockCloth[] =>
  roll ? [...there, cloth('roll', roll.widthMm, Math.ceil(roll.lengthMm / 100) * 100)] : [...there];

describe('cloth that is bought', () => {
  it('is a whole piece, where what is left of a roll holds none: half a metre here makes nothing of it', () => {
    const bought = buy([piece(858, 758)], [cloth('roll', 1500, 500)]);
    expect(bought.roll).toMatchObject({ widthMm: 1500, lengthMm: 758 });
    expect([...bought.onStock]).toEqual([]);
  });

  it('is what two rolls and an offcut do not hold together', () => {
    const pieces = [piece(1400, 4900), piece(1400, 4400), piece(600, 500), piece(1400, 900)];
    const bought = buy(pieces, [cloth('roll', 1500, 5000), cloth('roll', 1500, 4500), cloth('offcut', 620, 520)]);
    expect([...bought.onStock].sort()).toEqual(
      pieces
        .slice(0, 3)
        .map(({ id }) => id)
        .sort(),
    );
    expect(bought.roll!.lengthMm).toBe(900);
  });

  it('names a piece that no roll is wide enough for, and buys for the others; one that lies here is no trouble', () => {
    const [wide, other] = [piece(2400, 2300), piece(900, 700)];
    const bought = buy([wide, other], []);
    expect(bought.tooWide).toEqual([wide]);
    expect(bought.roll!.pieces).toEqual([other]);
    expect(buy([wide, other], [cloth('roll', 2600, 2400)])).toMatchObject({ tooWide: [], roll: { lengthMm: 700 } });
  });

  it('is not saved by a length with flaws across it, nor by a fold of tear', () => {
    const flaw = { x: 700, y: 900, w: 30, h: 20, note: 'slub' };
    expect(buy([piece(1400, 1000)], [cloth('roll', 1500, 1900, [flaw])]).roll).not.toBeNull();
    expect(buy([piece(1400, 900)], [cloth('roll', 1500, 1900, [flaw])]).roll).toBeNull();
    expect(buy([piece(700, 500), piece(800, 500)], [cloth('roll', 1500, 500)]).roll).not.toBeNull();
    expect(buy([piece(700, 500), piece(800 - TEAR, 500)], [cloth('roll', 1500, 500)]).roll).toBeNull();
  });

  it('counts no piece past the end of a roll or an offcut, of few pieces or of many, to the width of a tear', () => {
    const two = () => [piece(1400, 500), piece(1400, 500)];
    expect(buy(two(), [cloth('roll', 1500, 1000 + TEAR - 1)]).roll).not.toBeNull();
    expect(buy(two(), [cloth('roll', 1500, 1000 + TEAR)]).roll).toBeNull();
    const many = () => Array.from({ length: 9 }, () => piece(700, 600));
    expect(buy(many(), [cloth('roll', 1500, 1000)]).onStock.size).toBe(2);
    expect(buy(many(), [cloth('roll', 1500, 1200 + TEAR)]).onStock.size).toBe(4);
    expect(buy(many(), [cloth('offcut', 1400 + TEAR, 600), cloth('offcut', 1400 + TEAR - 1, 600)]).onStock.size).toBe(3);
  });

  it('bought as it says, the same pieces want nothing more, over random shops of few pieces and many', () => {
    const random = randomLcg(0.417);
    const upTo = (most: number) => Math.round(most * random());
    for (let turn = 0; turn < rounds(120, 500); turn += 1) {
      const sizes = Array.from({ length: 1 + upTo(4) }, () => [200 + upTo(1100), 200 + upTo(1400)] as const);
      const pieces = Array.from({ length: 1 + upTo(turn % 3 === 0 ? 30 : 7) }, () => {
        const [w, h] = sizes[upTo(sizes.length - 1)]!;
        return piece(w, h, random() < 0.5);
      });
      const there = Array.from({ length: upTo(4) }, () =>
        random() < 0.5 ? cloth('offcut', 200 + upTo(1000), 200 + upTo(1000)) : cloth('roll', [1500, 2100][upTo(1)]!, upTo(4000)),
      );
      const bought = buy(pieces, there);
      expect(bought.tooWide).toEqual([]);
      expect(bought.onStock.size + (bought.roll?.pieces.length ?? 0)).toBe(pieces.length);
      const again = buy(pieces, withBought(there, bought));
      expect([again.roll, again.onStock.size], JSON.stringify({ pieces, there })).toEqual([null, pieces.length]);
    }
  });
});

describe('few pieces', () => {
  /** Least width that these take at this height, cut from edge to edge only; tried by every way to part them. */
  function leastWidth(set: readonly Piece[], height: number, seen: Map<string, number>): number {
    if (height <= 0) return Infinity;
    const key = `${set.map(({ id }) => id).join()} ${height}`;
    const known = seen.get(key);
    if (known !== undefined) return known;
    let least = Infinity;
    if (set.length === 1) {
      const [{ w, h, mayTurn }] = set as [Piece];
      if (h <= height) least = w;
      if (mayTurn && w <= height) least = Math.min(least, h);
    } else
      for (let bits = 1; bits < (1 << set.length) - 1; bits += 1) {
        const one = set.filter((_, index) => bits & (1 << index));
        const other = set.filter((_, index) => !(bits & (1 << index)));
        least = Math.min(least, leastWidth(one, height, seen) + TEAR + leastWidth(other, height, seen));
        for (const cut of heights(one))
          if (cut + TEAR < height)
            least = Math.min(least, Math.max(leastWidth(one, cut, seen), leastWidth(other, height - cut - TEAR, seen)));
      }
    seen.set(key, least);
    return least;
  }
  /** Every height that some of these could make up. */
  function heights(set: readonly Piece[]): number[] {
    const sums = set.reduce<Set<number>>(
      (all, { w, h, mayTurn }) => new Set([...all].flatMap((sum) => [sum, sum + h + TEAR, ...(mayTurn ? [sum + w + TEAR] : [])])),
      new Set([0]),
    );
    return [...sums].filter((sum) => sum > 0).map((sum) => sum - TEAR);
  }

  it('cost what the best of all ways to share them out costs, found by trying every way', () => {
    const random = randomLcg(0.593);
    const upTo = (most: number) => Math.round(most * random());
    let [nothing, something] = [0, 0];
    for (let turn = 0; turn < rounds(25, 200); turn += 1) {
      const pieces = Array.from({ length: 1 + upTo(turn % 4 === 0 ? 4 : 3) }, () =>
        piece(300 + 50 * upTo(12), 300 + 50 * upTo(12), random() < 0.4),
      );
      const there = Array.from({ length: 1 + upTo(2) }, () =>
        random() < 0.5 ? cloth('offcut', 400 + upTo(900), 400 + upTo(900)) : cloth('roll', 1500, 300 + upTo(1200)),
      );
      const all = (1 << pieces.length) - 1;
      const of = (bits: number) => pieces.filter((_, index) => bits & (1 << index));
      const seen = new Map<string, number>();
      let held = new Set([0]);
      for (const { widthMm, lengthMm } of there)
        held = new Set(
          [...held].flatMap((bits) =>
            Array.from({ length: all + 1 }, (_, set) => set)
              .filter((set) => set === 0 || ((set & bits) === 0 && leastWidth(of(set), lengthMm, seen) <= widthMm))
              .map((set) => bits | set),
          ),
        );
      const price = (roll: ReturnType<typeof buy>['roll']) =>
        roll ? roll.lengthMm * FABRIC.rolls.find(({ mm }) => mm === roll.widthMm)!.priceMinor : 0;
      const least = Math.min(...[...held].map((bits) => price(buy(of(all & ~bits), []).roll)));
      expect(price(buy(pieces, there).roll), JSON.stringify({ pieces, there })).toBe(least);
      if (least === 0) nothing += 1;
      else something += 1;
    }
    expect(Math.min(nothing, something)).toBeGreaterThan(3);
  });
});
