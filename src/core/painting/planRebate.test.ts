import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import { type JobInputs, newInputs } from '../job/job';
import type { Verdict } from '../job/verdict';
import { length } from '../units/length';
import { foldLayers, usedFold } from '../cloth/usedFold';
import { planBars } from '../stages/bars/planBars';
import { canvasDepth } from './canvasDepth';
import { framerOrder } from './framerOrder';
import { faceForRebate, leftOnceGrown, planRebate, rebateReadings, rebateRoom } from './planRebate';
import { rebateVerdicts } from './rebateVerdicts';
import { KEYED_GAP_MM } from './sight';
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
  Object.fromEntries(rebateVerdicts(inputs, context, null).map(({ id, level }) => [id, level]));

describe('the frame that a canvas goes into', () => {
  it('says nothing until a width and a height are read, and nothing of a canvas that goes into none', () => {
    expect(planRebate(inRebate({}), context)).toEqual({ kind: 'missing' });
    expect(planRebate(inRebate({ top: length(404) }), context)).toEqual({ kind: 'missing' });
    expect(planRebate(inRebate(read(404, 304), 'unframed'), context)).toBeNull();
    expect(told(inRebate({}))).toEqual({});
    expect(rebateRoom(inRebate({}), context)).toEqual({ mm: 4, measured: false });
  });

  it('takes it for square while no diagonal is read, by the narrower of two widths, and says so', () => {
    const inputs = inRebate(read(410, 308, 404));
    const rebate = planRebate(inputs, context);
    expect(rebate).toMatchObject({ kind: 'measured', plan: { takenForSquare: true } });
    const room = rebateRoom(inputs, context);
    expect(room.measured).toBe(true);
    // Four across and eight down, less the cloth on both sides and the folded corners above and below.
    expect(room.mm).toBeGreaterThan(2);
    expect(room.mm).toBeLessThan(4);
    expect(told(inputs)).toMatchObject({ rebateSquare: 'watch' });
  });

  it('lies below the back of the frame or stands proud of it, by the bar with the cloth on both its faces', () => {
    const inputs = inRebate({ ...read(420, 320) });
    const profile = profileOf(DEFAULT_RULES, inputs.bars.profile);
    const { thicknessMm } = fabricOf(DEFAULT_RULES, inputs.cloth.fabric);
    const body = profile.depthMm + profile.beadMm + 2 * thicknessMm;
    const deep = body + (foldLayers(usedFold(inputs), body).back - 1) * thicknessMm;
    const depth = (mm: number | null, fixing: 'plates' | 'clips' = 'plates') =>
      rebateVerdicts(inRebate({ ...read(420, 320), depth: mm === null ? null : length(mm), fixing }), context, null).find(
        ({ id }) => id === 'rebateDepth',
      );
    expect(depth(null)).toBeUndefined();
    expect(depth(deep + 1e-9)).toMatchObject({ level: 'good', measured: deep, doThis: '' });
    expect(depth(body - 2)!.says).toMatch(/^The canvas stands 2 mm proud of the back of the frame, .* at its folded corners\.$/);
    expect(depth(deep - 0.5)!.says).toMatch(/below the back of the frame; its folded corners stand 0\.5 mm proud\.$/);
    expect(depth(deep - 2)!.doThis).toMatch(/take a shallower bar/);
    expect(depth(deep - 2, 'clips')!.doThis).toMatch(/^Spring clips press it the harder/);
    expect(depth(deep + 3)!.says).toBe('The canvas lies 3 mm below the back of the frame, its folded corners too.');
  });

  it('tells how far it may be keyed in the frame as measured, and that nails hold its corners', () => {
    const wide = inRebate({ ...read(420, 320), fixing: 'plates' });
    expect(told(wide)).toMatchObject({ rebateKeyed: 'good' });
    expect(told(wide)).not.toHaveProperty('rebateFixing');
    const tight = inRebate({ ...read(406, 309), fixing: 'nails' });
    expect(told(tight)).toMatchObject({ rebateFit: 'good', rebateKeyed: 'watch', rebateFixing: 'watch' });
    const rebate = planRebate(tight, context);
    if (rebate?.kind !== 'measured') throw new Error('it was measured');
    const { cornerMm, grows } = rebate.plan.keyed!;
    expect(grows.widthMm).toBeGreaterThan(2 * cornerMm!);
    for (const [by, keeps] of [
      [-0.02, true],
      [0.02, false],
    ] as const) {
      const grown = 2 * (cornerMm! + by);
      const left = leftOnceGrown(tight, context, { widthMm: grown, heightMm: grown })!;
      expect([left.mm > KEYED_GAP_MM, left.measured], String(by)).toEqual([keeps, true]);
    }
    const { says } = rebateVerdicts(tight, context, null).find(({ id }) => id === 'rebateKeyed')!;
    expect(says).toMatch(/binds at the .* Each corner may be opened by [\d.]+ mm, no more\.$/);
    expect(leftOnceGrown(inRebate({}), context, { widthMm: 5, heightMm: 1 })).toEqual({ mm: -1, measured: false });
    expect(leftOnceGrown(inRebate({}, 'unframed'), context, grows)).toBeNull();
    // What is glued or screwed does not grow; what does not go in at all is told once.
    expect(told({ ...tight, bars: { ...tight.bars, joint: 'mitreGlued' } })).not.toHaveProperty('rebateKeyed');
    expect(told(inRebate(read(399, 299)))).not.toHaveProperty('rebateKeyed');
  });

  it('judges the gap where it is narrowest: a frame out of square leaves less', () => {
    expect(told(inRebate(read(406, 309))).rebateFit).toBe('good');
    const diagonal = Math.hypot(406, 309);
    const leaning = inRebate({ ...read(406, 309), down: length(diagonal + 8), up: length(diagonal - 8) });
    expect(planRebate(leaning, context)).toMatchObject({ kind: 'measured', plan: { takenForSquare: false } });
    expect(told(leaning).rebateFit).toBe('stop');
    expect(told(inRebate(read(403, 330))).rebateFit).toBe('watch');
    expect(told(inRebate({ ...read(406, 306), down: length(900) }))).toEqual({ rebateReadings: 'stop' });
  });

  it('names sides as they are seen from the front, also for whoever works on the back', () => {
    const inputs = inRebate({ ...read(406, 309), lip: lips(2) });
    for (const view of ['front', 'back'] as const)
      expect(rebateVerdicts(inputs, { ...context, view }, null).find(({ id }) => id === 'sightFree')!.says).toMatch(
        /^Left free it can slide until .* of light shows at the left\.$/,
      );
  });

  it('judges what the lip hides, and the depth', () => {
    const square = read(406, 309);
    expect(told(inRebate({ ...square, lip: lips(8) })).sightPacked).toBe('good');
    expect(told(inRebate({ ...square, lip: lips(4, 4) })).sightPacked).toBe('watch');
    expect(told(inRebate({ ...square, lip: lips(2, 2) })).sightPacked).toBe('stop');
    expect(told(inRebate(square)).sightPacked).toBeUndefined();
    expect(told(inRebate({ ...square, depth: length(40) })).rebateDepth).toBe('good');
    expect(told(inRebate({ ...square, depth: length(15) })).rebateDepth).toBe('watch');
  });

  it('counts bar, bead, cloth and the folded corner in the depth, in the order as in the verdict, and says what a slip takes', () => {
    const light = inRebate({ ...read(406, 309), depth: length(19), lip: lips(8) });
    light.bars = { ...light.bars, profile: 'light' };
    const { depthMm, beadMm } = profileOf(DEFAULT_RULES, 'light');
    const { thicknessMm } = fabricOf(DEFAULT_RULES, light.cloth.fabric);
    const body = depthMm + beadMm + 2 * thicknessMm;
    const layers = foldLayers(usedFold(light), body).back;
    expect(layers).toBeGreaterThan(1);
    const [place] = rebateVerdicts(light, context, null).filter(({ id }) => id === 'rebateDepth');
    expect(place!.measured).toBeCloseTo(body + (layers - 1) * thicknessMm, 9);
    expect(place!.says).toMatch(/proud of the back of the frame, .* at its folded corners/);
    // Bars says the same of the bars that are chosen there.
    expect(planBars(light, context).verdicts.find(({ id }) => id === 'rebateDepth')).toEqual(place);
    expect(canvasDepth({ depthMm: 17, beadMm: 2 }, 0.6)).toEqual({ bodyMm: 20.2, cornerMm: 20.2 });
    // A frame as deep as was ordered leaves nothing proud.
    expect(framerOrder(light, context).depthMm).toBeCloseTo(place!.measured!, 9);
    // A strip of bare cloth is covered wherever it slides.
    expect(framerOrder(light, context, 3).lipMm - framerOrder(light, context).lipMm).toBeCloseTo(3, 9);
  });

  it('says what is larger than the image, what would cover it, and a lip that hides too much of it', () => {
    const inputs = inRebate({ ...read(406, 309), lip: lips(8) });
    // Six of bare cloth inside every edge of the face.
    const bare = {
      topLeft: { x: 6, y: 6 },
      topRight: { x: -6, y: 6 },
      bottomRight: { x: -6, y: -6 },
      bottomLeft: { x: 6, y: -6 },
    };
    const sight = (one: JobInputs, image: Parameters<typeof rebateVerdicts>[2]) =>
      rebateVerdicts(one, context, image).find(({ id }) => id === 'sightPacked')!;
    expect(sight(inputs, null)).toMatchObject({ level: 'good' });
    const shows = sight(inputs, bare);
    expect(shows).toMatchObject({ level: 'stop', limit: 0 });
    expect(shows.says).toMatch(
      /larger than the image: laid as well as can be, .* of bare cloth shows at the (top|bottom|left|right)\./,
    );
    const slip = Number(/A slip of (\d+) mm/.exec(shows.doThis)![1]);
    // What it proposes covers, by the same calculation.
    expect(
      sight({ ...inputs, brief: { ...inputs.brief, rebate: { ...inputs.brief.rebate, lip: lips(8 + slip, 8 + slip) } } }, bare)
        .level,
    ).not.toBe('stop');
    const wide = sight(inRebate({ ...read(406, 309), lip: lips(80, 80) }), null);
    expect(wide).toMatchObject({ level: 'watch', because: 'No frame is meant to hide so much of an image.' });
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
