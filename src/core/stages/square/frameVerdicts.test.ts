import { describe, expect, it } from 'vitest';
import { lengthsOf } from '../../frame/square/corners';
import { barsAtLean } from '../../frame/square/press';
import { DEFAULT_RULES, type HouseRules, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import type { BarsInputs } from '../bars/barsInputs';
import type { BriefInputs } from '../brief/briefInputs';
import type { SquareInputs } from './squareInputs';
import type { Verdict } from '../../job/verdict';
import { length } from '../../units/length';
import { braceWords } from '../bars/braceWords';
import { planBars, withRecommendedBars } from '../bars/planBars';
import { planSquare } from './planSquare';

interface Case {
  brief?: Partial<BriefInputs>;
  bars?: Partial<BarsInputs>;
  square?: Partial<SquareInputs>;
  rules?: Partial<HouseRules>;
  unit?: 'mm' | 'in';
}
const fresh = newInputs('Harbour', length(900), length(600));
const inputsOf = ({ brief, bars, square }: Case): JobInputs => ({
  ...fresh,
  brief: { ...fresh.brief, ...brief },
  bars: { ...fresh.bars, ...bars },
  square: { ...fresh.square, ...square },
});
const contextOf = ({ rules, unit = 'mm' }: Case) => ({
  rules: { ...DEFAULT_RULES, ...rules },
  tape: tapeFor(DEFAULT_RULES, unit),
});
const barsPlan = (one: Case) => planBars(inputsOf(one), contextOf(one));
const squarePlan = (one: Case) => planSquare(inputsOf(one), contextOf(one));
function find(verdicts: Verdict[], about: string): Verdict {
  const found = verdicts.find((one) => one.id === about);
  if (!found) throw new Error(`no verdict about ${about}: ${verdicts.map((one) => one.id).join(', ')}`);
  return found;
}
const bars = (about: string, one: Case) => find(barsPlan(one).verdicts, about);
const square = (about: string, one: Case) => find(squarePlan(one).verdicts, about);

describe('verdicts of the bars', () => {
  it('the bow says what is added later, with its words, and is judged with it', () => {
    const gentle = bars('topBottomBow', { bars: { tensionNPerM: 150 } });
    expect(gentle.because).toMatch(
      /under 150 N\/m; later 235 N\/m \(3 coats of ground 45, dry air 40\), and wood creeps 1\.7 times/,
    );
    const rules = { assumptions: { groundRise: 0, dryRise: 0 } };
    expect(bars('topBottomBow', { bars: { tensionNPerM: 150 }, rules }).because).toMatch(/later 150 N\/m \(nothing added\)/);
    expect(bars('topBottomBow', { rules }).measured!).toBeCloseTo((250 / 335) * bars('topBottomBow', {}).measured!, 9);
  });

  it('fixed corners help a glued frame when the house says so, never a keyed one', () => {
    const bow = (joint: 'mitreGlued' | 'slotted', cornerFixity: number) =>
      bars('topBottomBow', { bars: { profile: 'deep', joint }, rules: { assumptions: { cornerFixity } } }).measured!;
    expect(bow('mitreGlued', 0.5)).toBeLessThan(0.75 * bow('mitreGlued', 0));
    expect(bow('slotted', 0.5)).toBe(bow('slotted', 0));
  });

  it('recommends with its reason, and says the trade against what was chosen', () => {
    const chosen = withRecommendedBars(fresh, DEFAULT_RULES).bars;
    expect(bars('choice', { bars: chosen })).toMatchObject({ level: 'good', says: 'This is what the sum would take.' });
    const heavy = bars('choice', { bars: { profile: 'heavy' } });
    expect(heavy.level).toBe('good');
    expect(heavy.because).toMatch(
      /make-ups \d+ hold; .* Against yours: \d\.\d+ kg lighter, €\d+\.\d\d cheaper, at \d+ % of the bow allowed/,
    );
    expect(bars('choice', { bars: { tensionNPerM: 800 }, brief: { width: length(3900), height: length(3900) } }).says).toBe(
      'No bar of this joint holds this size at this tension.',
    );
  });

  it('names the listed size next to a special order, and none for timber', () => {
    expect(bars('listedLengths', { brief: { width: length(915), height: length(600) } })).toMatchObject({
      level: 'watch',
      says: '915 mm is not on the list of the standard bar: a special order.',
      doThis: '900 mm × 600 mm comes from the list, if the size is still free.',
    });
    const abouts = (one: Case) => barsPlan(one).verdicts.map((each) => each.id);
    expect(abouts({})).not.toContain('listedLengths');
    expect(abouts({ brief: { width: length(915) }, bars: { profile: 'batten', joint: 'mitreGlued' } })).not.toContain(
      'listedLengths',
    );
  });

  it('braces stand clear of the sag of the cloth: less at a higher tension, never under the least of the house', () => {
    const clear = (tensionNPerM: number) =>
      bars('braceClearance', { bars: { profile: 'light', bracesUpright: [0.5], tensionNPerM } });
    expect(clear(600)).toMatchObject({ level: 'good', measured: 8, limit: 6 });
    expect(clear(120)).toMatchObject({ level: 'watch' });
    expect(clear(120).limit!).toBeGreaterThan(12);
    const thick = { assumptions: { brushSag: 9 } };
    expect(bars('braceClearance', { bars: { profile: 'light', bracesUpright: [0.5] }, rules: thick }).level).toBe('stop');
  });

  it('a long thin brace is watched for buckling; one across it shortens it', () => {
    const long = { brief: { width: length(1900), height: length(2400) }, bars: { profile: 'light', bracesUpright: [0.5] } };
    const alone = bars('braceLoad', long);
    const crossed = bars('braceLoad', { ...long, bars: { ...long.bars, bracesLevel: [0.5] } });
    expect(alone.level).not.toBe('good');
    expect(alone.doThis).toMatch(/let one the other way cross it/);
    expect(crossed.limit!).toBeGreaterThan(3.9 * alone.limit!);
  });

  it('deep bars roll little, long ones more, and the estimate says that it is one', () => {
    const roll = (width: number) =>
      bars('roll', { brief: { width: length(width) }, bars: { profile: 'extraDeep', joint: 'bolted' } });
    expect(roll(700).level).toBe('good');
    expect(roll(2000).measured!).toBeCloseTo((2000 / 700) ** 2 * roll(700).measured!, 6);
    expect(roll(700).because).toMatch(/An estimate/);
  });

  it('the rule of thumb stands beside the sum: the same, fewer, more, or not enough', () => {
    expect(bars('ruleOfThumb', {}).says).toBe('The rule of thumb says the same: no brace.');
    expect(bars('ruleOfThumb', { bars: { profile: 'deep', bracesUpright: [0.5] } }).says).toMatch(
      /would take no brace; the sum holds with these too/,
    );
    const big = { brief: { width: length(1100) }, bars: { profile: 'heavy' } };
    expect(bars('ruleOfThumb', big).says).toMatch(/would take one upright brace; the sum holds with fewer/);
    expect(bars('ruleOfThumb', { brief: { width: length(1600) } }).says).toMatch(/two upright braces; these bars bow past/);
  });

  it('counts braces in words', () => {
    const words = (upright: number[], level: number[]) => braceWords({ bracesUpright: upright, bracesLevel: level });
    expect([words([], []), words([0.5], [0.4]), words([0.3, 0.6], []), words([], [0.5]), words([0.2, 0.5, 0.7], [0.5])]).toEqual([
      'no brace',
      'a cross',
      'two upright braces',
      'one level brace',
      'three upright, one level',
    ]);
  });
});

describe('verdicts of squareness', () => {
  const D = Math.hypot(900, 600);
  const read = (
    mm: Partial<Record<'top' | 'right' | 'bottom' | 'left' | 'down' | 'up', number>>,
    more: Partial<SquareInputs> = {},
  ) => ({
    square: {
      ...Object.fromEntries(
        Object.entries({ top: 900, bottom: 900, left: 600, right: 600, down: D, up: D, ...mm }).map(([name, value]) => [
          name,
          length(value),
        ]),
      ),
      lift: length(0),
      ...more,
    },
  });
  const gap = (mm: number, wider: boolean) => ({ gap: length(mm), wider });

  it('each doubt has its words, and nothing is pressed or sawn on a doubted reading', () => {
    const side = read({ right: 592, down: D + 3 });
    expect(square('agreement', side).says).toMatch(/most likely the right side: 60\d(\.5)? mm would fit/);
    expect(square('rack', side).doThis).toMatch(/^A reading is doubted/);
    expect(square('pairs', side)).toMatchObject({ level: 'watch', doThis: expect.stringMatching(/read it again/) as string });
    expect(square('agreement', read({ up: D + 6 })).says).toMatch(
      /one of the diagonals is misread\. Down 10\d\d(\.5)? mm or up 10\d\d/,
    );
    const held = { ...fresh.square.gaps, topLeft: gap(0, true), bottomRight: gap(0, true) };
    expect(square('agreement', read({ up: D + 6 }, { gaps: held })).says).toMatch(/the diagonal bottom left to top right: 108\d/);
    const lying = { ...fresh.square.gaps, topLeft: gap(4, false) };
    expect(square('agreement', read({}, { gaps: lying })).says).toMatch(
      /The set square at the top left contradicts the tape: it would stand without a gap/,
    );
    const wide = Math.hypot(912, 600);
    expect(square('agreement', read({ top: 912, bottom: 912, down: wide, up: wide })).says).toBe(
      'The top and bottom bars are 12 mm longer than planned.',
    );
    const keystone = Math.sqrt(900 * 914 + Math.hypot(7, 600) ** 2);
    const slant = Math.hypot(7, 600);
    expect(square('agreement', read({ top: 914, left: slant, right: slant, down: keystone, up: keystone })).says).toMatch(
      /^The bars contradict the plan: the top is 1[34](\.5)? mm longer than its pair/,
    );
  });

  it('agreeing readings say so, with the test they passed', () => {
    expect(square('agreement', read({}))).toMatchObject({ level: 'good', says: 'The readings agree with each other.' });
    expect(square('agreement', read({})).because).toMatch(/^χ² = 0 with 5 degrees of freedom, up to 12\.2/);
    const alone = squarePlan({ square: { down: length(D), up: length(D), trust: 'tape' } }).verdicts.map((one) => one.id);
    expect(alone).not.toContain('agreement');
  });

  it('an open joint lengthens both bars of its corner; a long bar stays after pressing', () => {
    const open = read(lengthsOf(barsAtLean({ top: 903, right: 603, bottom: 900, left: 600 }, 0)), { trust: 'tape' });
    expect(square('openJoint', open).says).toBe(
      'Both bars that meet at the top right are long, by about 3 mm: that joint may stand open.',
    );
    const long = read(
      { top: 908, down: Math.sqrt(900 * 908 + 600 ** 2), up: Math.sqrt(900 * 908 + 600 ** 2) },
      { trust: 'tape' },
    );
    expect(square('pressingLeaves', long).says).toMatch(/^Pressing will not make it square: 4 mm stays at the/);
  });

  it('a glued corner is said to move only until the glue sets', () => {
    const racked = read({ down: D + 3, up: D - 3 });
    expect(square('rack', racked).doThis).not.toMatch(/glue/);
    expect(square('rack', { ...racked, bars: { profile: 'batten', joint: 'mitreGlued' } }).doThis).toMatch(
      /A glued corner moves only until the glue sets\.$/,
    );
  });

  it('a set square alone tells the lean, with its honest error; the limit it cannot prove is said', () => {
    const only: Case = { brief: { edges: 'panel' }, square: { gaps: { ...fresh.square.gaps, bottomLeft: gap(3, true) } } };
    expect(squarePlan(only).result).toMatchObject({ kind: 'fitted', diagonalsRead: false });
    expect(square('rack', only).says).toMatch(/the top stands \d(\.\d)? mm to the left \(0\.\d\d°\)/);
    expect(square('tape', only).doThis).toMatch(/hold a set square in two corners/);
  });

  it('wind: from the table before the strings, with cause and remedy by its pattern', () => {
    const wind = (more: Partial<SquareInputs>) => square('wind', read({}, { lift: null, ...more }));
    expect(wind({}).says).toBe('Not looked at for wind yet.');
    expect(wind({ strings: length(2) }).says).toMatch(/lifts 4 mm \(twice the gap between the strings\), 3\.7 mm\/m of diagonal/);
    expect(wind({ strings: length(2), lift: length(1) }).level).toBe('good');
    expect(
      ['rebate', 'unframed', 'panel'].map(
        (edges) => square('wind', { ...read({}, { lift: length(3) }), brief: { edges } as never }).level,
      ),
    ).toEqual(['good', 'watch', 'stop']);
    expect(wind({ lift: length(8), windPattern: 'oneCorner' })).toMatchObject({
      level: 'stop',
      because: expect.stringMatching(/joint of that corner/) as string,
      doThis: expect.stringMatching(/close it flat on the table/) as string,
    });
  });

  it('tries keep their path, in the record too; practice stops a record', () => {
    const first = { top: 900, right: 600, bottom: 900, left: 600, down: D + 4, up: D - 4 };
    const one = read({ down: D + 1, up: D - 1 }, { tries: [first] });
    const plan = squarePlan(one);
    expect(plan.tries.map((each) => Math.round(each.differenceMm))).toEqual([8, 2]);
    expect(plan.readings.map((each) => `${each.quantity} ${each.of}`)).toEqual(
      expect.arrayContaining(['tryDiagonal 1 down', 'diagonal up']),
    );
    expect(square('practiceTape', read({}, { tape: 'practice' })).level).toBe('stop');
    expect(squarePlan(read({}, { tape: 'practice' })).readings[0]).toMatchObject({ tool: 'practice tape', known: 'simulated' });
  });

  it('answers with the diagonal the tape should read, as finely as it can', () => {
    expect(squarePlan({}).answer).toBe('2 × 1081.5 mm');
    expect(squarePlan({ unit: 'in' }).answer).toBe('2 × 42 19/32 in');
  });
});
