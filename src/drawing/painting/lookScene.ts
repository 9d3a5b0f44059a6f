/* A painting as it is looked at: its face from the front, a net of places to pick, and what was found where. */
import { byId } from '@/core/house/schools';
import { CONDITIONS } from '@/core/stages/look/conditions';
import type { Condition } from '@/core/stages/look/lookInputs';
import { printLength } from '@/core/units/length';
import { type Mark, type Scene, point, rectangle } from '../scene/scene';
import { PAD, type SceneInput, circle, faceBounds, faceDimensions, topWords } from '../stageScenes';

/** Places along the width and the height that can be picked, the edges among them. */
const ACROSS = 9;
const DOWN = 7;

/** A place of the net as it is kept. */
export const placeOf = (id: string): { x: number; y: number } => {
  const [x, y] = id.split(' ').map(Number) as [number, number];
  return { x, y };
};

const isAt = ({ at }: Condition, x: number, y: number): boolean =>
  at !== null && Math.abs(at.x - x) < 0.5 / (ACROSS - 1) && Math.abs(at.y - y) < 0.5 / (DOWN - 1);

/** "upper left", "middle", "lower edge, right": where on the face a place lies, seen from the front. */
export function placeWords({ x, y }: { x: number; y: number }): string {
  const third = (at: number, names: readonly [string, string, string]) => names[at < 0.34 ? 0 : at > 0.66 ? 2 : 1];
  const [down, across] = [third(y, ['upper', '', 'lower']), third(x, ['left', '', 'right'])];
  const edge = y === 0 ? 'top edge' : y === 1 ? 'bottom edge' : x === 0 ? 'left edge' : x === 1 ? 'right edge' : '';
  if (edge === '') return [down, across].filter((one) => one !== '').join(' ') || 'middle';
  const along = y === 0 || y === 1 ? across : down;
  return along === '' ? edge : `${edge}, ${along}`;
}

export function lookScene({ inputs, tape }: SceneInput): Scene {
  const { conditions } = inputs.look;
  const [w, h] = [inputs.brief.width.mm, inputs.brief.height.mm];
  const spots = Array.from({ length: DOWN }, (_, row) =>
    Array.from({ length: ACROSS }, (_none, column): Mark => {
      const [x, y] = [column / (ACROSS - 1), row / (DOWN - 1)];
      const here = conditions.filter((one) => isAt(one, x, y));
      const found = here.map(({ kind }) => byId(CONDITIONS, kind).name.toLowerCase()).join(', ');
      return {
        kind: 'spot',
        id: `${x} ${y}`,
        at: point(x * w, y * h),
        says: `${placeWords({ x, y })}: ${found || 'nothing marked'}`,
        state: here.length > 0 ? 'marked' : 'free',
      };
    }),
  ).flat();
  const names = conditions.flatMap(({ at, kind }, index): Mark[] =>
    at === null
      ? []
      : [
          // A place keeps its mark also where nothing can be picked any more.
          { kind: 'path', points: circle(point(at.x * w, at.y * h), Math.min(w, h) / 60), role: 'stop' },
          {
            kind: 'words',
            at: point(at.x * w, at.y * h),
            text: `${index + 1} ${byId(CONDITIONS, kind).name.toLowerCase()}`,
            anchor: at.x > 0.8 ? 'end' : 'start',
            role: 'stop',
            strong: true,
            shiftPx: point(at.x > 0.8 ? -9 : 9, at.y > 0.9 ? -8 : 16),
          },
        ],
  );
  return {
    bounds: faceBounds(inputs),
    padPx: PAD,
    marks: [
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'face' },
      topWords(inputs, 'Top, seen from the front'),
      ...faceDimensions(inputs, tape),
      ...names,
      ...spots,
    ],
    says: `The painting from the front, about ${printLength(w, tape)} by ${printLength(h, tape)}; pick a place to mark what you see there.`,
  };
}
