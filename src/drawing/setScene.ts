/* The canvases of a set as they hang, to one scale, gaps in; each with its number and what the sheet says of it. */
import type { Profile } from '@/core/frame/profiles';
import type { JointId } from '@/core/frame/joints';
import { type Hung, type SetJoint, setJoints, wholeOf } from '@/core/set/setLayout';
import { type Tape, printLength } from '@/core/units/length';
import { frameMarks } from './frameMarks';
import { type Mark, type Role, type Scene, point, rectangle } from './scene/scene';

export interface HungCanvas extends Hung {
  label: string;
  says: string;
  role: Role;
  /** Its frame, once it stands; null before. */
  frame: { profile: Profile; joint: JointId; bracesUpright: readonly number[]; bracesLevel: readonly number[] } | null;
}

/**
 * @param canvases at least one, seen from the front
 * @param together they are one piece: the gap between them is told
 */
export function setScene(canvases: readonly HungCanvas[], tape: Tape, says: string, together: boolean): Scene {
  const whole = wholeOf(canvases);
  const joint = together ? setJoints(canvases).find(({ gapMm }) => gapMm > 0) : undefined;
  const marks = canvases.flatMap((one): Mark[] => {
    const { x, y, widthMm, heightMm, frame } = one;
    const middle = point(x + widthMm / 2, y + heightMm / 2);
    return [
      { kind: 'area', points: rectangle(x, y, widthMm, heightMm), role: 'cloth' },
      ...(frame ? frameMarks({ ...frame, widthMm, heightMm }).map((mark) => moved(mark, x, y)) : []),
      { kind: 'words', at: middle, text: one.label, anchor: 'middle', role: 'measure', strong: true },
      { kind: 'words', at: middle, text: one.says, anchor: 'middle', role: one.role, shiftPx: point(0, 16) },
    ];
  });
  return {
    bounds: { minX: 0, minY: 0, maxX: whole.widthMm, maxY: whole.heightMm },
    padPx: { top: 34, right: 16, bottom: 28, left: 16 },
    marks: [
      ...marks,
      {
        kind: 'dimension',
        from: point(0, 0),
        to: point(whole.widthMm, 0),
        offPx: 16,
        text: `${printLength(whole.widthMm, tape)} in all`,
      },
      ...(joint ? [gapMark(canvases, joint, whole.heightMm, tape)] : []),
    ],
    says,
  };
}

/** Told under the whole, or at the right of a gap that runs level. */
function gapMark(canvases: readonly HungCanvas[], joint: SetJoint, bottomMm: number, tape: Tape): Mark {
  const { x, y, widthMm, heightMm } = canvases[joint.one]!;
  const text = `gap ${printLength(joint.gapMm, tape)}`;
  return joint.way === 'upright'
    ? {
        kind: 'words',
        at: point(x + widthMm + joint.gapMm / 2, bottomMm),
        text,
        anchor: 'middle',
        role: 'quiet',
        shiftPx: point(0, 16),
      }
    : {
        kind: 'words',
        at: point(x + widthMm, y + heightMm + joint.gapMm / 2),
        text,
        anchor: 'start',
        role: 'quiet',
        shiftPx: point(6, 4),
      };
}

const moved = (mark: Mark, x: number, y: number): Mark =>
  mark.kind === 'area' ? { ...mark, points: mark.points.map((at) => point(at.x + x, at.y + y)) } : mark;
