/* Fabrics: g/m², thickness (mm), stiffness (kN/m), what they give at working tension and shrink when wetted (parts of one). */
export interface Fabric {
  id: string;
  name: string;
  gsm: number;
  thicknessMm: number;
  stiffnessKNPerM: number;
  stretch: number;
  shrinkWarp: number;
  shrinkWeft: number;
  primed: boolean;
  tearsTrue: boolean;
  /** Above 12 oz, primed or dense: pliers. */
  wantsPliers: boolean;
}

const fabric = <const I extends string>(id: I, name: string, row: Omit<Fabric, 'id' | 'name'>) => ({ id, name, ...row });

export const FABRICS = [
  fabric('cottonLight', 'Cotton duck, light', {
    gsm: 270,
    thicknessMm: 0.5,
    stiffnessKNPerM: 9,
    stretch: 0.012,
    shrinkWarp: 0.04,
    shrinkWeft: 0.03,
    primed: false,
    tearsTrue: true,
    wantsPliers: false,
  }),
  fabric('cottonMedium', 'Cotton duck, medium', {
    gsm: 340,
    thicknessMm: 0.6,
    stiffnessKNPerM: 12,
    stretch: 0.01,
    shrinkWarp: 0.04,
    shrinkWeft: 0.03,
    primed: false,
    tearsTrue: true,
    wantsPliers: false,
  }),
  fabric('cottonHeavy', 'Cotton duck, heavy', {
    gsm: 500,
    thicknessMm: 0.9,
    stiffnessKNPerM: 18,
    stretch: 0.008,
    shrinkWarp: 0.03,
    shrinkWeft: 0.03,
    primed: false,
    tearsTrue: true,
    wantsPliers: true,
  }),
  fabric('linenFine', 'Linen, fine', {
    gsm: 220,
    thicknessMm: 0.4,
    stiffnessKNPerM: 16,
    stretch: 0.006,
    shrinkWarp: 0.03,
    shrinkWeft: 0.02,
    primed: false,
    tearsTrue: true,
    wantsPliers: false,
  }),
  fabric('linenMedium', 'Linen, medium', {
    gsm: 320,
    thicknessMm: 0.6,
    stiffnessKNPerM: 22,
    stretch: 0.005,
    shrinkWarp: 0.03,
    shrinkWeft: 0.03,
    primed: false,
    tearsTrue: false,
    wantsPliers: true,
  }),
  fabric('cottonPrimed', 'Cotton, primed', {
    gsm: 420,
    thicknessMm: 0.7,
    stiffnessKNPerM: 28,
    stretch: 0.004,
    shrinkWarp: 0,
    shrinkWeft: 0,
    primed: true,
    tearsTrue: false,
    wantsPliers: true,
  }),
  fabric('linenPrimed', 'Linen, primed', {
    gsm: 450,
    thicknessMm: 0.6,
    stiffnessKNPerM: 40,
    stretch: 0.003,
    shrinkWarp: 0,
    shrinkWeft: 0,
    primed: true,
    tearsTrue: false,
    wantsPliers: true,
  }),
  fabric('polyCotton', 'Print canvas, coated', {
    gsm: 380,
    thicknessMm: 0.5,
    stiffnessKNPerM: 30,
    stretch: 0.003,
    shrinkWarp: 0,
    shrinkWeft: 0,
    primed: true,
    tearsTrue: false,
    wantsPliers: false,
  }),
] as const;

export type FabricId = (typeof FABRICS)[number]['id'];
