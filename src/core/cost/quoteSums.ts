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
