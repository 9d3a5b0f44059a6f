import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import { type JobInputs, newInputs } from '../job/job';
import type { Verdict } from '../job/verdict';
import { length } from '../units/length';
import { faceForRebate, leftOnceGrown, planRebate, rebateReadings, rebateRoom } from './planRebate';
import { rebateVerdicts } from './rebateVerdicts';
import type { RebateInputs } from './rebateInputs';

const context = { rules: DEFAULT_RULES, tape: { unit: 'mm', stepMm: 1 } } as Parameters<typeof planRebate>[1];
/** A canvas of 400 × 300 mm on cloth half a millimetre thick, more or less, in a rebate as it was read. */
function inRebate(rebate: Partial<RebateInputs>, edges: JobInputs['brief']['edges'] = 'rebate'): JobInputs {
  const fresh = newInputs('Study', length(400), length(300));
  return { ...fresh, brief: { ...fresh.brief, edges, rebate: { ...fresh.brief.rebate, ...rebate } } };
}
const read = (top: number, right: number, bottom = top, left = right): Partial<RebateInputs> => ({
  top: length(top),
  right: length(right),
  bottom: length(bottom),
  left: length(left),
});
const lips = (left: number, others = 8) => ({
  top: length(others),
  right: length(others),
  bottom: length(others),
  left: length(left),
});
const told = (inputs: JobInputs): Record<string, Verdict['level']> =>
  Object.fromEntries(rebateVerdicts(inputs, context).map(({ id, level }) => [id, level]));

describe('the frame that a canvas goes into', () => {
  it('says nothing until a width and a height are read, and nothing of a canvas that goes into none', () => {
    expect(planRebate(inRebate({}), context)).toEqual({ kind: 'missing' });
    expect(planRebate(inRebate({ top: length(404) }), context)).toEqual({ kind: 'missing' });
    expect(planRebate(inRebate(read(404, 304), 'unframed'), context)).toBeNull();
    expect(told(inRebate({}))).toEqual({});
    expect(rebateRoom(inRebate({}), context)).toEqual({ mm: 4, measured: false });
  });

  it('takes it for square while no diagonal is read, by the narrower of two widths, and says so', () => {
    const inputs = inRebate(read(410, 304, 404));
    const rebate = planRebate(inputs, context);
    expect(rebate).toMatchObject({ kind: 'measured', plan: { takenForSquare: true } });
    const room = rebateRoom(inputs, context);
    expect(room.measured).toBe(true);
    // Four of each way, less the cloth on both sides.
    expect(room.mm).toBeGreaterThan(2);
    expect(room.mm).toBeLessThan(4);
    expect(told(inputs)).toMatchObject({ rebateSquare: 'watch' });
  });

  it('lies below the back of the frame or stands proud of it, by the bar with the cloth on both its faces', () => {
    const inputs = inRebate({ ...read(420, 320) });
    const profile = profileOf(DEFAULT_RULES, inputs.bars.profile);
    const deep = profile.depthMm + 2 * fabricOf(DEFAULT_RULES, inputs.cloth.fabric).thicknessMm;
    const depth = (mm: number | null, fixing: 'plates' | 'clips' = 'plates') =>
      rebateVerdicts(inRebate({ ...read(420, 320), depth: mm === null ? null : length(mm), fixing }), context).find(
        ({ id }) => id === 'rebateDepth',
      );
    expect(depth(null)).toBeUndefined();
    expect(depth(deep)).toMatchObject({ level: 'good', measured: deep, doThis: '' });
    expect(depth(deep - 2)).toMatchObject({ level: 'watch', says: 'The canvas stands 2 mm proud of the back of the frame.' });
    expect(depth(deep - 2)!.doThis).toMatch(/take a shallower bar/);
    expect(depth(deep - 2, 'clips')!.doThis).toMatch(/^Spring clips press it the harder/);
    expect(depth(deep + 3)!.says).toBe('The canvas lies 3 mm below the back of the frame.');
  });

  it('tells how far it may be keyed in the frame as measured, and that nails hold its corners', () => {
    const wide = inRebate({ ...read(420, 320), fixing: 'plates' });
    expect(told(wide)).toMatchObject({ rebateKeyed: 'good' });
    expect(told(wide)).not.toHaveProperty('rebateFixing');
    const tight = inRebate({ ...read(406, 306), fixing: 'nails' });
    expect(told(tight)).toMatchObject({ rebateFit: 'good', rebateKeyed: 'watch', rebateFixing: 'watch' });
    const rebate = planRebate(tight, context);
    if (rebate?.kind !== 'measured') throw new Error('it was measured');
    const { room, grows } = rebate.plan.keyed!;
    expect(grows.widthMm).toBeGreaterThan(room.widthMm);
    for (const [by, binds] of [
      [-0.02, false],
      [0.02, true],
    ] as const) {
      const left = leftOnceGrown(tight, context, { widthMm: room.widthMm + by, heightMm: 0 })!;
      expect([left.mm < 0, left.measured], String(by)).toEqual([binds, true]);
    }
    expect(leftOnceGrown(inRebate({}), context, { widthMm: 5, heightMm: 1 })).toEqual({ mm: -1, measured: false });
    expect(leftOnceGrown(inRebate({}, 'unframed'), context, grows)).toBeNull();
    // What is glued or screwed does not grow; what does not go in at all is told once.
    expect(told({ ...tight, bars: { ...tight.bars, joint: 'mitreGlued' } })).not.toHaveProperty('rebateKeyed');
    expect(told(inRebate(read(399, 299)))).not.toHaveProperty('rebateKeyed');
  });

  it('judges the gap where it is narrowest: a frame out of square leaves less', () => {
    expect(told(inRebate(read(406, 306))).rebateFit).toBe('good');
    const diagonal = Math.hypot(406, 306);
    const leaning = inRebate({ ...read(406, 306), down: length(diagonal + 8), up: length(diagonal - 8) });
    expect(planRebate(leaning, context)).toMatchObject({ kind: 'measured', plan: { takenForSquare: false } });
    expect(told(leaning).rebateFit).toBe('stop');
    expect(told(inRebate(read(403, 330))).rebateFit).toBe('watch');
    expect(told(inRebate({ ...read(406, 306), down: length(900) }))).toEqual({ rebateReadings: 'stop' });
  });

  it('names sides as they are seen from the front, also for whoever works on the back', () => {
    const inputs = inRebate({ ...read(406, 306), lip: lips(2) });
    for (const view of ['front', 'back'] as const)
      expect(rebateVerdicts(inputs, { ...context, view }).find(({ id }) => id === 'rebateLip')!.says).toMatch(
        /at the left, upper end/,
      );
  });

  it('judges what the lip hides, and the depth', () => {
    const square = read(406, 306);
    expect(told(inRebate({ ...square, lip: lips(8) })).rebateLip).toBe('good');
    expect(told(inRebate({ ...square, lip: lips(4) })).rebateLip).toBe('watch');
    expect(told(inRebate({ ...square, lip: lips(2) })).rebateLip).toBe('stop');
    expect(told(inRebate(square)).rebateLip).toBeUndefined();
    expect(told(inRebate({ ...square, depth: length(40) })).rebateDepth).toBe('good');
    expect(told(inRebate({ ...square, depth: length(15) })).rebateDepth).toBe('watch');
  });

  it('gives the face that leaves the clearance, and that face then has it', () => {
    const inputs = inRebate({ ...read(452, 351, 450, 353), down: length(572), up: length(570) });
    const face = faceForRebate(inputs, context)!;
    const taken = { ...inputs, brief: { ...inputs.brief, width: length(face.widthMm), height: length(face.heightMm) } };
    expect(rebateRoom(taken, context).mm).toBeGreaterThanOrEqual(4 - 1e-6);
    expect(rebateRoom(taken, context).mm).toBeLessThan(7);
    expect(told(taken).rebateFit).toBe('good');
  });

  it('writes down what was read and nothing else', () => {
    const readings = rebateReadings(
      inRebate({ top: length(404), down: length(505), lip: { ...lips(8), top: null } }),
      DEFAULT_RULES,
    );
    expect(readings.map(({ quantity, of, value }) => [quantity, of, value])).toEqual([
      ['rebate', 'top', 404],
      ['rebate', 'down', 505],
      ['lip', 'right', 8],
      ['lip', 'bottom', 8],
      ['lip', 'left', 8],
    ]);
    expect(rebateReadings(inRebate({ top: length(404) }, 'unframed'), DEFAULT_RULES)).toEqual([]);
  });
});
