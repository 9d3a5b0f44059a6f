/* What coats are made of: how it is sold and thinned, and which layer it makes on the cloth. Example values. */
import type { Hardens } from './drying';

export interface Substance<Id extends string = string> {
  id: Id;
  name: string;
  /** Weighed dry (glue), or poured. */
  unit: 'g' | 'ml';
  /** Undiluted, g/ml; for dry glue that of the thin size it makes. */
  gPerMl: number;
  /** What is left of a gram when dry, parts of one. */
  solids: number;
  layer: LayerId;
  hardens: Hardens;
  /** Most water to one part, and why no more. */
  mostWater: number;
  thinWhy: string;
}

/** What lies on the cloth, as far as the next layer cares. */
export const LAYERS = [
  { id: 'raw', name: 'Raw cloth' },
  { id: 'glue', name: 'Animal-glue size' },
  { id: 'pva', name: 'PVA size' },
  { id: 'acrylic', name: 'Acrylic ground or size' },
  { id: 'oil', name: 'Oil ground' },
  { id: 'house', name: 'Household paint' },
] as const;
export type LayerId = (typeof LAYERS)[number]['id'];

const substance = <const I extends string>(row: Substance<I>) => row;

export const SUBSTANCES = [
  substance({
    id: 'animalGlue',
    name: 'Animal glue, dry',
    unit: 'g',
    gPerMl: 1,
    solids: 1,
    layer: 'glue',
    hardens: 'givingOffWater',
    mostWater: 14,
    thinWhy: 'Thinner than one part to fourteen it no longer closes the threads.',
  }),
  substance({
    id: 'pvaSize',
    name: 'PVA size',
    unit: 'ml',
    gPerMl: 1.05,
    solids: 0.5,
    layer: 'pva',
    hardens: 'givingOffWater',
    mostWater: 3,
    thinWhy: 'Thinner than one part to three it no longer closes the threads.',
  }),
  substance({
    id: 'acrylicGround',
    name: 'Acrylic ground',
    unit: 'ml',
    gPerMl: 1.4,
    solids: 0.55,
    layer: 'acrylic',
    hardens: 'givingOffWater',
    mostWater: 1,
    thinWhy: 'Thinner than one to one the binder no longer holds the white: it powders and cracks.',
  }),
  substance({
    id: 'clearSize',
    name: 'Clear acrylic size',
    unit: 'ml',
    gPerMl: 1.03,
    solids: 0.4,
    layer: 'acrylic',
    hardens: 'givingOffWater',
    mostWater: 1,
    thinWhy: 'Thinner than one to one it leaves pores for oil.',
  }),
  substance({
    id: 'oilGround',
    name: 'Oil ground',
    unit: 'ml',
    gPerMl: 1.8,
    solids: 0.9,
    layer: 'oil',
    hardens: 'takingUpOxygen',
    mostWater: 0,
    thinWhy: 'Water and oil do not mix; too much thinner leaves it lean and it cracks.',
  }),
  substance({
    id: 'housePaint',
    name: 'Household white, matt',
    unit: 'ml',
    gPerMl: 1.45,
    solids: 0.55,
    layer: 'house',
    hardens: 'givingOffWater',
    mostWater: 0.3,
    thinWhy: 'It is lean as it is: thinned more, it chalks.',
  }),
] as const;
export type SubstanceId = (typeof SUBSTANCES)[number]['id'];

interface Order {
  below: LayerId;
  above: LayerId;
  level: 'watch' | 'stop';
  says: string;
  because: string;
}

/** Pairs of layers that makers warn of; every other pair holds. */
export const LAYER_WARNINGS: readonly Order[] = [
  ...(['glue', 'pva', 'acrylic', 'house'] as const).map((above): Order => ({
    below: 'oil',
    above,
    level: 'stop',
    says: 'A water-borne layer does not hold on an oil ground.',
    because: 'It wets oil badly and peels from it.',
  })),
  {
    below: 'raw',
    above: 'oil',
    level: 'stop',
    says: 'Oil on unsealed cloth rots it in decades.',
    because: 'A sealed or acrylic ground is the barrier between oil and thread.',
  },
  ...(['acrylic', 'house'] as const).map((above): Order => ({
    below: 'glue',
    above,
    level: 'stop',
    says: 'An acrylic layer over animal glue lets go.',
    because: 'The glue swells and shrinks with the air under a film that does not follow.',
  })),
  ...(['acrylic', 'house', 'pva'] as const).map((below): Order => ({
    below,
    above: 'glue',
    level: 'stop',
    says: 'Animal glue does not hold over a closed film.',
    because: 'It wants threads to go into, and pulls as it dries.',
  })),
  {
    below: 'house',
    above: 'oil',
    level: 'watch',
    says: 'Oil over household paint may sink and crack.',
    because: 'Its binder is unknown and drinks unevenly.',
  },
  {
    below: 'house',
    above: 'acrylic',
    level: 'watch',
    says: 'Acrylic over household paint holds as well as that paint holds.',
    because: 'What is below gives way first.',
  },
];

/** The warning for one layer on another; undefined where they hold. */
export const layerWarning = (below: LayerId, above: LayerId): Order | undefined =>
  LAYER_WARNINGS.find((one) => one.below === below && one.above === above);
