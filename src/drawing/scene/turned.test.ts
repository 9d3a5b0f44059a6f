import { describe, expect, it } from 'vitest';
import { type Mark, type Scene, point, rectangle, turned } from './scene';

const face = { widthMm: 500, heightMm: 300 };
const scene: Scene = {
  bounds: { minX: 0, minY: 0, maxX: 500, maxY: 300 },
  padPx: { top: 10, right: 20, bottom: 30, left: 40 },
  marks: [
    { kind: 'area', points: rectangle(0, 0, 500, 300), role: 'cloth' },
    { kind: 'words', at: point(250, 0), text: 'Top', anchor: 'middle', role: 'quiet', shiftPx: point(0, -14) },
    {
      kind: 'staple',
      at: point(100, 10),
      degrees: 25,
      lengthMm: 14,
      role: 'metal',
      label: '1',
      due: true,
      labelAt: point(100, 0),
      outward: point(0, -1),
      state: 'now',
      pass: 0,
      take: 'middle',
    },
  ],
  says: 'a face',
};
const staple = ({ marks }: Scene) => marks[2] as Extract<Mark, { kind: 'staple' }>;
const words = ({ marks }: Scene) => marks[1] as Extract<Mark, { kind: 'words' }>;

describe('a frame turned on the bench', () => {
  it('lies a quarter turn to the right: its top at the right, its left at the top', () => {
    const once = turned(scene, 1, face);
    expect(once.bounds).toEqual({ minX: 0, minY: 0, maxX: 300, maxY: 500 });
    expect(words(once)).toMatchObject({ at: { x: 300, y: 250 }, shiftPx: { x: 14, y: 0 }, anchor: 'start' });
    expect(staple(once)).toMatchObject({ at: { x: 290, y: 100 }, degrees: 115, outward: { x: 1, y: 0 } });
  });

  it('is upside down after two, and as it was after four', () => {
    const twice = turned(scene, 2, face);
    expect(staple(twice)).toMatchObject({ at: { x: 400, y: 290 }, outward: { y: 1 } });
    expect(words(twice)).toMatchObject({ at: { x: 250, y: 300 }, anchor: 'middle' });
    const round = turned(turned(scene, 3, face), 1, { widthMm: 300, heightMm: 500 });
    expect(round.bounds).toEqual(scene.bounds);
    expect(staple(round).at).toEqual(staple(scene).at);
    expect(words(round).shiftPx!.y).toBe(-14);
  });
});
