import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { SYSTEMS } from '../../prime/grounds';
import { length } from '../../units/length';
import { NOTHING_TAUGHT, type Taught } from '../../log/logEntry';
import { type JobHistory, NO_HISTORY } from '../../log/jobHistory';
import { planJob } from '../../case/planJob';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
function primed(change: (inputs: JobInputs) => void, coatsDone = 0, more: { history?: JobHistory; taught?: Taught } = {}) {
  const inputs = newInputs('t', length(1000), length(500));
  change(inputs);
  return planJob(inputs, { ...context, ...more }, coatsDone).prime;
}
const about = (plan: ReturnType<typeof primed>, what: string) => plan.verdicts.find((one) => one.id === what);

describe('cloth that comes primed', () => {
  it('is asked about before another ground goes on, and only then', () => {
    const of = (fabric: string, system: (typeof SYSTEMS)[number]['id'], use: 'new' | 'finished' = 'new') =>
      primed((inputs) => {
        inputs.cloth.fabric = fabric;
        inputs.prime.system = system;
        inputs.brief.use = use;
      });
    expect(about(of('linenPrimed', 'acrylic'), 'primedCloth')).toMatchObject({
      level: 'watch',
      doThis: expect.stringMatching(/try it on an offcut/) as string,
    });
    expect(about(of('linenPrimed', 'none'), 'primedCloth')).toBeUndefined();
    expect(about(of('cottonMedium', 'acrylic'), 'primedCloth')).toBeUndefined();
    // Of a painting there is nothing to prime and nothing to judge, whatever the field was left at.
    const painting = of('linenPrimed', 'acrylic', 'finished');
    expect(painting).toMatchObject({ coats: [], steps: [], verdicts: [], readings: [], wetting: null, minutes: 0 });
  });
});

describe('what lies under what', () => {
  it.each([
    ['oil', 'acrylic', 'A water-borne layer does not hold on an oil ground.'],
    ['glue', 'acrylic', 'An acrylic layer over animal glue lets go.'],
    ['acrylic', 'glueSize', 'Animal glue does not hold over a closed film.'],
    ['oil', 'household', 'A water-borne layer does not hold on an oil ground.'],
  ] as const)('%s under the system %s is stopped', (over, system, says) => {
    const plan = primed((inputs) => Object.assign(inputs.prime, { over, system }));
    expect(about(plan, 'below')).toMatchObject({ level: 'stop', says });
  });

  it.each(SYSTEMS.map(({ id }) => id))('%s goes on raw cloth', (system) => {
    expect(
      about(
        primed((inputs) => Object.assign(inputs.prime, { system })),
        'below',
      ),
    ).toBeUndefined();
  });

  it('household paint tells its risks, and is no barrier for oil', () => {
    const plan = primed((inputs) => {
      inputs.prime.system = 'household';
      inputs.brief.medium = 'oil';
    });
    expect(about(plan, 'barrier')!.level).toBe('stop');
    expect(about(plan, 'care1')!.says).toMatch(/yellows, chalks and may crack/);
    for (const system of ['clear', 'pvaOil', 'acrylic', 'glueSize'] as const)
      expect(
        about(
          primed((inputs) => Object.assign(inputs.prime, { system }) && (inputs.brief.medium = 'oil')),
          'barrier',
        ),
      ).toBeUndefined();
  });

  it('neither paint nor primed cloth is wetted first', () => {
    const wet = (change: (inputs: JobInputs) => void) =>
      about(
        primed((inputs) => {
          inputs.prime.wetFirst = true;
          change(inputs);
        }),
        'wetNever',
      );
    expect(wet(() => undefined)).toBeUndefined();
    expect(wet((inputs) => (inputs.cloth.fabric = 'linenPrimed'))!.level).toBe('stop');
  });
});

describe('the pot', () => {
  it('is capped in its water, with the reason', () => {
    const thin = (waterParts: number) => primed((inputs) => (inputs.prime.waterParts = waterParts));
    expect(about(thin(1), 'thinning')).toBeUndefined();
    expect(about(thin(1.5), 'thinning')).toMatchObject({ level: 'stop', measured: 1.5, limit: 1 });
    expect(about(thin(1.5), 'thinning')!.because).toMatch(/powders and cracks/);
    expect(thin(1).coats[0]!.recipe.waterMl).toBeCloseTo(thin(1).coats[0]!.recipe.groundMl, 9);
    // Only the next coat is thinned otherwise.
    expect(thin(1).coats[1]!.waterParts).toBe(0.2);
  });

  it('what was used is written down a square metre, with what is left of it dry', () => {
    const plan = primed((inputs) => Object.assign(inputs.prime, { mixedMl: 150, leftMl: 30 }));
    expect(plan.usedMl).toBe(120);
    expect(plan.readings.find(({ quantity }) => quantity === 'absorbed')).toMatchObject({
      of: 'firstAbsorb cottonMedium',
      known: 'reckoned',
    });
    const value = (quantity: string) => plan.readings.find((one) => one.quantity === quantity)!.value;
    expect(value('groundMixed')).toBe(150);
    expect(value('groundUsed')).toBe(120);
    expect(value('absorbed')).toBeCloseTo(120 / plan.areaM2, 0);
    // Acrylic, 0.6 parts of water: 1.4 g/ml × 0.55 of what is not water.
    expect(value('dryGround')).toBeCloseTo((120 * 1.4 * 0.55) / 1.6 / plan.areaM2, 0);
    expect(about(plan, 'pot')).toMatchObject({ level: 'good', measured: 120 });
    expect(
      about(
        primed((inputs) => Object.assign(inputs.prime, { mixedMl: 300, leftMl: 10 })),
        'pot',
      )!.level,
    ).toBe('watch');
    expect(
      about(
        primed((inputs) => Object.assign(inputs.prime, { mixedMl: 30, leftMl: 30 })),
        'pot',
      )!.level,
    ).toBe('stop');
    expect(primed(() => undefined).readings.some(({ quantity }) => quantity === 'groundUsed')).toBe(false);
  });

  it('follows what the cloth took before', () => {
    const taught = { ...NOTHING_TAUGHT, firstAbsorb: { value: 260, records: 4 } };
    const plan = primed(() => undefined, 0, { taught });
    expect(plan.coats[0]!.recipe.totalMl).toBeCloseTo(plan.areaM2 * 260 * 1.1, 6);
    expect(about(plan, 'absorption')!.says).toBe('Reckoned with 260 ml/m², as your last 4 records of this cloth went.');
    expect(plan.coats[1]!.absorbMlPerM2).toBe(115);
  });
});

describe('paint to come, against what lies on top', () => {
  const with_ = (
    medium: JobInputs['brief']['medium'],
    over: JobInputs['prime']['over'],
    system: JobInputs['prime']['system'] = 'none',
  ) =>
    primed((inputs) => {
      inputs.brief.medium = medium;
      Object.assign(inputs.prime, { over, system });
    });

  it('stops acrylic over an oil ground that is on the cloth already', () => {
    expect(about(with_('acrylic', 'oil'), 'layerOrder')).toMatchObject({ level: 'stop' });
    expect(about(with_('watercolour', 'oil'), 'layerOrder')).toMatchObject({ level: 'stop' });
    expect(about(with_('oil', 'oil'), 'layerOrder')).toBeUndefined();
  });

  it.each(['acrylic', 'pva', 'glue', 'oil'] as const)('does not stop oil over %s that is there already', (over) => {
    expect(about(with_('oil', over), 'barrier')).toBeUndefined();
  });

  it('stops oil on raw cloth, and has a word for a medium that is not decided', () => {
    expect(about(with_('oil', 'raw'), 'barrier')).toMatchObject({ level: 'stop' });
    expect(about(with_('undecided', 'raw'), 'unsealed')).toMatchObject({ level: 'watch' });
    expect(about(with_('undecided', 'raw', 'acrylic'), 'unsealed')).toBeUndefined();
    expect(about(with_('acrylic', 'raw'), 'unsealed')).toBeUndefined();
  });
});

describe('drying', () => {
  const oil = (roomC: number, roomRh: number) =>
    primed((inputs) => Object.assign(inputs.prime, { system: 'glueSize', roomC, roomRh }), 2);

  it('of oil goes with warmth and not with humidity, as a wide range', () => {
    expect(oil(20, 90).coats[2]!.dryMinutes).toEqual(oil(20, 30).coats[2]!.dryMinutes);
    expect(oil(10, 50).coats[2]!.dryMinutes![1]).toBeCloseTo(2 * oil(20, 50).coats[2]!.dryMinutes![1], 6);
    const [from, to] = oil(20, 50).coats[2]!.dryMinutes!;
    expect(to / from).toBeGreaterThan(3);
    expect(about(oil(20, 99), 'air')).toMatchObject({ level: 'good' });
    expect(about(oil(20, 99), 'air')!.because).toMatch(/oxygen/);
  });

  it('of what gives off water never falls under a part of the label', () => {
    const dry = primed((inputs) => Object.assign(inputs.prime, { roomC: 40, roomRh: 5 }));
    expect(dry.coats[0]!.dryMinutes).toEqual([15, 45]);
  });

  it('wetting first is a step with litres, drying and tension, before the first coat alone', () => {
    const wet = (coatsDone: number) => primed((inputs) => (inputs.prime.wetFirst = true), coatsDone);
    expect(wet(0).wetting!.litres).toBeCloseTo(0.25 * wet(0).areaM2, 9);
    expect(wet(0).steps[0]).toMatch(/^Wet the back evenly with 0\.\d+ l of water/);
    expect(about(wet(0), 'wetting')!.says).toMatch(/30 N\/m tighter/);
    expect(wet(1).wetting).toBeNull();
    expect(primed(() => undefined).steps[0]).toBe('Brush off lint.');
  });
});

it('what was left without a measured mix is held against the mix that was told, and said so', () => {
  const plan = primed((inputs) => Object.assign(inputs.prime, { leftMl: 20 }));
  expect(plan.usedMl).toBeGreaterThan(60);
  expect(plan.readings.find(({ quantity }) => quantity === 'groundMixed')).toBeUndefined();
  expect(plan.readings.find(({ quantity }) => quantity === 'groundUsed')).toMatchObject({ known: 'reckoned' });
  expect(about(plan, 'pot')!.because).toMatch(/^The mix that was told/);
});

describe('the bars after the coats', () => {
  const history = (nPerM: number): JobHistory => ({
    ...NO_HISTORY,
    tensions: [{ at: '2031-05-01', tool: 'tap', nPerM, sdNPerM: 10, across: nPerM, down: nPerM, rh: 50, entryId: 'e', order: 0 }],
  });

  it('bow with the tension that was measured and what is still to come', () => {
    const verdictOf = (nPerM: number, coatsDone = 0) =>
      about(
        primed((inputs) => (inputs.prime.system = 'glueSize'), coatsDone, { history: history(nPerM) }),
        'barsAfterCoats',
      )!;
    // Two sizes 60, two grounds 15 each, dry air 40: 130 N/m to come; 100 when the sizes are on.
    expect(verdictOf(200).says).toMatch(/at 200 N\/m measured and 130 N\/m to come/);
    expect(verdictOf(200, 2).says).toMatch(/and 70 N\/m to come/);
    expect(verdictOf(400).measured! / verdictOf(200).measured!).toBeCloseTo(530 / 330, 6);
    expect(verdictOf(700)).toMatchObject({ level: 'stop' });
    expect(verdictOf(700).says).toMatch(/^These bars will bow/);
  });

  it('are not spoken of while nothing was measured', () => {
    expect(
      about(
        primed(() => undefined),
        'barsAfterCoats',
      ),
    ).toBeUndefined();
  });
});
