/*
 * Panels of one piece against one another: what hangs edge to edge is compared across each gap. Every frame is taken with its top
 * level, as it is hung; derived here from the fitted corners: an edge leans by what its foot stands to the right of its head.
 */
import type { Corners, Point2 } from '../frame/square/corners';
import type { QuadrilateralResult } from '../frame/square/quadrilateral';
import { type HouseRules, assumed } from '../house/houseRules';
import { type Verdict, levelAtMost, verdict } from '../job/verdict';
import { type Tape, printFine, printLength } from '../units/length';
import { type Hung, type SetJoint, setJoints, setViolations } from './setLayout';

export interface Panel extends Hung {
  /** "No. 131". */
  name: string;
  depthMm: number;
  /** The frame as it was read. */
  frame: QuadrilateralResult;
}

/** A joint as the measured frames make it. */
export interface JointRead {
  joint: SetJoint;
  /** How much wider the gap is at its lower or right end, mm; below 0 where it is narrower there. Null where bars were not read. */
  opensMm: number | null;
  /** The other edge is longer by so much than the one; null where they are planned unlike, or their bars were not read. */
  stepMm: number | null;
  /** One standard deviation of how it opens. */
  sdMm: number;
}

/** Edges count as planned alike within this, mm. */
const ALIKE_MM = 0.5;

/** The corners turned so that the top is level, from the top left corner, x right, y down. */
function hungLevel({ topLeft, topRight, bottomRight, bottomLeft }: Corners) {
  const turn = Math.atan2(topRight.y - topLeft.y, topRight.x - topLeft.x);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const at = (corner: Point2) => {
    const [x, y] = [corner.x - topLeft.x, corner.y - topLeft.y];
    return { x: x * cos + y * sin, y: x * sin - y * cos };
  };
  return { topRight: at(topRight), bottomRight: at(bottomRight), bottomLeft: at(bottomLeft) };
}

/** What the measured frames make of a joint; null until both are measured. */
export function readJoint(joint: SetJoint, panels: readonly Panel[]): JointRead | null {
  const [one, other] = [panels[joint.one]!, panels[joint.other]!];
  if (one.frame.kind !== 'fitted' || other.frame.kind !== 'fitted') return null;
  const [a, b] = [hungLevel(one.frame.corners), hungLevel(other.frame.corners)];
  const barsRead = one.frame.sidesRead && other.frame.sidesRead;
  if (joint.way === 'upright') {
    const alike = barsRead && Math.abs(one.heightMm - other.heightMm) <= ALIKE_MM;
    return {
      joint,
      opensMm: b.bottomLeft.x - (a.bottomRight.x - a.topRight.x),
      stepMm: alike ? other.frame.fitted.left - one.frame.fitted.right : null,
      sdMm: Math.hypot(one.frame.slideMm.sd, other.frame.slideMm.sd),
    };
  }
  const alike = barsRead && Math.abs(one.widthMm - other.widthMm) <= ALIKE_MM;
  return {
    joint,
    // That top and bottom run alike is known of bars that were read, and assumed of all others.
    opensMm: one.frame.sidesRead ? a.bottomLeft.y - a.bottomRight.y : null,
    stepMm: alike ? other.frame.fitted.top - one.frame.fitted.bottom : null,
    sdMm: one.frame.taperHeightMm.sd,
  };
}

/** Whether panels can hang as one piece: places, depths, and every joint as it was measured. */
export function panelVerdicts(panels: readonly Panel[], rules: HouseRules, tape: Tape): Verdict[] {
  const joints = setJoints(panels);
  const read = joints.map((joint) => readJoint(joint, panels)).filter((one) => one !== null);
  return [...placed(panels), ...depths(panels, tape), ...joined(joints.length, read, panels, rules, tape)];
}

const placed = (panels: readonly Panel[]): Verdict[] =>
  setViolations(panels).map((says, index) =>
    verdict({
      id: `panelsOver${index}`,
      about: 'places',
      level: 'stop',
      says: `Places ${says}`,
      because: 'Two faces cannot hang in one place.',
      doThis: 'Change their places or the gap.',
    }),
  );

function depths(panels: readonly Panel[], tape: Tape): Verdict[] {
  const [least, most] = [Math.min(...panels.map((one) => one.depthMm)), Math.max(...panels.map((one) => one.depthMm))];
  const [thin, deep] = [panels.find((one) => one.depthMm === least)!, panels.find((one) => one.depthMm === most)!];
  const level = most - least > ALIKE_MM ? 'watch' : 'good';
  const print = (mm: number) => printLength(mm, tape);
  return [
    verdict({
      id: 'panelDepth',
      about: 'depth of the bars',
      level,
      measured: most - least,
      limit: ALIKE_MM,
      of: 'misfit',
      says:
        level === 'good'
          ? `All panels stand ${print(most)} off the wall.`
          : `${deep.name} stands ${print(most)} off the wall, ${thin.name} ${print(least)}.`,
      because: 'Faces of one piece lie in one plane.',
      doThis: level === 'good' ? '' : 'Take one bar for all, or pack the thin one out from the wall.',
    }),
  ];
}

function joined(count: number, read: readonly JointRead[], panels: readonly Panel[], rules: HouseRules, tape: Tape) {
  const judged = read.filter(({ opensMm }) => opensMm !== null).length;
  const unread = verdict({
    id: 'panelsUnread',
    about: 'joints',
    level: 'watch',
    measured: judged,
    limit: count,
    of: 'joints',
    says: `${judged} of ${count} joints can be judged: the other frames are not measured yet.`,
    because: 'A gap runs even only if both frames are square; along a level gap the side bars must be read too.',
    doThis: 'Read the diagonals of every panel, and its bars where panels hang over one another.',
    uses: ['panelJoint', 'tapePrecision'],
  });
  return [...(judged < count ? [unread] : []), ...read.flatMap((one) => jointVerdicts(one, panels, rules, tape))];
}

function jointVerdicts(read: JointRead, panels: readonly Panel[], rules: HouseRules, tape: Tape): Verdict[] {
  const { joint, opensMm, stepMm, sdMm } = read;
  const limit = assumed(rules, 'panelJoint');
  const [one, other] = [panels[joint.one]!.name, panels[joint.other]!.name];
  const between = `between ${one} and ${other}`;
  const print = (mm: number) => printFine(Math.abs(mm), tape);
  const judged = (id: string, mm: number, words: Record<'good' | 'bad' | 'because' | 'doThis', string>): Verdict => {
    const level = levelAtMost(Math.abs(mm), limit, 2 * limit);
    return verdict({
      id: `${id} ${joint.one} ${joint.other}`,
      about: `joint ${between}`,
      level,
      measured: Math.abs(mm),
      limit,
      of: 'misfit',
      says: level === 'good' ? words.good : words.bad,
      because: words.because,
      doThis: level === 'good' ? '' : words.doThis,
      uses: ['panelJoint', 'tapePrecision'],
    });
  };
  const wider = (mm: number) =>
    joint.way === 'upright' ? (mm > 0 ? 'foot' : 'head') : `${mm > 0 ? 'right' : 'left'} end, seen from the front`;
  const verdicts: Verdict[] = [];
  if (opensMm !== null)
    verdicts.push(
      judged('panelOpens', opensMm, {
        good: `The gap ${between} runs even to ${print(opensMm)}, ± ${print(sdMm)}.`,
        bad: `The gap ${between} is ${print(opensMm)} wider at the ${wider(opensMm)}, ± ${print(sdMm)}.`,
        because: 'What both frames lean adds up across the gap; the eye runs along it.',
        doThis: 'Press the frames square, or turn one end for end if it leans the other way.',
      }),
    );
  if (stepMm !== null) {
    const [longer, shorter] = stepMm > 0 ? [other, one] : [one, other];
    verdicts.push(
      judged('panelStep', stepMm, {
        good: `The edges ${between} are alike to ${print(stepMm)}.`,
        bad: `The edge of ${longer} is ${print(stepMm)} longer than that of ${shorter}.`,
        because: 'Hung with one end in line, the other end shows the difference as a step.',
        doThis: 'Measure both bars again; recut the longer one before cloth goes on.',
      }),
    );
  }
  return verdicts;
}
