/*
 * Marking strips at true size, one under the other: laid along a bar, from the end they begin at. A long line is a fastener with
 * its number in the route, a grey stretch holds none, a broken line is the edge of a brace, a cross its pilot hole.
 */
import type { MarginLine, MarkingStrip } from '@/core/marks/markingStrip';
import { type Tape, printFine, printLength } from '@/core/units/length';
import { type Mark, type Scene, point, rectangle } from '../scene/scene';

/** Height of a strip and room between two, mm. */
export const STRIP_MM = 24;
export const STRIP_GAP_MM = 12;
/** Numbers nearer to one another than this go into a second row, mm. */
const NUMBER_ROOM_MM = 8;

/** What a strip is printed with. */
export type StripCarries = 'fasteners' | 'braces';

/**
 * Strips under one another, each from its own beginning at x = 0.
 *
 * @param carries only the ends of braces with their pilots, or the fasteners too
 */
export function stripScene(strips: readonly MarkingStrip[], carries: StripCarries, tape: Tape): Scene {
  const marks = strips.flatMap((strip, row) => stripMarks(strip, carries, tape, row * (STRIP_MM + STRIP_GAP_MM)));
  const longest = Math.max(...strips.map(({ lengthMm }) => lengthMm));
  return {
    // A little beyond both ends, so that their lines are whole.
    bounds: { minX: -2, minY: -7, maxX: longest + 2, maxY: strips.length * (STRIP_MM + STRIP_GAP_MM) - STRIP_GAP_MM + 2 },
    padPx: { top: 10, right: 10, bottom: 10, left: 10 },
    marks,
    says: `Marking strips, true to size, laid on the ${strips.some(({ onEdge }) => onEdge) ? 'back or the edge' : 'back'}: ${strips.map(({ name }) => name).join(', ')}.`,
  };
}

function stripMarks(strip: MarkingStrip, carries: StripCarries, tape: Tape, top: number): Mark[] {
  const { lengthMm, name, onEdge, from, to, fasteners, braces, barred } = strip;
  const lies = onEdge && carries === 'fasteners' ? 'on its edge, back up' : 'back up';
  const across = (at: number, role: 'markLine' | 'markEdge' | 'measure', part: [number, number] = [0, 1]): Mark => ({
    kind: 'path',
    points: [point(at, top + part[0] * STRIP_MM), point(at, top + part[1] * STRIP_MM)],
    role,
  });
  const words = (at: number, y: number, text: string, anchor: 'start' | 'middle' | 'end' = 'middle', sizeMm = 3): Mark => ({
    kind: 'words',
    at: point(at, top + y),
    text,
    anchor,
    role: 'quiet',
    sizeMm,
  });
  const numbers = carries === 'braces' ? [] : fasteners;
  return [
    { kind: 'area', points: rectangle(0, top, lengthMm, STRIP_MM), role: 'cloth' },
    ...(carries === 'braces'
      ? []
      : barred.map(({ fromMm, toMm }): Mark => ({
          kind: 'area',
          points: rectangle(fromMm, top, toMm - fromMm, STRIP_MM * 0.55),
          role: 'barred',
        }))),
    words(0, -3.5, `${name}, ${lies}: ${from} end here, ${printLength(lengthMm, tape)} to the ${to} end`, 'start'),
    across(lengthMm / 2, 'measure', [0.85, 1]),
    words(lengthMm / 2, STRIP_MM * 0.8, 'middle', 'middle', 2.4),
    ...numbers.flatMap(({ atMm, label }, index): Mark[] => {
      const near = index > 0 && atMm - numbers[index - 1]!.atMm < NUMBER_ROOM_MM;
      return [
        across(atMm, 'markLine', [0, 0.5]),
        words(atMm, STRIP_MM * (near && index % 2 === 1 ? 0.7 : 0.58), label, 'middle', label.length > 3 ? 2.1 : 2.8),
      ];
    }),
    ...braces.flatMap(({ atMm, widthMm, pilots }): Mark[] => [
      across(atMm - widthMm / 2, 'markEdge'),
      across(atMm + widthMm / 2, 'markEdge'),
      ...pilots.flatMap((pilot) => cross(pilot, top + STRIP_MM * 0.3)),
      words(atMm, STRIP_MM * 0.92, 'brace', 'middle', 2.4),
    ]),
  ];
}

const cross = (x: number, y: number): Mark[] => [
  { kind: 'path', points: [point(x - 2, y), point(x + 2, y)], role: 'markLine' },
  { kind: 'path', points: [point(x, y - 2), point(x, y + 2)], role: 'markLine' },
];

/** Where the cloth is bent over. */
const BENT: readonly MarginLine['what'][] = ['hem fold', 'back fold', 'face'];

/** Lines of the margins, a strip a side: laid across the margin from the cut edge inward. */
export function marginStripScene(sides: readonly { name: string; lines: readonly MarginLine[] }[], tape: Tape): Scene {
  const rise = STRIP_MM + STRIP_GAP_MM;
  const longest = Math.max(...sides.flatMap(({ lines }) => lines.map(({ atMm }) => atMm)));
  return {
    bounds: { minX: -2, minY: -7, maxX: longest + 45, maxY: sides.length * rise - STRIP_GAP_MM + 2 },
    padPx: { top: 10, right: 10, bottom: 10, left: 10 },
    marks: sides.flatMap(({ name, lines }, row): Mark[] => {
      const top = row * rise;
      const end = lines.at(-1)!.atMm;
      return [
        { kind: 'area', points: rectangle(0, top, end, STRIP_MM), role: 'cloth' },
        {
          kind: 'words',
          at: point(0, top - 3.5),
          text: `${name}: cut edge here, ${printFine(end, tape)} to the face`,
          anchor: 'start',
          role: 'quiet',
          sizeMm: 3,
        },
        ...lines.flatMap(({ atMm, what }, index): Mark[] => [
          {
            kind: 'path',
            points: [point(atMm, top), point(atMm, top + STRIP_MM)],
            role: BENT.includes(what) ? 'markEdge' : 'markLine',
          },
          {
            kind: 'words',
            at: point(atMm + 1, top + 4 + (index % 4) * 5.2),
            text: `${what} ${printFine(atMm, tape)}`,
            anchor: 'start',
            role: 'quiet',
            sizeMm: 2.6,
          },
        ]),
      ];
    }),
    says: 'Lines of the margins from the cut edge inward, true to size.',
  };
}
