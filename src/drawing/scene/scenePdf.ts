/*
 * A scene as a PDF at true size, over as many sheets as it takes: sheets overlap by 10 mm with marks to join them,
 * and each carries a 100 mm bar of its own to check the printer by.
 */
import fontkit from '@pdf-lib/fontkit';
import {
  PDFDocument,
  type PDFFont,
  type PDFPage,
  clip,
  endPath,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
} from 'pdf-lib';
import type { Mark, Point, Scene } from './scene';
import { PAPER, PLAIN, WORDS_MM } from './sceneSvg';

export const PAPERS = {
  a4: { widthMm: 210, heightMm: 297 },
  letter: { widthMm: 215.9, heightMm: 279.4 },
  a4Landscape: { widthMm: 297, heightMm: 210 },
  letterLandscape: { widthMm: 279.4, heightMm: 215.9 },
} as const;
export type Paper = keyof typeof PAPERS;

export const PT = 72 / 25.4;
export const OVERLAP_MM = 10;
const EDGE_MM = 12;
/** Room for the title above and the check bar below, mm. */
const HEAD_MM = 14;
const FOOT_MM = 16;
const INK = rgb(0, 0, 0);

export interface Sheet {
  column: number;
  row: number;
  /** The part of the scene on it. */
  minX: number;
  minY: number;
  widthMm: number;
  heightMm: number;
}

/**
 * Parts of a scene by sheet of paper, row by row.
 *
 * @example sheetsOf({ minX: 0, minY: 0, maxX: 300, maxY: 100 }, 'a4').length // 2
 */
export function sheetsOf(bounds: Scene['bounds'], paper: Paper): Sheet[] {
  const { widthMm, heightMm } = PAPERS[paper];
  const [w, h] = [widthMm - 2 * EDGE_MM, heightMm - 2 * EDGE_MM - HEAD_MM - FOOT_MM];
  const count = (whole: number, one: number) => Math.max(1, Math.ceil((whole - OVERLAP_MM) / (one - OVERLAP_MM) - 1e-9));
  const [columns, rows] = [count(bounds.maxX - bounds.minX, w), count(bounds.maxY - bounds.minY, h)];
  return Array.from({ length: rows * columns }, (_, index) => {
    const [row, column] = [Math.floor(index / columns), index % columns];
    return {
      column,
      row,
      minX: bounds.minX + column * (w - OVERLAP_MM),
      minY: bounds.minY + row * (h - OVERLAP_MM),
      widthMm: w,
      heightMm: h,
    };
  });
}

/** How a corner template is read. */
const TEMPLATE_KEY = 'Full lines: cut. Broken lines: fold.';

/**
 * The file’s bytes.
 *
 * @param fontBytes a TrueType face with the signs of the drawing
 * @param key how its lines are read
 */
export async function scenePdf(
  scene: Scene,
  title: string,
  paper: Paper,
  fontBytes: Uint8Array,
  key: string = TEMPLATE_KEY,
): Promise<Uint8Array> {
  const { pdf, font } = await titledPdf(title, fontBytes);
  const sheets = sheetsOf(scene.bounds, paper);
  for (const sheet of sheets) {
    const page = pdf.addPage([PAPERS[paper].widthMm * PT, PAPERS[paper].heightMm * PT]);
    drawSheet(page, font, scene, sheet, sheets, { title, key }, paper);
  }
  return pdf.save();
}

/** An empty document under a title, and the face that it is lettered in. */
export async function titledPdf(title: string, fontBytes: Uint8Array): Promise<{ pdf: PDFDocument; font: PDFFont }> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title, { showInWindowTitleBar: true });
  pdf.setLanguage('en');
  return { pdf, font: await pdf.embedFont(fontBytes, { subset: true }) };
}

/** Millimetres on the sheet of paper, from its top left, to points from its bottom left. */
const paperPoint = (paper: Paper, x: number, y: number) => ({ x: x * PT, y: (PAPERS[paper].heightMm - y) * PT });

function drawSheet(
  page: PDFPage,
  font: PDFFont,
  scene: Scene,
  sheet: Sheet,
  sheets: Sheet[],
  { title, key }: { title: string; key: string },
  paper: Paper,
): void {
  const left = EDGE_MM;
  const top = EDGE_MM + HEAD_MM;
  const at = ({ x, y }: Point) => paperPoint(paper, left + x - sheet.minX, top + y - sheet.minY);
  const corner = paperPoint(paper, left, top + sheet.heightMm);
  page.pushOperators(
    pushGraphicsState(),
    rectangle(corner.x, corner.y, sheet.widthMm * PT, sheet.heightMm * PT),
    clip(),
    endPath(),
  );
  for (const mark of scene.marks) drawMark(page, font, mark, at);
  page.pushOperators(popGraphicsState());
  const words = (text: string, x: number, y: number, sizeMm: number = WORDS_MM) =>
    page.drawText(text, { ...paperPoint(paper, x, y), size: sizeMm * PT, font, color: INK });
  const line = (x1: number, y1: number, x2: number, y2: number, widthMm: number = 0.2) =>
    page.drawLine({ start: paperPoint(paper, x1, y1), end: paperPoint(paper, x2, y2), thickness: widthMm * PT, color: INK });
  const number = sheets.indexOf(sheet) + 1;
  words(`${title}${sheets.length > 1 ? `, sheet ${number} of ${sheets.length}` : ''}`, left, EDGE_MM + 5, 4);
  words(`Print at 100 %, not fitted to the page. ${key}`, left, EDGE_MM + 10, 2.8);
  joinMarks(sheet, sheets, left, top, line, words);
  const barY = top + sheet.heightMm + 8;
  line(left, barY, left + 100, barY, 0.4);
  // From outer edge to outer edge of its end marks it measures 100 mm.
  line(left + 0.2, barY - 2.5, left + 0.2, barY + 2.5, 0.4);
  line(left + 99.8, barY - 2.5, left + 99.8, barY + 2.5, 0.4);
  words('100 mm: measure it before you cut', left + 104, barY + 1, 2.8);
}

/** Where a sheet goes on: a line a join's width from its edge, and the number of the sheet that is laid on it. */
function joinMarks(
  sheet: Sheet,
  sheets: Sheet[],
  left: number,
  top: number,
  line: (x1: number, y1: number, x2: number, y2: number) => void,
  words: (text: string, x: number, y: number, sizeMm?: number) => void,
): void {
  const [right, bottom] = [left + sheet.widthMm, top + sheet.heightMm];
  const next = (column: number, row: number) => sheets.findIndex((one) => one.column === column && one.row === row) + 1;
  const aside = next(sheet.column + 1, sheet.row);
  const below = next(sheet.column, sheet.row + 1);
  if (aside > 0) {
    for (let y = top; y < bottom; y += 8) line(right - OVERLAP_MM, y, right - OVERLAP_MM, Math.min(bottom, y + 3));
    words(`sheet ${aside} from this line`, right - OVERLAP_MM - 34, top + 4, 2.8);
  }
  if (below > 0) {
    for (let x = left; x < right; x += 8) line(x, bottom - OVERLAP_MM, Math.min(right, x + 3), bottom - OVERLAP_MM);
    words(`sheet ${below} from this line`, left + 2, bottom - OVERLAP_MM - 2, 2.8);
  }
}

/** Draws one mark on a page; `at` puts a place of the scene on it, points from its bottom left. */
export function drawMark(page: PDFPage, font: PDFFont, mark: Mark, at: (point: Point) => { x: number; y: number }): void {
  if (mark.kind === 'words') {
    const size = (mark.sizeMm ?? WORDS_MM) * PT;
    const wide = font.widthOfTextAtSize(mark.text, size) * { start: 0, middle: 0.5, end: 1 }[mark.anchor];
    const { x, y } = at(mark.at);
    page.drawText(mark.text, { x: x - wide, y: y - size / 3, size, font, color: INK });
    return;
  }
  if (mark.kind !== 'area' && mark.kind !== 'path' && mark.kind !== 'region') return;
  const { widthMm, dash, fill } = PAPER[mark.role] ?? PLAIN;
  const ring = (points: readonly Point[]) =>
    points
      .map(at)
      .map(({ x, y }, index) => `${index ? 'L' : 'M'}${x} ${-y}`)
      .join(' ');
  const d =
    mark.kind === 'path'
      ? ring(mark.points)
      : ringsOf(mark)
          .map((one) => `${ring(one)} Z`)
          .join(' ');
  page.drawSvgPath(d, {
    x: 0,
    y: 0,
    // Of no width there is no line: a printer would draw its thinnest.
    ...(widthMm > 0 ? { borderColor: INK, borderWidth: widthMm * PT, borderDashArray: dash?.map((mm) => mm * PT) } : {}),
    ...(mark.kind !== 'path' && fill ? { color: greyOf(fill) } : {}),
  });
}

const ringsOf = (mark: Extract<Mark, { kind: 'area' | 'region' }>): Point[][] =>
  mark.kind === 'area' ? [mark.points] : mark.rings;

/** "#e4e4e4" as a grey of the page. */
function greyOf(hex: string) {
  const part = Number.parseInt(hex.slice(1, 3), 16) / 255;
  return rgb(part, part, part);
}
