/*
 * Priming systems as data: the coats in their order, what each is made of, how long the label says it dries.
 */
import type { School } from '../house/schools';
import type { SubstanceId } from './substances';

/** The assumption that says how much of a coat the cloth takes up. */
export type AbsorbId = 'sizeAbsorb' | 'firstAbsorb' | 'laterAbsorb';

export interface Coat {
  name: string;
  kind: 'size' | 'ground';
  substance: SubstanceId;
  absorb: AbsorbId;
  /** Water to one part: by weight of dry glue, by volume of everything else. */
  waterParts: number;
  /** Drying before the next coat at the reference climate, minutes. */
  labelMinutes: readonly [number, number];
  direction: 'across' | 'down';
  sandAfter: boolean;
  /** Sanding paper, when it is sanded. */
  grit?: number;
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
        substance: 'acrylicGround',
        absorb: 'firstAbsorb',
        waterParts: 0.6,
        labelMinutes: [1 * HOUR, 3 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'Second coat',
        kind: 'ground',
        substance: 'acrylicGround',
        absorb: 'laterAbsorb',
        waterParts: 0.2,
        labelMinutes: [1 * HOUR, 3 * HOUR],
        direction: 'down',
        sandAfter: true,
        grit: 320,
      },
      {
        name: 'Third coat',
        kind: 'ground',
        substance: 'acrylicGround',
        absorb: 'laterAbsorb',
        waterParts: 0.1,
        labelMinutes: [24 * HOUR, 24 * HOUR],
        direction: 'across',
        sandAfter: true,
        grit: 320,
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
        substance: 'animalGlue',
        absorb: 'sizeAbsorb',
        waterParts: 12,
        labelMinutes: [10 * HOUR, 14 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'Size, second coat',
        kind: 'size',
        substance: 'animalGlue',
        absorb: 'sizeAbsorb',
        waterParts: 14,
        labelMinutes: [12 * HOUR, 24 * HOUR],
        direction: 'down',
        sandAfter: true,
        grit: 240,
      },
      {
        name: 'Oil ground, thin',
        kind: 'ground',
        substance: 'oilGround',
        absorb: 'laterAbsorb',
        waterParts: 0,
        labelMinutes: [72 * HOUR, 120 * HOUR],
        direction: 'across',
        sandAfter: true,
        grit: 240,
      },
      {
        name: 'Oil ground, second coat',
        kind: 'ground',
        substance: 'oilGround',
        absorb: 'laterAbsorb',
        waterParts: 0,
        labelMinutes: [168 * HOUR, 336 * HOUR],
        direction: 'down',
        sandAfter: false,
      },
    ],
    steps: [
      'Soak the glue in cold water 1 to 12 h until swollen.',
      'Warm it in a water bath, {60 °C} at most, never boiling.',
      'Brush on warm and thin; second coat next day.',
    ],
    cautions: [
      'Hot plate and hot glue: keep under {65 °C}.',
      'Oil and solvents: open a window. Oily rags burn by themselves: metal bin, water.',
    ],
  }),
  system({
    id: 'pvaOil',
    name: 'PVA size, two coats, oil ground',
    suits: 'oil on cotton or linen without hot glue',
    trades: 'does not tighten the cloth as glue does; stays in the threads for good',
    sealsForOil: true,
    takesWaterborne: false,
    leastC: 12,
    coats: [
      {
        name: 'PVA size, first coat',
        kind: 'size',
        substance: 'pvaSize',
        absorb: 'sizeAbsorb',
        waterParts: 2,
        labelMinutes: [3 * HOUR, 6 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'PVA size, second coat',
        kind: 'size',
        substance: 'pvaSize',
        absorb: 'sizeAbsorb',
        waterParts: 3,
        labelMinutes: [12 * HOUR, 24 * HOUR],
        direction: 'down',
        sandAfter: true,
        grit: 240,
      },
      {
        name: 'Oil ground over PVA',
        kind: 'ground',
        substance: 'oilGround',
        absorb: 'laterAbsorb',
        waterParts: 0,
        labelMinutes: [120 * HOUR, 240 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
    ],
    steps: [
      'Brush off lint.',
      'Thin the size with water, no heat.',
      'Work it into the threads, no puddles.',
      'Let the size dry overnight before oil.',
    ],
    cautions: ['Oil and solvents: open a window. Oily rags burn by themselves: metal bin, water.'],
  }),
  system({
    id: 'clear',
    name: 'Clear size, two coats',
    suits: 'cloth that is to be seen; acrylic and oil',
    trades: 'takes paint less readily than a white ground',
    sealsForOil: true,
    takesWaterborne: true,
    leastC: 10,
    coats: [
      {
        name: 'Clear size, first coat',
        kind: 'size',
        substance: 'clearSize',
        absorb: 'sizeAbsorb',
        waterParts: 0.5,
        labelMinutes: [1 * HOUR, 3 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'Clear size, second coat',
        kind: 'size',
        substance: 'clearSize',
        absorb: 'laterAbsorb',
        waterParts: 0.2,
        labelMinutes: [12 * HOUR, 24 * HOUR],
        direction: 'down',
        sandAfter: false,
      },
    ],
    steps: ['Brush off lint.', 'Thin the first coat; work it in.', 'Wipe up what stands on the cloth: it dries shiny.'],
    cautions: [],
  }),
  system({
    id: 'household',
    name: 'Household white, two coats',
    suits: 'cheap work that need not last',
    trades: 'yellows, chalks or cracks; nobody says what its binder is',
    sealsForOil: false,
    takesWaterborne: true,
    leastC: 10,
    coats: [
      {
        name: 'Household white, first coat',
        kind: 'ground',
        substance: 'housePaint',
        absorb: 'firstAbsorb',
        waterParts: 0.2,
        labelMinutes: [2 * HOUR, 4 * HOUR],
        direction: 'across',
        sandAfter: false,
      },
      {
        name: 'Household white, second coat',
        kind: 'ground',
        substance: 'housePaint',
        absorb: 'laterAbsorb',
        waterParts: 0.1,
        labelMinutes: [12 * HOUR, 24 * HOUR],
        direction: 'down',
        sandAfter: true,
        grit: 320,
      },
    ],
    steps: ['Brush off lint.', 'Two thin coats, crossed.', 'Sand lightly when dry.'],
    cautions: [
      'Household paint yellows, chalks and may crack: tell whoever buys the canvas.',
      'Wear a mask when sanding; the dust is mineral.',
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
