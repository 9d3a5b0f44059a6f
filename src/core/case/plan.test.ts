import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { FABRICS } from '../cloth/fabrics';
import { MARGIN_STYLES } from '../cloth/marginStyles';
import { FASTENERS } from '../fasten/fasteners';
import { JOINTS } from '../frame/joints';
import { PROFILES } from '../frame/profiles';
import { SPECIES } from '../frame/timber';
import { ASSUMPTIONS } from '../house/assumptions';
import { DEFAULT_RULES, assumed, ruleViolations, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import type { SideEnds } from '../painting/paintingInputs';
import { alikeCorners } from '../stages/tune/tuneInputs';
import { EDGES, HANGS, MEDIUMS, USES } from '../house/schools';
import { STAGE_IDS, type StageId } from '../stages/stages';
import { type Verdict, levelAtMost, worstLevel } from '../job/verdict';
import { SYSTEMS } from '../prime/grounds';
import { FEELS } from '../tension/feel';
import { REMEDIES } from '../tension/remedies';
import { length } from '../units/length';
import { HANGINGS } from '../stages/handover/hangings';
import { planJob } from './planJob';

const context = (unit: 'mm' | 'cm' | 'in' = 'mm') => ({ rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, unit) });
const inputs = newInputs('Harbour', length(900), length(600));

/** A margin read at its first end only. */
const end = (mm: number | null): SideEnds => ({ first: mm === null ? null : length(mm), second: null });

type Patch = { [K in StageId]?: Partial<JobInputs[K]> };
const patched = (patch: Patch): JobInputs =>
  STAGE_IDS.reduce<JobInputs>((sum, id) => ({ ...sum, [id]: { ...sum[id], ...patch[id] } }), inputs);

/** The verdict on one thing, or a failure that lists what there is. */
function about(stage: StageId, what: string, patch: Patch = {}, coats = 0): Verdict {
  const { verdicts } = planJob(patched(patch), context(), coats)[stage];
  const found = verdicts.find((one) => one.id === what);
  if (!found) throw new Error(`no verdict about ${what}: ${verdicts.map((one) => one.id).join(', ')}`);
  return found;
}
const abouts = (stage: StageId, patch: Patch = {}) => planJob(patched(patch), context(), 0)[stage].verdicts.map((one) => one.id);
const readings = (mm: Record<'top' | 'right' | 'bottom' | 'left' | 'down' | 'up' | 'lift', number>) => ({
  ...inputs.square,
  ...Object.fromEntries(Object.entries(mm).map(([name, value]) => [name, length(value)])),
});
const D = Math.hypot(900, 600);
const square = { top: 900, bottom: 900, left: 600, right: 600, down: D, up: D, lift: 0 };

const anyInputs = fc
  .record({
    width: fc.integer({ min: 100, max: 4000 }),
    height: fc.integer({ min: 100, max: 4000 }),
    use: fc.constantFrom(...USES),
    edges: fc.constantFrom(...EDGES),
    medium: fc.constantFrom(...MEDIUMS),
    hangs: fc.constantFrom(...HANGS),
    profile: fc.constantFrom(...PROFILES),
    species: fc.constantFrom(...SPECIES),
    joint: fc.constantFrom(...JOINTS),
    fabric: fc.constantFrom(...FABRICS),
    style: fc.constantFrom(...MARGIN_STYLES),
    fastener: fc.constantFrom(...FASTENERS),
    system: fc.constantFrom(...SYSTEMS),
    feel: fc.constantFrom(...FEELS),
    remedy: fc.constantFrom(...REMEDIES),
    hanging: fc.constantFrom(...HANGINGS),
    opening: fc.integer({ min: 0, max: 20 }),
    down: fc.option(fc.integer({ min: 1, max: 8000 })),
    up: fc.option(fc.integer({ min: 1, max: 8000 })),
    margin: fc.option(fc.integer({ min: 0, max: 120 })),
    roomC: fc.integer({ min: 0, max: 45 }),
    roomRh: fc.integer({ min: 5, max: 100 }),
    unit: fc.constantFrom('mm' as const, 'cm' as const, 'in' as const),
    flag: fc.boolean(),
  })
  .map((any) => {
    const base = newInputs('Any', length(any.width), length(any.height));
    const typed: JobInputs = {
      ...base,
      brief: { ...base.brief, use: any.use.id, edges: any.edges.id, medium: any.medium.id, hangs: any.hangs.id },
      bars: {
        ...base.bars,
        profile: any.profile.id,
        species: any.species.id,
        joint: any.joint.id,
        bracesUpright: any.flag ? [0.4] : [],
      },
      square: { ...base.square, down: any.down === null ? null : length(any.down), up: any.up === null ? null : length(any.up) },
      cloth: {
        ...base.cloth,
        fabric: any.fabric.id,
        marginStyle: any.style.id,
        washFirst: any.flag,
        takeOffStretch: any.flag,
        left: { ...base.cloth.left, top: { first: any.margin === null ? null : length(any.margin), second: null } },
      },
      fasten: { ...base.fasten, fastener: any.fastener.id },
      tune: {
        ...base.tune,
        feel: any.feel.id,
        remedy: any.remedy.id,
        corners: alikeCorners(length(any.opening)),
        weight: {
          ...base.tune.weight,
          disc: length(any.opening * 6 + 1),
          lightSag: any.margin === null ? null : length(any.margin / 10),
          heavySag: any.flag ? length(any.roomC / 10) : null,
        },
      },
      prime: { ...base.prime, system: any.system.id, roomC: any.roomC, roomRh: any.roomRh },
      handover: { ...base.handover, hanging: any.hanging.id },
    };
    return { typed, unit: any.unit };
  });

describe('the plan of any job', () => {
  it('is made for every allowed input: finite numbers, whole sentences, one verdict a thing', () => {
    fc.assert(
      fc.property(anyInputs, fc.integer({ min: 0, max: 4 }), ({ typed, unit }, coats) => {
        const plan = planJob(typed, context(unit), coats);
        for (const id of STAGE_IDS) {
          const { answer, answerNote, verdicts, readings: read } = plan[id];
          expect(
            `${answer} ${answerNote} ${verdicts.map((one) => `${one.says} ${one.because} ${one.doThis}`).join(' ')}`,
          ).not.toMatch(/NaN|Infinity|undefined|null|\[object|\d\.\d{4,}/);
          expect(new Set(verdicts.map((one) => one.id)).size).toBe(verdicts.length);
          for (const one of verdicts) {
            expect(one.says).toMatch(/^[A-Z0-9].*\.$/);
            expect(one.measured === null || Number.isFinite(one.measured)).toBe(true);
            if (one.level === 'stop') expect(one.doThis + one.because).not.toBe('');
          }
          for (const one of read) expect(Number.isFinite(one.value)).toBe(true);
        }
        expect(new Set(plan.kit.map((line) => line.id)).size).toBe(plan.kit.length);
      }),
      { seed: 21, numRuns: rounds(100, 250) },
    );
  });

  it('speaks in the tape in hand, and only the words change', () => {
    const [mm, inch] = [planJob(inputs, context('mm'), 0), planJob(inputs, context('in'), 0)];
    expect(mm.cloth.answer).toBe('1059 × 759 mm');
    expect(inch.cloth.answer).toBe('41 11/16 × 29 7/8 in');
    expect(inch.bars.chosen).toEqual(mm.bars.chosen);
  });

  it('never offers water on painted or primed cloth, whatever else is so', () => {
    fc.assert(
      fc.property(anyInputs, ({ typed, unit }) => {
        const painted = USES.find((one) => one.id === typed.brief.use)!.painted;
        const { primed } = FABRICS.find((one) => one.id === typed.cloth.fabric)!;
        const water = planJob(typed, context(unit), 0).tune.advice.find((one) => one.id === 'water')!;
        return (water.barred !== null) === (painted || primed);
      }),
      { seed: 22, numRuns: rounds(80, 200) },
    );
  });
});

describe('verdicts of the frame', () => {
  it('bow stops bars that are too light, and names the lightest that hold', () => {
    const long: Patch = { brief: { width: length(1300) } };
    expect(about('bars', 'topBottomBow', long)).toMatchObject({ level: 'stop', limit: 2, unit: 'mm' });
    expect(about('bars', 'choice', long).says).toMatch(/^Lightest that holds: .* kg\.$/);
    expect(
      about('bars', 'topBottomBow', { brief: { width: length(1300) }, bars: { profile: 'deep', bracesUpright: [0.5] } }).level,
    ).toBe('good');
  });

  it('joint, opening and brace are judged', () => {
    expect(about('bars', 'joint', { bars: { joint: 'buttScrewed' } })).toMatchObject({
      level: 'stop',
      doThis: expect.stringMatching(/slotted/) as string,
    });
    expect(about('bars', 'opening', { brief: { height: length(100) }, bars: { profile: 'broad' } }).level).toBe('stop');
    expect(about('bars', 'braceClearance', { bars: { bracesUpright: [0.5] } })).toMatchObject({
      level: 'good',
      measured: 9,
      limit: expect.closeTo(6.956, 3) as number,
    });
  });

  it('a face too small for any bar of the joint is said to be so, not that they bow', () => {
    const choice = about('bars', 'choice', { brief: { width: length(120), height: length(100) } });
    expect(choice).toMatchObject({ level: 'watch', says: 'This face is small for every bar of this joint.' });
  });

  it('says what was set glue-wet', () => {
    expect(planJob(patched({ bars: { profile: 'batten', joint: 'mitreGlued' } }), context(), 0).bars.setsMinutes).toBe(720);
    expect(planJob(inputs, context(), 0).bars.setsMinutes).toBeNull();
  });
});

describe('verdicts of squareness', () => {
  const at = (patch: Partial<typeof square>, brief: Patch['brief'] = {}) => ({
    brief,
    square: readings({ ...square, ...patch }),
  });

  it('a true rectangle is good in everything', () => {
    const { verdicts } = planJob(patched(at({})), context(), 0).square;
    expect(worstLevel(verdicts)).toBe('good');
    expect(verdicts.map((one) => one.id)).toEqual(['rack', 'pairs', 'agreement', 'size', 'wind']);
  });

  it('tells which diagonal to press and by how much, by the tolerance of its use', () => {
    const rack = about('square', 'rack', at({ down: D + 2.5, up: D - 2.5 }));
    expect(rack).toMatchObject({ level: 'stop', measured: expect.closeTo(5, 3) as number });
    expect(rack.doThis).toMatch(
      /^Press the ends of the longer diagonal, top left to bottom right, together by 2\.5 mm, until both read 1081\.5 mm\.$/,
    );
    expect(rack.says).toMatch(/by 5 mm: the top stands 3 mm to the left \(0\.29°\)/);
    expect(about('square', 'rack', at({ down: D - 1, up: D + 1 }, { edges: 'unframed' }))).toMatchObject({
      level: 'good',
      limit: expect.closeTo((2 * D) / 1000, 9) as number,
    });
    expect(about('square', 'rack', at({ down: D - 1, up: D + 1 }, { edges: 'panel' })).level).toBe('stop');
  });

  it('finds the trapezium with equal diagonals', () => {
    const pairs = about('square', 'pairs', at({ top: 894, bottom: 906 }));
    expect(pairs).toMatchObject({
      level: 'stop',
      says: 'The bottom bar is 12 mm longer than its pair: a trapezium, though its diagonals agree.',
    });
  });

  it('says when size, tape and wind are off, and what is still to read', () => {
    expect(
      about('square', 'size', at({ top: 905, bottom: 905, down: Math.hypot(905, 600), up: Math.hypot(905, 600) })).level,
    ).toBe('stop');
    expect(about('square', 'agreement', at({ down: 1090, up: 1090 })).says).toMatch(
      /one of the diagonals is misread\. Down 10\d\d(\.5)? mm or up/,
    );
    expect(about('square', 'wind', at({ lift: 4 })).level).toBe('watch');
    expect(about('square', 'wind', at({ lift: 9 })).level).toBe('stop');
    expect(about('square', 'tape', at({}, { edges: 'panel' })).level).toBe('watch');
    expect(abouts('square')).toEqual(['diagonals', 'wind']);
    // A trapezium has equal diagonals too.
    const threeSides = { square: { ...readings(square), left: null } };
    expect(about('square', 'sides', threeSides)).toMatchObject({ level: 'watch', doThis: 'Read all four sides.' });
    expect(abouts('square', at({}))).not.toContain('sides');
    expect(about('square', 'reading', at({ down: 1700 })).says).toMatch(
      /top left to bottom right reads 1700 mm: no frame of this plan has that/,
    );
  });
});

describe('verdicts of cloth, fastening and tension', () => {
  it('cloth: hold, raw edge, roll and washing', () => {
    expect(about('cloth', 'rawEdge', { cloth: { marginStyle: 'edge' } }).level).toBe('watch');
    expect(about('cloth', 'rawEdge', { cloth: { marginStyle: 'edge' }, bars: { profile: 'deep' } }).level).toBe('good');
    expect(about('cloth', 'roll', { cloth: { rollWidth: length(700) } })).toMatchObject({
      level: 'stop',
      measured: 759,
      limit: 700,
    });
    expect(about('cloth', 'roll', { cloth: { rollWidth: length(800), warp: 'height' } }).doThis).toMatch(
      /Run the warp along the width instead: 759 mm fits/,
    );
    expect(about('cloth', 'washing', { cloth: { washFirst: true, fabric: 'linenPrimed' } }).level).toBe('stop');
    expect(about('cloth', 'pull', { cloth: { fabric: 'cottonHeavy' } }).level).toBe('watch');
    expect(about('cloth', 'grip', { cloth: { marginStyle: 'edge' } }).says).toMatch(/12 mm of it is added for the grip/);
  });

  it('painted cloth is not cut; each side says what its margin allows', () => {
    const patch: Patch = {
      brief: { use: 'restretch' },
      cloth: { left: { top: end(60), right: end(43), bottom: end(12), left: end(null) } },
    };
    expect(planJob(patched(patch), context(), 0).cloth.answer).toBe('Do not cut');
    expect(['top', 'right', 'bottom'].map((side) => about('brief', `${side}Margin`, patch).level)).toEqual([
      'good',
      'watch',
      'stop',
    ]);
    expect(about('cloth', 'marginsLeft', patch).says).toBe('Still to measure: margin at left.');
    expect(about('brief', 'paintedCanvas', patch).doThis).toMatch(/under Look/);
  });

  it('fastening: spacing, hand, leg and corner', () => {
    expect(about('fasten', 'spacing', { fasten: { spacing: length(90) } }).doThis).toMatch(/scallops/);
    expect(
      about('fasten', 'hand', { brief: { width: length(3000), height: length(3000) }, fasten: { spacing: length(25) } }).level,
    ).toBe('watch');
    expect(about('fasten', 'leg', { fasten: { fastener: 'staple10' }, bars: { species: 'ash' } }).level).toBe('watch');
    expect(about('fasten', 'lastBeforeFold', { fasten: { lastFromCorner: length(90) } }).level).toBe('watch');
  });

  it('fastening: a brace kept clear widens a gap, a painting wants its own route, what holds is counted out', () => {
    expect(
      about('fasten', 'spacing', { bars: { profile: 'standard', bracesUpright: [0.5] }, fasten: { spacing: length(50) } }).says,
    ).toMatch(/\d+ mm where a brace, a knot, a hole or a tear is kept clear/);
    expect(about('fasten', 'route', { brief: { use: 'restretch' } }).doThis).toBe('Choose Registered.');
    expect(abouts('fasten', { brief: { use: 'restretch' }, fasten: { route: 'registered' } })).not.toContain('route');
    expect(about('fasten', 'lookAt', { fasten: { route: 'cornerHeld' } }).doThis).toMatch(
      /4 hold for the time being: count them out/,
    );
    expect(planJob(patched({ fasten: { secondRound: true } }), context(), 0).fasten.hands.squeezes).toBeGreaterThan(
      planJob(inputs, context(), 0).fasten.hands.squeezes * 1.8,
    );
  });

  it('tension: openings, strainers, rebates', () => {
    expect(about('tune', 'corners', { tune: { corners: alikeCorners(length(1)) } }).says).toMatch(
      /grows 2 mm across and 2 mm down; from here tension rises about \d+ N\/m across and \d+ N\/m down/,
    );
    expect(about('tune', 'corners', { tune: { corners: alikeCorners(length(3)) } }).level).toBe('watch');
    expect(about('tune', 'corners', { tune: { corners: alikeCorners(length(7)) } }).level).toBe('stop');
    expect(
      about('tune', 'corners', { tune: { corners: alikeCorners(length(1)) }, bars: { profile: 'batten', joint: 'mitreGlued' } })
        .says,
    ).toMatch(/strainer/);
    expect(
      about('tune', 'rebate', {
        tune: { corners: alikeCorners(length(2.5)) },
        brief: { edges: 'rebate', rebateClearance: length(4) },
      }),
    ).toMatchObject({ level: 'stop', measured: -1, limit: 0 });
    expect(about('tune', 'remedy', { tune: { remedy: 'water' }, brief: { use: 'finished' } })).toMatchObject({
      level: 'stop',
      because: 'The canvas is painted: water can crack the paint.',
    });
  });
});

describe('verdicts of priming and handing over', () => {
  it('keeps oil from raw cloth and water-borne paint from oil', () => {
    expect(about('prime', 'barrier', { brief: { medium: 'oil' }, prime: { system: 'none' } }).level).toBe('stop');
    expect(
      abouts('prime', { brief: { medium: 'oil' }, prime: { system: 'none' }, cloth: { fabric: 'linenPrimed' } }),
    ).not.toContain('barrier');
    expect(about('prime', 'layerOrder', { brief: { medium: 'acrylic' }, prime: { system: 'glueSize' } }).level).toBe('stop');
    expect(about('prime', 'edges', { prime: { edges: false } }).level).toBe('watch');
  });

  it('knows the air: damp, cold, wet', () => {
    expect(about('prime', 'air', { prime: { roomRh: 80 } }).level).toBe('watch');
    expect(about('prime', 'air', { prime: { roomRh: 98 } })).toMatchObject({
      level: 'stop',
      says: expect.stringMatching(/will not dry/) as string,
    });
    expect(about('prime', 'air', { prime: { roomC: 6, roomRh: 40 } }).says).toMatch(/does not form a film; 10 °C is the least/);
    expect(planJob(inputs, context(), 3).prime.answer).toBe('All coats on');
  });

  it('weighs, hangs and lifts', () => {
    const { handover, bars } = planJob(inputs, context(), 0);
    expect(handover.totalKg).toBeCloseTo(handover.frameKg + handover.clothKg + handover.groundKg, 12);
    expect(handover.frameKg).toBe(bars.chosen.weightKg);
    expect(about('handover', 'weight', { handover: { weighedKg: 4 } }).level).toBe('watch');
    expect(about('handover', 'hanging', { handover: { weighedKg: 14 } }).level).toBe('stop');
    expect(about('handover', 'lifting', { brief: { width: length(1600) } }).says).toMatch(/carry it with two/);
  });

  it('counts the kit from the plan', () => {
    const what = (patch: Patch = {}) =>
      planJob(patched(patch), context(), 0)
        .kit.map((line) => line.what)
        .join('; ');
    expect(what()).toMatch(
      /2 × top and bottom, 900 mm, standard bar.*8 keys.*Cotton duck, medium, 1059 × 759 mm.*82 × staple, 8 mm leg/,
    );
    expect(what({ brief: { use: 'finished' }, prime: { system: 'none' } })).not.toMatch(/Cotton duck|ground/);
    expect(what({ prime: { system: 'glueSize' } })).toMatch(/Animal glue, dry, \d+ g.*Water bath/);
  });
});

describe('levels and assumptions', () => {
  it('orders levels', () => {
    expect([1, 2, 3].map((value) => levelAtMost(value, 1, 2))).toEqual(['good', 'watch', 'stop']);
    expect(worstLevel([])).toBe('good');
  });

  it('every assumption lies in its own range, has a reason, and can be overridden within it', () => {
    for (const one of ASSUMPTIONS) {
      expect(one.value >= one.min && one.value <= one.max, one.id).toBe(true);
      expect(one.because.length).toBeGreaterThan(10);
    }
    expect(assumed({ ...DEFAULT_RULES, assumptions: { creep: 1.6 } }, 'creep')).toBe(1.6);
    expect(ruleViolations({ ...DEFAULT_RULES, assumptions: { hem: 99 } })).toEqual([
      'Hem turned under: 99 mm is outside 8 to 25 mm.',
    ]);
  });
});
