/* What a house reckons with when it puts a price to work: rates, overhead, margin and tax, and the price of ready-made canvases. */
import { textOf } from '../shape/texts';
import { type ShapeOf, listOf, optional, part, numberOf } from '../shape/shape';

/** An amount in minor units; a hundred million is a typing error. */
export const minorAmount = numberOf('price');

const hourRate = numberOf('hourRate');
const side = numberOf('faceLength');

export const costSettingsShape = {
  /** An hour of hands; null until somebody said, which is not the same as 0. */
  hourMinor: optional(hourRate),
  /** Makers whose hour is another one. */
  makers: listOf(part('makerRate', { maker: textOf('name'), hourMinor: hourRate }), 20),
  /** Rent, light, tools: per cent of material and hands. */
  overheadPercent: numberOf('overhead', 15),
  /** What an offcut is worth of what its cloth cost, per cent. */
  offcutPercent: numberOf('offcutWorth', 50),
  /** On a quote: per cent on the cost, per cent of tax on that, and what the tax is called. */
  marginPercent: numberOf('profitMargin', 25),
  taxPercent: numberOf('tax'),
  taxName: textOf('taxName', 'Tax'),
  quoteDays: numberOf('quoteDays', 30),
  /** What a ready-made canvas of a size costs here. */
  readyMade: listOf(part('readyMade', { widthMm: side, heightMm: side, priceMinor: minorAmount }), 200),
};
export interface CostSettings extends ShapeOf<typeof costSettingsShape> {}
