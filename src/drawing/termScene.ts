/* Small drawings of the words of the trade: what a word means stands out, the rest is there to know it by. */
import type { Term, TermPicture } from '@/core/glossary/terms';
import { type Mark, type Point, type Role, type Scene, point, rectangle } from './scene/scene';

type Draw = (part: string) => Mark[];

/** The picture of a word, mm. */
export function termScene({ picture, part, word, meaning }: Pick<Term, 'picture' | 'part' | 'word' | 'meaning'>): Scene {
  const marks = PICTURES[picture](part);
  const points = marks.flatMap((mark) => {
    if (mark.kind === 'area' || mark.kind === 'path') return mark.points;
    if (mark.kind === 'arrow' || mark.kind === 'dimension') return [mark.from, mark.to];
    return [];
  });
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return {
    bounds: { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) },
    padPx: { top: 12, right: 12, bottom: 12, left: 12 },
    marks,
    says: `${word}: ${meaning}`,
  };
}

const area = (role: Role, ...points: [number, number][]): Mark => ({
  kind: 'area',
  points: points.map(([x, y]) => point(x, y)),
  role,
});
const path = (role: Role, ...points: [number, number][]): Mark => ({
  kind: 'path',
  points: points.map(([x, y]) => point(x, y)),
  role,
});
const box = (role: Role, x: number, y: number, w: number, h: number): Mark => ({
  kind: 'area',
  points: rectangle(x, y, w, h),
  role,
});
const arrow = (from: Point, to: Point): Mark => ({ kind: 'arrow', from, to, role: 'measure' });
/** The part that is meant is drawn heavy. */
const meant = (part: string, own: string, role: Role): Role => (part === own ? 'pullNow' : role);

/** The section of a bar with its cloth round it. */
const section: Draw = (part) => [
  area(meant(part, 'bar', 'timber'), [0, 0], [44, 0], [44, 18], [4, 18], [0, 18]),
  ...(part === 'depth' ? [{ kind: 'dimension', from: point(48, 0), to: point(48, 18), offPx: 10, text: 'depth' } as const] : []),
  area(meant(part, 'bead', 'brace'), [0, 18], [4, 18], [4, 21], [0, 21]),
  path(meant(part, 'return', 'cutLine'), [0, -1.5], [34, -1.5]),
  path(meant(part, 'edge', 'cutLine'), [-1.5, -1.5], [-1.5, 22.5]),
  path('cutLine', [-1.5, 22.5], [60, 22.5]),
  ...(part === 'grip' || part === 'hem'
    ? [path(meant(part, part, 'cutLine'), [34, -1.5], [34, -6], [part === 'hem' ? 24 : 46, -6])]
    : []),
];

/** A corner from the back, with what holds or opens it. */
const corner: Draw = (part) => {
  const open = part === 'opening' || part === 'key' || part === 'bolt' ? 5 : 0;
  const butt = part === 'butt';
  const level: [number, number][] = butt
    ? [
        [0, 0],
        [110, 0],
        [110, 26],
        [0, 26],
      ]
    : [
        [0, 0],
        [110, 0],
        [110, 26],
        [26, 26],
      ];
  const upright: [number, number][] = butt
    ? [
        [0, 26],
        [26, 26],
        [26, 100],
        [0, 100],
      ]
    : [
        [-open, open],
        [26 - open, 26 + open],
        [26 - open, 100],
        [-open, 100],
      ];
  return [
    area('timber', ...level),
    area('timber', ...upright),
    ...(part === 'mitre' || butt
      ? [
          path(
            'pullNow',
            ...(butt
              ? ([
                  [0, 26],
                  [26, 26],
                ] as [number, number][])
              : ([
                  [0, 0],
                  [26, 26],
                ] as [number, number][])),
          ),
        ]
      : []),
    ...(part === 'opening' ? [arrow(point(40, 40), point(18, 18))] : []),
    ...(part === 'key' ? [area('pullNow', [22, 30], [50, 24], [50, 34])] : []),
    ...(part === 'bolt' ? [box('pullNow', 22, 24, 26, 6), path('cutLine', [35, 20], [35, 34])] : []),
    ...(part === 'brace' ? [box('pullNow', 70, 26, 16, 74)] : []),
  ];
};

const threads: Draw = (part) => {
  const lines = Array.from({ length: 9 }, (_, index) => 6 + index * 8);
  return [
    box('cloth', 0, 0, 110, 76),
    ...lines.slice(0, 9).map((y) => path(part === 'warp' || part === 'grain' ? 'pullNow' : 'fold', [0, y], [110, y])),
    ...(part === 'weft' ? lines.concat([78, 86, 94, 102]).map((x) => path('pullNow', [x, 0], [x, 76])) : []),
    ...(part === 'selvedge' ? [box('pullNow', 0, -4, 110, 4), box('pullNow', 0, 76, 110, 4)] : []),
    ...(part === 'grain' ? [arrow(point(10, 90), point(100, 90))] : []),
  ];
};

const outOfTrue: Draw = (part) => {
  const lean = part === 'rack' || part === 'diagonal' ? 14 : 0;
  const frame: [number, number][] = [
    [lean, 0],
    [100 + lean, 0],
    [100, 70],
    [0, 70],
    [lean, 0],
  ];
  return [
    path('guide', [0, 0], [100, 0], [100, 70], [0, 70], [0, 0]),
    ...(part === 'bow'
      ? [path('cutLine', [0, 0], [0, 70], [100, 70], [100, 0]), path('pullNow', [0, 0], [25, 6], [50, 8], [75, 6], [100, 0])]
      : [path('cutLine', ...frame)]),
    ...(part === 'rack' ? [arrow(point(30, -8), point(60, -8))] : []),
    ...(part === 'diagonal' ? [path('pullNow', [lean, 0], [100, 70]), path('pullNow', [100 + lean, 0], [0, 70])] : []),
    ...(part === 'wind' ? [path('pullNow', [100, 0], [112, -12]), arrow(point(100, 0), point(112, -12))] : []),
  ];
};

const layers: Draw = (part) => [
  box('cloth', 0, 0, 110, 10),
  box(meant(part, 'size', 'brace'), 0, -4, 110, 4),
  box(meant(part, 'ground', 'face'), 0, -14, 110, 10),
];

/** The corner of an outer frame with the canvas in its rebate. */
const rebate: Draw = (part) => [
  area('timber', [0, 0], [46, 0], [46, 12], [18, 12], [18, 40], [0, 40]),
  ...(part === 'rebate' ? [path('pullNow', [46, 12], [18, 12], [18, 40])] : []),
  ...(part === 'lip' ? [box('pullNow', 18, 0, 28, 12)] : []),
  box('brace', 22, 14, 60, 20),
  path('cutLine', [21, 34], [21, 13], [90, 13]),
  ...(part === 'clearance' ? [box('pullNow', 18, 12, 3, 28)] : []),
];

const order: Draw = (part) => [
  box('timber', 0, 0, 120, 16),
  ...(part === 'scallop'
    ? [
        path(
          'pullNow',
          ...Array.from({ length: 61 }, (_, index): [number, number] => [index * 2, 24 - 4 * Math.cos((index * Math.PI) / 10)]),
        ),
      ]
    : [60, 80, 40, 100, 20].map((x): Mark => box('metal', x - 4, 6, 8, 2))),
  ...(part === 'route'
    ? [arrow(point(60, 30), point(80, 30)), arrow(point(80, 38), point(40, 38)), arrow(point(40, 46), point(100, 46))]
    : [20, 40, 60, 80, 100].map((x): Mark => box('metal', x - 4, 6, 8, 2))),
];

const PICTURES: Record<TermPicture, Draw> = { section, corner, threads, outOfTrue, layers, rebate, order };
