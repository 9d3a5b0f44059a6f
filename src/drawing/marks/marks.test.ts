import { readFileSync } from 'node:fs';
import DxfParser, { type ILwpolylineEntity } from 'dxf-parser';
import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import { NO_LESSONS, caseOf } from '@/core/case/jobCase';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { type JobInputs, newInputs } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import { reading } from '@/core/log/reading';
import { testEntry } from '@/core/log/testEntry';
import { backLabel } from '@/core/marks/backLabel';
import { LABEL_SIZES } from '@/core/marks/labelSizes';
import { marginLines, markingStrip, pairStrip } from '@/core/marks/markingStrip';
import { length } from '@/core/units/length';
import { labelPdf } from './labelPdf';
import { labelScene, labelSheets } from './labelScene';
import { printedPage } from '../scene/printedPage';
import { sceneDxf } from '../scene/sceneDxf';
import { PAPERS, scenePdf, sheetsOf } from '../scene/scenePdf';
import { sceneSvg } from '../scene/sceneSvg';
import type { Scene } from '../scene/scene';
import { STRIP_MM, stripScene } from './stripScene';

const FONT = readFileSync('node_modules/dejavu-fonts-ttf/ttf/DejaVuSans.ttf');
const NOW = Date.parse('2031-05-05T10:00:00');
const tape = tapeFor(DEFAULT_RULES, 'mm');
const DPI = 300;
const EDGE_MM = 12;
const HEAD_MM = 14;

const inputs = ((): JobInputs => {
  const fresh = newInputs('Harbour wall at low water', length(620), length(400));
  return { ...fresh, bars: { ...fresh.bars, bracesUpright: [0.25], bracesLevel: [] } };
})();
const upTo = ['brief', 'bars', 'square', 'cloth', 'fasten'] as const;
const log = [
  ...upTo.map((stage, index) => testEntry(`e${index}`, stage, { at: `2031-05-0${index + 1}T08:00:00.000Z`, plan: null })),
  testEntry('t0', 'tune', {
    kind: 'reading',
    at: '2031-05-07T08:00:00.000Z',
    plan: null,
    readings: [
      reading('tensionByTap', 214, 'N/m', { precision: 12, tool: 'microphone', known: 'device' }),
      reading('tensionAcross', 221, 'N/m', { precision: 15, tool: 'microphone', known: 'device' }),
      reading('tensionDown', 207, 'N/m', { precision: 15, tool: 'microphone', known: 'device' }),
      reading('roomHumidity', 52, '% RH', { tool: 'hygrometer', known: 'device' }),
    ],
  }),
];
const here = caseOf({ inputs }, log, { rules: DEFAULT_RULES, tape, lessons: NO_LESSONS, view: 'back' }, NOW);
const strips = SIDES.map((side) => markingStrip(here, side));

/** Places along a row of a page where full lines stand, mm from the left of the paper. */
async function linesAcross(bytes: Uint8Array, page: number, yMm: number): Promise<number[]> {
  const { isDark, width } = await printedPage(bytes, page, DPI);
  const y = Math.round((yMm / 25.4) * DPI);
  const found: number[] = [];
  for (let x = 0, from = -1; x <= width; x += 1) {
    const dark = x < width && isDark(x, y);
    if (dark && from < 0) from = x;
    if (dark || from < 0) continue;
    found.push((((from + x) / 2) * 25.4) / DPI);
    from = -1;
  }
  return found;
}

describe('a marking strip', () => {
  it('runs from the end at the left hand, back up: what lies at the right of the front comes first', () => {
    const top = strips[0]!;
    expect([top.from, top.to]).toEqual(['left', 'right']);
    expect(top.braces.map(({ atMm }) => atMm)).toEqual([620 - 155]);
    const { steps } = here.plan.fasten.route;
    for (const { atMm, label } of top.fasteners) expect(steps[Number(label) - 1]!.xMm).toBeCloseTo(620 - atMm, 9);
    const left = strips[3]!;
    expect([left.name, left.from, left.to]).toEqual(['right bar', 'top', 'bottom']);
    for (const { atMm, label } of left.fasteners) expect(steps[Number(label) - 1]!.yMm).toBeCloseTo(atMm, 9);
    const all = strips.flatMap(({ fasteners }) => fasteners.map(({ label }) => Number(label))).sort((a, b) => a - b);
    expect(all).toEqual(steps.filter(({ act }) => act === 'fix').map(({ order }) => order));
    // No fastener where a brace ends.
    expect(top.barred).toHaveLength(1);
    expect(top.fasteners.some(({ atMm }) => atMm > top.barred[0]!.fromMm && atMm < top.barred[0]!.toMm)).toBe(false);
  });

  it('lies on the edge of a bar whose side is tacked there, and says so', () => {
    const ends = (mm: number) => ({ first: length(mm), second: length(mm) });
    const painted: JobInputs = {
      ...inputs,
      brief: { ...inputs.brief, use: 'restretch' },
      cloth: { ...inputs.cloth, left: { top: ends(24), right: ends(90), bottom: ends(90), left: ends(90) } },
    };
    const its = caseOf({ inputs: painted }, [], { rules: DEFAULT_RULES, tape, lessons: NO_LESSONS, view: 'back' }, NOW);
    const [top, right] = [markingStrip(its, 'top'), markingStrip(its, 'right')];
    expect([top.onEdge, right.onEdge, pairStrip(top, markingStrip(its, 'bottom')).onEdge]).toEqual([true, false, true]);
    const words = (of: Scene) => of.marks.flatMap((mark) => (mark.kind === 'words' ? [mark.text] : []));
    const told = words(stripScene([top, right], 'fasteners', tape));
    expect(told.find((text) => text.startsWith('top bar'))).toMatch(/^top bar, on its edge, back up: left end here/);
    expect(told.find((text) => text.startsWith('left bar'))).toMatch(/^left bar, back up:/);
  });

  it('of a pair carries both numbers where both bars have a place', () => {
    const pair = pairStrip(strips[0]!, strips[2]!);
    expect(pair.name).toBe('top and bottom bar');
    expect(pair.fasteners.length).toBeGreaterThanOrEqual(strips[0]!.fasteners.length);
    const first = strips[0]!.fasteners[0]!;
    const there = strips[2]!.fasteners.find(({ atMm }) => Math.abs(atMm - first.atMm) < 0.05)!;
    expect(pair.fasteners[0]!.label).toBe(`${first.label} · ${there.label}`);
    expect(() => pairStrip(strips[0]!, strips[1]!)).toThrow(/620 and 400/);
  });

  it('is true on paper over several sheets: check bar, and three places to a third of a millimetre', async () => {
    const scene = stripScene([strips[0]!], 'fasteners', tape);
    const sheets = sheetsOf(scene.bounds, 'a4Landscape');
    expect(sheets.length).toBeGreaterThan(1);
    const bytes = await scenePdf(scene, 'Strip', 'a4Landscape', FONT, 'key');
    const yMm = EDGE_MM + HEAD_MM + (0 - scene.bounds.minY) + STRIP_MM * 0.08;
    const inks = await Promise.all(sheets.map((_sheet, index) => linesAcross(bytes, index + 1, yMm)));
    const wanted = [strips[0]!.fasteners[0]!, strips[0]!.fasteners[5]!, strips[0]!.fasteners.at(-1)!];
    for (const { atMm } of wanted) {
      const near = sheets.flatMap((sheet, index) => inks[index]!.map((mm) => Math.abs(mm - EDGE_MM + sheet.minX - atMm)));
      expect(Math.min(...near)).toBeLessThan(0.3);
    }
    const bar = await linesAcross(bytes, sheets.length, PAPERS.a4Landscape.heightMm - EDGE_MM - 16 + 8 - 1.5);
    expect(Math.abs(bar.at(-1)! - bar[0]! - 99.6)).toBeLessThan(0.3);
  });

  it('is the same in DXF, read by another reader, and in SVG', () => {
    const scene = stripScene(strips, 'braces', tape);
    const linesOf = (of: Scene) =>
      new DxfParser().parseSync(sceneDxf(of))!.entities.filter((one): one is ILwpolylineEntity => one.type === 'LWPOLYLINE');
    const edges = linesOf(scene).filter(
      ({ layer, vertices }) => layer === 'MARK' && Math.abs(vertices[0]!.y - vertices[1]!.y) === STRIP_MM,
    );
    const xs = edges.map((one) => one.vertices[0]!.x).sort((a, b) => a - b);
    const half = strips[0]!.braces[0]!.widthMm / 2;
    expect(xs).toEqual([465 - half, 465 - half, 465 + half, 465 + half]);
    // A plotter that cuts along CUT cuts no strip at its fasteners, and folds nothing.
    const whole = linesOf(stripScene(strips, 'fasteners', tape));
    expect(new Set(whole.map(({ layer }) => layer))).toEqual(new Set(['OUTLINE', 'MARK', 'KEEP-CLEAR']));
    const marked = whole.filter(({ layer }) => layer === 'MARK').map(({ vertices }) => vertices[0]!.x);
    for (const { atMm } of strips[0]!.fasteners) expect(marked).toContainEqual(expect.closeTo(atMm, 6));
    expect(sceneSvg(scene)).toContain('width="624mm"');
  });

  it('of a margin has its folds where the cut size has them', () => {
    const { margin } = here.plan.cloth.cut;
    const lines = marginLines(margin);
    expect(lines.at(-1)!.atMm).toBeCloseTo(margin.totalMm, 6);
    expect(lines.map(({ atMm }) => atMm)).toEqual([...lines.map(({ atMm }) => atMm)].sort((a, b) => a - b));
    const [back, face] = [lines.find(({ what }) => what === 'back fold')!, lines.at(-1)!];
    expect(face.atMm - back.atMm).toBeCloseTo(margin.edgeMm, 9);
  });
});

describe('a back label', () => {
  const label = backLabel(here, log, 127);
  const address = 'http://192.168.1.20:3000/job/abcdefghijklmnop';

  it('says what is known, and of what is simulated that it is', () => {
    expect(label.numberSaid).toBe('number one hundred and twenty-seven');
    expect(label.lines[0]).toMatch(/^620 × 400 mm, .+, 2031-05-05$/);
    expect(label.lines).toContain('tension 214 ± 12 N/m, by tap');
    expect(label.lines).toContain('221 across, 207 down, 52 % RH, 2031-05-07');
    expect(label.lines).toContain('not primed');
    const simulated = log.map((entry) =>
      entry.id === 't0' ? { ...entry, readings: entry.readings.map((one) => ({ ...one, known: 'simulated' as const })) } : entry,
    );
    const practice = caseOf({ inputs }, simulated, here.house, NOW);
    expect(backLabel(practice, simulated, 127).lines.join()).toContain('simulated, not measured');
    const bare = caseOf({ inputs }, [], here.house, NOW);
    expect(backLabel(bare, [], 1).lines.join()).not.toContain('tension');
  });

  it.each(LABEL_SIZES)('$name: the code is read back from the printed sheet at its start position, in grey too', async (size) => {
    const start = size.columns * size.rows - 1;
    const sheets = labelSheets(
      [
        { label, address },
        { label: { ...label, number: 128 }, address: `${address}2` },
      ],
      size,
      start,
      PAPERS.a4,
    );
    expect(sheets).toHaveLength(2);
    const bytes = await labelPdf(sheets, 'Labels', FONT);
    const { data, width, height } = await printedPage(bytes, 1, DPI);
    // A poor printer: black comes out as a middle grey.
    const grey = data.map((value) => Math.round(120 + (value * 135) / 255));
    expect(jsQR(grey, width, height)?.data).toBe(address);
    const second = await printedPage(bytes, 2, DPI);
    expect(jsQR(second.data, second.width, second.height)?.data).toBe(`${address}2`);
  });

  it('carries all that is known where there is room, in letters as large as fit', () => {
    for (const size of LABEL_SIZES.slice(1)) {
      const { marks } = labelScene({ label, address }, size, PAPERS.a4);
      const said = marks.flatMap((mark) => (mark.kind === 'words' ? [mark.text] : [])).join(' ');
      for (const line of [...label.lines, label.title, label.workshop]) expect(said).toContain(line);
    }
  });

  it('long titles and many lines stay on their label', () => {
    const long = { ...label, title: 'A very long title that somebody gave a canvas, with a second half to it '.repeat(2) };
    for (const size of LABEL_SIZES) {
      const { bounds, marks } = labelScene({ label: long, address }, size, PAPERS.a4);
      for (const mark of marks)
        if (mark.kind === 'words') {
          const wide = mark.text.length * 0.6 * mark.sizeMm!;
          const from = mark.at.x - wide * { start: 0, middle: 0.5, end: 1 }[mark.anchor];
          expect(from).toBeGreaterThanOrEqual(0);
          expect(from + wide).toBeLessThanOrEqual(bounds.maxX);
          expect(mark.at.y).toBeLessThanOrEqual(bounds.maxY);
        }
    }
  });
});
