import { describe, expect, it } from 'vitest';
import { CORNER_FOLDS, type CornerFold } from '@/core/cloth/cornerFolds';
import { CORNERS } from '@/core/frame/square/corners';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { type JobInputs, newInputs } from '@/core/job/job';
import { cornerPattern } from '@/core/stages/cloth/planFold';
import { planJob } from '@/core/case/planJob';
import { type View, sideWords } from '@/core/job/sideWords';
import { length } from '@/core/units/length';
import { cornerStepScene, endAtLeft } from './corner/cornerStepScene';
import { deviationFactor, paintingScene } from './painting/paintingScene';
import { type Mark, fromBack } from './scene/scene';

const tape = tapeFor(DEFAULT_RULES, 'mm');
const words = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.kind === 'words' ? [mark] : []));
const finite = (marks: readonly Mark[]) =>
  marks.every(
    (mark) =>
      (mark.kind !== 'area' && mark.kind !== 'path') || mark.points.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y)),
  );

describe('a corner drawn step by step', () => {
  const size = { depthMm: 24, sideMm: 80, endMm: 80 };
  const pattern = (fold: CornerFold) => cornerPattern(fold, size);
  const scene = (
    fold: CornerFold,
    index: number,
    corner: (typeof CORNERS)[number],
    seams: 'topBottom' | 'leftRight',
    view: View = 'front',
  ) =>
    cornerStepScene(
      { fold, shows: fold.steps[index]!.shows, depthMm: 24, barMm: 44, returnMm: 56, pattern: pattern(fold) },
      corner,
      seams,
      sideWords(view),
    );

  it.each(CORNER_FOLDS.map((fold) => [fold.name, fold] as const))(
    '%s: every step, corner and seam is a finite drawing',
    (_name, fold) => {
      for (const [index] of fold.steps.entries())
        for (const corner of CORNERS)
          for (const seams of ['topBottom', 'leftRight'] as const) {
            const { marks, bounds, says } = scene(fold, index, corner, seams);
            expect(finite(marks) && bounds.maxX > bounds.minX && bounds.maxY > bounds.minY).toBe(true);
            expect(says).toMatch(/edges at a corner, back up/);
          }
    },
  );

  it('the end stands on the hand it has before a frame lying back up, and neighbours mirror each other', () => {
    // Seams at top and bottom: standing before the front's top left corner, the top runs off to the right hand.
    expect(CORNERS.map((corner) => endAtLeft(corner, 'topBottom'))).toEqual([false, true, false, true]);
    for (const corner of CORNERS) expect(endAtLeft(corner, 'leftRight')).toBe(!endAtLeft(corner, 'topBottom'));
    for (const corner of CORNERS) {
      const { marks } = scene(CORNER_FOLDS[0], 3, corner, 'topBottom');
      const level = corner.startsWith('top') ? 'top' : 'bottom';
      const at = (text: string) => words(marks).find((one) => one.text === text)!.at.x;
      const upright = corner.endsWith('Left') ? 'left' : 'right';
      expect(Math.sign(at(level) - at(upright))).toBe(endAtLeft(corner, 'topBottom') ? -1 : 1);
    }
  });

  it('seen from the back, its sides are called as they are seen there', () => {
    const told = (view: View) => words(scene(CORNER_FOLDS[0], 3, 'topLeft', 'topBottom', view).marks).map(({ text }) => text);
    expect(told('front').sort()).toEqual(['left', 'top']);
    expect(told('back').sort()).toEqual(['right', 'top']);
  });

  it('is the same drawing mirrored at the next corner, but for its words', () => {
    const shape = (corner: (typeof CORNERS)[number], flip: number) =>
      scene(CORNER_FOLDS[1], 3, corner, 'topBottom').marks.flatMap((mark) =>
        mark.kind === 'area' || mark.kind === 'path'
          ? [mark.points.map(({ x, y }) => [Math.round(flip * x * 1e6), Math.round(y * 1e6)])]
          : [],
      );
    expect(shape('topRight', -1)).toEqual(shape('topLeft', 1));
  });
});

describe('a painting on its frame', () => {
  function drawn(change: (painting: JobInputs['cloth']['painting']) => void) {
    const inputs = newInputs('t', length(900), length(600));
    inputs.brief.use = 'finished';
    const { painting, left } = inputs.cloth;
    Object.assign(painting, { top: length(906), right: length(604), bottom: length(906), left: length(604) });
    Object.assign(painting, { down: length(Math.hypot(906, 604)), up: length(Math.hypot(906, 604)) });
    for (const side of ['top', 'right', 'bottom', 'left'] as const) left[side] = { first: length(50), second: length(40) };
    change(painting);
    return paintingScene({ inputs, plan: planJob(inputs, { rules: DEFAULT_RULES, tape }, 0), tape });
  }

  it('deviations are drawn larger by a round factor that is said, and never smaller', () => {
    expect([0, 0.3, 2, 8, 40, 500].map((largest) => deviationFactor(largest, 600))).toEqual([1, 50, 10, 2, 1, 1]);
    const scene = drawn(() => undefined);
    const factor = Number(/drawn (\d+) × larger/.exec(scene.says)![1]);
    expect(factor).toBeGreaterThan(1);
    const image = scene.marks.find(
      (mark): mark is Extract<Mark, { kind: 'area' }> => mark.kind === 'area' && mark.role === 'face',
    )!;
    // 3 mm go round at the left and the right.
    expect(Math.min(...image.points.map(({ x }) => x))).toBeCloseTo(-3 * factor, 1);
    expect(Math.max(...image.points.map(({ x }) => x))).toBeCloseTo(900 + 3 * factor, 1);
  });

  it('every corner says how much goes round both its edges, also mirrored to the back', () => {
    for (const scene of [
      drawn(() => undefined),
      fromBack(
        drawn(() => undefined),
        900,
      ),
    ]) {
      const texts = words(scene.marks).map(({ text }) => text);
      for (const side of ['left', 'right']) expect(texts.filter((text) => text === `${side} +3 mm`)).toHaveLength(2);
      expect(texts.filter((text) => /^top (0|[+−]\d)/.test(text))).toHaveLength(2);
      expect(texts.filter((text) => /^(top|right|bottom|left) \d+ mm$/.test(text))).toHaveLength(4);
    }
  });

  it('a bow bends its edge outward in the middle', () => {
    const scene = drawn((painting) => (painting.bow.right = { by: length(4), outward: true }));
    const image = scene.marks.find(
      (mark): mark is Extract<Mark, { kind: 'area' }> => mark.kind === 'area' && mark.role === 'face',
    )!;
    const rightMost = image.points.reduce((most, at) => (at.x > most.x ? at : most));
    expect(rightMost.y).toBeGreaterThan(200);
    expect(rightMost.y).toBeLessThan(400);
  });
});
