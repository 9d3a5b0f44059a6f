/* The frame with its joints, its braces to be moved by hand, and the bow of each bar drawn larger by a stated factor. */
import { FRONT_WORDS, type SideWords } from '@/core/job/sideWords';
import { deflectionAt } from '@/core/frame/beam';
import type { BarBow } from '@/core/frame/chooseBars';
import { type Tape, printFine, printLength } from '@/core/units/length';
import { type FrameShape, braceMarks, frameMarks } from './frameMarks';
import { type Grab, type Mark, type Point, type Scene, point } from './scene/scene';
import { PAD, type SceneInput, faceBounds, faceDimensions, frameShape, sideNames, topWords } from './stageScenes';

export type BraceWay = 'upright' | 'level';
export const braceId = (way: BraceWay, index: number) => `${way} ${index}`;

export function barsScene({ inputs, plan, tape, say = FRONT_WORDS }: SceneInput): Scene {
  const { chosen } = plan.bars;
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const factor = bowFactor(Math.max(chosen.topBottom.lastingMm, chosen.leftRight.lastingMm), Math.min(w, h));
  const bowed = (bow: BarBow, place: (along: number, inward: number) => Point): Mark => ({
    kind: 'path',
    points: bowLine(bow, factor).map(([along, inward]) => place(along, inward)),
    role: bow.lastingMm <= bow.limitMm ? 'good' : 'stop',
  });
  const b = shape.profile.widthMm;
  return {
    bounds: faceBounds(inputs),
    padPx: { ...PAD, right: 60 },
    marks: [
      ...frameMarks({ ...shape, bracesUpright: [], bracesLevel: [] }),
      ...grabbable(shape, tape, say),
      bowed(chosen.topBottom, (along, inward) => point(along, b + inward)),
      bowed(chosen.topBottom, (along, inward) => point(along, h - b - inward)),
      bowed(chosen.leftRight, (along, inward) => point(b + inward, along)),
      bowed(chosen.leftRight, (along, inward) => point(w - b - inward, along)),
      ...bracePlaces(shape, tape),
      {
        kind: 'words',
        at: point(w / 2, h),
        text: `long-term bow, drawn ${factor} × larger`,
        anchor: 'middle',
        role: 'quiet',
        shiftPx: point(0, 48),
      },
      topWords(inputs, 'Top'),
      ...sideNames(w, h, b, say),
      ...faceDimensions(inputs, tape),
    ],
    says: `Frame of ${shape.profile.name.toLowerCase()}; top and bottom bow ${printFine(chosen.topBottom.lastingMm, tape)}, left and right ${printFine(chosen.leftRight.lastingMm, tape)} in time.`,
  };
}

/** The braces as marks that can be moved; level ones first, as `braceMarks` draws them. */
function grabbable(shape: FrameShape, tape: Tape, say: SideWords): Mark[] {
  const { bracesLevel, bracesUpright, widthMm, heightMm } = shape;
  const marks = braceMarks(shape);
  return marks.map((mark, index): Mark => {
    if (mark.kind !== 'area') return mark;
    const level = index < bracesLevel.length;
    const place = level ? index : index - bracesLevel.length;
    const most = level ? heightMm : widthMm;
    const valueMm = (level ? bracesLevel : bracesUpright)[place]! * most;
    const way = level ? 'level' : 'upright';
    const grab: Grab = {
      id: braceId(way, place),
      along: level ? 'y' : 'x',
      sign: 1,
      says: `${level ? 'Level' : 'Upright'} brace ${place + 1}, middle from the ${say.side(level ? 'top' : 'left')}`,
      valueMm,
      mostMm: most,
      valueText: printLength(valueMm, tape),
    };
    return { ...mark, grab };
  });
}

/** Where each brace stands, its middle from the left or from the top. */
function bracePlaces({ widthMm: w, heightMm: h, bracesUpright, bracesLevel }: FrameShape, tape: Tape): Mark[] {
  const upright = bracesUpright.map((part): Mark => ({
    kind: 'words',
    at: point(part * w, 0),
    text: printLength(part * w, tape),
    anchor: 'middle',
    role: 'measure',
    strong: true,
    shiftPx: point(0, -30),
  }));
  const level = bracesLevel.map((part): Mark => ({
    kind: 'words',
    at: point(w, part * h),
    text: printLength(part * h, tape),
    anchor: 'start',
    role: 'measure',
    strong: true,
    shiftPx: point(8, 0),
  }));
  return [...upright, ...level];
}

/** A round factor that makes the greatest bow about a tenth of the short side, at most 100. */
function bowFactor(worstMm: number, shortSideMm: number): number {
  const wished = (shortSideMm * 0.08) / Math.max(worstMm, 0.05);
  return [100, 50, 20, 10, 5, 2].find((factor) => factor <= wished) ?? 1;
}

/** Points along a bar: place and lasting bow, drawn larger. */
function bowLine({ solution, lasting }: BarBow, factor: number): [number, number][] {
  return Array.from({ length: 49 }, (_, index) => {
    const along = (solution.beam.lengthMm * index) / 48;
    return [along, deflectionAt(solution, along) * lasting * factor];
  });
}
