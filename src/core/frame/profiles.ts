import { JOINTS, type JointId } from './joints';
import { type ShapeOf, flag, listOf, oneOf, part, text, numberOf } from '../shape/shape';

/** A row’s id: a word that can stand in a file. */
export const rowId = text(1, 64, '', /^[A-Za-z0-9-]{1,64}$/);

/** A length that is sold, and its price: of a pair for slotted bars, of one length for timber. */
const pricedLengthShape = { mm: numberOf('barLength'), priceMinor: numberOf('price') };
export interface PricedLength extends ShapeOf<typeof pricedLengthShape> {}
export const pricedLengths = listOf(part('pricedLength', pricedLengthShape), 80);

/** The section of a bar, mm: width in the plane of the canvas, depth front to back, bead above the front. */
export const profileShape = {
  id: rowId,
  name: text(1, 80),
  widthMm: numberOf('barWidth'),
  depthMm: numberOf('barDepth'),
  beadMm: numberOf('bead'),
  /** The bead is a strip put on, not milled from the bar. */
  beadStrip: flag(),
  /** Section of the brace that goes with it, set flush with the back, and the lengths it is cut from. */
  brace: part('braceSection', { widthMm: numberOf('braceWidth'), depthMm: numberOf('braceDepth'), lengths: pricedLengths }),
  joints: listOf(oneOf(JOINTS), JOINTS.length, [], { least: 1, unique: true }),
  /** Pieces of one family fit each other at a corner; two families do not. */
  family: text(1, 60),
  /** Lengths sold as slotted pairs, and as timber to be sawn. */
  pairs: pricedLengths,
  timber: pricedLengths,
  /** Lengths that bead strips are sold in; none where they come from offcuts. */
  beads: pricedLengths,
  /** False hides it from new choices; jobs that have it keep it. */
  offered: flag(true),
  suits: text(0, 200),
  source: text(0, 200),
};
export interface Profile extends ShapeOf<typeof profileShape> {}

const BOUGHT: JointId[] = ['slotted'];
const WORKED: JointId[] = ['bolted', 'mitreGlued', 'buttScrewed'];
const SOURCE = 'workshop example; put your supplier’s here';

/** Lengths every 50 mm, priced by the metre and a fixed part for the joints, minor units. */
const pairs = (from: number, to: number, perMetreMinor: number, fixedMinor = 120): PricedLength[] =>
  Array.from({ length: (to - from) / 50 + 1 }, (_, index) => {
    const mm = from + 50 * index;
    return { mm, priceMinor: fixedMinor + Math.round((2 * mm * perMetreMinor) / 1000) };
  });
/** Timber lengths; the longer ones are a little cheaper by the metre. */
const timber = (perMetreMinor: number): PricedLength[] =>
  [2100, 2700, 3900].map((mm, index) => ({ mm, priceMinor: Math.round((mm * perMetreMinor * (1 - 0.03 * index)) / 1000) }));

type Row = Partial<Pick<Profile, 'beadStrip' | 'pairs' | 'timber'>> &
  Pick<Profile, 'widthMm' | 'depthMm' | 'beadMm' | 'joints' | 'family' | 'suits'> & { brace: [width: number, depth: number] };
const profile = (id: string, name: string, { brace: [widthMm, depthMm], ...row }: Row): Profile => ({
  id,
  name,
  beadStrip: false,
  pairs: [],
  timber: [],
  beads: row.beadStrip ? [{ mm: 2400, priceMinor: 190 }] : [],
  offered: true,
  source: SOURCE,
  ...row,
  brace: { widthMm, depthMm, lengths: timber(Math.round((widthMm * depthMm) / 3)) },
});

export const PROFILES: readonly Profile[] = [
  profile('light', 'Light bar', {
    widthMm: 34,
    depthMm: 17,
    beadMm: 2,
    brace: [34, 11],
    joints: BOUGHT,
    family: 'narrow slot',
    pairs: pairs(200, 1000, 310),
    suits: 'studies and small prints',
  }),
  profile('standard', 'Standard bar', {
    widthMm: 44,
    depthMm: 19,
    beadMm: 3,
    brace: [40, 13],
    joints: BOUGHT,
    family: 'narrow slot',
    pairs: pairs(250, 1500, 420),
    suits: 'framed work of middle size',
  }),
  profile('broad', 'Broad bar', {
    widthMm: 57,
    depthMm: 21,
    beadMm: 3,
    brace: [48, 15],
    joints: BOUGHT,
    family: 'narrow slot',
    pairs: pairs(400, 2000, 590),
    suits: 'long sides in a rebate',
  }),
  profile('heavy', 'Heavy bar', {
    widthMm: 66,
    depthMm: 27,
    beadMm: 4,
    brace: [57, 19],
    joints: ['slotted', 'bolted'],
    family: 'wide slot',
    pairs: pairs(500, 2400, 840),
    timber: timber(790),
    suits: 'large framed work',
  }),
  profile('deep', 'Deep bar', {
    widthMm: 42,
    depthMm: 38,
    beadMm: 4,
    brace: [42, 19],
    joints: ['slotted', 'bolted', 'mitreGlued'],
    family: 'wide slot',
    pairs: pairs(300, 2000, 760),
    timber: timber(690),
    suits: 'unframed work',
  }),
  profile('extraDeep', 'Extra-deep bar', {
    widthMm: 48,
    depthMm: 55,
    beadMm: 4,
    brace: [48, 24],
    joints: ['bolted', 'mitreGlued'],
    family: 'sawn',
    timber: timber(1130),
    suits: 'large unframed work',
  }),
  profile('batten', 'Planed batten with bead strip', {
    widthMm: 33,
    depthMm: 33,
    beadMm: 6,
    beadStrip: true,
    brace: [33, 20],
    joints: WORKED,
    family: 'sawn',
    timber: timber(280),
    suits: 'own timber, strainers',
  }),
  profile('flatBatten', 'Flat batten with bead strip', {
    widthMm: 62,
    depthMm: 24,
    beadMm: 6,
    beadStrip: true,
    brace: [44, 18],
    joints: WORKED,
    family: 'sawn',
    timber: timber(390),
    suits: 'own timber, long sides',
  }),
];
