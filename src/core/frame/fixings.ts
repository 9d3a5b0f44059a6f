/*
 * Screws and pins of a frame: the longest stock length whose tip stays inside the wood, its pilot hole, and how
 * far from an end. A tip that pokes out of a bar cuts the cloth; a screw near an end without a pilot splits it.
 */
import { byId } from '../house/schools';
import { JOINTS, type JointId } from './joints';
import type { Profile } from './profiles';

export interface Fixing {
  where: 'corner' | 'brace end' | 'bead strip';
  what: 'screw' | 'pin';
  count: number;
  diameterMm: number;
  lengthMm: number;
  pilotMm: number;
  /** Wood that it passes through in all, mm; its tip stays this less its length inside. */
  passesMm: number;
  /** Keep it this far from the end of the part, mm. */
  fromEndMm: number;
  how: string;
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
];
/** Wood left beyond the tip, mm. */
export const TIP_COVER_MM = 3;
/** Thickness of the ply plate over a corner, mm. */
const PLATE_MM = 6;

const longestScrew = (passesMm: number, mostDiameterMm: number) =>
  SCREWS.filter(([length, diameter]) => length <= passesMm - TIP_COVER_MM && diameter <= mostDiameterMm + 1e-9).at(-1) ?? null;

/**
 * What holds the corners, braces and bead strips of a frame together; empty where the joint needs nothing.
 *
 * @param dense wood above 600 kg/m³: pilots as wide as the core of the screw
 * @param braces how many
 * @example fixings(batten, 'buttScrewed', false, 1)[0].lengthMm // 60
 */
export function fixings(profile: Profile, jointId: JointId, dense: boolean, braces: number): Fixing[] {
  const pilot = (diameter: number) => Math.round((dense ? 0.8 : 0.65) * diameter * 2) / 2;
  const { parts, opens } = byId(JOINTS, jointId);
  const row = (where: Fixing['where'], count: number, passesMm: number, thinMm: number, how: string): Fixing[] => {
    const screw = count > 0 ? longestScrew(passesMm, thinMm / 4) : null;
    if (!screw) return [];
    const [lengthMm, diameterMm] = screw;
    return [
      {
        where,
        what: 'screw',
        count,
        diameterMm,
        lengthMm,
        pilotMm: pilot(diameterMm),
        passesMm,
        fromEndMm: Math.ceil(5 * diameterMm),
        how,
      },
    ];
  };
  const corners =
    parts === 'butt'
      ? row(
          'corner',
          8,
          profile.widthMm + 30,
          profile.depthMm,
          'two a corner, through the long bar into the end grain, heads sunk',
        )
      : opens
        ? []
        : row(
            'corner',
            16,
            profile.depthMm + PLATE_MM,
            profile.widthMm,
            `through a ${PLATE_MM} mm ply plate from behind, four a corner: they can come out`,
          );
  const ends = row(
    'brace end',
    2 * braces,
    profile.widthMm + 25,
    profile.brace.depthMm,
    'through the bar into the end of the brace, one an end',
  );
  const pins: Fixing[] = profile.beadStrip
    ? [
        {
          where: 'bead strip',
          what: 'pin',
          count: 40,
          diameterMm: 1.2,
          lengthMm: profile.beadMm + 14 <= profile.beadMm + profile.depthMm - TIP_COVER_MM ? 20 : 15,
          pilotMm: 1,
          passesMm: profile.beadMm + profile.depthMm,
          fromEndMm: 20,
          how: 'glued and pinned every 100 mm, heads punched in',
        },
      ]
    : [];
  return [...corners, ...ends, ...pins];
}
