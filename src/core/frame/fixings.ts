/*
 * What holds a frame together, counted: screws at the corners, the ends of the braces, pins of bead strips. A screw is the
 * longest of stock whose tip stays inside the wood: one that pokes out of a bar cuts the cloth, one near an end without a
 * pilot splits it, and one that bites too little into end grain holds nothing.
 */
import { RECORD_TAPE, printSize } from '../units/length';
import { printed } from '../quantities/printed';
import { byId } from '../house/schools';
import { type BraceFixingId, type HeldBy, fixingByJoint } from './braceFixings';
import { JOINTS, type JointId } from './joints';
import type { Profile } from './profiles';

export interface Fixing {
  where: 'corner' | 'brace end' | 'bead strip';
  what: 'screw' | 'pin' | 'key' | 'plate' | 'block';
  count: number;
  /** 0 for keys, plates and blocks, as are the lengths and the pilot. */
  diameterMm: number;
  lengthMm: number;
  pilotMm: number;
  /** Wood that it passes through in all, mm; its tip stays this less its length inside. */
  passesMm: number;
  /** Bite in end grain, mm; null where it goes into long grain. */
  biteMm: number | null;
  /** Keep it this far from the end of the part, mm. */
  fromEndMm: number;
  how: string;
}

/** What is to be held. */
export interface Joined {
  joint: JointId;
  braces: number;
  braceFixing: BraceFixingId;
  /** Wood above 600 kg/m³: pilots as wide as the core of the screw. */
  dense: boolean;
  /** Least bite of a screw in end grain, mm. */
  leastBiteMm: number;
  /** Run of the bead strips, mm. */
  beadMm: number;
}

/** Stock lengths of wood screws and the diameter they come in, mm. */
const SCREWS: readonly (readonly [lengthMm: number, diameterMm: number])[] = [
  [12, 2.5],
  [16, 3],
  [20, 3],
  [25, 3],
  [30, 3.5],
  [35, 3.5],
  [40, 4],
  [45, 4],
  [50, 4],
  [60, 4.5],
  [70, 4.5],
  [80, 5],
  [100, 5],
];
/** Wood left beyond the tip, mm. */
export const TIP_COVER_MM = 3;
/** Thickness of the ply plate over a joint, and of a corner block that is screwed through, mm. */
const PLATE_MM = 6;
const BLOCK_MM = 18;
/** A screw thicker than this part of the wood it goes into along the grain splits it. */
const THIN_PART = 4;
/** In end grain, with a pilot and held by the bar, it may be this part. */
const END_PART = 3;
const PIN_EVERY_MM = 100;

const longestScrew = (passesMm: number, mostDiameterMm: number) =>
  SCREWS.filter(([length, diameter]) => length <= passesMm - TIP_COVER_MM && diameter <= mostDiameterMm + 1e-9).at(-1) ?? null;

/** The shortest screw that goes through the bar and bites deep enough into the end of the brace; null where none does. */
function endGrainScrew({ widthMm, brace }: Profile, leastBiteMm: number): readonly [number, number] | null {
  const thick = Math.min(brace.depthMm, brace.widthMm) / END_PART;
  return SCREWS.find(([length, diameter]) => length >= widthMm + leastBiteMm && diameter <= thick + 1e-9) ?? null;
}

/** How the braces are held: as chosen, or as the joint asks. */
export const braceHeldBy = (profile: Profile, { joint, braceFixing, leastBiteMm }: Joined): HeldBy =>
  braceFixing === 'asJoint'
    ? fixingByJoint(byId(JOINTS, joint).opens, endGrainScrew(profile, leastBiteMm) !== null)
    : braceFixing;

/**
 * What holds the corners, braces and bead strips of a frame together; empty where the joint needs nothing.
 *
 * @example fixings(batten, { joint: 'buttScrewed', braces: 1, braceFixing: 'asJoint', dense: false, leastBiteMm: 28, beadMm: 3000 })[0].lengthMm // 60
 */
export function fixings(profile: Profile, joined: Joined): Fixing[] {
  return [...cornerFixings(profile, joined), ...braceFixingsOf(profile, joined), ...beadFixings(profile, joined)];
}

const plain = { diameterMm: 0, lengthMm: 0, pilotMm: 0, passesMm: 0, biteMm: null, fromEndMm: 0 };

function screw(
  where: Fixing['where'],
  count: number,
  found: readonly [number, number] | null,
  { passesMm, biteMm = null, dense, how }: { passesMm: number; biteMm?: number | null; dense: boolean; how: string },
): Fixing[] {
  if (!found || count === 0) return [];
  const [lengthMm, diameterMm] = found;
  const pilotMm = Math.round((dense ? 0.8 : 0.65) * diameterMm * 2) / 2;
  return [
    { where, what: 'screw', count, diameterMm, lengthMm, pilotMm, passesMm, biteMm, fromEndMm: Math.ceil(5 * diameterMm), how },
  ];
}

/** Plates over a joint from behind, with their screws. */
function plates(
  where: Fixing['where'],
  count: number,
  screwsEach: number,
  bar: { widthMm: number; depthMm: number },
  dense: boolean,
): Fixing[] {
  if (count === 0) return [];
  const passesMm = bar.depthMm + PLATE_MM;
  const how = `through a ${printed('barDepth', PLATE_MM, RECORD_TAPE)} ply plate from behind, ${screwsEach} a plate: they can come out`;
  const screws = screw(where, screwsEach * count, longestScrew(passesMm, bar.widthMm / THIN_PART), { passesMm, dense, how });
  return screws.length === 0
    ? []
    : [{ where, what: 'plate', count, ...plain, how: `${printed('barDepth', PLATE_MM, RECORD_TAPE)} ply` }, ...screws];
}

function cornerFixings(profile: Profile, { joint, dense, leastBiteMm }: Joined): Fixing[] {
  const { parts, opens } = byId(JOINTS, joint);
  if (opens) return [];
  if (parts !== 'butt') return plates('corner', 4, 4, profile, dense);
  const passesMm = profile.widthMm + leastBiteMm + TIP_COVER_MM + 30;
  const found = SCREWS.find(
    ([length, diameter]) =>
      length >= profile.widthMm + Math.min(leastBiteMm, 25) && diameter <= profile.depthMm / THIN_PART + 1e-9,
  );
  const how = 'two a corner, through the long bar into the end grain, heads sunk';
  return screw('corner', 8, found ?? null, { passesMm, biteMm: (found?.[0] ?? 0) - profile.widthMm, dense, how });
}

function braceFixingsOf(profile: Profile, joined: Joined): Fixing[] {
  const { braces, dense, leastBiteMm } = joined;
  const ends = 2 * braces;
  if (ends === 0) return [];
  const { brace } = profile;
  switch (braceHeldBy(profile, joined)) {
    case 'floating':
      return [
        { where: 'brace end', what: 'key', count: ends, ...plain, how: 'one a slot, only just pushed in: the brace floats' },
      ];
    case 'screwed': {
      const found = endGrainScrew(profile, leastBiteMm);
      const biteMm = (found?.[0] ?? 0) - profile.widthMm;
      const passesMm = profile.widthMm + 200;
      const how = 'through the bar into the end of the brace, one an end, with a pilot';
      return screw('brace end', ends, found, { passesMm, biteMm, dense, how });
    }
    case 'plate':
      return plates('brace end', ends, 4, brace, dense);
    case 'block': {
      const passesMm = BLOCK_MM + Math.min(brace.widthMm, profile.widthMm);
      const found = longestScrew(passesMm, Math.min(brace.depthMm, profile.depthMm) / 3);
      const how = `two blocks an end, glued and screwed to bar and brace, four screws a block`;
      const screws = screw('brace end', 8 * ends, found, { passesMm, dense, how });
      return screws.length === 0
        ? []
        : [
            { where: 'brace end', what: 'block', count: 2 * ends, ...plain, how: printed('barDepth', BLOCK_MM, RECORD_TAPE) },
            ...screws,
          ];
    }
    case 'notched':
      return [
        {
          where: 'brace end',
          what: 'pin',
          count: 2 * ends,
          ...plain,
          diameterMm: 1.2,
          lengthMm: brace.depthMm <= 15 ? 15 : 20,
          pilotMm: 1,
          passesMm: profile.depthMm,
          fromEndMm: 15,
          how: 'glued into its notch, two pins an end from behind',
        },
      ];
  }
}

function beadFixings(profile: Profile, { beadMm }: Joined): Fixing[] {
  if (!profile.beadStrip || beadMm <= 0) return [];
  return [
    {
      where: 'bead strip',
      what: 'pin',
      count: Math.ceil(beadMm / PIN_EVERY_MM),
      ...plain,
      diameterMm: 1.2,
      lengthMm: profile.beadMm + 14 <= profile.beadMm + profile.depthMm - TIP_COVER_MM ? 20 : 15,
      pilotMm: 1,
      passesMm: profile.beadMm + profile.depthMm,
      fromEndMm: 20,
      how: `glued and pinned every ${printed('rowGap', PIN_EVERY_MM, RECORD_TAPE)}, heads punched in`,
    },
  ];
}

/** What a fixing is called, with its count and size: "16 screws 3.5 × 20 mm". */
export function fixingWords({ what, count, diameterMm, lengthMm, how }: Fixing): string {
  if (lengthMm === 0) return `${count} ${what}${count === 1 ? '' : 's'}${what === 'key' ? ', small' : `, ${how}`}`;
  return `${count} ${what}${count === 1 ? '' : 's'} ${printSize(diameterMm, lengthMm, RECORD_TAPE)}`;
}
