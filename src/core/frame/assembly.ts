/* The order in which a frame is put together, from its joint and parts; each step in one or two sentences. */
import { byId } from '../house/schools';
import { BRACE_FIXINGS, type HeldBy } from './braceFixings';
import { GLUES, type GlueId } from './glues';
import { JOINTS, type JointId } from './joints';

export interface AssemblyStep {
  do: string;
  /** What to see before going on. */
  check: string;
}

const step = (act: string, check: string): AssemblyStep => ({ do: act, check });

/** Hours until the glue of a frame has set, with the rule of the house where the glue names one. */
export function setHours(glue: GlueId, houseHours: (id: 'glueHours') => number): number {
  const { setHours: hours } = byId(GLUES, glue);
  return typeof hours === 'number' ? hours : houseHours(hours);
}

/**
 * Dry lay-out, corners, braces, square: what to do and what to look at.
 *
 * @example assemblySteps('slotted', 'pva', { braces: 0, beadStrip: false, heldBy: 'floating' }).length // 5
 */
export function assemblySteps(
  jointId: JointId,
  glue: GlueId,
  frame: { braces: number; beadStrip: boolean; heldBy: HeldBy },
): AssemblyStep[] {
  const joint = byId(JOINTS, jointId);
  const { name, clampHours } = byId(GLUES, glue);
  const corners = joint.glued
    ? [
        step(
          `Glue two opposite corners with ${name.toLowerCase()}, then the halves together. Clamp ${clampHours} h.`,
          'Joints closed on front and back; wipe off what squeezes out.',
        ),
        step(
          joint.parts === 'butt'
            ? 'Drill pilots, drive the screws of the corners.'
            : 'Screw the ply plates over the corners from behind.',
          'No tip stands out; the bars still lie flat.',
        ),
      ]
    : [
        step(
          joint.opener === 'bolt'
            ? 'Fit the corner bolts, turned in fully.'
            : 'Push the corners together by hand, then a rubber mallet and a block.',
          'Closed on front and back. Never steel on the joint; hands off the edge that is struck.',
        ),
      ];
  return [
    step(
      'Lay all four bars out dry: two matching pairs, beads up and outward.',
      'Sight along each: a bowed one winds the frame. One family of joints only.',
    ),
    ...corners,
    ...(frame.beadStrip
      ? [step('Glue and pin the bead strips round the outer edge, mitred.', 'Even all round, pins punched in.')]
      : []),
    ...(frame.braces > 0
      ? [
          step(
            `Fit the braces flush with the back: ${byId(BRACE_FIXINGS, frame.heldBy).name.toLowerCase()}.`,
            'Set back from the front; crossings halved into each other.',
          ),
        ]
      : []),
    step('Ease every sharp outer edge and corner. Eye protection; sand with a mask.', 'No burr, no splinter; not over-round.'),
    step(
      'Square it: both diagonals, then fix it so.',
      joint.glued ? 'Before the glue sets: it cannot be pressed later.' : 'A brace, clamps or temporary staples hold it.',
    ),
    step('Lay it on a flat table.', 'All four corners lie: no wind.'),
  ];
}
