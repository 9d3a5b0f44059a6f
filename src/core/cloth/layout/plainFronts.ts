/*
 * For every set of a few pieces the least length it takes within every width of plain cloth, by the joins of subsetFronts with
 * each piece told apart: no layout of the set round flaws is shorter, and where no flaw is in the way it is that long.
 */
import { type CutBlock, joined } from './cutBlock';
import { waysOf } from './firstLayout';
import type { ClothPiece } from './rollLayout';

const MAX = 0x7fffffff;

/** From narrow and long to wide and short. */
type Front = CutBlock[];

export class PlainFronts {
  private readonly fronts: Front[] = [[]];

  /**
   * @param pieces at most eight: sets are the bits of a number
   * @param width inflated by the tear, whole mm
   */
  constructor(pieces: readonly ClothPiece[], width: number, tear: number) {
    const least = new Int32Array(width + 1).fill(MAX);
    const made = new Array<CutBlock | null>(width + 1).fill(null);
    const offer = (w: number, h: number, block: () => CutBlock) => {
      if (w > width || h >= least[w]!) return;
      least[w] = h;
      made[w] = block();
    };
    for (let set = 1; set < 1 << pieces.length; set += 1) {
      if ((set & (set - 1)) === 0) for (const way of waysOf(pieces[31 - Math.clz32(set)]!, tear)) offer(way.w, way.h, () => way);
      for (let part = (set - 1) & set; part > set >> 1; part = (part - 1) & set)
        this.offerJoins(this.fronts[part]!, this.fronts[set ^ part]!, offer);
      const front: Front = [];
      let lowest = MAX;
      for (let w = 1; w <= width; w += 1) {
        if (least[w]! < lowest) {
          lowest = least[w]!;
          front.push(made[w]!);
        }
        least[w] = MAX;
      }
      this.fronts.push(front);
    }
  }

  private offerJoins(one: Front, other: Front, offer: (w: number, h: number, block: () => CutBlock) => void): void {
    for (const first of one)
      for (const second of other) {
        offer(first.w + second.w, Math.max(first.h, second.h), () => joined('beside', first, second));
        offer(Math.max(first.w, second.w), first.h + second.h, () => joined('below', first, second));
      }
  }

  /** The shortest block of a set within a width, both inflated by the tear; null where it does not fit. */
  shortest(set: number, width: number): CutBlock | null {
    const front = this.fronts[set]!;
    let [low, high] = [0, front.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (front[middle]!.w <= width) low = middle + 1;
      else high = middle;
    }
    return low === 0 ? null : front[low - 1]!;
  }
}
