import { randomLcg } from 'd3-random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { type JobInputs, newInputs } from '@/core/job/job';
import { alikeCorners } from '@/core/stages/tune/tuneInputs';
import { planJob } from '@/core/case/planJob';
import { type View, sideWords } from '@/core/job/sideWords';
import { mirrored, readJob } from '@/core/testReadings';
import { length } from '@/core/units/length';
import { barsScene } from './barsScene';
import { clothScene, sectionScene } from './clothScene';
import { frameMarks } from './frameMarks';
import { type Mark, type Point, type Scene, fromBack } from './scene/scene';
import { numbersWithRoom } from './numbersWithRoom';
import { squareScene } from './squareScene';
import { fastenScene } from './fastenScene';
import { tensionScene } from './tensionScene';
import { type SceneInput, briefScene, frameShape, handoverScene, primeScene } from './stageScenes';
import { cornersScene, tapScene } from './tuneScenes';

const tape = tapeFor(DEFAULT_RULES, 'mm');
function sceneInput(patch: (inputs: JobInputs) => void = () => undefined, width = 900, height = 600): SceneInput {
  const inputs = newInputs('Harbour', length(width), length(height));
  patch(inputs);
  return { inputs, plan: planJob(inputs, { rules: DEFAULT_RULES, tape }, 0), tape };
}
const read = (top: number, right: number, bottom: number, left: number, down: number, up: number) => (inputs: JobInputs) => {
  inputs.square = {
    ...inputs.square,
    top: length(top),
    right: length(right),
    bottom: length(bottom),
    left: length(left),
    down: length(down),
    up: length(up),
    lift: length(0),
  };
};

const of = <K extends Mark['kind']>(scene: Scene, kind: K) =>
  scene.marks.filter((mark): mark is Extract<Mark, { kind: K }> => mark.kind === kind);
/** Free of float dust, and of the difference of 0 and −0. */
const rounded = (scene: Scene) =>
  JSON.parse(JSON.stringify(scene), (_key, one: unknown) =>
    typeof one === 'number' ? Math.round(one * 1e6) / 1e6 + 0 : one,
  ) as Scene;
const words = (scene: Scene) => [...of(scene, 'words'), ...of(scene, 'dimension')].map((mark) => mark.text);
const area = (points: Point[]) =>
  Math.abs(
    points.reduce((sum, { x, y }, index) => {
      const next = points[(index + 1) % points.length]!;
      return sum + x * next.y - next.x * y;
    }, 0),
  ) / 2;

const SCENES: Record<string, (input: SceneInput) => Scene> = {
  brief: briefScene,
  bars: barsScene,
  square: squareScene,
  cloth: clothScene,
  section: sectionScene,
  fasten: (input) => fastenScene(input, 3),
  corners: cornersScene,
  tap: (input) => tapScene(input, 'X', ['C']),
  prime: (input) => primeScene(input, 0),
  handover: handoverScene,
};

describe('the names of the sides', () => {
  it.each([
    ['bars', barsScene],
    ['cloth', clothScene],
    ['fasten', (input: SceneInput) => fastenScene(input, 1)],
  ] as const)('keep to their bars on the drawing of the %s, from the front and from the back', (_stage, sceneOf) => {
    const scene = sceneOf(sceneInput());
    const at = (one: Scene, side: string) => of(one, 'words').find(({ text }) => text === side)!.at.x;
    expect(at(scene, 'left')).toBeLessThan(450);
    expect(at(scene, 'right')).toBeGreaterThan(450);
    const back = fromBack(scene, 900);
    expect([at(back, 'left') > 450, at(back, 'right') < 450]).toEqual([true, true]);
  });

  it('follow the view: what is drawn from the back is written as its mirror image is from the front', () => {
    const written = (inputs: JobInputs, view: View) => {
      const input = { inputs, plan: planJob(inputs, { rules: DEFAULT_RULES, tape, view }, 0), tape, say: sideWords(view) };
      const face = (scene: Scene) => words(view === 'back' ? fromBack(scene, 900) : scene).sort();
      return [face(squareScene(input)), face(clothScene(input)), face(barsScene(input)), tapScene(input, 'X', []).says];
    };
    for (let seed = 0; seed < 20; seed += 1) {
      const inputs = readJob(randomLcg((seed + 1) / 1000));
      const [square, cloth, bars] = written(inputs, 'back');
      const [mirrorSquare, mirrorCloth, mirrorBars] = written(mirrored(inputs), 'front');
      expect([square, cloth, bars]).toEqual([mirrorSquare, mirrorCloth, mirrorBars]);
    }
    expect(written(readJob(randomLcg(0.002)), 'back').at(-1)).toContain('225 mm from the right');
  });

  it('and of the corners stand at their corners where the frame is measured', () => {
    const front = of(squareScene(sceneInput(read(900, 600, 900, 600, 1083, 1080))), 'words');
    const at = (text: string) => front.find((mark) => mark.text === text)!.at;
    expect(at('top left').y).toBeLessThan(at('bottom left').y);
    expect(at('top left').x).toBeLessThan(at('top right').x);
    const back = of(fromBack(squareScene(sceneInput()), 900), 'words');
    expect(back.find(({ text }) => text === 'top left')!.at.x).toBe(900);
    expect(back.find(({ text }) => text === 'bottom right')!.at.x).toBe(0);
  });
});

describe('every scene', () => {
  it.each(Object.keys(SCENES))('%s keeps its marks finite and its figures with units, at any size', (name) => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 4000 }),
        fc.integer({ min: 100, max: 4000 }),
        fc.integer({ min: 0, max: 8 }),
        (width, height, opening) => {
          const input = sceneInput((inputs) => (inputs.tune.corners = alikeCorners(length(opening))), width, height);
          const scene = SCENES[name]!(input);
          expect(JSON.stringify(scene.marks)).not.toMatch(/null|NaN/);
          expect(scene.bounds.maxX).toBeGreaterThan(scene.bounds.minX);
          expect(scene.says).toMatch(/\.$/);
          for (const { text } of of(scene, 'dimension')) expect(text).toMatch(/\d mm|\?$|^$/);
        },
      ),
      { seed: 31, numRuns: 25 },
    );
  });

  it('mirrors about the middle of the face, twice is nothing, words keep reading', () => {
    const scene = clothScene(sceneInput());
    const back = fromBack(scene, 900);
    expect(rounded(fromBack(back, 900))).toEqual(rounded(scene));
    expect(words(back)).toEqual(words(scene));
    expect(back.bounds).toEqual({ ...scene.bounds, minX: 900 - scene.bounds.maxX, maxX: 900 - scene.bounds.minX });
  });

  it('puts what hangs left on the front to the right on the back', () => {
    const scene = fastenScene(sceneInput(), 1);
    const leftmost = of(scene, 'staple').reduce((a, b) => (b.at.x < a.at.x ? b : a));
    const flipped = of(fromBack(scene, 900), 'staple').find((mark) => mark.label === leftmost.label)!;
    expect(flipped.at.x).toBeCloseTo(900 - leftmost.at.x, 9);
    expect(flipped.outward.x).toBe(-leftmost.outward.x);
  });
});

describe('true to scale', () => {
  it('mitred bars cover the rim of the frame exactly', () => {
    const shape = frameShape(sceneInput());
    const bars = frameMarks(shape).filter((mark) => mark.kind === 'area' && mark.role === 'timber') as Extract<
      Mark,
      { kind: 'area' }
    >[];
    const rim = 900 * 600 - (900 - 88) * (600 - 88);
    expect(bars.reduce((sum, bar) => sum + area(bar.points), 0)).toBeCloseTo(rim, 6);
    const butted = frameMarks({ ...shape, joint: 'buttScrewed' }).filter((mark) => mark.kind === 'area') as Extract<
      Mark,
      { kind: 'area' }
    >[];
    expect(butted.reduce((sum, bar) => sum + area(bar.points), 0)).toBeCloseTo(rim, 6);
  });

  it('the cloth is as large as the cut, each band of the margin in its own place', () => {
    const input = sceneInput((inputs) => (inputs.cloth.marginStyle = 'hem'));
    const scene = clothScene(input);
    const { widthMm, heightMm, margin } = input.plan.cloth.cut;
    const cloth = of(scene, 'area').find((mark) => mark.role === 'cloth')!;
    expect(area(cloth.points)).toBeCloseTo(widthMm * heightMm, 6);
    const band = (role: string) => of(scene, 'area').find((mark) => mark.role === role)!.points;
    expect(Math.min(...band('edgeBand').map((at) => at.x))).toBeCloseTo(-margin.edgeMm, 9);
    expect(Math.max(...band('hemBand').map((at) => at.y))).toBeCloseTo(600 + margin.totalMm, 9);
    expect(words(scene)).toEqual(expect.arrayContaining([`${widthMm} mm`, 'face 900 mm']));
  });

  it('a side with a margin of its own is drawn with it, and the section follows the style', () => {
    const input = sceneInput((inputs) => (inputs.cloth.ownMargin.left = length(40)));
    const scene = clothScene(input);
    const { widthMm, margins } = input.plan.cloth.cut;
    expect(scene.bounds.minX).toBeCloseTo(-40 - (widthMm - 940 - margins.right.totalMm) / 2, 9);
    expect(scene.bounds.maxX - scene.bounds.minX).toBeCloseTo(widthMm, 9);
    expect(sectionScene(input).says).toMatch(/edge .* \+ return/);
  });

  it('fasteners stand on the bar, numbered, the past, the present and the coming told apart', () => {
    const input = sceneInput();
    const staples = of(fastenScene(input, 5), 'staple');
    expect(staples).toHaveLength(input.plan.fasten.route.steps.length);
    expect(staples.map((mark) => mark.label)).toEqual(staples.map((_, index) => String(index + 1)));
    expect(staples.slice(3, 6).map((mark) => mark.state)).toEqual(['past', 'now', 'to come']);
    const row = staples.slice(0, -4).map(({ at }) => Math.min(at.x, at.y, 900 - at.x, 600 - at.y));
    for (const inset of row) expect(inset).toBeCloseTo(22, 6);
  });
});

it.each([
  [3900, 2400, 0.2],
  [1200, 700, 0.25],
  [900, 600, 1],
  [300, 300, 0.4],
  [2100, 400, 0.12],
])(
  'numbers of a fastened frame of %d × %d mm at %d px a mm do not touch, and those about to be set are always written',
  (w, h, scale) => {
    const input = sceneInput(undefined, w, h);
    const last = input.plan.fasten.route.steps.length;
    for (const current of [1, 30, last]) {
      const staples = of(fastenScene(input, current), 'staple');
      const placed = staples.map(({ label, labelAt, outward, due }) => ({
        label,
        at: { x: scale * labelAt.x + 12 * outward.x, y: scale * labelAt.y + 12 * outward.y },
        wide: 6 * label.length,
        high: 11,
        outward,
        due,
      }));
      const written = [...numbersWithRoom(placed)];
      for (let order = current; order < Math.min(current + 4, last + 1); order += 1)
        expect(written.map(({ label }) => label)).toContain(String(order));
      for (const [index, one] of written.entries())
        for (const other of written.slice(0, index))
          expect(
            (one.due && other.due) ||
              Math.abs(one.at.x - other.at.x) >= (one.wide + other.wide) / 2 ||
              Math.abs(one.at.y - other.at.y) >= 11,
            `${one.label} and ${other.label}`,
          ).toBe(true);
      // No side is left without a number, and where there is room for all, all stand there.
      for (const side of ['0 -1', '0 1', '-1 0', '1 0'])
        expect(written.some(({ outward }) => `${outward.x} ${outward.y}` === side)).toBe(true);
      if (scale === 1) expect(written).toHaveLength(staples.length);
    }
  },
);

describe('deviations drawn larger', () => {
  const D = Math.hypot(900, 600);

  it('state their factor, mark the longer diagonal and press its ends', () => {
    const scene = squareScene(sceneInput(read(900, 600, 900, 600, D + 2, D - 2)));
    expect(words(scene).join()).toMatch(/deviations drawn (\d+) × larger/);
    expect(of(scene, 'arrow')).toHaveLength(2);
    expect(of(scene, 'path').filter((mark) => mark.role === 'stop')).toHaveLength(1);
  });

  it('a racked frame leans the way it was read, and a square one presses nothing', () => {
    const topLeft = (down: number, up: number) => {
      const scene = squareScene(sceneInput(read(900, 600, 900, 600, down, up)));
      const [first] = of(scene, 'path').filter((mark) => mark.points.length === 2);
      return first!.points[0]!.x;
    };
    expect(topLeft(D + 2, D - 2)).toBeLessThan(topLeft(D, D));
    expect(topLeft(D - 2, D + 2)).toBeGreaterThan(topLeft(D, D));
    expect(of(squareScene(sceneInput(read(900, 600, 900, 600, D, D))), 'arrow')).toHaveLength(0);
  });

  it('asks for what is not read, and draws an impossible reading as the plain frame', () => {
    expect(words(squareScene(sceneInput()))).toEqual(
      expect.arrayContaining(['down ? should read 1081.5 mm', 'up ? should read 1081.5 mm', 'top ?']),
    );
    expect(words(squareScene(sceneInput(read(900, 600, 900, 600, 5000, D)))).join()).not.toMatch(/larger/);
  });

  it('bow and corner opening say how much larger they are', () => {
    expect(words(barsScene(sceneInput())).join()).toMatch(/long-term bow, drawn \d+ × larger/);
    expect(words(cornersScene(sceneInput((inputs) => (inputs.tune.corners = alikeCorners(length(1)))))).join()).toMatch(
      /openings drawn 18 × larger,1 mm.*\+ 2 mm/,
    );
  });
});

it('a painting shows each margin left in its own width, and no cut', () => {
  const scene = clothScene(
    sceneInput((inputs) => {
      inputs.brief.use = 'restretch';
      const { left } = inputs.cloth;
      [left.top.first, left.right.second, left.bottom.first, left.bottom.second] = [
        length(50),
        length(30),
        length(24),
        length(20),
      ];
    }),
  );
  expect(scene.bounds).toEqual({ minX: -0, minY: -50, maxX: 930, maxY: 620 });
  expect(words(scene)).toEqual(expect.arrayContaining(['top 50 mm', 'left ?', 'face 900 mm']));
});

describe('the tension map', () => {
  const mesh = { xs: Float64Array.of(0, 100, 200, 300, 400), ys: Float64Array.of(0, 100, 200, 300) };
  const places = [
    { side: 'top', offsetMm: -100 },
    { side: 'bottom', offsetMm: 50 },
  ] as const;
  const map = (tensionOf: (element: number) => number) =>
    tensionScene({
      face: { widthMm: 400, heightMm: 300 },
      mesh,
      places,
      widths: [100, 100],
      edgeNPerM: [250, 60],
      tensionsNPerM: Array.from({ length: 36 }, (_, index) => (index % 3 === 2 ? 0 : tensionOf(Math.floor(index / 3)))),
      targetNPerM: 250,
      now: null,
    });
  const regions = (scene: Scene, role: string) =>
    scene.marks.flatMap((mark) => (mark.kind === 'region' && mark.role === role ? mark.rings : []));

  it('fills the band of the tension and none above it, over the whole face', () => {
    const scene = map(() => 200);
    expect(regions(scene, 'tension4')).toEqual([]);
    const xs = regions(scene, 'tension3')
      .flat()
      .map((at) => at.x);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([0, 400]);
    expect(regions(scene, 'slack')).toEqual([]);
  });

  it('draws a band only where the tension is: the tight right half', () => {
    const xs = regions(
      map((element) => (element % 4 >= 2 ? 300 : 100)),
      'tension4',
    )
      .flat()
      .map((at) => at.x);
    expect(Math.min(...xs)).toBeGreaterThan(150);
    expect(Math.max(...xs)).toBe(400);
  });

  it('has a bar outside the edge at each fastener, as long as it pulls, told apart where it holds too little', () => {
    const bars = map(() => 200).marks.flatMap((mark) => (mark.kind === 'area' && mark.role.startsWith('pull') ? [mark] : []));
    expect(bars.map((bar) => bar.role)).toEqual(['pull', 'pullLow']);
    const [top, bottom] = bars.map((bar) => bar.points.map((at) => at.y));
    expect(Math.min(...top!)).toBeCloseTo(-18, 9);
    expect(Math.max(...bottom!)).toBeCloseTo(300 + (18 * 60) / 250, 9);
    const mirrored = fromBack(
      map(() => 200),
      400,
    ).marks.find((mark) => mark.kind === 'area' && mark.role === 'pull');
    expect(mirrored?.kind === 'area' && mirrored.points.map((at) => at.x).every((x) => x > 200)).toBe(true);
  });
});

describe('where to tap', () => {
  it('stands out with its distances, as seen from the front; what is tapped is ticked', () => {
    const scene = tapScene(sceneInput(), 'X', ['C']);
    expect(scene.says).toMatch(/^Tap X: 225 mm from the left, 300 mm from the top/);
    expect(words(scene)).toEqual(expect.arrayContaining(['C ✓', 'X', 'Y', 'microphone']));
    expect(of(scene, 'dimension').map(({ text }) => text)).toEqual(
      expect.arrayContaining(['225 mm', '300 mm', '900 mm', '600 mm']),
    );
    expect(tapScene(sceneInput(), null, ['C', 'X', 'Y']).says).toBe('All three places are tapped.');
  });

  it('a corner opened alone is drawn alone', () => {
    const scene = cornersScene(sceneInput((inputs) => (inputs.tune.corners = { ...inputs.tune.corners, topLeft: length(2) })));
    expect(of(scene, 'dimension').map(({ text }) => text)).toEqual(['+ 0 mm', '+ 2 mm']);
    expect(words(scene)).toEqual(expect.arrayContaining(['2 mm', '0 mm']));
  });
});
