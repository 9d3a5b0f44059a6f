/*
 * The pattern of a corner that is cut: which lines are cut, which are folded, what is turned in. Coordinates of the
 * flat cloth as in foldedCorner.ts. Two kinds: the spare triangle cut off clear of the back's corner, and the card
 * template with a tab on each flap and a mitre on the back. No cut comes nearer to the face corner than 3 mm.
 */
import { type CornerCloth, type FlatPoint } from './foldedCorner';

/** Turned round the arris and turned in, mm. */
export const TAB_MM = 12;
/** The two returns lie over each other along the mitre by this much, mm. */
export const MITRE_OVERLAP_MM = 10;
/** A slit stops so far from the face corner, mm. */
export const STOPS_MM = 3;
/** The spare triangle is cut so far clear of the back’s corner, mm. */
export const CLEAR_MM = 12;

export interface CornerPattern extends CornerCloth {
  kind: 'spare' | 'template';
  /** The new edge of the cloth, from the raw edge of the side flap to that of the end flap. */
  edge: FlatPoint[];
  /** A slit into the cloth that is kept: from its open end to where it stops; null where there is none. */
  slit: [FlatPoint, FlatPoint] | null;
  /** Folds, each from end to end. */
  folds: [FlatPoint, FlatPoint][];
  /** What is turned in or round: outlines. */
  tabs: FlatPoint[][];
}

export interface PatternSize {
  depthMm: number;
  sideMm: number;
  endMm: number;
}

const at = (u: number, v: number): FlatPoint => ({ u, v });

/**
 * The spare triangle of a corner cut off.
 *
 * @returns null when the margins are too small to have anything to spare
 */
export function sparePattern({ depthMm, sideMm, endMm }: PatternSize): CornerPattern | null {
  const line = 2 * depthMm + CLEAR_MM * Math.SQRT2;
  if (line >= sideMm + endMm - 1) return null;
  const from = line - sideMm > 0 ? at(sideMm, line - sideMm) : at(line, 0);
  const to = line - endMm > 0 ? at(line - endMm, endMm) : at(0, line);
  return {
    kind: 'spare',
    depthMm,
    sideMm,
    endMm,
    kept: ({ u, v }) => u <= 0 || v <= 0 || u + v <= line + 1e-9,
    edge: [from, to],
    slit: null,
    folds: [...arrises({ depthMm, sideMm, endMm }), [at(0, 0), at(line / 2, line / 2)]],
    tabs: [],
  };
}

/**
 * The template of a corner: tabs on both flaps, a mitre on the back.
 *
 * @returns null when the bar is not deeper than the tab, or the return is too short for a mitre
 */
export function cardPattern({ depthMm: d, sideMm, endMm }: PatternSize): CornerPattern | null {
  const k = MITRE_OVERLAP_MM / Math.SQRT2;
  if (d < TAB_MM + STOPS_MM || sideMm - d < k + 1 || endMm - d < k + 1) return null;
  const t = TAB_MM;
  const stop = STOPS_MM / Math.SQRT2;
  const sideFlap = ({ u, v }: FlatPoint) => (u <= d ? v <= t : v <= Math.min(0, k - (u - d)));
  const endFlap = ({ u, v }: FlatPoint) => (v <= d ? u <= t : u <= Math.min(0, k - (v - d)));
  return {
    kind: 'template',
    depthMm: d,
    sideMm,
    endMm,
    kept: (point) => {
      if (point.u <= 0 && point.v <= 0) return true;
      // Within the tabs’ square the slit parts the two flaps; it takes no cloth.
      return point.u >= point.v ? sideFlap(point) : endFlap(point);
    },
    edge: [
      at(sideMm, k - (sideMm - d)),
      at(d + k, 0),
      at(d, 0),
      at(d, t),
      at(t, t),
      at(t, d),
      at(0, d),
      at(0, d + k),
      at(k - (endMm - d), endMm),
    ],
    slit: [at(t, t), at(stop, stop)],
    folds: arrises({ depthMm: d, sideMm, endMm }),
    tabs: [
      [at(0, 0), at(d, 0), at(d, t), at(t, t)],
      [at(0, 0), at(0, d), at(t, d), at(t, t)],
    ],
  };
}

/** Folds over the edges of the bar: front and back arris of both flaps, as far as they reach beside the corner. */
function arrises({ depthMm }: PatternSize): [FlatPoint, FlatPoint][] {
  const far = -200;
  return [
    [at(0, far), at(0, 0)],
    [at(far, 0), at(0, 0)],
    [at(depthMm, far), at(depthMm, 0)],
    [at(far, depthMm), at(0, depthMm)],
    [at(0, 0), at(depthMm, 0)],
    [at(0, 0), at(0, depthMm)],
  ];
}

/** The cloth of a corner nothing is cut from. */
export const wholeCorner = (size: PatternSize): CornerCloth => ({ ...size, kept: () => true });
