/*
 * The least end of a few pieces in a cell with flaws and pins, proven. A block depends on where it lies, so the
 * recursion asks for the least end of a set within a cell from y0, and parts the set in every way: one below the
 * other, or side by side at every place where the left part can end. Derived here: pushed left, a piece stands at
 * the cell’s edge, past a flaw or pin, or past a neighbour; a later start never ends sooner. What plain cloth would
 * take bounds every cell from below, and is the answer where no flaw is in the way.
 */
import { type Cell, lowestIn } from './cellTop';
import { placedAt } from './cutBlock';
import { PlainFronts } from './plainFronts';
import { type ClothPiece, type ClothSheet, type PlacedPiece, keptClear, lying, overlap } from './rollLayout';

/** Cells looked at before it gives up: about a second. */
const MOST_CELLS = 300_000;
/** More pieces than this are not begun. */
export const MOST_PIECES = 8;

interface Found {
  end: number;
  placed: () => PlacedPiece[];
}

const NONE: Found = { end: Infinity, placed: () => [] };

/**
 * The shortest way to lay these pieces.
 *
 * @param below only ways that end before this, mm, are looked for
 * @returns the pieces; `none` when there is no such way; `too many` cells to look at
 */
export function leastTop(
  pieces: readonly ClothPiece[],
  sheet: ClothSheet,
  below = Infinity,
): PlacedPiece[] | 'none' | 'too many' {
  if (pieces.length > MOST_PIECES) return 'too many';
  const search = new CellSearch(pieces, sheet);
  const found = search.least((1 << pieces.length) - 1, { x0: 0, x1: sheet.width, y0: 0 }, below);
  if (search.gaveUp) return 'too many';
  return found.end >= below ? 'none' : found.placed();
}

class CellSearch {
  gaveUp = false;
  /** What is known of a set in a cell: its least end, or that none ends before `end`. */
  private readonly known = new Map<string, Found & { exact: boolean }>();
  private readonly plain: PlainFronts;
  private readonly narrow: number[] = [0];
  private readonly sums: number[][] = [[0]];
  private readonly pinned: number;

  constructor(
    private readonly pieces: readonly ClothPiece[],
    private readonly sheet: ClothSheet,
  ) {
    const { tear } = sheet;
    this.plain = new PlainFronts(pieces, sheet.width + tear, tear);
    this.pinned = pieces.reduce((set, piece, index) => (piece.pin ? set | (1 << index) : set), 0);
    for (let set = 1; set < 1 << pieces.length; set += 1) {
      const index = 31 - Math.clz32(set);
      const rest = set ^ (1 << index);
      const widths = waysTo(pieces[index]!).map((turned) => lying(pieces[index]!, turned).w);
      this.narrow[set] = Math.max(this.narrow[rest]!, Math.min(...widths));
      this.sums[set] = unique([
        ...this.sums[rest]!,
        ...this.sums[rest]!.flatMap((sum) => widths.map((width) => sum + width + tear)),
      ]);
    }
  }

  /** The least end of a set in a cell, if it is before `limit`; else one at or past it. */
  least(set: number, cell: Cell, limit: number): Found {
    if (this.narrow[set]! > cell.x1 - cell.x0 || this.gaveUp) return NONE;
    if ((set & (set - 1)) === 0) return this.single(this.pieces[31 - Math.clz32(set)]!, cell);
    const floor = this.floor(set, cell.x1 - cell.x0, cell.y0);
    if (floor >= limit) return NONE;
    const key = `${set} ${cell.x0} ${cell.x1} ${cell.y0}`;
    const known = this.known.get(key);
    if (known && (known.exact || known.end >= limit)) return known;
    if (this.known.size >= MOST_CELLS) {
      this.gaveUp = true;
      return NONE;
    }
    const plain = this.onPlainCloth(set, cell);
    if (plain) {
      this.known.set(key, { ...plain, exact: true });
      return plain;
    }
    let best: Found = { end: limit, placed: NONE.placed };
    for (let part = (set - 1) & set; part > 0 && best.end > floor; part = (part - 1) & set) {
      best = this.below(part, set ^ part, cell, best);
      best = this.beside(part, set ^ part, cell, best);
    }
    this.known.set(key, { ...best, exact: best.end < limit });
    return best;
  }

  /** The block that plain cloth would take, where no flaw is in its way: nothing ends sooner. */
  private onPlainCloth(set: number, cell: Cell): Found | null {
    if (set & this.pinned) return null;
    const { tear, flaws } = this.sheet;
    const block = this.plain.shortest(set, cell.x1 - cell.x0 + tear);
    if (!block) return NONE;
    const placed = placedAt(block, cell.x0, cell.y0, tear);
    const kept = placed.map((at) =>
      keptClear(
        this.pieces.find(({ id }) => id === at.id)!,
        at,
      ),
    );
    if (kept.some((one) => flaws.some((flaw) => overlap(flaw, one)))) return null;
    return { end: cell.y0 + block.h - tear, placed: () => placed };
  }

  private single(piece: ClothPiece, cell: Cell): Found {
    const ways = waysTo(piece).flatMap((turned) => lowestIn(piece, turned, cell, this.sheet) ?? []);
    if (ways.length === 0) return NONE;
    const at = ways.reduce((best, one) => (one.y + one.h < best.y + best.h ? one : best));
    return { end: at.y + at.h, placed: () => [at] };
  }

  /** No set ends sooner in a cell so wide. */
  private floor(set: number, wide: number, y0: number): number {
    const block = this.plain.shortest(set, wide + this.sheet.tear);
    return block ? y0 + block.h - this.sheet.tear : Infinity;
  }

  private below(part: number, rest: number, cell: Cell, best: Found): Found {
    const { tear } = this.sheet;
    // What is left must still fit behind it.
    const behind = this.floor(rest, cell.x1 - cell.x0, 0) + tear;
    const first = this.least(part, cell, best.end - behind);
    if (first.end + behind >= best.end) return best;
    const second = this.least(rest, { ...cell, y0: first.end + tear }, best.end);
    return second.end < best.end ? { end: second.end, placed: () => [...first.placed(), ...second.placed()] } : best;
  }

  private beside(part: number, rest: number, cell: Cell, best: Found): Found {
    const { tear } = this.sheet;
    let before = Infinity;
    for (const at of this.endsOf(part, cell)) {
      if (at + tear + this.narrow[rest]! > cell.x1) break;
      if (this.floor(part, at - cell.x0, cell.y0) >= best.end) continue;
      if (this.floor(rest, cell.x1 - at - tear, cell.y0) >= best.end) break;
      const first = this.least(part, { ...cell, x1: at }, Math.min(before, best.end));
      if (first.end >= before || first.end >= best.end) continue;
      before = first.end;
      const second = this.least(rest, { ...cell, x0: at + tear }, best.end);
      const end = Math.max(first.end, second.end);
      if (end < best.end) best = { end, placed: () => [...first.placed(), ...second.placed()] };
      if (second.end >= first.end) break;
    }
    return best;
  }

  /** Every place where the left part of a cell can end. */
  private endsOf(part: number, cell: Cell): number[] {
    const { flaws, tear } = this.sheet;
    const bases = [cell.x0];
    for (const [index, piece] of this.pieces.entries()) {
      if (piece.pin) bases.push(piece.pin.x, piece.pin.x + lying(piece, piece.pin.turned).w + tear);
      if (!(part & (1 << index))) continue;
      for (const turned of waysTo(piece)) {
        const left = piece.flawRule === 'piece' ? 0 : lying(piece, turned).margin[0];
        for (const flaw of flaws) bases.push(flaw.x + flaw.w - left);
      }
    }
    const ends = bases
      .filter((base) => base >= cell.x0 && base < cell.x1)
      .flatMap((base) => this.sums[part]!.map((sum) => base + sum - tear));
    return unique(ends.filter((end) => end > cell.x0 && end < cell.x1));
  }
}

const waysTo = (piece: ClothPiece): boolean[] =>
  piece.pin ? [piece.pin.turned] : piece.mayTurn && piece.w !== piece.h ? [false, true] : [false];

const unique = (list: readonly number[]): number[] => [...new Set(list)].sort((a, b) => a - b);
