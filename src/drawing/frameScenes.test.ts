import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { type JobInputs, newInputs } from '@/core/job/job';
import { planJob } from '@/core/case/planJob';
import { setRow } from '@/core/fasten/setRow';
import { SIDES, everySide } from '@/core/job/sides';
import { trueTape } from '@/core/testReadings';
import { length, printFine } from '@/core/units/length';
import { barsScene } from './barsScene';
import { fastenScene } from './fastenScene';
import { type Grab, type Mark, type Scene, fromBack } from './scene/scene';
import { wholeDepth } from '@/core/painting/canvasDepth';
import { framingWays } from '@/core/painting/framingWays';
import { rebateSection } from './painting/rebateSection';
import { sightScene } from './painting/sightScene';
import { squareScene } from './squareScene';
import { type SceneInput, briefScene } from './stageScenes';

const tape = tapeFor(DEFAULT_RULES, 'mm');
function sceneInput(patch: (inputs: JobInputs) => void): SceneInput {
  const inputs = newInputs('Harbour', length(900), length(600));
  patch(inputs);
  return { inputs, plan: planJob(inputs, { rules: DEFAULT_RULES, tape }, 0), tape };
}
const of = <K extends Mark['kind']>(scene: Scene, kind: K) =>
  scene.marks.filter((mark): mark is Extract<Mark, { kind: K }> => mark.kind === kind);
const grabs = (scene: Scene): Grab[] => of(scene, 'area').flatMap((mark) => (mark.grab ? [mark.grab] : []));

describe('braces in the drawing of the bars', () => {
  const scene = barsScene(
    sceneInput(({ bars }) => {
      bars.bracesUpright = [0.25, 0.7];
      bars.bracesLevel = [0.4];
    }),
  );

  it('stand where they were put, can be grabbed, and say from which side they are measured', () => {
    expect(grabs(scene).map(({ id, along, valueMm, mostMm, valueText }) => [id, along, valueMm, mostMm, valueText])).toEqual([
      ['level 0', 'y', 240, 600, '240 mm'],
      ['upright 0', 'x', 225, 900, '225 mm'],
      ['upright 1', 'x', 630, 900, '630 mm'],
    ]);
    expect(grabs(scene)[0]!.says).toBe('Level brace 1, middle from the top');
    const second = of(scene, 'area').find((mark) => mark.grab?.id === 'upright 1')!;
    const xs = second.points.map((at) => at.x);
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(630, 9);
    const words = of(scene, 'words').map((mark) => mark.text);
    expect(words).toEqual(expect.arrayContaining(['225 mm', '630 mm', '240 mm']));
  });

  it('from the back a hand’s move to the right brings an upright brace nearer to the left of the face', () => {
    const signs = (from: Scene) => Object.fromEntries(grabs(from).map(({ id, sign }) => [id, sign]));
    expect(signs(scene)).toEqual({ 'level 0': 1, 'upright 0': 1, 'upright 1': 1 });
    expect(signs(fromBack(scene, 900))).toEqual({ 'level 0': 1, 'upright 0': -1, 'upright 1': -1 });
    expect(signs(fromBack(fromBack(scene, 900), 900))).toEqual(signs(scene));
  });

  it('hold the bow down where they stand', () => {
    const [top] = of(scene, 'path').filter((mark) => mark.role === 'good' || mark.role === 'stop');
    const inwardAt = (x: number) => top!.points.reduce((a, b) => (Math.abs(b.x - x) < Math.abs(a.x - x) ? b : a)).y - 44;
    expect(inwardAt(225)).toBeLessThan(0.7 * Math.max(...top!.points.map((at) => at.y - 44)));
  });
});

describe('a painting that is tacked on its edge', () => {
  const short = sceneInput((inputs) => {
    inputs.brief.use = 'restretch';
    for (const side of SIDES) inputs.cloth.left[side] = { first: length(90), second: length(90) };
    inputs.cloth.left.top = { first: length(24), second: length(24) };
    inputs.cloth.painting = { ...inputs.cloth.painting, ...trueTape(900, 600) };
  });

  it('has its tacks at the edge and no cloth on the back there, the others on the back within their cloth', () => {
    const scene = fastenScene(short, 1);
    const along = (side: 'top' | 'bottom') =>
      of(scene, 'staple').filter(({ outward }) => outward.y === (side === 'top' ? -1 : 1));
    expect(along('top').length).toBeGreaterThan(10);
    for (const { at } of along('top')) expect(at.y).toBe(0);
    for (const { at } of along('bottom')) expect(at.y).toBeLessThan(600);
    const fold = of(scene, 'path').find(({ role }) => role === 'fold')!;
    const [low, high] = [Math.min(...fold.points.map(({ y }) => y)), Math.max(...fold.points.map(({ y }) => y))];
    const { depthMm, beadMm } = short.plan.bars.profile;
    expect([low, 600 - high]).toEqual([0, expect.closeTo(90 - depthMm - beadMm, 1)]);
    expect(scene.says).toMatch(/^\d+ fasteners on the back and on one edge;/);
  });

  it('is told one row at Place and at Fasten, and its kit has what its sides take', () => {
    const { route, tacksToHave } = short.plan.fasten;
    const row = setRow(route, 'top', 900)!;
    expect(short.plan.brief.verdicts.find(({ id }) => id === 'topMargin')!.doThis).toBe(
      `${row.count} tacks, ${printFine(row.pitchMm, tape)} apart, the first ${printFine(row.firstMm, tape)} from the corner.`,
    );
    expect(row.count).toBe(route.steps.filter((step) => step.side === 'top' && step.act === 'fix').length);
    expect(tacksToHave).toBeGreaterThanOrEqual(row.count);
  });
});

describe('the drawing of squareness', () => {
  const D = Math.hypot(900, 600);
  const racked = (by: number, tries: number[] = []) =>
    squareScene(
      sceneInput(({ square }) => {
        Object.assign(square, { top: length(900), bottom: length(900), left: length(600), right: length(600) });
        Object.assign(square, { down: length(D + by / 2), up: length(D - by / 2) });
        square.tries = tries.map((one) => ({ top: 900, bottom: 900, left: 600, right: 600, down: D + one / 2, up: D - one / 2 }));
      }),
    );

  it('says to press only what is beyond the limit of its use: 2.2 mm here', () => {
    expect(of(racked(2), 'arrow')).toHaveLength(0);
    expect(of(racked(2.4), 'arrow')).toHaveLength(2);
    expect(of(racked(2), 'path').filter((mark) => mark.role === 'stop')).toHaveLength(0);
  });

  it('does not blow up a frame far within its limit', () => {
    const factor = (scene: Scene) =>
      Number(
        /drawn (\d+) ×/.exec(
          of(scene, 'words')
            .map((mark) => mark.text)
            .join(),
        )![1],
      );
    expect(factor(racked(0.1))).toBeLessThanOrEqual(50);
    expect(factor(racked(40))).toBeLessThan(factor(racked(6)));
  });

  it('leads through the tries to the present one, square marked in the middle', () => {
    const scene = racked(1, [9, -4]);
    const tries = of(scene, 'words').filter((mark) => mark.text.startsWith('try '));
    expect(tries.map((mark) => mark.text)).toEqual(['try 1', 'try 2', 'try 3']);
    // Down longer: the top stands to the left.
    expect(tries.map((mark) => Math.sign(mark.at.x - 450))).toEqual([-1, 1, -1]);
    expect(tries.map((mark) => mark.at.y)).toEqual([...tries.map((mark) => mark.at.y)].sort((a, b) => a - b));
    expect(scene.says).toMatch(/, try 3\.$/);
    expect(of(racked(1), 'words').some((mark) => mark.text.startsWith('try'))).toBe(false);
  });

  it('the words of the two diagonals stand one above the other', () => {
    const [down, up] = of(racked(4), 'words').filter((mark) => /^\d+(\.5)? mm$/.test(mark.text));
    expect(up!.at.y - down!.at.y).toBeGreaterThan(200);
  });
});

describe('a canvas in its frame', () => {
  const framed = sceneInput(({ brief, fasten }) => {
    brief.edges = 'rebate';
    fasten.overCard = true;
    Object.assign(brief.rebate, { top: length(908), bottom: length(908), left: length(607), right: length(607) });
    Object.assign(brief.rebate, { depth: length(20), fixing: 'plates', lip: everySide(() => length(5)) });
  });
  const { rebate } = framed.plan.brief;
  if (rebate?.kind !== 'measured') throw new Error('it was measured');
  const { profile, verdicts } = framed.plan.bars;
  const deep = wholeDepth(framed.inputs, DEFAULT_RULES);
  const { thicknessMm } = framed.plan.cloth.fabric;
  const box = ({ points }: Extract<Mark, { kind: 'area' }>) => {
    const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
    return {
      x: Math.min(...xs),
      y: Math.min(...ys),
      wide: Math.max(...xs) - Math.min(...xs),
      deep: Math.max(...ys) - Math.min(...ys),
    };
  };

  it('is cut through to scale: gap, folded corner, bar with its bead, each as deep as the check says', () => {
    const scene = rebateSection(framed.inputs, rebate.plan, profile, deep, thicknessMm, tape);
    const [bar, bead] = of(scene, 'area')
      .filter(({ role }) => role === 'timber')
      .map(box);
    const folds = of(scene, 'area')
      .filter(({ role }) => role === 'cloth')
      .map(box);
    const gap = rebate.plan.fit.leastMm;
    const bulk = Math.max(...SIDES.map((side) => rebate.plan.canvas.bulkMm[side].first));
    expect(bulk).toBeGreaterThan(2 * thicknessMm);
    expect(folds[0]).toMatchObject({ x: expect.closeTo(gap, 6), wide: expect.closeTo(bulk, 9), deep: deep.cornerMm });
    expect(bar).toMatchObject({ x: expect.closeTo(gap + bulk, 6), wide: profile.widthMm, deep: profile.depthMm });
    expect([bead!.y, bead!.deep, bar!.y]).toEqual([thicknessMm, profile.beadMm, thicknessMm + profile.beadMm]);
    const told = verdicts.find(({ id }) => id === 'rebateDepth')!;
    expect(of(scene, 'words').map(({ text }) => text)).toContain(
      `stands ${printFine(told.measured! - told.limit!, tape)} proud of the back`,
    );
  });

  it('shows side by side, to one scale, what a lip leaves in sight and what it hides', () => {
    const image = { topLeft: { x: 9, y: 0 }, topRight: { x: 0, y: 0 }, bottomRight: { x: 0, y: 0 }, bottomLeft: { x: 9, y: 0 } };
    const ways = framingWays(rebate.plan, framed.inputs, { rules: DEFAULT_RULES, tape, view: 'front' }, image);
    const packed = ways.find(({ id }) => id === 'packed')!;
    const shown = (way: typeof packed) =>
      of(sightScene(way, tape), 'area')
        .filter(({ role }) => role === 'barred')
        .map(box);
    const seen = SIDES.filter((side) => packed.at.seen[side] > 0.05).map((side) => packed.at.seen[side]);
    expect(seen.length).toBeGreaterThan(0);
    expect(shown(packed).map(({ x, wide }) => [x, wide])).toEqual(seen.map((mm) => [5, expect.closeTo(mm, 9)]));
    expect(of(sightScene(packed, tape), 'words').map(({ text }) => text)).toEqual(
      expect.arrayContaining(seen.map((mm) => `${printFine(mm, tape)} shows`)),
    );
    const slip = ways.find(({ id }) => id === 'slip')!;
    expect(shown(slip)).toEqual([]);
    const timber = of(sightScene(slip, tape), 'area')
      .filter(({ role }) => role === 'timber')
      .map(box);
    expect(timber).toHaveLength(4);
    expect(timber[0]).toMatchObject({ x: expect.closeTo(5, 9), wide: expect.closeTo(slip.slipMm.top, 9) });
  });

  it('has its plates and the card under its staples where they are counted', () => {
    const plates = of(briefScene(framed), 'area').filter(({ role }) => role === 'metal');
    // 900 mm at most 350 apart are three, 600 are two.
    expect(plates).toHaveLength(10);
    expect(box(plates[0]!).x + box(plates[0]!).wide / 2).toBeCloseTo(150, 9);
    const cards = of(fastenScene(framed, 1), 'area').filter(({ role }) => role === 'tab');
    const staples = of(fastenScene(framed, 1), 'staple').filter(({ at }) => at.y < 100 && at.x > 100 && at.x < 800);
    const top = box(cards[0]!);
    expect(cards).toHaveLength(4);
    for (const { at } of staples) expect([at.y > top.y, at.y < top.y + top.deep]).toEqual([true, true]);
    expect(
      of(
        fastenScene({ ...framed, inputs: { ...framed.inputs, fasten: { ...framed.inputs.fasten, overCard: false } } }, 1),
        'area',
      ).filter(({ role }) => role === 'tab'),
    ).toEqual([]);
  });
});
