/* One quantity of a job moved over its range, everything else as it stands: for seeing what follows from it in every stage. */
import { isTyped } from '../quantities/quantities';
import type { JobInputs } from '../job/job';
import { length } from '../units/length';
import { USES, byId } from '../house/schools';
import { MOST_BRACES, evenBraces } from '../stages/bars/barsInputs';
import type { ChangedField } from './variant';

export const QUANTITIES = [
  { id: 'tension', name: 'Tension wanted', unit: 'N/m' },
  { id: 'size', name: 'Size, in proportion', unit: '%' },
  { id: 'bracesUpright', name: 'Upright braces', unit: '' },
  { id: 'bracesLevel', name: 'Level braces', unit: '' },
] as const;
export type QuantityId = (typeof QUANTITIES)[number]['id'];

/** The field of a variant that stops a quantity from being moved once it is recorded. */
export const FIELD_OF: Record<QuantityId, ChangedField> = {
  tension: 'tensionNPerM',
  size: 'width',
  bracesUpright: 'bracesUpright',
  bracesLevel: 'bracesLevel',
};

/** Half to double of what stands, in even steps. */
const PARTS = Array.from({ length: 13 }, (_, index) => 0.5 + index / 8);

/** What a quantity stands at: N/m, % of what is planned, or how many. */
export const quantityNow = (id: QuantityId, { bars }: JobInputs): number =>
  id === 'tension' ? bars.tensionNPerM : id === 'size' ? 100 : bars[id].length;

/**
 * The values a quantity is tried at, ascending; what it stands at is among them. None for the size of a painting, which is what it is.
 *
 * @example quantityValues('bracesUpright', newInputs('Study', length(400), length(300))) // [0, 1, 2, 3]
 */
export function quantityValues(id: QuantityId, inputs: JobInputs): number[] {
  switch (id) {
    case 'tension': {
      const now = inputs.bars.tensionNPerM;
      return PARTS.map((part) => Math.round(now * part * 10) / 10).filter((value) => isTyped('tension', value));
    }
    case 'size': {
      if (byId(USES, inputs.brief.use).painted) return [];
      const sides = [inputs.brief.width.mm, inputs.brief.height.mm];
      return PARTS.map((part) => 100 * part).filter((value) => sides.every((mm) => isTyped('faceLength', (mm * value) / 100)));
    }
    case 'bracesUpright':
    case 'bracesLevel':
      return Array.from({ length: MOST_BRACES + 1 }, (_, count) => count);
  }
}

/** A job with a quantity at a value; at what it stands at, the job as it is. */
export function withQuantity(id: QuantityId, inputs: JobInputs, value: number): JobInputs {
  if (value === quantityNow(id, inputs)) return inputs;
  const { brief, bars } = inputs;
  switch (id) {
    case 'tension':
      return { ...inputs, bars: { ...bars, tensionNPerM: value } };
    case 'size': {
      const scaled = ({ mm, unit }: typeof brief.width) => length(Math.round((mm * value) / 10) / 10, unit);
      return { ...inputs, brief: { ...brief, width: scaled(brief.width), height: scaled(brief.height) } };
    }
    case 'bracesUpright':
    case 'bracesLevel':
      return { ...inputs, bars: { ...bars, [id]: evenBraces(value) } };
  }
}
