/*
 * A scene is a drawing in millimetres, seen from the front: origin at the top left of the face, x right,
 * y down. It knows nothing of pixels, paper or fonts; a sink (the screen, later print and DXF) draws it.
 */
import type { Quarter } from '@/core/bench/benchRun';

export interface Point {
  x: number;
  y: number;
}

export type Role =
  | 'timber'
  | 'brace'
  | 'cloth'
  | 'face'
  | 'fold'
  | 'hem'
  | 'edge'
  | 'guide'
  | 'measure'
  | 'good'
  | 'watch'
  | 'stop'
  | 'quiet'
  | 'wet'
  | 'metal'
  | 'edgeBand'
  | 'returnBand'
  | 'hemBand'
  | 'reserveBand'
  | 'gripBand'
  | 'cutLine'
  // Marked on the bar, never cut or folded: a place, and an edge to set something to.
  | 'markLine'
  | 'markEdge'
  | 'tab'
  | 'tension0'
  | 'tension1'
  | 'tension2'
  | 'tension3'
  | 'tension4'
  | 'tension5'
  | 'tension6'
  | 'slack'
  | 'stroke'
  | 'pull'
  | 'pullLow'
  | 'pullNow'
  | 'ink'
  | 'barred';

/** A part that can be moved by hand along one direction, and where it stands. */
export interface Grab {
  id: string;
  /** Which way it moves in the drawing. */
  along: 'x' | 'y';
  /** −1 where a move to the right of the drawing makes the value less, as seen from the back. */
  sign: 1 | -1;
  says: string;
  valueMm: number;
  mostMm: number;
  valueText: string;
}

export type Mark =
  | { kind: 'area'; points: Point[]; role: Role; grab?: Grab }
  | { kind: 'path'; points: Point[]; role: Role }
  /** An area of several rings; one inside another is a hole. */
  | { kind: 'region'; rings: Point[][]; role: Role }
  /** A place that can be picked. */
  | { kind: 'spot'; id: string; at: Point; says: string; state: 'free' | 'set' | 'hint' | 'marked' }
  | { kind: 'arrow'; from: Point; to: Point; role: Role }
  | {
      kind: 'staple';
      at: Point;
      degrees: number;
      lengthMm: number;
      role: Role;
      /** Its number, written where there is room for it at the size it is drawn; empty where none is asked for. */
      label: string;
      /** Written in any case: what is set next. */
      due: boolean;
      labelAt: Point;
      outward: Point;
      state: 'past' | 'now' | 'to come';
      /** Pass of the route, from 0: its colour; and what it does: its shape. */
      pass: number;
      take: 'middle' | 'outward' | 'halving' | 'temporary' | 'corner';
    }
  /** `quarter`: long words that are turned with their side. */
  | {
      kind: 'words';
      at: Point;
      text: string;
      anchor: 'start' | 'middle' | 'end';
      role: Role;
      strong?: boolean;
      shiftPx?: Point;
      quarter?: Quarter;
      /** Height on paper, mm. */
      sizeMm?: number;
    }
  /** A dimension line beside from–to; `offPx` to its left when looking from `from` to `to`, in px of the sink. */
  | { kind: 'dimension'; from: Point; to: Point; offPx: number; text: string; role?: Role };

export interface Bounds {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

export interface Scene {
  /** The part that must be seen, mm; dimension lines lie outside it. */
  bounds: Bounds;
  /** Where hands are now: drawn by itself, with the whole beside it, where there is no room to see it in the whole. */
  focus?: Bounds;
  /** Room for dimension lines around the bounds, px. */
  padPx: { top: number; right: number; bottom: number; left: number };
  marks: Mark[];
  /** What the drawing shows, for somebody who cannot see it. */
  says: string;
}

export const point = (x: number, y: number): Point => ({ x, y });
export const rectangle = (x: number, y: number, width: number, height: number): Point[] => [
  point(x, y),
  point(x + width, y),
  point(x + width, y + height),
  point(x, y + height),
];

/**
 * The same scene seen from the back: mirrored left to right about the middle of the face. This is the one
 * place that mirrors; words stay readable because only their places move.
 */
export function fromBack(scene: Scene, faceWidthMm: number): Scene {
  const flip = ({ x, y }: Point): Point => ({ x: faceWidthMm - x, y });
  const { bounds, padPx } = scene;
  return {
    ...scene,
    bounds: { ...bounds, minX: faceWidthMm - bounds.maxX, maxX: faceWidthMm - bounds.minX },
    padPx: { ...padPx, left: padPx.right, right: padPx.left },
    marks: scene.marks.map((mark): Mark => flipMark(mark, flip)),
  };
}

const FLIPPED = { start: 'end', middle: 'middle', end: 'start' } as const;

function flipMark(mark: Mark, flip: (at: Point) => Point): Mark {
  switch (mark.kind) {
    case 'area': {
      const grab =
        mark.grab?.along === 'x' ? { ...mark.grab, sign: mark.grab.sign === 1 ? (-1 as const) : (1 as const) } : mark.grab;
      return { ...mark, points: mark.points.map(flip), ...(grab ? { grab } : {}) };
    }
    case 'path':
      return { ...mark, points: mark.points.map(flip) };
    case 'region':
      return { ...mark, rings: mark.rings.map((ring) => ring.map(flip)) };
    case 'spot':
      return { ...mark, at: flip(mark.at) };
    case 'arrow':
      return { ...mark, from: flip(mark.from), to: flip(mark.to) };
    case 'dimension':
      return { ...mark, from: flip(mark.to), to: flip(mark.from) };
    case 'staple':
      return {
        ...mark,
        at: flip(mark.at),
        labelAt: flip(mark.labelAt),
        degrees: -mark.degrees,
        outward: { x: -mark.outward.x, y: mark.outward.y },
      };
    case 'words':
      return {
        ...mark,
        at: flip(mark.at),
        anchor: FLIPPED[mark.anchor],
        shiftPx: mark.shiftPx && { x: -mark.shiftPx.x, y: mark.shiftPx.y },
      };
  }
}

/**
 * A scene turned about the middle of the face, words upright: the frame as it lies after so many quarter turns to the right.
 * Nothing in it is grabbed any more. A face of width × height then lies between 0 and height, 0 and width for an odd number.
 */
export function turned(scene: Scene, quarter: Quarter, face: { widthMm: number; heightMm: number }): Scene {
  if (quarter === 0) return scene;
  const once = turnedOnce(scene, face.heightMm);
  return turned(once, (quarter - 1) as Quarter, { widthMm: face.heightMm, heightMm: face.widthMm });
}

const ASIDE_PX = 78;

/** A quarter turn to the right: what was at the left is at the top. */
function turnedOnce(scene: Scene, heightMm: number): Scene {
  const turn = ({ x, y }: Point): Point => ({ x: heightMm - y, y: x });
  const way = ({ x, y }: Point): Point => ({ x: -y, y: x });
  const { bounds, padPx } = scene;
  return {
    ...scene,
    bounds: { minX: heightMm - bounds.maxY, maxX: heightMm - bounds.minY, minY: bounds.minX, maxY: bounds.maxX },
    // Upright words take more room beside a drawing than above it.
    padPx: { top: padPx.left, right: Math.max(padPx.top, ASIDE_PX), bottom: padPx.right, left: Math.max(padPx.bottom, ASIDE_PX) },
    marks: scene.marks.map((mark): Mark => turnMark(mark, turn, way)),
  };
}

function turnMark(mark: Mark, turn: (at: Point) => Point, way: (by: Point) => Point): Mark {
  switch (mark.kind) {
    case 'area':
      return { kind: 'area', points: mark.points.map(turn), role: mark.role };
    case 'path':
      return { ...mark, points: mark.points.map(turn) };
    case 'region':
      return { ...mark, rings: mark.rings.map((ring) => ring.map(turn)) };
    case 'spot':
      return { ...mark, at: turn(mark.at) };
    case 'arrow':
    case 'dimension':
      return { ...mark, from: turn(mark.from), to: turn(mark.to) };
    case 'staple':
      return { ...mark, at: turn(mark.at), labelAt: turn(mark.labelAt), degrees: mark.degrees + 90, outward: way(mark.outward) };
    case 'words':
      return turnWords(mark, turn, way);
  }
}

/** More letters than this beside a drawing run out of it: they are turned with their side. */
const SHORT = 14;

function turnWords(
  mark: Extract<Mark, { kind: 'words' }>,
  turn: (at: Point) => Point,
  way: (by: Point) => Point,
): Extract<Mark, { kind: 'words' }> {
  const at = turn(mark.at);
  const shiftPx = mark.shiftPx && way(mark.shiftPx);
  if (mark.text.length > SHORT) {
    const quarter = (((mark.quarter ?? 0) + 1) % 4) as Quarter;
    return { ...mark, at, shiftPx, anchor: 'middle', quarter };
  }
  // Upright words beside their place begin or end at it, above and below they stand about it.
  const aside = shiftPx?.x ?? 0;
  return { ...mark, at, shiftPx, anchor: aside > 4 ? 'start' : aside < -4 ? 'end' : 'middle' };
}
