import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { CORNER_FOLDS } from '../../cloth/cornerFolds';
import { CORNERS } from '../../frame/square/corners';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import type { PaintingInputs, PlacingInputs } from '../../painting/paintingInputs';
import type { ClothInputs } from './clothInputs';
import { SIDES } from '../../job/sides';
import { length } from '../../units/length';
import { layoutVerdicts } from './layoutVerdicts';
import { flapsOf } from './planFold';
import { planJob } from '../../case/planJob';
import { sizeRows, tradeRows, whatWouldHold } from '../../painting/planPainting';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };

/** A job of 900 × 600 mm with these inputs of its cloth, a painting when its image is given. */
function inputsWith(
  cloth: Partial<ClothInputs>,
  painting: Partial<PaintingInputs> | null = null,
  placing: Partial<PlacingInputs> = {},
): JobInputs {
  const base = newInputs('t', length(900), length(600));
  return {
    ...base,
    brief: { ...base.brief, use: painting ? 'finished' : 'new', placing: { ...base.brief.placing, ...placing } },
    bars: { ...base.bars, profile: 'standard' },
    cloth: { ...base.cloth, ...cloth, painting: { ...base.cloth.painting, ...painting } },
  };
}
const read = (top: number, right: number, bottom: number, left: number, down: number, up: number) => ({
  top: length(top),
  right: length(right),
  bottom: length(bottom),
  left: length(left),
  down: length(down),
  up: length(up),
});
const ends = (mm: number) => ({ first: length(mm), second: length(mm) });
const about = (inputs: JobInputs, what: string, stage?: 'cloth' | 'fasten') => {
  const plan = planJob(inputs, context, 0);
  return plan[stage ?? (plan.cloth.painted ? 'brief' : 'cloth')].verdicts.find((one) => one.id === what);
};

const D = Math.hypot(900, 600);

describe('a blank cloth before the cut', () => {
  it('lies with the warp along the long side, and is looked at with the frame on it', () => {
    expect(about(inputsWith({}), 'lie')).toMatchObject({ level: 'good', says: expect.stringMatching(/^Warp along the width/) });
    const across = about(inputsWith({ warp: 'height' }), 'lie')!;
    expect(across).toMatchObject({ level: 'watch', doThis: 'Usual is the warp along the width.' });
    // What it gives is told for the way it lies: less along the warp.
    const [along, other] = /it gives ([\d.]+) % that way, ([\d.]+) %/.exec(across.says)!.slice(1).map(Number);
    expect(along).toBeLessThan(other!);
    const square = inputsWith({});
    expect(about({ ...square, brief: { ...square.brief, height: length(900.4) } }, 'lie')!.level).toBe('good');
    expect(about(inputsWith({}), 'beforeCut')!.level).toBe('watch');
    expect(about(inputsWith({ laidAgain: true }), 'beforeCut')!.level).toBe('good');
  });

  it('is cut larger by what washing takes, smaller by what it gives, each way by its own thread', () => {
    const cutOf = (cloth: Partial<ClothInputs>) => planJob(inputsWith(cloth), context, 0).cloth.cut;
    const plain = cutOf({});
    for (const warp of ['width', 'height'] as const) {
      const { widthMm, heightMm, shrinkWidthMm, shrinkHeightMm } = cutOf({ washFirst: true, warp });
      expect(widthMm).toBeGreaterThanOrEqual(plain.widthMm + shrinkWidthMm - 1);
      expect(heightMm).toBeGreaterThanOrEqual(plain.heightMm + shrinkHeightMm - 1);
      const says = about(inputsWith({ washFirst: true, warp }), 'shrinkage')!.says;
      expect(says).toContain(`${Math.ceil(shrinkWidthMm)} mm wider and ${Math.ceil(shrinkHeightMm)} mm higher`);
    }
    expect(about(inputsWith({}), 'shrinkage')).toBeUndefined();
    const given = about(inputsWith({ takeOffStretch: true }), 'stretchTakenOff')!;
    expect(given).toMatchObject({ level: 'watch', unit: 'mm', measured: cutOf({ takeOffStretch: true }).giveWidthMm });
    expect(cutOf({ takeOffStretch: true }).widthMm).toBeLessThan(plain.widthMm);
    expect(about(inputsWith({}), 'stretchTakenOff')).toBeUndefined();
  });
});

it('a roll that is too narrow names the margins that lie across it', () => {
  const roll = (warp: 'width' | 'height', rollMm: number) =>
    about(inputsWith({ warp, rollWidth: length(rollMm), mayTurn: false }), 'roll')!;
  expect(roll('width', 700)).toMatchObject({
    level: 'stop',
    doThis: expect.stringMatching(/type less for top and bottom/) as string,
  });
  expect(roll('height', 1000).doThis).toMatch(/type less for left and right/);
});

describe('a painting on its frame', () => {
  const diagonal = Math.hypot(908, 606);
  const all = { top: ends(60), right: ends(60), bottom: ends(60), left: ends(60) };
  const larger = inputsWith({ left: all }, read(908, 606, 908, 606, diagonal, diagonal));

  it('is placed so that what goes round is shared, and the margins left grow by it', () => {
    const { cloth, brief } = planJob(larger, context, 0);
    const { painting } = brief;
    expect(painting!.registration!.sides.left.middleMm).toBeCloseTo(4, 2);
    // What the height is more is shared, though the top is kept: half a millimetre of the tape would bare it.
    expect(painting!.sides.find((one) => one.side === 'top')!.leastMm).toBeCloseTo(63, 1);
    expect(painting!.sides.find((one) => one.side === 'bottom')!.leastMm).toBeCloseTo(63, 1);
    expect(cloth.answer).toBe('908 × 606 mm');
    expect(brief.answerNote).toBe('frame not turned on the image, 5 mm off at the farthest corner');
    expect(about(larger, 'framePlace')).toMatchObject({ level: 'good', limit: 6 });
  });

  it('is warned of paint at the folds where it was folded or will be, and of an edge that runs off', () => {
    expect(about(larger, 'paintAtFolds')).toMatchObject({
      level: 'watch',
      doThis: expect.stringMatching(/a conservator first/) as string,
    });
    const flat = inputsWith({ left: all }, read(900, 600, 900, 600, D, D), { mostWrap: length(0) });
    expect(about(flat, 'paintAtFolds')).toBeUndefined();
    expect(about({ ...flat, brief: { ...flat.brief, use: 'restretch' } }, 'paintAtFolds')!.level).toBe('watch');
    // The left edge is longer than the right by 8 mm: an edge above or below runs off.
    const skew = read(900, 600, 900, 608, Math.hypot(900, 600), Math.hypot(900, 608));
    const kept = (keep: (typeof SIDES)[number][]) =>
      about(inputsWith({ left: all }, skew, { keep, mayBare: true }), 'parallelEdges');
    const both = kept(['top', 'bottom'])!;
    expect(both.level).not.toBe('good');
    expect(both.measured).toBeGreaterThan(both.limit!);
    expect(kept(['left'])).toMatchObject({ level: 'good', doThis: '' });
    expect(kept([])).toBeUndefined();
    expect(both.because).toMatch(/^The others take the error: (right|left) .*, (right|left) /);
  });

  it('stops where bare cloth would show, unless it may; and where too much goes round', () => {
    const small = read(897, 600, 897, 600, Math.hypot(897, 600), Math.hypot(897, 600));
    expect(about(inputsWith({}, small), 'framePlace')).toMatchObject({ level: 'stop', limit: 0 });
    expect(about(inputsWith({}, small, { mayBare: true }), 'framePlace')!.level).toBe('good');
    expect(about(inputsWith({}, small), 'framePlace')!.doThis).toBe(
      'What would hold: take a face of 897 × 600 mm; or allow 1.5 mm of bare cloth.',
    );
    expect(
      about(inputsWith({}, { ...read(930, 606, 930, 606, Math.hypot(930, 606), Math.hypot(930, 606)) }), 'framePlace')!.level,
    ).toBe('stop');
  });

  it('offers sizes the image fills and other priorities, each with what it trades', () => {
    expect(sizeRows(larger, context).map(({ why, widthMm, heightMm }) => [why, widthMm, heightMm])).toEqual([
      ['exact', 908, 606],
      ['round', 905, 605],
      ['bars', expect.any(Number), expect.any(Number)],
    ]);
    expect(tradeRows(larger, context)).toHaveLength(6);
    expect(sizeRows(inputsWith({}, {}), context)).toEqual([]);
  });

  it('what would hold does hold, for images of any shape', () => {
    const source = randomLcg(0.23);
    const off = (by: number) => by * (2 * source() - 1);
    const counts = { face: 0, wrap: 0, bare: 0 };
    for (let turn = 0; turn < rounds(60, 150); turn += 1) {
      const [w, h] = [900 + off(25), 600 + off(25)];
      const skew = off(8);
      const one = read(w + off(4), h + off(4), w, h, Math.hypot(w, h) + skew, Math.hypot(w, h) - skew);
      const inputs = inputsWith({}, one);
      const place = planJob(inputs, context, 0).cloth.painting?.registration;
      if (!place || place.holds) continue;
      const would = whatWouldHold(inputs, context);
      const again = (change: (mended: JobInputs) => void) => {
        const mended = structuredClone(inputs);
        change(mended);
        return planJob(mended, context, 0).cloth.painting!.registration!;
      };
      if (would.face) {
        counts.face += 1;
        const { widthMm, heightMm } = would.face;
        expect(again(({ brief }) => Object.assign(brief, { width: length(widthMm), height: length(heightMm) })).holds).toBe(true);
      }
      if (would.wrapMm !== null) {
        counts.wrap += 1;
        expect(again(({ brief }) => (brief.placing.mostWrap = length(would.wrapMm! + 0.01))).holds).toBe(true);
      }
      if (would.bareMm !== null) {
        counts.bare += 1;
        expect(again(({ brief }) => (brief.placing.mayBare = true)).holds).toBe(true);
      }
    }
    expect(Math.min(counts.face, counts.wrap, counts.bare)).toBeGreaterThan(2);
  });

  it('a size is said to hold exactly where its place is judged good', () => {
    for (const over of [5.9, 6, 6.04, 6.06, 6.2]) {
      const one = read(
        900 + 2 * over,
        600,
        900 + 2 * over,
        600,
        Math.hypot(900 + 2 * over, 600),
        Math.hypot(900 + 2 * over, 600),
      );
      const inputs = inputsWith({}, one);
      const { registration } = planJob(inputs, context, 0).cloth.painting!;
      expect(about(inputs, 'framePlace')!.level === 'good').toBe(registration!.holds);
      expect(registration!.holds).toBe(over < 6.05);
    }
  });

  it('is not measured, cannot be measured so, or would be cut: each is said', () => {
    expect(about(inputsWith({}, {}), 'image')!.level).toBe('watch');
    expect(about(inputsWith({}, {}), 'marginsLeft', 'cloth')!.says).toBe('Still to measure: margin at top, right, bottom, left.');
    expect(about(inputsWith({}, read(900, 600, 900, 600, 9000, 1081)), 'image')!.says).toMatch(/cannot all be true/);
    expect(about(inputsWith({ corner: 'trimmed' }, {}), 'cornerCloth')!.level).toBe('stop');
  });

  it('tacks that are seen are spread evenly from corner to corner', () => {
    const seen = inputsWith(
      { left: { ...all, bottom: ends(22) } },
      read(900, 600, 900, 600, Math.hypot(900, 600), Math.hypot(900, 600)),
    );
    expect(about(seen, 'bottomMargin')!.doThis).toMatch(/^20 tacks, 45 mm apart, the first 22.5 mm from the corner/);
  });
});

describe('the centring check', () => {
  const laid = (mm: Record<(typeof SIDES)[number], number>) => {
    const inputs = inputsWith({});
    return {
      ...inputs,
      fasten: {
        ...inputs.fasten,
        laid: { top: ends(mm.top), right: ends(mm.right), bottom: ends(mm.bottom), left: ends(mm.left) },
      },
    };
  };

  it('says nothing unasked, and then how to move the frame', () => {
    expect(about(inputsWith({}), 'centring', 'fasten')).toBeUndefined();
    expect(about(inputsWith({}, {}), 'centring', 'fasten')!.level).toBe('watch');
    expect(about(laid({ top: 80, right: 80, bottom: 80, left: 80 }), 'centring', 'fasten')!.level).toBe('good');
    expect(about(laid({ top: 84, right: 74, bottom: 76, left: 86 }), 'centring', 'fasten')!.doThis).toBe(
      'Move the frame 6 mm towards the left side and 4 mm towards the top.',
    );
  });
});

describe('corners', () => {
  it('wrap the sides first and show their seam at top and bottom, or the other way, at all four alike', () => {
    for (const corner of CORNERS) {
      const [usual, other] = [flapsOf(corner, 'topBottom'), flapsOf(corner, 'leftRight')];
      expect(['top', 'bottom']).toContain(usual.end);
      expect(other).toEqual({ side: usual.end, end: usual.side });
    }
  });

  it('count more with a hem, ask for a template’s room, and measure against a rebate', () => {
    const back = (marginStyle: ClothInputs['marginStyle']) =>
      planJob(inputsWith({ marginStyle }), context, 0).cloth.corners.layers.back;
    expect(back('hem')).toBe(back('covered') + 2);
    expect(about(inputsWith({ corner: 'templated', marginStyle: 'edge' }), 'cornerPattern')!.level).toBe('stop');
    const rebated = inputsWith({});
    rebated.brief = { ...rebated.brief, edges: 'rebate', rebateClearance: length(2) };
    // Two layers of 0.6 mm more than lie round the edge everywhere, at both corners of a side.
    expect(about(rebated, 'bulkInRebate')).toMatchObject({ level: 'watch', measured: expect.closeTo(2.4, 9) as number });
    for (const { id } of CORNER_FOLDS) expect(about(inputsWith({ corner: id }), 'bulkOnBack')!.says).toMatch(/^\d layers/);
  });
});

describe('a cut corner', () => {
  it('has its template without the grip: that is trimmed off before the corner is folded', () => {
    const rules = { ...DEFAULT_RULES, assumptions: { handGrip: 90 } };
    const { cut, corners } = planJob(inputsWith({ corner: 'templated', grip: 'hand' }), { ...context, rules }, 0).cloth;
    const { edgeMm, returnMm, gripMm } = cut.margins.left;
    expect(gripMm).toBeGreaterThan(20);
    expect(corners.pattern).toMatchObject({
      sideMm: expect.closeTo(edgeMm + returnMm, 9) as number,
      endMm: expect.closeTo(edgeMm + returnMm, 9) as number,
    });
  });
});

describe('a layout on the store', () => {
  const sheet = { id: 'r', tag: 'L2', kind: 'roll', width: 2000, length: 1500, tear: 5, flaws: [] } as const;
  const layout = (lengthMm: number, proven: boolean) => ({
    sharedOut: true,
    sheets: [
      {
        id: 'r',
        layout: {
          placed: [{ id: 'a', x: 0, y: 0, w: 900, h: lengthMm, turned: false }],
          length: lengthMm,
          bound: proven ? lengthMm : lengthMm - 50,
          proven,
        },
      },
    ],
  });

  it('is proven only when it is, stops when the roll is too short, and names the largest offcut', () => {
    const [good, offcut] = layoutVerdicts(layout(1000, true), [sheet], 200, context.tape);
    expect(good).toMatchObject({
      level: 'good',
      says: 'Takes 1000 mm of L2; 500 mm stays.',
      because: expect.stringMatching(/^Proven/) as string,
    });
    expect(offcut!.says).toBe('The largest offcut to keep: 1095 × 1000 mm.');
    const [open] = layoutVerdicts(layout(1000, false), [sheet], 200, context.tape);
    expect(open!.because).toMatch(/at most 5\.3 % more than the least\. Not proven/);
    // Beside an offcut the whole is proven only where every share was tried.
    const beside = layout(1000, true);
    beside.sheets.unshift({ ...layout(300, false).sheets[0]!, id: 'o' });
    const both = layoutVerdicts(beside, [{ ...sheet, id: 'o', kind: 'offcut' }, sheet], 200, context.tape);
    const roll = (all: typeof both) => all.find(({ says }) => says.startsWith('Takes 1000'))!.because;
    expect(roll(both)).toMatch(/^Proven: .* no layout takes less, whichever pieces lie on the offcuts/);
    const unshared = layoutVerdicts(
      { ...beside, sharedOut: false },
      [{ ...sheet, id: 'o', kind: 'offcut' }, sheet],
      200,
      context.tape,
    );
    expect(roll(unshared)).toMatch(/^Proven for what lies on the roll; other pieces on the offcuts might/);
    expect(layoutVerdicts(layout(1600, true), [sheet], 200, context.tape)[0]).toMatchObject({ level: 'stop', limit: 1500 });
  });
});
