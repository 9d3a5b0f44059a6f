/*
 * In which order the cuts are made, and what is left over. Every cut goes from edge to edge of the part in hand;
 * of all orders that free the pieces, the one that keeps the largest leftover whole, then the most of it, then the
 * fewest cuts. Worked out from where the pieces lie, so it holds for any layout.
 */
import type { Flaw, PlacedPiece } from './rollLayout';

export interface RollCut {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

export interface CutOrder {
  /** In the order they are made; the first takes the cloth off the roll. */
  cuts: RollCut[];
  /** What is left and large enough to keep, largest first. */
  offcuts: Flaw[];
}

interface Tree {
  largest: number;
  kept: number;
  cuts: RollCut[];
  offcuts: Flaw[];
}

/** Beyond so many pieces only the cut close behind the first part is tried. */
const MOST_THOROUGH = 24;

/**
 * Cuts and leftovers of a layout that passes its check.
 *
 * @param width usable, mm
 * @param least size of an offcut worth keeping, mm, both ways
 * @example cutOrder([{ id: 'a', x: 0, y: 0, w: 600, h: 500, turned: false }], 1000, 0, 200).offcuts // [{ x: 600, y: 0, w: 400, h: 500 }]
 */
export function cutOrder(placed: readonly PlacedPiece[], width: number, tear: number, least: number): CutOrder {
  if (placed.length === 0) return { cuts: [], offcuts: [] };
  const length = Math.max(...placed.map((one) => one.y + one.h));
  const thorough = placed.length <= MOST_THOROUGH;
  const tree = bestTree({ x: 0, y: 0, w: width, h: length }, placed, { tear, least, thorough, known: new Map() });
  return {
    cuts: [{ x1: 0, y1: length, x2: width, y2: length }, ...tree.cuts],
    offcuts: [...tree.offcuts].sort((a, b) => b.w * b.h - a.w * a.h),
  };
}

/** The largest leftover worth keeping, mm². */
export const largestLeftover = (placed: readonly PlacedPiece[], width: number, tear: number, least: number): number => {
  const [largest] = cutOrder(placed, width, tear, least).offcuts;
  return largest ? largest.w * largest.h : 0;
};

interface Settings {
  tear: number;
  least: number;
  thorough: boolean;
  known: Map<string, Tree>;
}

function bestTree(cell: Flaw, placed: readonly PlacedPiece[], settings: Settings): Tree {
  if (cell.w <= 0 || cell.h <= 0) return { largest: 0, kept: 0, cuts: [], offcuts: [] };
  if (placed.length === 0) {
    const kept = cell.w >= settings.least && cell.h >= settings.least ? cell.w * cell.h : 0;
    return { largest: kept, kept, cuts: [], offcuts: kept > 0 ? [cell] : [] };
  }
  const [only] = placed;
  if (placed.length === 1 && only!.w === cell.w && only!.h === cell.h) return { largest: 0, kept: 0, cuts: [], offcuts: [] };
  const key = `${cell.x} ${cell.y} ${cell.w} ${cell.h}`;
  const known = settings.known.get(key);
  if (known) return known;
  let best: Tree | null = null;
  for (const across of [true, false])
    for (const at of cutPlaces(cell, placed, across, settings)) {
      const tree = treeOf(cell, placed, across, at, settings);
      if (!best || better(tree, best)) best = tree;
    }
  if (!best) throw new RangeError('these pieces cannot be cut free from edge to edge');
  settings.known.set(key, best);
  return best;
}

const better = (a: Tree, b: Tree): boolean => (a.largest - b.largest || a.kept - b.kept || b.cuts.length - a.cuts.length) > 0;

function treeOf(cell: Flaw, placed: readonly PlacedPiece[], across: boolean, at: number, settings: Settings): Tree {
  const [start, size] = across ? (['y', 'h'] as const) : (['x', 'w'] as const);
  const beyond = at + settings.tear;
  const first = bestTree(
    { ...cell, [size]: at - cell[start] },
    placed.filter((one) => one[start] < at),
    settings,
  );
  const second = bestTree(
    { ...cell, [start]: beyond, [size]: cell[start] + cell[size] - beyond },
    placed.filter((one) => one[start] >= at),
    settings,
  );
  const cut: RollCut = across
    ? { x1: cell.x, y1: at, x2: cell.x + cell.w, y2: at }
    : { x1: at, y1: cell.y, x2: at, y2: cell.y + cell.h };
  return {
    largest: Math.max(first.largest, second.largest),
    kept: first.kept + second.kept,
    cuts: [cut, ...first.cuts, ...second.cuts],
    offcuts: [...first.offcuts, ...second.offcuts],
  };
}

/** Where the near side of a cut can be: behind a group of pieces, before the next one, and to trim either end. */
function cutPlaces(cell: Flaw, placed: readonly PlacedPiece[], across: boolean, { tear, thorough }: Settings): number[] {
  const [start, size] = across ? (['y', 'h'] as const) : (['x', 'w'] as const);
  const last = cell[start] + cell[size];
  const sorted = [...placed].sort((a, b) => a[start] - b[start]);
  const places: number[] = [];
  // Nearer than a tear to the edge, the first cut runs off it.
  if (sorted[0]![start] > cell[start]) places.push(sorted[0]![start] - tear);
  let end = sorted[0]![start] + sorted[0]![size];
  for (const one of sorted.slice(1)) {
    if (one[start] >= end + tear) places.push(end, ...(thorough ? [one[start] - tear] : []));
    end = Math.max(end, one[start] + one[size]);
  }
  if (end < last) places.push(end);
  return [...new Set(places)];
}
