/*
 * Back labels at true size, black on white: one scene for a single label and for a sheet of them. Words are set as large as they
 * fit; the square code opens the canvas on this workshop’s address.
 */
import qrcode from 'qrcode-generator';
import type { BackLabel } from '@/core/marks/backLabel';
import type { LabelSize } from '@/core/marks/labelSizes';
import { type Mark, type Point, type Scene, point, rectangle } from '../scene/scene';

/** Room between the edge of a label and what stands on it, mm. */
const EDGE_MM = 4;
/** Mean width of a letter, in parts of its height: on the wide side, so that words fit. */
const LETTER = 0.6;
const LEAST_MM = 1.9;

export interface LabelAt {
  label: BackLabel;
  /** Where its code leads. */
  address: string;
}

/**
 * Labels on one sheet from a start position, 0 the first; those that do not fit go on to the next sheets.
 *
 * @returns a scene for each sheet, in mm of the paper
 */
export function labelSheets(
  labels: readonly LabelAt[],
  size: LabelSize,
  start: number,
  paper: { widthMm: number; heightMm: number },
): Scene[] {
  const each = size.columns * size.rows;
  const box = { widthMm: paper.widthMm / size.columns, heightMm: paper.heightMm / size.rows };
  const sheets = Math.max(1, Math.ceil((start + labels.length) / each));
  return Array.from({ length: sheets }, (_, sheet): Scene => {
    const marks = labels.flatMap((one, index): Mark[] => {
      const place = start + index - sheet * each;
      if (place < 0 || place >= each) return [];
      const [column, row] = [place % size.columns, Math.floor(place / size.columns)];
      return labelMarks(one, { x: column * box.widthMm, y: row * box.heightMm }, box);
    });
    return {
      bounds: { minX: 0, minY: 0, maxX: paper.widthMm, maxY: paper.heightMm },
      padPx: { top: 0, right: 0, bottom: 0, left: 0 },
      marks,
      says: `Back labels: ${labels.map(({ label }) => `No. ${label.number}`).join(', ')}.`,
    };
  });
}

/** One label alone. */
export function labelScene(one: LabelAt, size: LabelSize, paper: { widthMm: number; heightMm: number }): Scene {
  const box = { widthMm: paper.widthMm / size.columns, heightMm: paper.heightMm / size.rows };
  return {
    bounds: { minX: 0, minY: 0, maxX: box.widthMm, maxY: box.heightMm },
    padPx: { top: 0, right: 0, bottom: 0, left: 0 },
    marks: labelMarks(one, { x: 0, y: 0 }, box),
    says: `Back label of No. ${one.label.number}.`,
  };
}

function labelMarks({ label, address }: LabelAt, corner: Point, box: { widthMm: number; heightMm: number }): Mark[] {
  const at = (x: number, y: number) => point(corner.x + x, corner.y + y);
  const [w, h] = [box.widthMm - 2 * EDGE_MM, box.heightMm - 2 * EDGE_MM];
  const codeMm = Math.min(0.62 * h, 0.36 * w, 42);
  const wordsMm = w - codeMm - 3;
  const small = lettering(label, wordsMm, h);
  let y = EDGE_MM;
  const lines = rowsOf(label, wordsMm, small).flatMap(({ text, sizeMm }): Mark[] => {
    y += sizeMm * LINE;
    // What does not fit even in the smallest letters is left out whole, never cut off.
    if (y > EDGE_MM + h) return [];
    return [{ kind: 'words', at: at(EDGE_MM, y - sizeMm * 0.35), text, anchor: 'start', role: 'quiet', sizeMm }];
  });
  const codeX = EDGE_MM + w - codeMm;
  const said = wrapped(label.numberSaid, codeMm, LEAST_MM, 3);
  return [
    { kind: 'path', points: [...rectangle(corner.x, corner.y, box.widthMm, box.heightMm), at(0, 0)], role: 'fold' },
    ...lines,
    codeMark(address, at(codeX, EDGE_MM), codeMm),
    ...said.map((text, index): Mark => ({
      kind: 'words',
      at: at(codeX + codeMm / 2, EDGE_MM + codeMm + 2 + index * LEAST_MM * 1.2),
      text,
      anchor: 'middle',
      role: 'quiet',
      sizeMm: fitting(text, codeMm, LEAST_MM),
    })),
    ...(label.up ? upMarks(label.up, at(codeX + codeMm / 2, EDGE_MM + h - 1), small) : []),
  ];
}

/** From line to line, in parts of the height of the letters. */
const LINE = 1.22;

/** All that stands on a label when its lines are set so high. */
function rowsOf(label: BackLabel, widthMm: number, small: number): { text: string; sizeMm: number }[] {
  const row = (text: string, sizeMm: number) => ({ text, sizeMm: fitting(text, widthMm, sizeMm) });
  return [
    row(`No. ${label.number}`, small * 1.7),
    ...wrapped(label.title, widthMm, small * 1.35, 2).map((text) => row(text, small * 1.35)),
    ...label.lines.flatMap((line) => wrapped(line, widthMm, small, 4)).map((text) => row(text, small)),
    row(label.workshop, small),
  ];
}

/** The largest letters in which all of it fits, mm. */
function lettering(label: BackLabel, widthMm: number, heightMm: number): number {
  const high = (small: number) => rowsOf(label, widthMm, small).reduce((sum, { sizeMm }) => sum + sizeMm * LINE, 0);
  let small = Math.max(LEAST_MM, Math.min(4, heightMm / 13));
  while (small > LEAST_MM && high(small) > heightMm) small = Math.max(LEAST_MM, small - 0.1);
  return small;
}

/** An arrow with its words, its foot at this place. */
const upMarks = (text: string, foot: Point, sizeMm: number): Mark[] => {
  const tall = sizeMm * 1.6;
  return [
    {
      kind: 'area',
      points: [
        point(foot.x - 14, foot.y - tall * 0.55),
        point(foot.x - 12.2, foot.y - tall),
        point(foot.x - 10.4, foot.y - tall * 0.55),
      ],
      role: 'ink',
    },
    { kind: 'area', points: rectangle(foot.x - 12.6, foot.y - tall * 0.6, 0.8, tall * 0.6), role: 'ink' },
    {
      kind: 'words',
      at: point(foot.x - 9, foot.y - sizeMm * 0.4),
      text,
      anchor: 'start',
      role: 'quiet',
      sizeMm: Math.min(sizeMm, 2.6),
    },
  ];
};

/** The square code of an address, with four modules of white about it within its size. */
function codeMark(address: string, corner: Point, sizeMm: number): Mark {
  const code = qrcode(0, 'M');
  code.addData(address);
  code.make();
  const count = code.getModuleCount();
  const QUIET = 4;
  const one = sizeMm / (count + 2 * QUIET);
  const rings: Point[][] = [];
  for (let row = 0; row < count; row += 1)
    for (let from = 0, column = 0; column <= count; column += 1) {
      if (column < count && code.isDark(row, column)) continue;
      if (column > from)
        rings.push(rectangle(corner.x + (QUIET + from) * one, corner.y + (QUIET + row) * one, (column - from) * one, one));
      from = column + 1;
    }
  return { kind: 'region', rings, role: 'ink' };
}

/** Words over lines that fit a width, mm; the last line takes what is left, shortened by no one. */
function wrapped(text: string, widthMm: number, sizeMm: number, most: number): string[] {
  const room = Math.max(6, Math.floor(widthMm / (sizeMm * LETTER)));
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter((one) => one !== '')) {
    const last = lines.at(-1);
    if (last !== undefined && (last.length + word.length < room || lines.length === most))
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** The height that lets words fit a width, at most as wanted. */
const fitting = (text: string, widthMm: number, wantedMm: number): number =>
  Math.min(wantedMm, widthMm / Math.max(1, text.length * LETTER));
