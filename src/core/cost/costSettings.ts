/* What a house reckons with when it puts a price to work: rates, overhead, margin and tax, and the price of ready-made canvases. */
import { type ShapeOf, listOf, number, optional, part, text, whole } from '../shape/shape';
import { FACE_RANGE_MM } from '../stages/brief/briefInputs';

/** An amount in minor units; a hundred million is a typing error. */
export const minorAmount = whole(0, 100_000_000);

const side = number(FACE_RANGE_MM.least, FACE_RANGE_MM.most);

export const costSettingsShape = {
  /** An hour of hands; null until somebody said, which is not the same as 0. */
  hourMinor: optional(minorAmount),
  /** Makers whose hour is another one. */
  makers: listOf(part('makerRate', { maker: text(1, 80), hourMinor: minorAmount }), 20),
  /** Rent, light, tools: per cent of material and hands. */
  overheadPercent: number(0, 500, 15),
  /** What an offcut is worth of what its cloth cost, per cent. */
  offcutPercent: number(0, 100, 50),
  /** On a quote: per cent on the cost, per cent of tax on that, and what the tax is called. */
  marginPercent: number(0, 1000, 25),
  taxPercent: number(0, 100),
  taxName: text(0, 40, 'Tax'),
  quoteDays: whole(1, 365, 30),
  /** What a ready-made canvas of a size costs here. */
  readyMade: listOf(part('readyMade', { widthMm: side, heightMm: side, priceMinor: minorAmount }), 200),
};
export interface CostSettings extends ShapeOf<typeof costSettingsShape> {}
