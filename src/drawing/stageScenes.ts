/*
 * One drawing for each stage, from the inputs and the plan. All are true to scale; where a deviation is
 * drawn larger than it is, the factor is stated in the drawing.
 */
import type { JobInputs } from '@/core/job/job';
import { EDGES, byId } from '@/core/house/schools';
import { FRONT_WORDS, type SideWords } from '@/core/job/sideWords';
import type { Plan } from '@/core/case/planJob';
import { type Tape, printLength } from '@/core/units/length';
import { type FrameShape, frameMarks } from './frameMarks';
import { lipMarks, rebateMarks, widestGap } from './painting/rebateMarks';
import { type Mark, type Point, type Scene, point, rectangle } from './scene/scene';

export interface SceneInput {
  inputs: JobInputs;
  plan: Plan;
  tape: Tape;
  /** The names that are written beside sides and corners; those of the front where it is left out. */
  say?: SideWords;
}

export const PAD = { top: 40, right: 48, bottom: 60, left: 52 };

export function frameShape({ inputs: { brief, bars }, plan }: Pick<SceneInput, 'inputs' | 'plan'>): FrameShape {
  const { profile } = plan.bars;
  return {
    widthMm: brief.width.mm,
    heightMm: brief.height.mm,
    profile,
    joint: bars.joint,
    bracesUpright: bars.bracesUpright,
    bracesLevel: bars.bracesLevel,
  };
}

export const faceBounds = ({ brief }: JobInputs, beyond = 0) => ({
  minX: -beyond,
  minY: -beyond,
  maxX: brief.width.mm + beyond,
  maxY: brief.height.mm + beyond,
});

export function faceDimensions({ brief }: JobInputs, tape: Tape, offPx = 30): Mark[] {
  const { width, height } = brief;
  return [
    { kind: 'dimension', from: point(width.mm, height.mm), to: point(0, height.mm), offPx, text: printLength(width.mm, tape) },
    { kind: 'dimension', from: point(0, height.mm), to: point(0, 0), offPx, text: printLength(height.mm, tape) },
  ];
}

/** Left and right by their names, within the bars. */
export const sideNames = (widthMm: number, heightMm: number, insetMm: number, say: SideWords = FRONT_WORDS): Mark[] =>
  (['left', 'right'] as const).map((side) => ({
    kind: 'words',
    at: point(side === 'left' ? insetMm : widthMm - insetMm, heightMm / 4),
    text: say.side(side),
    anchor: side === 'left' ? 'start' : 'end',
    role: 'quiet',
    shiftPx: point(side === 'left' ? 8 : -8, 0),
  }));

export const topWords = ({ brief }: JobInputs, text: string): Extract<Mark, { kind: 'words' }> => ({
  kind: 'words',
  at: point(brief.width.mm / 2, 0),
  text,
  anchor: 'middle',
  role: 'quiet',
  strong: true,
  shiftPx: point(0, -14),
});

/** Brief: the bare face with its up-edge, a rebate when there is one, and a sheet of A4 for the eye. */
export function briefScene({ inputs, plan, tape }: SceneInput): Scene {
  const { brief } = inputs;
  const [w, h] = [brief.width.mm, brief.height.mm];
  const rebate = byId(EDGES, brief.edges).inRebate;
  const measured = plan.brief.rebate?.kind === 'measured' ? plan.brief.rebate.plan : null;
  const gap = measured ? widestGap(measured) : rebate ? brief.rebateClearance.mm / 2 : 0;
  const sheet: Mark[] =
    w > 340 && h > 250
      ? [
          {
            kind: 'path',
            points: [...rectangle(w / 2 - 148.5, h / 2 - 105, 297, 210), point(w / 2 - 148.5, h / 2 - 105)],
            role: 'guide',
          },
          { kind: 'words', at: point(w / 2, h / 2), text: 'a sheet of A4, to compare', anchor: 'middle', role: 'quiet' },
        ]
      : [];
  const frame: Mark[] = measured
    ? rebateMarks(measured, tape)
    : rebate
      ? [
          { kind: 'area', points: rectangle(-gap - 28, -gap - 28, w + 2 * gap + 56, h + 2 * gap + 56), role: 'timber' },
          { kind: 'area', points: rectangle(-gap, -gap, w + 2 * gap, h + 2 * gap), role: 'edge' },
        ]
      : [];
  return {
    bounds: faceBounds(inputs, rebate ? gap + 28 : 0),
    padPx: PAD,
    marks: [
      ...frame,
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'cloth' },
      ...(measured ? lipMarks(measured) : []),
      ...sheet,
      {
        ...topWords(inputs, brief.hangs === 'eitherWay' ? 'any way up' : 'Top, up-edge when hung'),
        at: point(w / 2, rebate ? -gap - 28 : 0),
      },
      ...faceDimensions(inputs, tape, rebate ? 46 : 30),
    ],
    says: `The face, ${printLength(w, tape)} wide and ${printLength(h, tape)} high.`,
  };
}

export const circle = (centre: Point, radius: number): Point[] =>
  Array.from({ length: 33 }, (_, index) =>
    point(centre.x + radius * Math.cos((index * Math.PI) / 16), centre.y + radius * Math.sin((index * Math.PI) / 16)),
  );

/** Prime: the face with the strokes of the next coat in their direction. */
export function primeScene({ inputs, plan, tape }: SceneInput, coatIndex: number): Scene {
  const [w, h] = [inputs.brief.width.mm, inputs.brief.height.mm];
  const coat = plan.prime.coats[coatIndex];
  const run = coat?.direction === 'down' ? w : h;
  const strokes = coat ? Math.max(4, Math.round(run / 45)) : 0;
  const lines = Array.from({ length: strokes }, (_, index): Mark => {
    const at = (run * (index + 0.5)) / strokes;
    const there = coat!.direction === 'down' ? [point(at, 12), point(at, h - 12)] : [point(12, at), point(w - 12, at)];
    return { kind: 'arrow', from: there[index % 2]!, to: there[1 - (index % 2)]!, role: 'wet' };
  });
  return {
    bounds: faceBounds(inputs),
    padPx: PAD,
    marks: [
      { kind: 'area', points: rectangle(0, 0, w, h), role: coatIndex > 0 ? 'face' : 'cloth' },
      ...lines,
      topWords(inputs, coat ? `${coat.name}: brush ${coat.direction}` : 'Top'),
      ...faceDimensions(inputs, tape),
    ],
    says: coat ? `The face from the front; brush ${coat.direction}.` : 'The face from the front; no coat is due.',
  };
}

/** Hand over: the back with its hanging, the label and the up-edge. */
export function handoverScene({ inputs, plan, tape }: SceneInput): Scene {
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const b = shape.profile.widthMm;
  const drop = h / 4;
  const ring = (x: number): Mark => ({ kind: 'area', points: circle(point(x, drop), Math.max(7, b / 4)), role: 'metal' });
  const hanging: Record<JobInputs['handover']['hanging'], Mark[]> = {
    rings: [
      ring(b / 2),
      ring(w - b / 2),
      {
        kind: 'path',
        points: [point(b / 2, drop), point(w / 2, drop - Math.min(60, h * 0.08)), point(w - b / 2, drop)],
        role: 'metal',
      },
    ],
    plates: [b / 2, w - b / 2].map((x): Mark => ({
      kind: 'area',
      points: rectangle(x - b / 4, drop - b / 2, b / 2, b),
      role: 'metal',
    })),
    cleat: [{ kind: 'area', points: rectangle(w * 0.15, b * 0.2, w * 0.7, b * 0.6), role: 'metal' }],
    none: [],
  };
  return {
    bounds: faceBounds(inputs),
    padPx: PAD,
    marks: [
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'cloth' },
      ...frameMarks(shape),
      ...hanging[inputs.handover.hanging],
      {
        kind: 'area',
        points: rectangle(w * 0.06 + b, h - b - Math.min(120, h * 0.3), Math.min(180, w * 0.35), Math.min(90, h * 0.22)),
        role: 'face',
      },
      {
        kind: 'words',
        at: point(w * 0.06 + b + Math.min(90, w * 0.175), h - b - Math.min(120, h * 0.3) + Math.min(45, h * 0.11)),
        text: 'label',
        anchor: 'middle',
        role: 'quiet',
      },
      topWords(inputs, inputs.brief.hangs === 'eitherWay' ? 'any way up' : '↑ this side up'),
      ...faceDimensions(inputs, tape),
    ],
    says: 'The back of the finished canvas with its hanging and label.',
  };
}
