/* Where a canvas hangs, by its air: ranges to start from, typed over where somebody knows better. A hygrometer says more. */
import { textOf } from '../shape/texts';
import { printedRange } from '../quantities/printed';
import { type ShapeOf, oneOf, numberOf } from '../shape/shape';

export const CLIMATES = [
  { id: 'house', name: 'In this house', leastRh: 45, mostRh: 65, says: 'the air that is read here is what counts' },
  { id: 'lived', name: 'Lived-in room', leastRh: 40, mostRh: 60, says: 'dry in winter, damper in summer' },
  { id: 'dryHeated', name: 'Dry heated hall', leastRh: 25, mostRh: 50, says: 'tightens over the winter' },
  { id: 'unheated', name: 'Unheated room', leastRh: 55, mostRh: 85, says: 'follows the weather outside' },
  { id: 'damp', name: 'Damp cellar', leastRh: 65, mostRh: 90, says: 'slack for months; mould at the back' },
] as const;
export type ClimateId = (typeof CLIMATES)[number]['id'];

const humidity = numberOf('humidity', 50);

/** Where it hangs, who has it, and between which humidities the air of the place goes. */
export const placeShape = {
  place: textOf('hanging'),
  owner: textOf('hanging'),
  climate: oneOf(CLIMATES),
  leastRh: humidity,
  mostRh: humidity,
};
export interface HangingPlace extends ShapeOf<typeof placeShape> {}

/** "Town hall, stairs; Ostrel council; 40 to 60 % RH". */
export const placeWords = ({ place, owner, leastRh, mostRh }: HangingPlace): string =>
  [place, owner && `with ${owner}`, printedRange('humidity', leastRh, mostRh)].filter((part) => part !== '').join('; ');
