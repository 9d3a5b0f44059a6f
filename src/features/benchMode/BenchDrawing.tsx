'use client';
/* The drawing beside a step, as the frame lies now: back up, turned as somebody turned it; the face up where paint is looked at. */
import { useMemo } from 'react';
import type { BenchShow, BenchStep } from '@/core/bench/benchStep';
import type { Quarter } from '@/core/bench/benchRun';
import type { JobCase } from '@/core/case/jobCase';
import { sideWords } from '@/core/job/sideWords';
import type { Corner, TapeName } from '@/core/frame/square/corners';
import { cornerScene } from '@/drawing/corner/cornerScene';
import { fastenScene } from '@/drawing/fastenScene';
import { type Mark, type Point, type Scene, fromBack, point, turned } from '@/drawing/scene/scene';
import { type SceneInput, circle } from '@/drawing/stageScenes';
import { stageScene } from '@/drawing/stageScene';
import { Drawing } from '@/ui/drawing/Drawing';

interface BenchDrawingProps {
  here: JobCase;
  step: BenchStep;
  quarter: Quarter;
  className?: string;
}

export function BenchDrawing({ here, step, quarter, className }: BenchDrawingProps) {
  const { stage, show } = step;
  const view = here.viewOf(stage);
  const { tape } = here.house;
  const scene = useMemo(() => {
    const input: SceneInput = { inputs: here.inputs, plan: here.plan, tape, say: sideWords(view) };
    const { width, height } = here.inputs.brief;
    if (show.kind === 'corner') return cornerScene(input, show.corner, show.fold);
    const drawn =
      show.kind === 'route' ? fastenScene(input, show.order, 'next') : stageScene(stage, input, here.progress.coatsDone);
    const marked = { ...drawn, marks: [...drawn.marks, ...placeMarks(show, width.mm, height.mm)] };
    const seen = view === 'back' ? fromBack(marked, width.mm) : marked;
    return focused(turned(seen, quarter, { widthMm: width.mm, heightMm: height.mm }), show);
  }, [here, stage, show, tape, view, quarter]);
  return <Drawing scene={scene} tape={tape} className={className} scaleBar={show.kind !== 'corner'} />;
}

/** Room left round what is done now, in parts of the longer side of the whole. */
const ROUND = 0.12;

/** A scene that knows where hands are: at the next fastener, or at the place that is read. */
function focused(scene: Scene, { kind }: BenchShow): Scene {
  const at = scene.marks.flatMap((mark): Point[] => {
    if (kind === 'route') return mark.kind === 'staple' && mark.state === 'now' ? [mark.at] : [];
    return kind === 'end' && mark.kind === 'path' && mark.role === 'pullNow' ? mark.points : [];
  });
  if (at.length === 0) return scene;
  const { bounds } = scene;
  const room = ROUND * Math.max(bounds.maxX - bounds.minX, bounds.maxY - bounds.minY);
  const [xs, ys] = [at.map(({ x }) => x), at.map(({ y }) => y)];
  return {
    ...scene,
    focus: {
      minX: Math.min(...xs) - room,
      minY: Math.min(...ys) - room,
      maxX: Math.max(...xs) + room,
      maxY: Math.max(...ys) + room,
    },
  };
}

const CORNER_AT: Record<Corner, Point> = {
  topLeft: point(0, 0),
  topRight: point(1, 0),
  bottomRight: point(1, 1),
  bottomLeft: point(0, 1),
};
const ENDS: Record<TapeName, readonly [Corner, Corner]> = {
  top: ['topLeft', 'topRight'],
  right: ['topRight', 'bottomRight'],
  bottom: ['bottomLeft', 'bottomRight'],
  left: ['topLeft', 'bottomLeft'],
  down: ['topLeft', 'bottomRight'],
  up: ['bottomLeft', 'topRight'],
};
/** Margins are read this far from the end of a side, as a part of it. */
const NEAR_END = 0.08;

/** What is read now, ringed or drawn heavy. */
function placeMarks(show: BenchShow, widthMm: number, heightMm: number): Mark[] {
  const put = ({ x, y }: Point) => point(x * widthMm, y * heightMm);
  if (show.kind === 'measure')
    return [{ kind: 'path', points: ENDS[show.of].map((one) => put(CORNER_AT[one])), role: 'pullNow' }];
  if (show.kind !== 'end') return [];
  const [from, to] = ENDS[show.side].map((one) => put(CORNER_AT[one])) as [Point, Point];
  const part = show.index === 0 ? NEAR_END : 1 - NEAR_END;
  const at = point(from.x + (to.x - from.x) * part, from.y + (to.y - from.y) * part);
  return [{ kind: 'path', points: circle(at, Math.max(widthMm, heightMm) * 0.04), role: 'pullNow' }];
}
