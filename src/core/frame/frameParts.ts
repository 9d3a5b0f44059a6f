/*
 * What to buy or cut for a frame. Mitred and bought parts have the outside length; butted parts lose two
 * bar widths on one pair; braces fit inside, ends square; a bead strip runs round the outside, mitred.
 */
import { byId } from '../house/schools';
import { JOINTS, type JointId } from './joints';
import type { Profile } from './profiles';

export interface FramePart {
  name: 'top and bottom' | 'left and right' | 'brace, upright' | 'brace, level' | 'bead, long' | 'bead, short';
  count: number;
  /** Outside length, along the outer edge. */
  lengthMm: number;
  /** Along the inner edge of a mitred part; null where both edges are alike. */
  insideMm: number | null;
  ends: 'slotted mitre' | '45°' | 'square';
  section: { widthMm: number; depthMm: number };
  /** What it is taken from. */
  from: 'pairs' | 'timber' | 'brace' | 'bead';
}

export interface FrameSize {
  widthMm: number;
  heightMm: number;
  /** How many braces each way. */
  bracesUpright: number;
  bracesLevel: number;
}

/** Width of a bead strip in the plane of the canvas, mm: the outer rim that holds the cloth clear. */
export const BEAD_WIDTH_MM = 10;

/**
 * The parts of a frame. With butt joints the longer pair runs through.
 *
 * @throws RangeError when the bars leave no opening inside
 * @example frameParts({ widthMm: 900, heightMm: 600, bracesUpright: 0, bracesLevel: 0 }, batten, 'buttScrewed')[1].lengthMm // 534
 */
export function frameParts(size: FrameSize, profile: Profile, jointId: JointId): FramePart[] {
  const { parts } = byId(JOINTS, jointId);
  const lost = 2 * profile.widthMm;
  const inside = { width: size.widthMm - lost, height: size.heightMm - lost };
  if (inside.width <= 0 || inside.height <= 0) {
    throw new RangeError(`bars ${profile.widthMm} mm wide leave no opening in ${size.widthMm} × ${size.heightMm} mm`);
  }
  const levelThrough = size.widthMm >= size.heightMm;
  const butt = parts === 'butt';
  const bar = (name: FramePart['name'], through: boolean, outside: number, within: number): FramePart => ({
    name,
    count: 2,
    lengthMm: butt && !through ? within : outside,
    insideMm: butt ? null : within,
    ends: parts === 'pair' ? 'slotted mitre' : parts === 'mitre' ? '45°' : 'square',
    section: { widthMm: profile.widthMm, depthMm: profile.depthMm },
    from: parts === 'pair' ? 'pairs' : 'timber',
  });
  const brace = (name: FramePart['name'], count: number, lengthMm: number): FramePart[] =>
    count === 0 ? [] : [{ name, count, lengthMm, insideMm: null, ends: 'square', section: profile.brace, from: 'brace' }];
  const bead = (name: FramePart['name'], lengthMm: number): FramePart => ({
    name,
    count: 2,
    lengthMm,
    insideMm: lengthMm - 2 * BEAD_WIDTH_MM,
    ends: '45°',
    section: { widthMm: BEAD_WIDTH_MM, depthMm: profile.beadMm },
    from: 'bead',
  });
  const [long, short] = [Math.max(size.widthMm, size.heightMm), Math.min(size.widthMm, size.heightMm)];
  return [
    bar('top and bottom', levelThrough, size.widthMm, inside.width),
    bar('left and right', !levelThrough, size.heightMm, inside.height),
    ...brace('brace, upright', size.bracesUpright, inside.height),
    ...brace('brace, level', size.bracesLevel, inside.width),
    ...(profile.beadStrip ? [bead('bead, long', long), bead('bead, short', short)] : []),
  ];
}

/** As `frameParts`; none where the bars leave no opening inside. */
export const partsIfOpen = (size: FrameSize, profile: Profile, jointId: JointId): FramePart[] =>
  Math.min(size.widthMm, size.heightMm) > 2 * profile.widthMm ? frameParts(size, profile, jointId) : [];

/** Weight of the wood in kg, corners counted once, crossing braces halved into each other. */
export function frameWeightKg(size: FrameSize, profile: Profile, densityKgM3: number): number {
  const { widthMm: w, depthMm: d, beadMm } = profile;
  const inside = { width: size.widthMm - 2 * w, height: size.heightMm - 2 * w };
  // Bars that leave no opening are one board.
  const opening = Math.max(0, inside.width) * Math.max(0, inside.height);
  const bars = (size.widthMm * size.heightMm - opening) * (d + beadMm / 4);
  const crossings = size.bracesUpright * size.bracesLevel * profile.brace.widthMm;
  const braceRun = opening > 0 ? size.bracesUpright * inside.height + size.bracesLevel * inside.width - crossings : 0;
  return ((bars + braceRun * profile.brace.widthMm * profile.brace.depthMm) * densityKgM3) / 1e9;
}
