/*
 * The cloth unfolded under the frame, every band of the margin to scale, and beside it the section of one bar
 * with the cloth round it, so that the bands can be read.
 */
import { FABRICS } from '@/core/cloth/fabrics';
import type { MarginParts } from '@/core/cloth/cutSize';
import { byId } from '@/core/job/schools';
import { printLength } from '@/core/units/length';
import { frameMarks } from './frameMarks';
import { type Mark, type Scene, point, rectangle } from './scene';
import { type SceneInput, frameShape } from './stageScenes';

export function clothScene({ inputs, plan, tape }: SceneInput): Scene {
  if (plan.cloth.painted) return paintedScene({ inputs, plan, tape });
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const { margin, widthMm, heightMm } = plan.cloth.cut;
  const [mx, my] = [(widthMm - w) / 2, (heightMm - h) / 2];
  const band = (inset: number, role: 'fold' | 'hem'): Mark => ({
    kind: 'path',
    points: [...rectangle(-inset, -inset, w + 2 * inset, h + 2 * inset), point(-inset, -inset)],
    role,
  });
  const foldAt = margin.edgeMm;
  const hemAt = margin.edgeMm + margin.returnMm;
  const warpX = inputs.cloth.warp === 'width';
  const arrow = Math.min(w, h) * 0.3;
  const from = point(w / 2 - (warpX ? arrow / 2 : 0), h * 0.62 - (warpX ? 0 : arrow / 2));
  const to = point(from.x + (warpX ? arrow : 0), from.y + (warpX ? 0 : arrow));
  return {
    bounds: { minX: -mx, minY: -my, maxX: w + mx, maxY: h + my },
    padPx: { top: 34, right: 26, bottom: 78, left: 74 },
    marks: [
      { kind: 'area', points: rectangle(-mx, -my, widthMm, heightMm), role: 'cloth' },
      ...(margin.onEdge ? [] : [band(foldAt, 'fold')]),
      ...(margin.hemMm > 0 || margin.reserveMm > 0 ? [band(hemAt, 'hem')] : []),
      ...frameMarks(shape),
      { kind: 'arrow', from, to, role: 'quiet' },
      { kind: 'arrow', from: to, to: from, role: 'quiet' },
      {
        kind: 'words',
        at: point(w / 2, h * 0.62),
        text: `warp, along the roll`,
        anchor: 'middle',
        role: 'quiet',
        shiftPx: point(0, warpX ? -13 : 0),
      },
      {
        kind: 'words',
        at: point(w / 2, -my),
        text: 'Top, face of the cloth down',
        anchor: 'middle',
        role: 'quiet',
        strong: true,
        shiftPx: point(0, -14),
      },
      {
        kind: 'dimension',
        from: point(w + mx, h + my),
        to: point(-mx, h + my),
        offPx: 52,
        text: printLength(widthMm, tape, 'up'),
      },
      { kind: 'dimension', from: point(-mx, h + my), to: point(-mx, -my), offPx: 52, text: printLength(heightMm, tape, 'up') },
      ...outerFace(inputs, tape, mx, my),
    ],
    says: `Cloth ${printLength(widthMm, tape, 'up')} by ${printLength(heightMm, tape, 'up')} with the frame lying on it.`,
  };
}

/** The face size, struck outside the cloth so that the numbers cross nothing. */
function outerFace(inputs: SceneInput['inputs'], tape: SceneInput['tape'], mx: number, my: number): Mark[] {
  const [w, h] = [inputs.brief.width.mm, inputs.brief.height.mm];
  return [
    { kind: 'dimension', from: point(w, h + my), to: point(0, h + my), offPx: 24, text: `face ${printLength(w, tape)}` },
    { kind: 'dimension', from: point(-mx, h), to: point(-mx, 0), offPx: 24, text: `face ${printLength(h, tape)}` },
  ];
}

/** Painted work: the cloth as it is, with the margin measured on each side in its true width. */
function paintedScene({ inputs, plan, tape }: SceneInput): Scene {
  const [w, h] = [inputs.brief.width.mm, inputs.brief.height.mm];
  const { left } = inputs.cloth;
  const mm = (side: keyof typeof left) => left[side]?.mm ?? 0;
  const role = (side: string) => {
    const found = plan.cloth.fixings.find((one) => one.side === side)?.fixing;
    return found === 'none' || !found ? 'stop' : found === 'backByHand' ? 'good' : 'watch';
  };
  const words = (
    side: keyof typeof left,
    x: number,
    y: number,
    shiftX: number,
    shiftY: number,
    anchor: 'start' | 'middle' | 'end',
  ): Mark => ({
    kind: 'words',
    at: point(x, y),
    text: left[side] ? `${side} ${printLength(mm(side), tape)}` : `${side} ?`,
    anchor,
    role: role(side),
    strong: true,
    shiftPx: point(shiftX, shiftY),
  });
  return {
    bounds: { minX: -mm('left'), minY: -mm('top'), maxX: w + mm('right'), maxY: h + mm('bottom') },
    padPx: { top: 46, right: 84, bottom: 72, left: 122 },
    marks: [
      {
        kind: 'area',
        points: rectangle(-mm('left'), -mm('top'), w + mm('left') + mm('right'), h + mm('top') + mm('bottom')),
        role: 'cloth',
      },
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'face' },
      { kind: 'words', at: point(w / 2, h / 2), text: 'painted image', anchor: 'middle', role: 'quiet' },
      words('top', w / 2, -mm('top'), 0, -14, 'middle'),
      words('bottom', w / 2, h + mm('bottom'), 0, 24, 'middle'),
      words('left', -mm('left'), h / 2, -12, 0, 'end'),
      words('right', w + mm('right'), h / 2, 12, 0, 'start'),
      {
        kind: 'dimension',
        from: point(w, h + mm('bottom')),
        to: point(0, h + mm('bottom')),
        offPx: 46,
        text: `image ${printLength(w, tape)}`,
      },
      {
        kind: 'dimension',
        from: point(-mm('left'), h),
        to: point(-mm('left'), 0),
        offPx: 98,
        text: `image ${printLength(h, tape)}`,
      },
    ],
    says: 'The painted cloth with the margin left on each side.',
  };
}

/** Section of a bar at its true proportions with the cloth round it and each part of the margin named. */
export function sectionScene({ inputs, plan, tape }: SceneInput): Scene {
  const { profile } = plan.bars;
  const fabric = byId(FABRICS, inputs.cloth.fabric);
  const { margin } = plan.cloth.cut;
  const { widthMm: w, depthMm: d, beadMm: bead } = profile;
  const gap = Math.max(1.2, fabric.thicknessMm * 1.5);
  const tail = margin.returnMm + margin.hemMm + margin.reserveMm + margin.gripMm;
  const reach = Math.min(tail, w + 30);
  const clothPath = margin.onEdge
    ? [
        point(w + 36, -gap),
        point(-gap, -gap),
        point(-gap, margin.edgeMm),
        ...(margin.gripMm > 0 ? [point(-gap - margin.gripMm, margin.edgeMm)] : []),
      ]
    : [
        point(w + 36, -gap),
        point(-gap, -gap),
        point(-gap, d + bead + gap),
        point(reach, d + bead + gap),
        ...(margin.hemMm > 0 ? [point(reach, d + bead + 3 * gap), point(reach - margin.hemMm, d + bead + 3 * gap)] : []),
      ];
  const fastener = margin.onEdge
    ? [point(-gap - 1, margin.fastenerAtMm), point(6, margin.fastenerAtMm)]
    : [point(margin.fastenerAtMm, d + bead + gap + 1), point(margin.fastenerAtMm, d + bead - 7)];
  return {
    bounds: { minX: -8 - (margin.onEdge ? margin.gripMm : 0), minY: -6, maxX: w + 40, maxY: d + bead + 12 },
    padPx: { top: 24, right: 18, bottom: 36, left: 84 },
    marks: [
      {
        kind: 'area',
        points: [
          point(0, 0),
          point(Math.min(5, w / 8), 0),
          point(Math.min(9, w / 5), bead),
          point(w, bead + Math.min(2, bead)),
          point(w, d + bead),
          point(0, d + bead),
        ],
        role: 'timber',
      },
      { kind: 'path', points: clothPath, role: 'measure' },
      { kind: 'path', points: fastener, role: 'stop' },
      { kind: 'words', at: point(w + 34, -gap), text: 'face', anchor: 'end', role: 'measure', shiftPx: point(0, -7) },
      {
        kind: 'dimension',
        from: point(0, margin.onEdge ? margin.edgeMm : d + bead),
        to: point(0, 0),
        offPx: 26,
        text: `edge ${printLength(margin.edgeMm, tape)}`,
      },
      ...tailMarks(margin, reach, d + bead, gap, tape),
    ],
    says: 'Section through a bar with the cloth round it.',
  };
}

function tailMarks(margin: MarginParts, reach: number, backMm: number, gap: number, tape: SceneInput['tape']): Mark[] {
  const named = (
    [
      ['return', margin.returnMm],
      ['hem', margin.hemMm],
      ['grip', margin.gripMm],
      ['reserve', margin.reserveMm],
    ] as const
  )
    .filter(([, mm]) => mm > 0)
    .map(([name, mm]) => `${name} ${printLength(mm, tape)}`)
    .join(' + ');
  if (margin.onEdge)
    return named
      ? [{ kind: 'words', at: point(-gap, margin.edgeMm), text: named, anchor: 'start', role: 'measure', shiftPx: point(4, 16) }]
      : [];
  return [{ kind: 'dimension', from: point(reach, backMm + gap), to: point(0, backMm + gap), offPx: 16, text: named }];
}
