import { readFileSync } from 'node:fs';
import DxfParser, { type ILwpolylineEntity } from 'dxf-parser';
import { beforeAll, describe, expect, it } from 'vitest';
import { cardPattern, sparePattern } from '@/core/cloth/cornerTemplate';
import { CORNERS } from '@/core/frame/square/corners';
import { BESIDE_MM, atCorner, cornerTemplateScene } from './cornerTemplateScene';
import { sceneDxf } from '../scene/sceneDxf';
import { OVERLAP_MM, scenePdf, sheetsOf } from '../scene/scenePdf';
import { sceneSvg } from '../scene/sceneSvg';
import { printedPage } from '../scene/printedPage';

const MM = { unit: 'mm', stepMm: 1 } as const;
const SIZE = { depthMm: 24, sideMm: 80, endMm: 80 };
const FONT = readFileSync('node_modules/dejavu-fonts-ttf/ttf/DejaVuSans.ttf');
const scene = cornerTemplateScene(cardPattern(SIZE)!, 'topLeft', 'topBottom', MM);
const DPI = 300;

/** Lengths of dark horizontal runs on a page, mm; those of at least 60 mm. */
async function darkRuns(bytes: Uint8Array, pageNumber: number): Promise<number[]> {
  const { isDark, width, height } = await printedPage(bytes, pageNumber, DPI);
  const runs: number[] = [];
  for (let y = 0; y < height; y += 1)
    for (let x = 0, from = 0; x <= width; x += 1) {
      if (x < width && isDark(x, y)) continue;
      const mm = ((x - from) * 25.4) / DPI;
      if (mm >= 60) runs.push(mm);
      from = x + 1;
    }
  return runs;
}

describe('the corner template as PDF', () => {
  let runs: number[];
  beforeAll(async () => {
    runs = await darkRuns(await scenePdf(scene, 'Template', 'a4', FONT), 1);
  });
  const within = (mm: number) => runs.filter((run) => Math.abs(run - mm) <= 0.3).length;

  it('its check bars measure 100 mm on the page', () => expect(within(100)).toBeGreaterThanOrEqual(2));

  it('the side flap and the face beside it measure what they should', () =>
    expect(within(BESIDE_MM + SIZE.sideMm)).toBeGreaterThan(0));

  it('goes over several sheets that overlap, each with its own bar', async () => {
    const large = cornerTemplateScene(cardPattern({ depthMm: 40, sideMm: 180, endMm: 240 })!, 'topLeft', 'topBottom', MM);
    for (const paper of ['a4', 'letter'] as const) {
      const sheets = sheetsOf(large.bounds, paper);
      expect(sheets.length).toBeGreaterThan(2);
      const [first, second] = sheets;
      expect(first!.minX + first!.widthMm - second!.minX).toBeCloseTo(OVERLAP_MM, 9);
      const last = sheets.at(-1)!;
      expect(last.minX + last.widthMm).toBeGreaterThanOrEqual(large.bounds.maxX);
      expect(last.minY + last.heightMm).toBeGreaterThanOrEqual(large.bounds.maxY);
    }
    const bytes = await scenePdf(large, 'Template', 'letter', FONT);
    const onSecond = await darkRuns(bytes, 2);
    expect(onSecond.some((run) => Math.abs(run - 100) <= 0.3)).toBe(true);
  });
});

describe('the corner template as DXF and SVG', () => {
  it('is read back by another reader: cuts and folds on their layers, in millimetres', () => {
    const read = new DxfParser().parseSync(sceneDxf(scene))!;
    const lines = read.entities.filter((one): one is ILwpolylineEntity => one.type === 'LWPOLYLINE');
    const cut = lines.filter((one) => one.layer === 'CUT');
    const pattern = cardPattern(SIZE)!;
    // y runs up in DXF: back to the scene, then the first cut is the new edge of the cloth.
    const edge = cut.find((one) => one.vertices.length === pattern.edge.length)!;
    const put = atCorner('topLeft', 'topBottom');
    for (const [index, point] of pattern.edge.entries()) {
      expect(edge.vertices[index]!.x).toBeCloseTo(put(point).x, 6);
      expect(edge.vertices[index]!.y).toBeCloseTo(-put(point).y, 6);
    }
    expect(lines.filter((one) => one.layer === 'FOLD')).toHaveLength(pattern.folds.length);
    expect(read.header.$INSUNITS).toBe(4);
  });

  it('the SVG is as large as it says, in millimetres', () => {
    const svg = sceneSvg(scene);
    const [, width, height, box] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="([^"]+)"/.exec(svg)!;
    expect(box!.split(' ').map(Number).slice(2)).toEqual([Number(width), Number(height)]);
    expect(Number(width)).toBeCloseTo(BESIDE_MM + SIZE.sideMm, 2);
    expect(svg.match(/stroke-dasharray/g)).toHaveLength(cardPattern(SIZE)!.folds.length);
  });
});

describe('the four corners', () => {
  it('are mirror images left and right, up and down; the flaps point away from the face', () => {
    const flap = { u: 10, v: 3 };
    const places = Object.fromEntries(CORNERS.map((corner) => [corner, atCorner(corner, 'topBottom')(flap)]));
    // On the back the left side lies at the right: the side flap points there, the end flap up.
    expect(places).toEqual({
      topLeft: { x: 10, y: -3 },
      topRight: { x: -10, y: -3 },
      bottomRight: { x: -10, y: 3 },
      bottomLeft: { x: 10, y: 3 },
    });
    // With the seams at the sides, the level sides are wrapped first.
    expect(atCorner('topLeft', 'leftRight')(flap)).toEqual({ x: 3, y: -10 });
  });

  it('every pattern of every corner stays a scene with finite marks and its sides named', () => {
    for (const corner of CORNERS)
      for (const seams of ['topBottom', 'leftRight'] as const)
        for (const pattern of [cardPattern(SIZE)!, sparePattern(SIZE)!]) {
          const drawn = cornerTemplateScene(pattern, corner, seams, MM);
          const { minX, minY, maxX, maxY } = drawn.bounds;
          expect([minX, minY, maxX, maxY].every(Number.isFinite)).toBe(true);
          const words = drawn.marks.flatMap((mark) => (mark.kind === 'words' ? [mark.text] : []));
          expect(words).toContain(corner.endsWith('Left') ? 'left' : 'right');
          expect(words).toContain(corner.startsWith('top') ? 'top' : 'bottom');
        }
  });
});
