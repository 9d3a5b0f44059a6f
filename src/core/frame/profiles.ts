import type { JointId } from './joints';

/** The section of a bar, mm: width in the plane of the canvas, depth front to back, bead above the front. */
export interface Profile {
  id: string;
  name: string;
  widthMm: number;
  depthMm: number;
  beadMm: number;
  /** Section of the brace that goes with it, set flush with the back. */
  brace: { widthMm: number; depthMm: number };
  joints: readonly JointId[];
  suits: string;
}

const profile = <const I extends string>(id: I, name: string, row: Omit<Profile, 'id' | 'name'>) => ({ id, name, ...row });
const BOUGHT: readonly JointId[] = ['slotted'];
const WORKED: readonly JointId[] = ['bolted', 'mitreGlued', 'buttScrewed'];

export const PROFILES = [
  profile('light', 'Light bar', {
    widthMm: 34,
    depthMm: 17,
    beadMm: 2,
    brace: { widthMm: 34, depthMm: 11 },
    joints: BOUGHT,
    suits: 'studies and small prints',
  }),
  profile('standard', 'Standard bar', {
    widthMm: 44,
    depthMm: 19,
    beadMm: 3,
    brace: { widthMm: 40, depthMm: 13 },
    joints: BOUGHT,
    suits: 'framed work of middle size',
  }),
  profile('broad', 'Broad bar', {
    widthMm: 57,
    depthMm: 21,
    beadMm: 3,
    brace: { widthMm: 48, depthMm: 15 },
    joints: BOUGHT,
    suits: 'long sides in a rebate',
  }),
  profile('heavy', 'Heavy bar', {
    widthMm: 66,
    depthMm: 27,
    beadMm: 4,
    brace: { widthMm: 57, depthMm: 19 },
    joints: ['slotted', 'bolted'],
    suits: 'large framed work',
  }),
  profile('deep', 'Deep bar', {
    widthMm: 42,
    depthMm: 38,
    beadMm: 4,
    brace: { widthMm: 42, depthMm: 19 },
    joints: ['slotted', 'bolted', 'mitreGlued'],
    suits: 'unframed work',
  }),
  profile('extraDeep', 'Extra-deep bar', {
    widthMm: 48,
    depthMm: 55,
    beadMm: 4,
    brace: { widthMm: 48, depthMm: 24 },
    joints: ['bolted', 'mitreGlued'],
    suits: 'large unframed work',
  }),
  profile('batten', 'Planed batten with bead strip', {
    widthMm: 33,
    depthMm: 33,
    beadMm: 6,
    brace: { widthMm: 33, depthMm: 20 },
    joints: WORKED,
    suits: 'own timber, strainers',
  }),
  profile('flatBatten', 'Flat batten with bead strip', {
    widthMm: 62,
    depthMm: 24,
    beadMm: 6,
    brace: { widthMm: 44, depthMm: 18 },
    joints: WORKED,
    suits: 'own timber, long sides',
  }),
] as const;

export type ProfileId = (typeof PROFILES)[number]['id'];
