/* Fabrics: what the sums rest on, along the warp and along the weft. Example values until a house puts its own. */
import { pricedLengths, rowId } from '../frame/profiles';
import { type ShapeOf, flag, oneOf, text, numberOf } from '../shape/shape';

export const FIBRES = ['cotton', 'linen', 'polyester', 'blend'] as const;
export type Fibre = (typeof FIBRES)[number];

export const fabricShape = {
  id: rowId,
  name: text(1, 80),
  fibre: oneOf<Fibre>(FIBRES),
  gsm: numberOf('clothWeight'),
  thicknessMm: numberOf('thickness'),
  /** Force a metre of cloth asks for a unit of strain, kN/m. */
  stiffnessWarpKNPerM: numberOf('clothStiffness'),
  stiffnessWeftKNPerM: numberOf('clothStiffness'),
  /** What it gives at working tension, parts of one. */
  stretchWarp: numberOf('stretch'),
  stretchWeft: numberOf('stretch'),
  /** What it shrinks when wetted first, parts of one. */
  shrinkWarp: numberOf('shrinkage'),
  shrinkWeft: numberOf('shrinkage'),
  /** Primed on one side, which goes down on the table. */
  primed: flag(),
  /** A snip and a tear follow one thread across the roll. */
  tearsTrue: flag(),
  /** Above 12 oz, primed or dense: pliers. */
  wantsPliers: flag(),
  /** Widths it is sold in, mm, with the price of a running metre. */
  rolls: pricedLengths,
  /** Offered for new jobs. */
  offered: flag(true),
  source: text(0, 200),
};
export interface Fabric extends ShapeOf<typeof fabricShape> {}

/** Mean stiffness of both directions, kN/m. */
export const stiffnessOf = ({ stiffnessWarpKNPerM, stiffnessWeftKNPerM }: Fabric): number =>
  (stiffnessWarpKNPerM + stiffnessWeftKNPerM) / 2;

const fabric = <const I extends string>(
  id: I,
  name: string,
  row: Omit<Fabric, 'id' | 'name' | 'offered' | 'source' | 'rolls'>,
  ...rolls: [mm: number, priceMinor: number][]
): Fabric & { id: I } => ({
  id,
  name,
  ...row,
  rolls: rolls.map(([mm, priceMinor]) => ({ mm, priceMinor })),
  offered: true,
  source: 'example value',
});

export const FABRICS = [
  fabric(
    'cottonLight',
    'Cotton duck, light',
    {
      fibre: 'cotton',
      gsm: 270,
      thicknessMm: 0.5,
      stiffnessWarpKNPerM: 9.9,
      stiffnessWeftKNPerM: 8.1,
      stretchWarp: 0.0096,
      stretchWeft: 0.0144,
      shrinkWarp: 0.04,
      shrinkWeft: 0.03,
      primed: false,
      tearsTrue: true,
      wantsPliers: false,
    },
    [1600, 690],
    [2100, 890],
  ),
  fabric(
    'cottonMedium',
    'Cotton duck, medium',
    {
      fibre: 'cotton',
      gsm: 340,
      thicknessMm: 0.6,
      stiffnessWarpKNPerM: 13.2,
      stiffnessWeftKNPerM: 10.8,
      stretchWarp: 0.008,
      stretchWeft: 0.012,
      shrinkWarp: 0.04,
      shrinkWeft: 0.03,
      primed: false,
      tearsTrue: true,
      wantsPliers: false,
    },
    [1600, 840],
    [2100, 1090],
    [3000, 1680],
  ),
  fabric(
    'cottonHeavy',
    'Cotton duck, heavy',
    {
      fibre: 'cotton',
      gsm: 500,
      thicknessMm: 0.9,
      stiffnessWarpKNPerM: 19.8,
      stiffnessWeftKNPerM: 16.2,
      stretchWarp: 0.0064,
      stretchWeft: 0.0096,
      shrinkWarp: 0.03,
      shrinkWeft: 0.03,
      primed: false,
      tearsTrue: true,
      wantsPliers: true,
    },
    [2100, 1490],
    [3000, 2240],
  ),
  fabric(
    'linenFine',
    'Linen, fine',
    {
      fibre: 'linen',
      gsm: 220,
      thicknessMm: 0.4,
      stiffnessWarpKNPerM: 17.6,
      stiffnessWeftKNPerM: 14.4,
      stretchWarp: 0.0048,
      stretchWeft: 0.0072,
      shrinkWarp: 0.03,
      shrinkWeft: 0.02,
      primed: false,
      tearsTrue: true,
      wantsPliers: false,
    },
    [1550, 1980],
    [2150, 2790],
  ),
  fabric(
    'linenMedium',
    'Linen, medium',
    {
      fibre: 'linen',
      gsm: 320,
      thicknessMm: 0.6,
      stiffnessWarpKNPerM: 24.2,
      stiffnessWeftKNPerM: 19.8,
      stretchWarp: 0.004,
      stretchWeft: 0.006,
      shrinkWarp: 0.03,
      shrinkWeft: 0.03,
      primed: false,
      tearsTrue: false,
      wantsPliers: true,
    },
    [2150, 3150],
    [3050, 4680],
  ),
  fabric(
    'cottonPrimed',
    'Cotton, primed',
    {
      fibre: 'cotton',
      gsm: 420,
      thicknessMm: 0.7,
      stiffnessWarpKNPerM: 30.8,
      stiffnessWeftKNPerM: 25.2,
      stretchWarp: 0.0032,
      stretchWeft: 0.0048,
      shrinkWarp: 0,
      shrinkWeft: 0,
      primed: true,
      tearsTrue: false,
      wantsPliers: true,
    },
    [1600, 1890],
    [2100, 2450],
  ),
  fabric(
    'linenPrimed',
    'Linen, primed',
    {
      fibre: 'linen',
      gsm: 450,
      thicknessMm: 0.6,
      stiffnessWarpKNPerM: 44,
      stiffnessWeftKNPerM: 36,
      stretchWarp: 0.0024,
      stretchWeft: 0.0036,
      shrinkWarp: 0,
      shrinkWeft: 0,
      primed: true,
      tearsTrue: false,
      wantsPliers: true,
    },
    [2150, 5200],
  ),
  fabric(
    'polyCotton',
    'Print canvas, coated',
    {
      fibre: 'blend',
      gsm: 380,
      thicknessMm: 0.5,
      stiffnessWarpKNPerM: 33,
      stiffnessWeftKNPerM: 27,
      stretchWarp: 0.0024,
      stretchWeft: 0.0036,
      shrinkWarp: 0,
      shrinkWeft: 0,
      primed: true,
      tearsTrue: false,
      wantsPliers: false,
    },
    [1520, 1250],
  ),
] as const satisfies readonly Fabric[];
