import { randomLcg } from 'd3-random';
import { type StockLayout, type StockPiece, type StockSheet, layStock } from '@/core/cloth/layout/layStock';

export interface LayRequest {
  pieces: StockPiece[];
  offcuts: StockSheet[];
  roll: StockSheet;
  seed: number;
  rounds: number;
  leastOffcut: number;
}

/** What the cloth worker does. */
export const CLOTH_TASKS = {
  lay: ({ pieces, offcuts, roll, seed, rounds, leastOffcut }: LayRequest): Generator<StockLayout | undefined, StockLayout> =>
    layStock(pieces, offcuts, roll, randomLcg(seed), rounds, leastOffcut),
};
