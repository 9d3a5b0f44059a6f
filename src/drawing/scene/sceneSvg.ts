/* A scene as an SVG file at true size, one unit a millimetre: lines, areas and words; no screen, no styles outside. */
import type { Mark, Point, Role, Scene } from './scene';

/** A line on paper: width and dashes in mm, what fills it. */
export interface PaperLine {
  widthMm: number;
  dash?: [number, number];
  fill?: string;
}

/** How roles look on paper; others are plain. */
export const PAPER: Partial<Record<Role, PaperLine>> = {
  cloth: { widthMm: 0.15 },
  tab: { widthMm: 0.15, fill: '#e4e4e4' },
  fold: { widthMm: 0.25, dash: [3, 2] },
  cutLine: { widthMm: 0.5 },
  markLine: { widthMm: 0.5 },
  markEdge: { widthMm: 0.25, dash: [3, 2] },
  ink: { widthMm: 0, fill: '#000000' },
  barred: { widthMm: 0.15, fill: '#d4d4d4' },
  measure: { widthMm: 0.25 },
};
export const PLAIN: PaperLine = { widthMm: 0.2 };
/** Height of words on paper, mm. */
export const WORDS_MM = 3.2;

const round = (mm: number) => Math.round(mm * 1000) / 1000;
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** The file’s text. Dimensions, arrows and fasteners have no paper form here and are left out. */
export function sceneSvg({ bounds, marks, says }: Scene): string {
  const [width, height] = [bounds.maxX - bounds.minX, bounds.maxY - bounds.minY];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${round(width)}mm" height="${round(height)}mm" viewBox="${round(bounds.minX)} ${round(bounds.minY)} ${round(width)} ${round(height)}">`,
    `<title>${escaped(says)}</title>`,
    ...marks.flatMap(markSvg),
    '</svg>',
    '',
  ].join('\n');
}

const pathOf = (points: readonly Point[]) =>
  points.map(({ x, y }, index) => `${index ? 'L' : 'M'}${round(x)} ${round(y)}`).join('');

const outlineOf = (mark: Extract<Mark, { kind: 'area' | 'path' | 'region' }>): string =>
  mark.kind === 'path'
    ? pathOf(mark.points)
    : (mark.kind === 'area' ? [mark.points] : mark.rings).map((ring) => `${pathOf(ring)}Z`).join('');

function markSvg(mark: Mark): string[] {
  if (mark.kind === 'words')
    return [
      `<text x="${round(mark.at.x)}" y="${round(mark.at.y + (mark.sizeMm ?? WORDS_MM) / 3)}" font-family="sans-serif" font-size="${mark.sizeMm ?? WORDS_MM}" text-anchor="${mark.anchor}"${mark.strong ? ' font-weight="bold"' : ''}>${escaped(mark.text)}</text>`,
    ];
  if (mark.kind !== 'area' && mark.kind !== 'path' && mark.kind !== 'region') return [];
  const { widthMm, dash, fill } = PAPER[mark.role] ?? PLAIN;
  return [
    `<path d="${outlineOf(mark)}" fill="${mark.kind === 'path' ? 'none' : (fill ?? 'none')}" stroke="#000" stroke-width="${widthMm}"${dash ? ` stroke-dasharray="${dash.join(' ')}"` : ''}/>`,
  ];
}
