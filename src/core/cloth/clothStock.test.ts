import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import { type JobInputs, newInputs } from '../job/job';
import { length } from '../units/length';
import { clothPieceOf } from './clothPieceOf';
import { marginParts } from './cutSize';
import { type StockCloth, leftOf, sheetOf, stockViolations } from './clothStock';
import { keptClear } from './layout/rollLayout';

const roll = (patch: Partial<StockCloth> = {}): StockCloth => ({
  id: 'r',
  kind: 'roll',
  fabric: 'linenMedium',
  tag: 'L2',
  widthMm: 2000,
  selvedgeMm: 10,
  lengthMm: 5000,
  flaws: [],
  ...patch,
});

describe('what a cut leaves', () => {
  const placed = [
    { id: 'a', x: 0, y: 0, w: 900, h: 700, turned: false },
    { id: 'b', x: 905, y: 0, w: 800, h: 400, turned: false },
  ];
  const flaws = [
    { x: 1000, y: 500, w: 30, h: 30, note: 'knot' },
    { x: 100, y: 690, w: 20, h: 60, note: 'crease' },
    { x: 1900, y: 4000, w: 50, h: 50, note: '' },
  ];

  it('shortens the roll by the pieces and the tear, and moves its flaws with it', () => {
    const { rest } = leftOf(roll({ flaws }), placed, 5, 200);
    expect(rest).toEqual({
      lengthMm: 5000 - 705,
      // The crease reaches over the cut: what is beyond stays.
      flaws: [
        { x: 100, y: 0, w: 20, h: 45, note: 'crease' },
        { x: 1900, y: 3295, w: 50, h: 50, note: '' },
      ],
    });
  });

  it('keeps offcuts of a size worth it, with the flaws in them, and no cloth twice', () => {
    const { offcuts } = leftOf(roll({ flaws }), placed, 5, 200);
    expect(offcuts.every(({ widthMm, lengthMm }) => widthMm >= 200 && lengthMm >= 200)).toBe(true);
    const area = offcuts.reduce((sum, one) => sum + one.widthMm * one.lengthMm, 0);
    expect(area).toBeLessThanOrEqual(2000 * 700 - 900 * 700 - 800 * 400);
    expect(area).toBeGreaterThan(0.9 * (2000 * 700 - 900 * 700 - 800 * 400));
    expect(offcuts.flatMap((one) => one.flaws)).toEqual([expect.objectContaining({ w: 30, h: 30, note: 'knot' })]);
  });

  it('of an offcut nothing stays on it; what is long enough becomes another', () => {
    const left = leftOf(roll({ kind: 'offcut', widthMm: 900, lengthMm: 1000 }), placed.slice(0, 1), 5, 200);
    expect(left).toEqual({ rest: null, offcuts: [{ widthMm: 900, lengthMm: 295, flaws: [] }] });
    expect(leftOf(roll({ kind: 'offcut', widthMm: 900, lengthMm: 890 }), placed.slice(0, 1), 5, 200).offcuts).toEqual([]);
    expect(leftOf(roll({ lengthMm: 700 }), placed, 5, 200).rest).toBeNull();
  });

  it('is laid on in whole millimetres, less rather than more, flaws outward', () => {
    const sheet = sheetOf(roll({ widthMm: 2000.7, lengthMm: 99.9, flaws: [{ x: 10.6, y: 1.2, w: 5, h: 5.9, note: '' }] }), 5);
    expect(sheet).toMatchObject({ width: 2000, length: 99, flaws: [{ x: 10, y: 1, w: 6, h: 7 }] });
  });

  it('says what cannot be in the store', () => {
    const wrong = stockViolations(
      roll({ tag: ' ', widthMm: 9000, lengthMm: 0, flaws: [{ x: 1990, y: 0, w: 20, h: 5, note: '' }] }),
    );
    expect(wrong.join(' ')).toMatch(/needs a tag.*9000 mm is outside 50 to 6000 mm.*0 mm is outside 1 to/);
    expect(stockViolations(roll({ flaws: [{ x: 1990, y: 0, w: 20, h: 5, note: '' }] }))[0]).toMatch(/does not lie on the cloth/);
    expect(stockViolations(roll())).toEqual([]);
  });
});

describe('the piece of a job', () => {
  const inputs = newInputs('t', length(900), length(600));
  const piece = (warp: 'width' | 'height', edges: JobInputs['brief']['edges'] = 'rebate') =>
    clothPieceOf(
      'j',
      {
        ...inputs,
        brief: { ...inputs.brief, edges },
        cloth: { ...inputs.cloth, warp, ownMargin: { ...inputs.cloth.ownMargin, left: length(40) } },
      },
      DEFAULT_RULES,
      { unit: 'mm', stepMm: 1 },
    );

  it('lies with its warp along the roll, each margin where it belongs', () => {
    // Covered bar: 79.2 mm; 900 + 79.2 + 40 = 1019.2, 600 + 158.4 = 758.4.
    expect(piece('height')).toMatchObject({ w: 1020, h: 759, margin: [40, 79, 79, 79] });
    // Turned clockwise: its left side, with the lean margin, lies towards the cut end.
    expect(piece('width')).toMatchObject({ w: 759, h: 1020, margin: [79, 40, 79, 79] });
  });

  it('keeps at least the face clear', () => {
    const one = { ...piece('width'), flawRule: 'face' as const };
    const clear = keptClear(one, { id: 'j', x: 0, y: 0, w: one.w, h: one.h, turned: false });
    expect(clear.h).toBeGreaterThanOrEqual(900);
    expect(clear.w).toBeGreaterThanOrEqual(600);
  });

  it('keeps the edges clear too where they are seen, as far as each is covered', () => {
    const { edgeMm } = marginParts(
      inputs.cloth.marginStyle,
      profileOf(DEFAULT_RULES, inputs.bars.profile),
      fabricOf(DEFAULT_RULES, inputs.cloth.fabric),
      inputs.cloth.grip,
      DEFAULT_RULES,
    );
    const clear = (edges: JobInputs['brief']['edges']) => {
      const one = { ...piece('height', edges), flawRule: 'face' as const };
      return keptClear(one, { id: 'j', x: 0, y: 0, w: one.w, h: one.h, turned: false });
    };
    expect(clear('unframed').h).toBeGreaterThanOrEqual(600 + 2 * edgeMm);
    expect(clear('unframed').h).toBeLessThan(600 + 2 * edgeMm + 3);
    expect(clear('unframed').x).toBeLessThanOrEqual(40 - edgeMm + 1);
    expect(clear('float')).toEqual(clear('rebate'));
    expect(piece('height', 'float')).toMatchObject({ margin: [40, 79, 79, 79] });
  });
});
