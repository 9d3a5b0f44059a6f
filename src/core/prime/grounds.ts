/*
 * Priming systems as data: the coats in their order, what each is made of, how long the label says it dries.
 */
import type { AssumptionId } from '../job/assumptions';
import type { School } from '../job/schools';

export interface Coat {
  name: string;
  kind: 'size' | 'ground';
  absorb: AssumptionId;
  /** Water to one part: by weight of dry glue for size, by volume of ground for the rest. */
  waterParts: number;
  /** Drying before the next coat at the reference climate, minutes. */
  labelMinutes: readonly [number, number];
  direction: 'across' | 'down';
  sandAfter: boolean;
}

export interface PrimingSystem<Id extends string = string> extends School<Id> {
  coats: readonly Coat[];
  /** Keeps oil away from the threads. */
  sealsForOil: boolean;
  /** Carries acrylic and other water-borne paint. */
  takesWaterborne: boolean;
  leastC: number;
  steps: readonly string[];
  cautions: readonly string[];
}

const system = <const I extends string>(row: PrimingSystem<I>) => row;
const HOUR = 60;

export const SYSTEMS = [
  system({
    id: 'acrylic',
    name: 'Acrylic ground, three coats',
    suits: 'acrylic and oil on cotton or linen',
    trades: 'tightens little; never thinner than one to one',
    sealsForOil: true,
    takesWaterborne: true,
    leastC: 10,
    coats: [
      {
        name: 'First coat, thinned',
        kind: 'ground',
        absorb: 'firstAbsorb',
        waterParts: 0.6,
        labelMinutes: [1 * HOUR, 3 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'Second coat',
        kind: 'ground',
        absorb: 'laterAbsorb',
        waterParts: 0.2,
        labelMinutes: [1 * HOUR, 3 * HOUR],
        direction: 'down',
        sandAfter: true,
      },
      {
        name: 'Third coat',
        kind: 'ground',
        absorb: 'laterAbsorb',
        waterParts: 0.1,
        labelMinutes: [24 * HOUR, 24 * HOUR],
        direction: 'across',
        sandAfter: true,
      },
    ],
    steps: [
      'Brush off lint.',
      'Thin the first coat to the body of cream.',
      'Cross the direction coat by coat.',
      'Sand lightly when dry, edges too.',
    ],
    cautions: ['Wear a mask when sanding; the dust is mineral.'],
  }),
  system({
    id: 'glueSize',
    name: 'Animal-glue size, two coats, oil ground',
    suits: 'oil on linen, the traditional support',
    trades: 'days to weeks of drying; moves with damp air',
    sealsForOil: true,
    takesWaterborne: false,
    leastC: 12,
    coats: [
      {
        name: 'Size, first coat',
        kind: 'size',
        absorb: 'sizeAbsorb',
        waterParts: 12,
        labelMinutes: [10 * HOUR, 14 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'Size, second coat',
        kind: 'size',
        absorb: 'sizeAbsorb',
        waterParts: 14,
        labelMinutes: [12 * HOUR, 24 * HOUR],
        direction: 'down',
        sandAfter: true,
      },
      {
        name: 'Oil ground, thin',
        kind: 'ground',
        absorb: 'laterAbsorb',
        waterParts: 0,
        labelMinutes: [72 * HOUR, 120 * HOUR],
        direction: 'across',
        sandAfter: true,
      },
      {
        name: 'Oil ground, second coat',
        kind: 'ground',
        absorb: 'laterAbsorb',
        waterParts: 0,
        labelMinutes: [168 * HOUR, 336 * HOUR],
        direction: 'down',
        sandAfter: false,
      },
    ],
    steps: [
      'Soak the glue in cold water 1 to 12 h until swollen.',
      'Warm it in a water bath, 60 °C at most, never boiling.',
      'Brush on warm and thin; second coat next day.',
    ],
    cautions: [
      'Hot plate and hot glue: keep under 65 °C.',
      'Oil and solvents: open a window. Oily rags burn by themselves: metal bin, water.',
    ],
  }),
  system({
    id: 'none',
    name: 'Leave as it is',
    suits: 'primed cloth, prints and paintings',
    trades: 'nothing seals raw cloth',
    sealsForOil: false,
    takesWaterborne: true,
    leastC: -20,
    coats: [],
    steps: ['Brush off dust.'],
    cautions: [],
  }),
] as const;

export type SystemId = (typeof SYSTEMS)[number]['id'];
