/*
 * What of a cloth is bought for pieces: as many as can be are cut from the offcuts and rolls that are here, whole pieces each; what
 * is left is laid on a new roll of a width that is sold. Few pieces are shared out among all that is here so that the least is
 * paid; many in the order of the store, offcuts first. Bought so, the same pieces need nothing more.
 */
import { tearOf } from '../cloth/clothPieceOf';
import type { StockCloth } from '../cloth/clothStock';
import type { Fabric } from '../cloth/fabrics';
import { placedAt } from '../cloth/layout/cutBlock';
import { waysOf } from '../cloth/layout/firstLayout';
import { layQuick } from '../cloth/layout/layQuick';
import type { ClothPiece } from '../cloth/layout/rollLayout';
import { fillSheet, fullSheets } from '../cloth/layout/subsetFronts';
import type { HouseRules } from '../house/houseRules';
import { toEnd } from '../toEnd';

type Piece = Omit<ClothPiece, 'pin'>;

export interface ClothBought {
  /** Pieces that are cut from what is here. */
  onStock: ReadonlySet<string>;
  /** A new roll for the others: its width and how much of it, mm; null where nothing is bought. */
  roll: { widthMm: number; lengthMm: number; pieces: readonly Piece[] } | null;
  /** Pieces that no roll that is sold is wide enough for. */
  tooWide: readonly Piece[];
}

/** What lies here of one cloth: whole mm, and only the longest stretch of it without a flaw. */
interface Sheet {
  width: number;
  length: number;
  isRoll: boolean;
}

/** So few pieces are shared out among everything that is here. */
const FEW = 7;
/** Pieces tried at once on an offcut. */
const MOST_TRIED = 9;

/**
 * What to buy of a cloth, by pieces that are all of it.
 *
 * @param there offcuts and rolls of this cloth, in the order in which they came into the store
 * @example clothToBuy({ rolls: [{ mm: 1600, priceMinor: 900 }], tearsTrue: true }, [{ id: 'a', w: 858, h: 758, mayTurn: false }], [], DEFAULT_RULES).roll.lengthMm // 758
 */
export function clothToBuy(
  fabric: Pick<Fabric, 'rolls' | 'tearsTrue'>,
  pieces: readonly Piece[],
  there: readonly StockCloth[],
  rules: HouseRules,
): ClothBought {
  const tear = tearOf(fabric as Fabric, rules);
  const offcuts = there.filter(({ kind }) => kind === 'offcut').sort((a, b) => a.widthMm * a.lengthMm - b.widthMm * b.lengthMm);
  const sheets = [...offcuts, ...there.filter(({ kind }) => kind === 'roll')].map(cleanSheet);
  const bought = (left: readonly Piece[]) => newRoll(fabric, left, tear);
  const left = pieces.length <= FEW ? leastPaid(pieces, sheets, tear, bought) : inOrder(pieces, sheets, tear);
  const { roll, tooWide } = bought(left);
  return { onStock: new Set(pieces.filter((one) => !left.includes(one)).map(({ id }) => id)), roll, tooWide };
}

function cleanSheet({ widthMm, lengthMm, flaws, kind }: StockCloth): Sheet {
  const along = [...flaws].sort((a, b) => a.y - b.y);
  let [from, longest] = [0, 0];
  for (const { y, h } of along) {
    longest = Math.max(longest, y - from);
    from = Math.max(from, y + h);
  }
  longest = Math.max(longest, lengthMm - from);
  return { width: Math.floor(widthMm + 1e-6), length: Math.floor(longest + 1e-6), isRoll: kind === 'roll' };
}

const across = ({ w, h, mayTurn }: Piece): number => (mayTurn ? Math.min(w, h) : w);

const fits = (piece: Piece, { width, length }: Sheet): boolean =>
  waysOf(piece, 0).some((way) => way.w <= width && way.h <= length);

/** A new roll for pieces, of the width that costs least; those that none is wide enough for apart. */
function newRoll({ rolls }: Pick<Fabric, 'rolls'>, left: readonly Piece[], tear: number) {
  const widestSold = Math.max(0, ...rolls.map(({ mm }) => Math.floor(mm)));
  const tooWide = left.filter((piece) => across(piece) > widestSold);
  const pieces = left.filter((piece) => across(piece) <= widestSold);
  if (pieces.length === 0) return { roll: null, tooWide, costs: 0 };
  const widest = Math.max(...pieces.map(across));
  const [best] = rolls
    .filter(({ mm }) => Math.floor(mm) >= widest)
    .map(({ mm, priceMinor }) => {
      const widthMm = Math.floor(mm);
      const lengthMm = layQuick(pieces, { width: widthMm, tear }).length;
      // A roll without a price is paid by its cloth.
      return { widthMm: mm, lengthMm, costs: lengthMm * (priceMinor > 0 ? priceMinor : mm) };
    })
    .sort((a, b) => a.costs - b.costs);
  return { roll: { widthMm: best!.widthMm, lengthMm: best!.lengthMm, pieces }, tooWide, costs: best!.costs };
}

/** Pieces left over when all that is here is shared out so that the rest costs least; first as few too wide ones as can be. */
function leastPaid(
  pieces: readonly Piece[],
  sheets: readonly Sheet[],
  tear: number,
  bought: (left: readonly Piece[]) => { costs: number; tooWide: readonly Piece[] },
): readonly Piece[] {
  const all = (1 << pieces.length) - 1;
  let reached = new Set([0]);
  for (const sheet of sheets) {
    const sets = setsOn(pieces, sheet, tear);
    if (sets.length === 0) continue;
    const next = new Set(reached);
    for (const held of reached) for (const set of sets) next.add(held | set);
    reached = next;
    if (reached.has(all)) return [];
  }
  const leftOf = (held: number) => pieces.filter((_, index) => (held & (1 << index)) === 0);
  const judged = [...reached].map((held) => {
    const { costs, tooWide } = bought(leftOf(held));
    return { held, costs, lost: tooWide.length };
  });
  judged.sort((a, b) => a.lost - b.lost || a.costs - b.costs || b.held - a.held);
  return leftOf(judged[0]!.held);
}

/** Sets of pieces, as bits, that a sheet holds and to which none can be added; alike pieces stand for one another. */
function setsOn(pieces: readonly Piece[], sheet: Sheet, tear: number): number[] {
  const own = pieces.filter((piece) => fits(piece, sheet));
  if (own.length === 0) return [];
  const blocks = toEnd(
    fullSheets(
      own.map((piece) => ({ ways: waysOf(piece, tear) })),
      sheet.width + tear,
      sheet.length + tear,
    ),
  );
  const alike = (a: Piece, b: Piece) => a.w === b.w && a.h === b.h && a.mayTurn === b.mayTurn;
  return blocks.flatMap((block) => {
    const counts = new Map<Piece, number>();
    for (const { id } of placedAt(block, 0, 0, tear)) {
      const first = own.find((one) =>
        alike(
          one,
          own.find((piece) => piece.id === id)!,
        ),
      )!;
      counts.set(first, (counts.get(first) ?? 0) + 1);
    }
    // Which of several alike lie here matters to no sheet but to the next: every choice of them is a set.
    return [...counts].reduce<number[]>(
      (sets, [kind, count]) => {
        const places = pieces.flatMap((piece, index) => (alike(piece, kind) ? [index] : []));
        return sets.flatMap((set) => choices(places, count).map((chosen) => set | chosen));
      },
      [0],
    );
  });
}

/** Every choice of so many of these places, as bits. */
function choices(places: readonly number[], count: number): number[] {
  if (count === 0) return [0];
  return places.flatMap((place, index) => choices(places.slice(index + 1), count - 1).map((rest) => rest | (1 << place)));
}

/** Pieces left over when what is here is filled in its order. */
function inOrder(pieces: readonly Piece[], sheets: readonly Sheet[], tear: number): readonly Piece[] {
  let left = [...pieces];
  for (const sheet of sheets) {
    const own = left.filter((piece) => fits(piece, sheet));
    if (own.length === 0) continue;
    const placed = new Set(sheet.isRoll ? onRoll(own, sheet, tear) : onOffcut(own, sheet, tear));
    left = left.filter(({ id }) => !placed.has(id));
  }
  return left;
}

/** What of these lies within the end of a roll when all are laid on it; where nothing does, what fills it best. */
function onRoll(pieces: readonly Piece[], sheet: Sheet, tear: number): string[] {
  const { placed } = layQuick(pieces, { width: sheet.width, tear });
  const within = placed.filter(({ y, h }) => y + h <= sheet.length).map(({ id }) => id);
  return within.length > 0 ? within : onOffcut(pieces, sheet, tear);
}

function onOffcut(pieces: readonly Piece[], { width, length }: Sheet, tear: number): string[] {
  const largest = [...pieces].sort((a, b) => b.w * b.h - a.w * a.h).slice(0, MOST_TRIED);
  const block = toEnd(
    fillSheet(
      largest.map((piece) => ({ ways: waysOf(piece, tear) })),
      width + tear,
      length + tear,
    ),
  );
  return block ? placedAt(block, 0, 0, tear).map(({ id }) => id) : [];
}
