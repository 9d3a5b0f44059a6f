/*
 * What to buy or cut for a frame. Mitred and bought parts have the outside length; butted parts lose two
 * bar widths on one pair; braces fit inside, ends square.
 */
import type { BraceCount } from '../job/job';
import { byId } from '../job/schools';
import { JOINTS, type JointId } from './joints';
import type { Profile } from './profiles';

export interface FramePart {
  name: 'top and bottom' | 'left and right' | 'brace, upright' | 'brace, level';
  count: number;
  lengthMm: number;
  ends: 'slotted mitre' | '45°' | 'square';
}

export interface FrameSize {
  widthMm: number;
  heightMm: number;
  bracesUpright: BraceCount;
  bracesLevel: BraceCount;
}

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
  const ends = parts === 'pair' ? 'slotted mitre' : parts === 'mitre' ? '45°' : 'square';
  const levelThrough = size.widthMm >= size.heightMm;
  const butt = parts === 'butt';
  const list: FramePart[] = [
    { name: 'top and bottom', count: 2, lengthMm: butt && !levelThrough ? inside.width : size.widthMm, ends },
    { name: 'left and right', count: 2, lengthMm: butt && levelThrough ? inside.height : size.heightMm, ends },
  ];
  if (size.bracesUpright > 0)
    list.push({ name: 'brace, upright', count: size.bracesUpright, lengthMm: inside.height, ends: 'square' });
  if (size.bracesLevel > 0) list.push({ name: 'brace, level', count: size.bracesLevel, lengthMm: inside.width, ends: 'square' });
  return list;
}

/** Weight of the wood in kg, corners counted once, crossing braces halved into each other. */
export function frameWeightKg(size: FrameSize, profile: Profile, densityKgM3: number): number {
  const { widthMm: w, depthMm: d, beadMm } = profile;
  const inside = { width: size.widthMm - 2 * w, height: size.heightMm - 2 * w };
  const bars = (2 * (size.widthMm + size.heightMm) * w - 4 * w * w) * (d + beadMm / 4);
  const crossings = size.bracesUpright * size.bracesLevel * profile.brace.widthMm;
  const braceRun = size.bracesUpright * inside.height + size.bracesLevel * inside.width - crossings;
  return ((bars + braceRun * profile.brace.widthMm * profile.brace.depthMm) * densityKgM3) / 1e9;
}
