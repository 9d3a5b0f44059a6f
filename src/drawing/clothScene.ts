/*
 * The cloth unfolded under the frame, every band of the margin to scale, and beside it the section of one bar
 * with the cloth round it, so that the bands can be read.
 */
import type { MarginParts } from '@/core/cloth/cutSize';
import { SIDES, type Side } from '@/core/job/sides';
import { printLength } from '@/core/units/length';
import { frameMarks } from './frameMarks';
import { paintingScene } from './painting/paintingScene';
import { type Mark, type Point, type Scene, point, rectangle } from './scene/scene';
import { type SceneInput, frameShape, sideNames } from './stageScenes';

/** The parts of a margin from the face outward, with the role that shows them everywhere. */
const BANDS = [
  { name: 'edge', role: 'edgeBand', of: (margin: MarginParts) => margin.edgeMm },
  { name: 'return', role: 'returnBand', of: (margin: MarginParts) => margin.returnMm },
  { name: 'hem', role: 'hemBand', of: (margin: MarginParts) => margin.hemMm },
  { name: 'reserve', role: 'reserveBand', of: (margin: MarginParts) => margin.reserveMm },
  { name: 'grip', role: 'gripBand', of: (margin: MarginParts) => margin.gripMm },
] as const;

/** The face grown by this much on each side. */
const grown = (w: number, h: number, by: Record<Side, number>): Point[] =>
  rectangle(-by.left, -by.top, w + by.left + by.right, h + by.top + by.bottom);

export function clothScene(input: SceneInput): Scene {
  const { inputs, plan, tape, say } = input;
  if (plan.cloth.painting) return paintingScene(input);
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const { margins, widthMm, heightMm, netWidthMm, netHeightMm } = plan.cloth.cut;
  // What is added for the wash or taken off for the stretch lies outside the bands, half on each side.
  const [overX, overY] = [(widthMm - netWidthMm) / 2, (heightMm - netHeightMm) / 2];
  const out: Record<Side, number> = {
    top: margins.top.totalMm + overY,
    bottom: margins.bottom.totalMm + overY,
    left: margins.left.totalMm + overX,
    right: margins.right.totalMm + overX,
  };
  return {
    bounds: { minX: -out.left, minY: -out.top, maxX: w + out.right, maxY: h + out.bottom },
    padPx: { top: 34, right: 26, bottom: 78, left: 74 },
    marks: [
      { kind: 'area', points: grown(w, h, out), role: 'cloth' },
      ...bandMarks(w, h, margins),
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'cloth' },
      ...frameMarks(shape),
      ...warpMarks(w, h, inputs.cloth.warp === 'width'),
      ...sideNames(w, h, shape.profile.widthMm, say),
      {
        kind: 'words',
        at: point(w / 2, -out.top),
        text: 'Top, face of the cloth down',
        anchor: 'middle',
        role: 'quiet',
        strong: true,
        shiftPx: point(0, -14),
      },
      {
        kind: 'dimension',
        from: point(w + out.right, h + out.bottom),
        to: point(-out.left, h + out.bottom),
        offPx: 52,
        text: printLength(widthMm, tape, 'up'),
      },
      {
        kind: 'dimension',
        from: point(-out.left, h + out.bottom),
        to: point(-out.left, -out.top),
        offPx: 52,
        text: printLength(heightMm, tape, 'up'),
      },
      ...outerFace(inputs, tape, out),
    ],
    says: `Cloth ${printLength(widthMm, tape, 'up')} by ${printLength(heightMm, tape, 'up')} with the frame lying on it. ${bandWords(plan.cloth.cut.margin, tape)}.`,
  };
}

/** Every band of every side in its true width, the outermost first. */
function bandMarks(w: number, h: number, margins: Record<Side, MarginParts>): Mark[] {
  return BANDS.map(({ role, of }, index): Mark | null => {
    if (SIDES.every((side) => of(margins[side]) === 0)) return null;
    const upTo = (side: Side) => BANDS.slice(0, index + 1).reduce((sum, band) => sum + band.of(margins[side]), 0);
    const by = { top: upTo('top'), right: upTo('right'), bottom: upTo('bottom'), left: upTo('left') };
    return { kind: 'area', points: grown(w, h, by), role };
  })
    .filter((mark) => mark !== null)
    .reverse();
}

const bandWords = (margin: MarginParts, tape: SceneInput['tape']): string =>
  BANDS.filter(({ of }) => of(margin) > 0)
    .map(({ name, of }) => `${name} ${printLength(of(margin), tape)}`)
    .join(' + ');

function warpMarks(w: number, h: number, warpX: boolean): Mark[] {
  const arrow = Math.min(w, h) * 0.3;
  const from = point(w / 2 - (warpX ? arrow / 2 : 0), h * 0.62 - (warpX ? 0 : arrow / 2));
  const to = point(from.x + (warpX ? arrow : 0), from.y + (warpX ? 0 : arrow));
  return [
    { kind: 'arrow', from, to, role: 'quiet' },
    { kind: 'arrow', from: to, to: from, role: 'quiet' },
    {
      kind: 'words',
      at: point(w / 2, h * 0.62),
      text: 'warp, along the roll',
      anchor: 'middle',
      role: 'quiet',
      shiftPx: point(0, warpX ? -13 : 0),
    },
  ];
}

/** The face size, struck outside the cloth so that the numbers cross nothing. */
function outerFace(inputs: SceneInput['inputs'], tape: SceneInput['tape'], out: Record<Side, number>): Mark[] {
  const [w, h] = [inputs.brief.width.mm, inputs.brief.height.mm];
  const [x, y] = [-out.left, h + out.bottom];
  return [
    { kind: 'dimension', from: point(w, y), to: point(0, y), offPx: 24, text: `face ${printLength(w, tape)}` },
    { kind: 'dimension', from: point(x, h), to: point(x, 0), offPx: 24, text: `face ${printLength(h, tape)}` },
  ];
}

/** Section of a bar at its true proportions with the cloth round it, each part of the margin in its colour and named. */
export function sectionScene({ plan, tape }: Pick<SceneInput, 'plan' | 'tape'>): Scene {
  const { profile } = plan.bars;
  const { margin } = plan.cloth.cut;
  const { thicknessMm } = plan.cloth.fabric;
  const { widthMm: w, depthMm: d, beadMm: bead } = profile;
  const gap = Math.max(1.2, thicknessMm * 1.5);
  const backMm = d + bead;
  const fastener = margin.onEdge
    ? [point(-gap - 1, margin.fastenerAtMm), point(6, margin.fastenerAtMm)]
    : [point(margin.fastenerAtMm, backMm + gap + 1), point(margin.fastenerAtMm, backMm - 7)];
  return {
    bounds: { minX: -8 - (margin.onEdge ? margin.gripMm : 0), minY: -6, maxX: w + 40, maxY: backMm + 16 },
    padPx: { top: 24, right: 14, bottom: 46, left: 108 },
    marks: [
      {
        kind: 'area',
        points: [
          point(0, 0),
          point(Math.min(5, w / 8), 0),
          point(Math.min(9, w / 5), bead),
          point(w, bead + Math.min(2, bead)),
          point(w, backMm),
          point(0, backMm),
        ],
        role: 'timber',
      },
      { kind: 'path', points: [point(w + 36, -gap), point(-gap, -gap)], role: 'quiet' },
      ...(margin.onEdge ? edgeTail(margin, gap) : backTail(margin, gap, backMm)),
      { kind: 'path', points: fastener, role: 'stop' },
      { kind: 'words', at: point(w + 34, -gap), text: 'face', anchor: 'end', role: 'quiet', shiftPx: point(0, -7) },
      {
        kind: 'dimension',
        from: point(0, margin.onEdge ? margin.edgeMm : backMm),
        to: point(0, 0),
        offPx: 26,
        text: `edge ${printLength(margin.edgeMm, tape)}`,
        role: 'edgeBand',
      },
      ...tailWords(margin, gap, backMm, w, tape),
    ],
    says: `Section through a bar with the cloth round it: ${bandWords(margin, tape)}.`,
  };
}

function edgeTail(margin: MarginParts, gap: number): Mark[] {
  const end = point(-gap, margin.edgeMm);
  return [
    { kind: 'path', points: [point(-gap, -gap), end], role: 'edgeBand' },
    ...(margin.gripMm > 0
      ? [{ kind: 'path' as const, points: [end, point(-gap - margin.gripMm, margin.edgeMm)], role: 'gripBand' as const }]
      : []),
  ];
}

/** Round the back: return, then the hem turned under it, then what is kept or trimmed, each laid under the last. */
function backTail(margin: MarginParts, gap: number, backMm: number): Mark[] {
  const marks: Mark[] = [{ kind: 'path', points: [point(-gap, -gap), point(-gap, backMm + gap)], role: 'edgeBand' }];
  let [x, y] = [-gap, backMm + gap];
  let way = 1;
  for (const { role, of } of BANDS.slice(1)) {
    const mm = of(margin);
    if (mm === 0) continue;
    if (role !== 'returnBand' && role !== 'gripBand') {
      y += 2 * gap;
      way = -way;
    }
    const to = x + way * (role === 'returnBand' ? mm + gap : mm);
    marks.push({ kind: 'path', points: [point(x, y), point(to, y)], role });
    x = to;
  }
  return marks;
}

function tailWords(margin: MarginParts, gap: number, backMm: number, w: number, tape: SceneInput['tape']): Mark[] {
  const named = BANDS.slice(1)
    .filter(({ of }) => of(margin) > 0)
    .map(({ name, of, role }) => ({ text: `${name} ${printLength(of(margin), tape)}`, role }));
  return named.map(({ text, role }, index): Mark => ({
    kind: 'words',
    at: point(margin.onEdge ? -gap : w / 2, margin.onEdge ? margin.edgeMm : backMm + 3 * gap),
    text,
    anchor: margin.onEdge ? 'start' : 'middle',
    role,
    strong: true,
    shiftPx: point(margin.onEdge ? 4 : 0, 16 + 15 * index),
  }));
}
