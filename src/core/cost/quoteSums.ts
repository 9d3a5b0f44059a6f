/* From cost to the price for a customer: margin, then tax, each rounded once. */
import type { CostSettings } from './costSettings';

export interface QuoteSums {
  costMinor: number;
  marginMinor: number;
  netMinor: number;
  taxMinor: number;
  grossMinor: number;
}

/**
 * @param costMinor whole minor units, every price known
 * @example quoteSums(1000, { marginPercent: 25, taxPercent: 20 }) // { costMinor: 1000, marginMinor: 250, netMinor: 1250, taxMinor: 250, grossMinor: 1500 }
 */
export function quoteSums(
  costMinor: number,
  { marginPercent, taxPercent }: Pick<CostSettings, 'marginPercent' | 'taxPercent'>,
): QuoteSums {
  const marginMinor = Math.round((costMinor * marginPercent) / 100);
  const netMinor = costMinor + marginMinor;
  const taxMinor = Math.round((netMinor * taxPercent) / 100);
  return { costMinor, marginMinor, netMinor, taxMinor, grossMinor: netMinor + taxMinor };
}

/** A canvas of a quote: what it costs, and what tells alike ones. */
export interface QuotedCanvas {
  alike: string;
  costMinor: number;
}

/**
 * The sums of a quote by its canvases: one is priced, and alike ones have that price each, so that the whole is what they add up to.
 *
 * @example quoteFor([{ alike: 'a', costMinor: 100 }, { alike: 'a', costMinor: 101 }], { marginPercent: 0, taxPercent: 0 }).grossMinor // [101, 101]
 */
export function quoteFor(
  canvases: readonly QuotedCanvas[],
  settings: Pick<CostSettings, 'marginPercent' | 'taxPercent'>,
): { sums: QuoteSums; grossMinor: number[] } {
  const priced = canvases.map(({ alike }) => {
    const own = canvases.filter((one) => one.alike === alike);
    return quoteSums(Math.round(own.reduce((sum, { costMinor }) => sum + costMinor, 0) / own.length), settings);
  });
  const sum = (of: keyof QuoteSums) => priced.reduce((all, one) => all + one[of], 0);
  return {
    sums: {
      costMinor: sum('costMinor'),
      marginMinor: sum('marginMinor'),
      netMinor: sum('netMinor'),
      taxMinor: sum('taxMinor'),
      grossMinor: sum('grossMinor'),
    },
    grossMinor: priced.map((one) => one.grossMinor),
  };
}
