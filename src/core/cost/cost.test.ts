/* Bills against a second reckoning, shares that lose no cent, and prices that nobody knows. */
import { effortMinutes } from '../effort/effort';
import { USUAL_WEEK } from '../week/weekSettings';
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { planJob } from '../case/planJob';
import { FASTENERS } from '../fasten/fasteners';
import { JOINTS } from '../frame/joints';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { fabricsOf, profilesOf } from '../house/materials';
import { type JobInputs, newInputs } from '../job/job';
import { SYSTEMS } from '../prime/grounds';
import { HANGINGS } from '../stages/handover/hangings';
import { NOTHING_TAUGHT } from '../log/logEntry';
import { historyOf } from '../log/jobHistory';
import { startOf } from '../shape/shape';
import { length } from '../units/length';
import { parseMoney } from '../units/money';
import { type Bill, type BillLine, type Prices, billFrom, billOf, groupSums } from './bill';
import { isTyped } from '../quantities/quantities';
import { costSettingsShape } from './costSettings';
import { materialNeeds } from './materialNeeds';
import { billedTogether } from './billedTogether';
import { exampleNames } from './quoted';
import { quoteFor, quoteSums } from './quoteSums';
import { paysFrom, readyAlong, readyPrice } from './readyMade';
import { setCommon } from './setCommon';
import { sharesByWeight } from './shares';

const context = {
  rules: DEFAULT_RULES,
  tape: tapeFor(DEFAULT_RULES, 'mm'),
  view: 'front' as const,
  taught: NOTHING_TAUGHT,
  history: historyOf([]),
};
const settings = { ...startOf(costSettingsShape), hourMinor: 2750 };
const PRICES: Record<string, number> = {};
const prices = (pack = 1000): Prices => ({
  settings,
  setUps: USUAL_WEEK,
  ofItem: (item) => ({ priceMinor: (PRICES[item] ??= 199 + 37 * Object.keys(PRICES).length), pack }),
});
const billFor = (
  inputs: JobInputs,
  of: Prices = prices(),
  ...more: [Parameters<typeof billOf>[2]?, Parameters<typeof billOf>[3]?]
): Bill => billOf({ plan: planJob(inputs, context, 0), inputs, rules: DEFAULT_RULES }, of, ...more);

/** A job of any kind that can be built. */
function randomInputs(random: () => number): JobInputs {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const inputs = newInputs('Study', length(200 + Math.round(random() * 1600)), length(200 + Math.round(random() * 1600)));
  const joint = pick(JOINTS).id;
  const profile = pick(profilesOf(DEFAULT_RULES).filter(({ joints }) => joints.includes(joint)));
  return {
    ...inputs,
    bars: {
      ...inputs.bars,
      joint,
      profile: profile.id,
      bracesUpright: random() < 0.4 ? [0.5] : [],
      bracesLevel: random() < 0.3 ? [0.5] : [],
    },
    cloth: { ...inputs.cloth, fabric: pick(fabricsOf(DEFAULT_RULES)).id },
    fasten: {
      ...inputs.fasten,
      fastener: pick(FASTENERS).id,
      asDone: { ...inputs.fasten.asDone, drawn: random() < 0.5 ? 3 : null },
    },
    prime: { ...inputs.prime, system: pick(SYSTEMS).id },
    handover: { ...inputs.handover, hanging: pick(HANGINGS).id },
  };
}

describe('the bill of a canvas', () => {
  it('is what a second reckoning of every line comes to, over many jobs; no line is lost and none stands twice', () => {
    const random = randomLcg(0.81);
    for (let turn = 0; turn < 500; turn += 1) {
      const inputs = randomInputs(random);
      const plan = planJob(inputs, context, 0);
      const bill = billFor(inputs);
      // Second reckoning: exact quantities times prices, from the plan and not from the lines.
      const needs = materialNeeds(plan, inputs, DEFAULT_RULES);
      const cent = (value: number) => Math.floor(value + 0.5);
      const items = needs.reduce((sum, { item, used }) => sum + cent((used * PRICES[item]!) / 1000), 0);
      // Coats by the trade’s figures: two each, five a square metre, four where it is sanded; a pot mixed and washed out for each.
      const coated = plan.prime.coats.map(({ sandAfter }) => 2 + plan.prime.areaM2 * (sandAfter ? 9 : 5) + 15 + 15);
      const saw = plan.bars.parts.some(({ from }) => from !== 'pairs') ? 15 : 0;
      const large = Math.min(inputs.brief.width.mm, inputs.brief.height.mm) > 1000 ? 2 : 0;
      const cut = 6 + 2 + (1.5 * (plan.cloth.cut.widthMm + plan.cloth.cut.heightMm)) / 1000;
      const primed = coated.reduce((sum, one) => sum + one, 0);
      const minutes = [10, plan.bars.minutes + saw, 5 + large, cut, plan.fasten.minutes, 4, primed, 13];
      const hands = minutes.reduce((sum, one) => sum + cent((one * 2750) / 60), 0);
      const roll = plan.cloth.fabric.rolls.filter(({ mm }) => mm >= inputs.cloth.rollWidth.mm).sort((a, b) => a.mm - b.mm)[0];
      const cloth = plan.cloth.fit.fits && roll ? cent((plan.cloth.fit.alongMm * roll.priceMinor) / 1000) : 0;
      const net = items + hands + cloth + (plan.bars.chosen.price.minor ?? 0);
      if (plan.bars.chosen.price.minor !== null) expect(bill.knownMinor).toBe(net + cent((net * 15) / 100));
      expect(bill.knownMinor).toBe(bill.lines.reduce((sum, { minor }) => sum + (minor ?? 0), 0));
      expect(groupSums(bill).reduce((sum, { minor }) => sum + minor, 0)).toBe(bill.knownMinor);
      expect(new Set(bill.lines.map(({ id }) => id)).size).toBe(bill.lines.length);
      expect(bill.lines.every(({ minor }) => minor === null || (Number.isInteger(minor) && minor >= 0))).toBe(true);
    }
  });

  it('names what has no price, and takes no hour for nothing only where the house says so', () => {
    const inputs = newInputs('Study', length(600), length(400));
    const none: Prices = {
      settings: { ...settings, hourMinor: null },
      setUps: USUAL_WEEK,
      ofItem: (item) => (item === 'key' ? null : prices().ofItem(item)),
    };
    const { unknown, lines } = billFor(inputs, none);
    expect(unknown).toEqual(['Key', ...lines.filter(({ group }) => group === 'hands').map(({ what }) => what)]);
    expect(billFor(inputs, { ...none, settings: { ...settings, hourMinor: 0 } }).unknown).toEqual(['Key']);
    const own = { ...settings, makers: [{ maker: 'Tove', hourMinor: 6000 }] };
    const hands = billFor(inputs, { ...prices(), settings: own }, { makers: { tune: 'Tove' }, minutes: { tune: 30 } }).lines.find(
      ({ id }) => id === 'hands tune',
    )!;
    expect([hands.minor, hands.from]).toEqual([3000, 'Tove’s hour']);
  });

  it('puts what was taken in the place of what was reckoned', () => {
    const inputs = newInputs('Study', length(600), length(400));
    const roll = billFor(inputs, prices(), { cloth: { alongMm: 1000, rollWidthMm: 2100, offcut: false } }).lines.find(
      ({ id }) => id === 'cloth',
    )!;
    const offcut = billFor(inputs, prices(), { cloth: { alongMm: 1000, rollWidthMm: 2100, offcut: true } }).lines.find(
      ({ id }) => id === 'cloth',
    )!;
    expect(offcut.minor).toBe(Math.round(roll.minor! / 2));
    const coats = billFor(inputs, prices(1), { coats: [100] }).lines.filter(({ group }) => group === 'ground');
    expect([coats[0]!.quantity, coats[1]!.quantity === 100]).toEqual([100, false]);
  });
});

describe('what several cost together', () => {
  it('is dealt out to the cent, whatever the weights', () => {
    const random = randomLcg(0.5);
    for (let turn = 0; turn < rounds(200, 20_000); turn += 1) {
      const weights = Array.from({ length: 1 + Math.floor(random() * 60) }, () =>
        random() < 0.1 ? 0 : random() * 10 ** (random() * 6),
      );
      if (!weights.some((one) => one > 0)) continue;
      const minor = Math.floor(random() * 1e7);
      const shares = sharesByWeight(minor, weights);
      const whole = weights.reduce((sum, one) => sum + one, 0);
      expect(shares.reduce((sum, one) => sum + one, 0)).toBe(minor);
      shares.forEach((share, index) => expect(Math.abs(share - (minor * weights[index]!) / whole)).toBeLessThan(1));
    }
    expect(() => sharesByWeight(10.5, [1])).toThrow(/whole minor units/);
    expect(() => sharesByWeight(10, [0, 0])).toThrow(/not all 0/);
    expect(() => sharesByWeight(10, [1, -1])).toThrow(/0 or more/);
  });

  it('is never more than each by itself, and is what one roll and one plan come to', () => {
    const base = newInputs('Study', length(600), length(400));
    const inputs: JobInputs = { ...base, bars: { ...base.bars, joint: 'mitreGlued', profile: 'batten' } };
    const common = setCommon(
      Array.from({ length: 5 }, () => inputs),
      DEFAULT_RULES,
      randomLcg(0.3),
    );
    const alone = billFor(inputs).lines;
    const of = (group: string) => alone.filter((one) => one.group === group).reduce((sum, { minor }) => sum + minor!, 0);
    const sum = (key: 'clothMinor' | 'woodMinor') => common.reduce((all, one) => all + one[key]!, 0);
    expect(sum('clothMinor')).toBeLessThan(5 * of('cloth'));
    expect(sum('woodMinor')).toBeLessThan(5 * of('wood'));
    expect(new Set(common.map(({ clothMinor }) => clothMinor)).size).toBeLessThanOrEqual(2);
    const bill = billFor(inputs, prices(), {}, common[0]);
    expect(bill.lines.find(({ id }) => id === 'wood')!.minor).toBe(common[0]!.woodMinor);
    const wide = { ...inputs, cloth: { ...inputs.cloth, rollWidth: length(300) } };
    expect(setCommon([wide, wide], DEFAULT_RULES, randomLcg(0.3))[0]!.clothMinor).toBeNull();
  });
});

describe('the bill of an order', () => {
  const line = (id: string, quantity: number, priceMinor: number, per: number): BillLine => ({
    id,
    group: 'hands',
    what: id,
    quantity,
    unit: 'min',
    priceMinor,
    per,
    from: 'house',
    minor: Math.round((quantity * priceMinor) / per),
  });

  it('rounds a line once for all canvases: three times forty minutes at 32 an hour are 64', () => {
    const bills = [0, 1, 2].map(() => billFrom([line('hands', 40, 3200, 60)], 0));
    expect(bills.reduce((sum, { knownMinor }) => sum + knownMinor, 0)).toBe(6399);
    const together = billedTogether(bills, 0);
    expect(together.map(({ knownMinor }) => knownMinor)).toEqual([2134, 2133, 2133]);
  });

  it('adds up to what every line costs in all, overhead rounded once, whatever the canvases', () => {
    const random = randomLcg(0.77);
    for (let turn = 0; turn < rounds(100, 5000); turn += 1) {
      const percent = Math.floor(40 * random());
      const kinds = Array.from(
        { length: 1 + Math.floor(4 * random()) },
        (_, index) => [`k${index}`, Math.floor(5000 * random()), 60] as const,
      );
      const bills = Array.from({ length: 1 + Math.floor(12 * random()) }, () =>
        billFrom(
          kinds.map(([id, price, per]) => line(id, Math.floor(200 * random()), price, per)),
          percent,
        ),
      );
      const together = billedTogether(bills, percent);
      const of = (id: string) =>
        together.reduce(
          (sum, { lines }) => sum + lines.filter((one) => one.id === id).reduce((all, { minor }) => all + minor!, 0),
          0,
        );
      const net = kinds.reduce((sum, [id, price, per]) => {
        const whole = Math.round(
          (bills
            .flatMap(({ lines }) => lines)
            .filter((one) => one.id === id)
            .reduce((all, { quantity }) => all + quantity, 0) *
            price) /
            per,
        );
        if (bills.length > 1) expect(of(id)).toBe(whole);
        return sum + of(id);
      }, 0);
      expect(of('overhead')).toBe(percent > 0 ? Math.round((net * percent) / 100) : 0);
      expect(together.reduce((sum, { knownMinor }) => sum + knownMinor, 0)).toBe(net + of('overhead'));
    }
  });

  it('gives alike canvases one price each; the quote is what they add up to', () => {
    const rates = { marginPercent: 25, taxPercent: 19 };
    const { sums, grossMinor } = quoteFor(
      [
        { alike: 'a', costMinor: 20275 },
        { alike: 'b', costMinor: 9999 },
        { alike: 'a', costMinor: 20274 },
        { alike: 'a', costMinor: 20274 },
      ],
      rates,
    );
    expect(new Set([grossMinor[0], grossMinor[2], grossMinor[3]]).size).toBe(1);
    // One alike canvas costs the mean of them, to the cent.
    expect(sums.costMinor).toBe(3 * 20274 + 9999);
    expect(sums.grossMinor).toBe(grossMinor.reduce((sum, one) => sum + one, 0));
    expect(sums.netMinor + sums.taxMinor).toBe(sums.grossMinor);
    expect(sums.costMinor + sums.marginMinor).toBe(sums.netMinor);
  });

  it('tells the cloth that was laid for all, not that of each by itself', () => {
    const inputs = newInputs('Study', length(600), length(400));
    const common = setCommon([inputs, inputs, inputs], DEFAULT_RULES, randomLcg(0.3));
    const laid = common.reduce((sum, { clothMm }) => sum + clothMm!, 0);
    const told = common.map((one) => billFor(inputs, prices(), {}, one).lines.find(({ id }) => id === 'cloth')!.quantity);
    expect(told.reduce((sum, one) => sum + one, 0)).toBe(laid);
    expect(laid).toBeLessThan(3 * planJob(inputs, context, 0).cloth.fit.alongMm);
    const { rolls } = planJob(inputs, context, 0).cloth.fabric;
    const roll = rolls.filter(({ mm }) => mm >= inputs.cloth.rollWidth.mm).sort((a, b) => a.mm - b.mm)[0]!;
    expect(common.reduce((sum, { clothMinor }) => sum + clothMinor!, 0)).toBe(Math.round((roll.priceMinor * laid) / 1000));
  });
});

it('a price that ships is called an example until the house has its own; an hour is no fortune', () => {
  const inputs = newInputs('Study', length(600), length(400));
  expect(exampleNames(billFor(inputs))).toEqual([planJob(inputs, context, 0).cloth.fabric.name, expect.stringMatching(/^Bars/)]);
  const [profile, fabric] = [
    profilesOf(DEFAULT_RULES).find(({ id }) => id === inputs.bars.profile)!,
    fabricsOf(DEFAULT_RULES).find(({ id }) => id === inputs.cloth.fabric)!,
  ];
  const own = { ...DEFAULT_RULES, materials: { ...DEFAULT_RULES.materials, profiles: [profile], fabrics: [fabric] } };
  expect(exampleNames(billOf({ plan: planJob(inputs, { ...context, rules: own }, 0), inputs, rules: own }, prices()))).toEqual(
    [],
  );
  expect([isTyped('hourRate', 10_000_000), isTyped('hourRate', 100_000_000)]).toEqual([true, false]);
});

it('coats that are not on yet have the hour of the house, those that are that of who put them on', () => {
  const inputs = newInputs('Study', length(600), length(400));
  const own = { ...prices(), settings: { ...settings, makers: [{ maker: 'Tove', hourMinor: 6000 }] } };
  const lines = billFor(inputs, own, { makers: { prime: 'Tove' }, coats: [100] }).lines.filter(({ id }) =>
    id.startsWith('hands prime'),
  );
  // With its pot mixed and washed out for each.
  const coats = planJob(inputs, context, 0).prime.coats.map(({ effort }) => effortMinutes(effort) + 30);
  expect(lines.map(({ quantity, from }) => [quantity, from])).toEqual([
    [expect.closeTo(coats[0]!, 9), 'Tove’s hour'],
    [
      expect.closeTo(
        coats.slice(1).reduce((sum, one) => sum + one, 0),
        9,
      ),
      'hour of the house',
    ],
  ]);
});

describe('beside a ready-made one', () => {
  const readyMade = [
    { widthMm: 300, heightMm: 400, priceMinor: 900 },
    { widthMm: 800, heightMm: 600, priceMinor: 4000 },
  ];
  it('its price is found either way round, and between two sizes along the line', () => {
    expect(readyPrice({ readyMade }, { widthMm: 401, heightMm: 300 })).toBe(900);
    expect(readyPrice({ readyMade }, { widthMm: 420, heightMm: 300 })).toBeNull();
    expect([700, 1050, 1400, 699, 1401].map((sum) => readyAlong({ readyMade }, sum))).toEqual([900, 2450, 4000, null, null]);
  });

  it('making pays from the size at which the lines cross', () => {
    const at = (side: number, minor: number) => ({ widthMm: side, heightMm: side, minor });
    expect(paysFrom([at(350, 2000), at(500, 2200), at(700, 3000)], { readyMade })).toBeCloseTo(700 + (300 * 1100) / 1128.6, 0);
    expect(paysFrom([at(350, 100), at(700, 200)], { readyMade })).toBe(700);
    expect(paysFrom([at(350, 2000), at(700, 9000)], { readyMade })).toBeNull();
    expect(paysFrom([at(350, 100)], { readyMade: [] })).toBeNull();
  });
});

it('a quote rounds margin and tax once each', () => {
  expect(quoteSums(999, { marginPercent: 33.3, taxPercent: 19 })).toEqual({
    costMinor: 999,
    marginMinor: 333,
    netMinor: 1332,
    taxMinor: 253,
    grossMinor: 1585,
  });
});

it('amounts are in the currency of the house or in none, to the cent', () => {
  const read = (typed: string) => {
    const money = parseMoney(typed, '€');
    return money.ok ? money.value : money.error;
  };
  expect(['12', '12,5', '€12.50', '12.50 €', ' 0 '].map(read)).toEqual([1200, 1250, 1250, 1250, 0]);
  for (const wrong of ['$12', '12 kr', '€ 12 €', '£12 €']) expect(read(wrong)).toMatch(/is not in €/);
  expect(read('12.345')).toMatch(/has parts of a cent/);
  for (const wrong of ['', '-1', '1.2.3', 'twelve', '123456789']) expect(read(wrong)).toMatch(/is not/);
});
