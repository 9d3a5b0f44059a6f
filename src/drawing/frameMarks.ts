import { JOINTS, type JointId } from '@/core/frame/joints';
import type { Profile } from '@/core/frame/profiles';
import { byId } from '@/core/house/schools';
import { type Mark, type Point, point, rectangle } from './scene/scene';

export interface FrameShape {
  widthMm: number;
  heightMm: number;
  profile: Profile;
  joint: JointId;
  /** Middles of the braces, as parts of the width from the left and of the height from the top. */
  bracesUpright: readonly number[];
  bracesLevel: readonly number[];
}

/** The bars and braces of a frame; corners mitred or butted as the joint is. */
export function frameMarks(shape: FrameShape): Mark[] {
  return [...braceMarks(shape), ...barOutlines(shape).map((points): Mark => ({ kind: 'area', points, role: 'timber' }))];
}

function barOutlines({ widthMm: w, heightMm: h, profile, joint }: FrameShape): Point[][] {
  const b = Math.min(profile.widthMm, w / 2, h / 2);
  if (byId(JOINTS, joint).parts === 'butt') {
    return w >= h
      ? [rectangle(0, 0, w, b), rectangle(0, h - b, w, b), rectangle(0, b, b, h - 2 * b), rectangle(w - b, b, b, h - 2 * b)]
      : [rectangle(b, 0, w - 2 * b, b), rectangle(b, h - b, w - 2 * b, b), rectangle(0, 0, b, h), rectangle(w - b, 0, b, h)];
  }
  return [
    [point(0, 0), point(w, 0), point(w - b, b), point(b, b)],
    [point(0, h), point(w, h), point(w - b, h - b), point(b, h - b)],
    [point(0, 0), point(b, b), point(b, h - b), point(0, h)],
    [point(w, 0), point(w - b, b), point(w - b, h - b), point(w, h)],
  ];
}

/** The braces alone, inside the bars. */
export function braceMarks({ widthMm, heightMm, profile, bracesUpright, bracesLevel }: FrameShape): Mark[] {
  const b = profile.widthMm;
  const half = profile.brace.widthMm / 2;
  const upright = bracesUpright.map((part) => rectangle(part * widthMm - half, b, 2 * half, heightMm - 2 * b));
  const level = bracesLevel.map((part) => rectangle(b, part * heightMm - half, widthMm - 2 * b, 2 * half));
  return [...level, ...upright].map((points): Mark => ({ kind: 'area', points, role: 'brace' }));
}
