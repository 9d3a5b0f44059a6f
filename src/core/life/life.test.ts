import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../house/houseRules';
import { newInputs } from '../job/job';
import { reading } from '../log/reading';
import { isFragile } from '../stages/look/care';
import { CONDITIONS } from '../stages/look/conditions';
import { VALUES } from '../stages/look/lookInputs';
import { FEELS, middleOf } from '../tension/feel';
import { length } from '../units/length';
import type { LogEntry } from '../log/logEntry';
import { testEntry } from '../log/testEntry';
import { lossPerRh } from '../tension/clothWeather';
import type { HangingPlace } from './climates';
import { creepFound, creepLesson, daysSince, isPlausible, leftByCreep, movedBefore, readingBefore, seenBetween } from './creep';
import { oddsOfFeel } from './feltPast';
import { type Life, isInHouse, lifeOf } from './life';
import { lifeBand, placesOf } from './lifeBand';
import { type LifeGround, expectedNow, lifeVerdicts } from './lifeVerdicts';

const START = Date.UTC(2031, 0, 1, 9);
const DAY = 86_400_000;
const at = (days: number) => new Date(START + days * DAY).toISOString();
let serial = 0;
const entry = (days: number, more: Partial<LogEntry>): LogEntry =>
  testEntry(`e${(serial += 1)}`, 'tune', { kind: 'reading', at: at(days), ...more });
const weighed = (days: number, nPerM: number, rh: number | null, sd = 5): LogEntry =>
  entry(days, {
    readings: [
      reading('tensionByWeight', nPerM, 'N/m', { precision: sd, tool: 'weight' }),
      ...(rh === null ? [] : [reading('roomHumidity', rh, '% RH', { precision: 3, tool: 'hygrometer, read' })]),
    ],
  });
const made = (days = 0) => entry(days, { kind: 'record', stage: 'fasten' });
const handedOver = (days = 1) => entry(days, { kind: 'record', stage: 'handover' });
const keyed = (days: number) =>
  entry(days, { readings: [reading('opened', 0.5, 'mm', { of: 'topLeft', precision: 0.1, tool: 'key' })] });
const happened = (days: number, of: string) => entry(days, { kind: 'event', of });
const CELLAR: HangingPlace = { place: 'Cellar', owner: '', climate: 'damp', leastRh: 65, mostRh: 90 };
const hung = (days: number, hangs: HangingPlace) => entry(days, { kind: 'hung', hangs });

const response = { stiffnessKNPerM: 20, clothPpm: 60, woodPpm: 10 };
const ground = (days: number, more: Partial<LifeGround> = {}): LifeGround => ({
  rules: DEFAULT_RULES,
  response,
  lesson: null,
  painted: false,
  fragile: false,
  hanging: { may: 'allowed' },
  keyed: true,
  nowMs: START + days * DAY,
  ...more,
});
const verdictOf = (life: Life, id: string, of: LifeGround) => lifeVerdicts(life, of).find((one) => one.id === id);

describe('a life, as its log tells it', () => {
  it('has its marks, its place, and when it was looked at last', () => {
    const life = lifeOf([made(), handedOver(), hung(2, CELLAR), weighed(30, 200, 70), happened(90, 'newFrame'), keyed(91)]);
    expect(life.marks.map(({ says, moves }) => [says, moves])).toEqual([
      ['stretched', true],
      ['handed over', false],
      ['Cellar', false],
      ['Put into another frame', false],
      ['corners opened', true],
    ]);
    expect(life.hangs).toMatchObject({ place: 'Cellar', at: at(2) });
    expect([life.lookedAt, life.handedOverAt, life.takenDown]).toEqual([at(91), at(1), false]);
  });

  it('hangs nowhere once it is off its bars, and lives on when it is stretched again', () => {
    const before = [made(), handedOver(), hung(2, CELLAR), entry(100, { kind: 'takenDown' })];
    expect(lifeOf(before)).toMatchObject({ hangs: null, takenDown: true });
    const again = [...before, made(120), weighed(121, 240, 50)];
    expect(lifeOf(again)).toMatchObject({ hangs: null, takenDown: false });
    const life = lifeOf(again);
    expect(movedBefore(life, life.tensions[0]!.order)!.at).toBe(at(120));
  });

  it('forgets what was taken back', () => {
    const wrong = happened(30, 'knocked');
    const back = entry(31, { kind: 'withdrawal', corrects: wrong.id });
    expect(lifeOf([made(), wrong, back]).marks).toHaveLength(1);
  });
});

describe('creep', () => {
  it('is found again from two readings of a cloth that fades by it, whatever the air', () => {
    for (const creep of [0, 0.03, 0.08, 0.2])
      for (const [rh1, rh2] of [
        [50, 50],
        [45, 70],
        [65, 40],
      ] as const) {
        const second = 240 * leftByCreep(creep, 1, 800) - lossPerRh(response) * (rh2 - rh1);
        const life = lifeOf([made(), weighed(1, 240, rh1), weighed(800, second, rh2)]);
        const last = life.tensions[1]!;
        expect(readingBefore(life, last)).toBe(life.tensions[0]);
        expect(creepFound(at(0), life.tensions[0]!, last, response)!.perDecade).toBeCloseTo(creep, 6);
      }
  });

  it('is not told by feel, without the air, too soon, or over a move', () => {
    const pair = (first: LogEntry, second: LogEntry) => {
      const life = lifeOf([made(), first, second]);
      return creepFound(at(0), life.tensions[0]!, life.tensions[1]!, response);
    };
    expect(pair(weighed(1, 240, null), weighed(800, 200, 50))).toBeNull();
    expect(pair(weighed(100, 240, 50), weighed(250, 230, 50))).toBeNull();
    expect(pair(weighed(100, 240, 50), weighed(301, 230, 50))).not.toBeNull();
    const felt = (days: number, nPerM: number) =>
      entry(days, { readings: [reading('tensionByHand', nPerM, 'N/m', { precision: 60, tool: 'hand' })] });
    expect(pair(felt(1, 240), felt(800, 190))).toBeNull();
    const moved = lifeOf([made(), weighed(1, 240, 50), keyed(10), weighed(800, 200, 50)]);
    expect(readingBefore(moved, moved.tensions[1]!)).toBeNull();
  });

  it('is not learned from a cloth that gave way, nor from what is known too badly', () => {
    const life = lifeOf([made(), weighed(1, 240, 50), happened(500, 'ripples'), weighed(800, 120, 50)]);
    expect(seenBetween(life, life.tensions[0]!, life.tensions[1]!)).toBe(true);
    const framed = lifeOf([made(), weighed(1, 240, 50), happened(500, 'newFrame'), weighed(800, 220, 50)]);
    expect(seenBetween(framed, framed.tensions[0]!, framed.tensions[1]!)).toBe(false);
    expect(isPlausible({ perDecade: 0.06, sd: 0.02 })).toBe(true);
    for (const found of [
      { perDecade: 0.5, sd: 0.02 },
      { perDecade: -0.1, sd: 0.02 },
      { perDecade: 0.06, sd: 0.09 },
    ])
      expect(isPlausible(found)).toBe(false);
  });

  it('is the middle one of the cases, and one that gave way widens nothing', () => {
    const sound = creepLesson([0.05, 0.06, 0.07, 0.06, 0.055])!;
    const withOne = creepLesson([0.05, 0.06, 0.07, 0.06, 0.055, 0.35])!;
    expect(sound.perDecade).toBe(0.06);
    expect(withOne.perDecade).toBeCloseTo(0.06, 9);
    expect(withOne.sd).toBeLessThan(0.02);
    expect([withOne.least, withOne.most, withOne.cases]).toEqual([0.05, 0.35, 6]);
    expect(creepLesson([])).toBeNull();
  });

  it('never makes time run from nothing', () => {
    expect(daysSince(at(0), at(0))).toBeCloseTo(1 / 24, 9);
    expect(() => leftByCreep(0.06, 0, 10)).toThrow(RangeError);
    expect(leftByCreep(0.4, 0.05, 40_000)).toBe(0);
  });
});

describe('reading the past', () => {
  const lesson = creepLesson([0.05, 0.06, 0.07])!;
  it('tells the weather from the cloth', () => {
    const start = [made(), handedOver(), keyed(60), weighed(61, 220, 40)];
    const air = lossPerRh(response) * 45;
    const creep = 220 * (1 - leftByCreep(0.06, 1, 305));
    const damp = lifeOf([...start, weighed(365, 220 - air - creep, 85)]);
    expect(verdictOf(damp, 'lifePast', ground(365, { lesson }))).toMatchObject({
      level: 'good',
      says: expect.stringMatching(
        /less than on 3 March 2031, the first reading after “corners opened”: it is the weather, not the cloth/,
      ),
    });
    const faded = lifeOf([...start, weighed(365, 220 - creep, 40)]);
    expect(verdictOf(faded, 'lifePast', ground(365, { lesson }))!.says).toMatch(/what the air and the time would do/);
    const gave = lifeOf([...start, weighed(365, 150, 40)]);
    const found = verdictOf(gave, 'lifePast', ground(365, { lesson }))!;
    expect(found).toMatchObject({ level: 'watch', says: expect.stringMatching(/32 % less .*it is the cloth, not the weather/) });
    expect(found.measured).toBeGreaterThan(found.limit!);
    expect(found.doThis).toMatch(/open the corners a little/);
  });

  it('calls it no work of time when a cloth is tighter than its air makes it', () => {
    const after = (nPerM: number, rh: number) => lifeOf([made(), handedOver(), weighed(2, 200, 50), weighed(365, nPerM, rh)]);
    const air = lossPerRh(response) * 20;
    expect(verdictOf(after(200 + air, 30), 'lifePast', ground(365, { lesson }))!.level).toBe('good');
    const keyedUntold = verdictOf(after(320, 50), 'lifePast', ground(365, { lesson, painted: true }))!;
    expect(keyedUntold).toMatchObject({
      level: 'watch',
      says: expect.stringMatching(/^60 % more than .*: tighter than it gets by itself\.$/),
    });
    expect(keyedUntold.doThis).toMatch(/somebody opened its corners.*let a conservator see it\.$/);
  });

  it('holds what is felt against what was measured last, and believes a slack hand before an old number', () => {
    const felt = entry(365, {
      readings: [
        reading('tensionByHand', 30, 'N/m', { precision: 30, tool: 'hand' }),
        reading('roomHumidity', 60, '% RH', { precision: 3, tool: 'hygrometer, read' }),
      ],
    });
    const life = lifeOf([made(), handedOver(), weighed(2, 240, 50), hung(3, { ...CELLAR, mostRh: 62 }), felt]);
    expect(verdictOf(life, 'lifePast', ground(365, { lesson }))).toMatchObject({
      level: 'watch',
      says: expect.stringMatching(/88 % less .*it is the cloth/),
      because: expect.stringMatching(/felt, 30 ± 30 N\/m now/),
    });
    expect(verdictOf(life, 'lifePlace', ground(365))).toMatchObject({
      level: 'watch',
      because: expect.stringMatching(/felt slack since/),
    });
  });

  it('sends a fragile painting to a conservator and offers no hand before', () => {
    const life = lifeOf([made(), weighed(1, 220, 50), weighed(365, 100, 50)]);
    const words = (more: Partial<LifeGround>) => verdictOf(life, 'lifePast', ground(365, { lesson, ...more }))!.doThis;
    expect(words({ painted: true, fragile: true })).toBe(
      'The painting is fragile: stop and ask a conservator before anything else.',
    );
    expect(words({ painted: true })).toMatch(/ask a conservator first\.$/);
    expect(words({ keyed: false })).toMatch(/draw the loose side/);
  });

  it('says so where the air was not read, and judges by the assumption where the house has too few cases', () => {
    const life = lifeOf([made(), weighed(1, 220, null), weighed(365, 150, 50)]);
    expect(verdictOf(life, 'lifePast', ground(365))).toMatchObject({
      level: 'watch',
      because: expect.stringMatching(/air of one of the two/),
    });
    const known = lifeOf([made(), weighed(1, 220, 50), weighed(365, 190, 50)]);
    expect(verdictOf(known, 'lifePast', ground(365, { lesson: creepLesson([0.3]) }))!.because).toMatch(
      /reckons with 6 %.*1 case of its own is too few/,
    );
  });

  it('has a band that starts at each reading, fades, and lies lower in a damper place', () => {
    const life = lifeOf([made(), handedOver(), weighed(2, 220, 50), weighed(400, 200, 50)]);
    const of = (places: ReturnType<typeof placesOf>) => lifeBand(life, places, ground(1000, { lesson }));
    const [first, second] = of(placesOf([]));
    expect(first!.at(-1)!.atMs).toBe(Date.parse(at(400)));
    expect(second!.at(-1)!.atMs).toBe(START + 1000 * DAY);
    expect(first!.map(({ high }) => high)).toEqual(first!.map(({ high }) => high).toSorted((a, b) => b - a));
    const damp = of(placesOf([{ at: at(1), hangs: CELLAR }]));
    expect(damp[0]![5]!.low).toBeLessThan(first![5]!.low - 20);
    const expected = expectedNow(life.tensions[0]!, at(0), { at: at(400), rh: 50 }, { response, lesson, rules: DEFAULT_RULES })!;
    expect(expected.nPerM).toBeCloseTo(220 * leftByCreep(0.06, 2, 400), 6);
    // Half of what the air does is as likely: 30 N/m for 30 % RH more.
    const damper = expectedNow(life.tensions[0]!, at(0), { at: at(400), rh: 80 }, { response, lesson, rules: DEFAULT_RULES })!;
    expect(Math.sqrt(damper.sdNPerM ** 2 - expected.sdNPerM ** 2)).toBeCloseTo(lossPerRh(response) * 15, 6);
  });

  it('has a band that ends where the cloth was moved', () => {
    const life = lifeOf([made(), handedOver(), weighed(2, 220, 50), keyed(100), weighed(400, 230, 50)]);
    const [first] = lifeBand(life, placesOf([]), ground(1000, { lesson }));
    expect(first!.at(-1)!.atMs).toBe(Date.parse(at(100)));
  });
});

it('the air of this house is that of a canvas that hangs here, or never went out; of one that went out to nobody knows where it is not', () => {
  const here = { ...CELLAR, climate: 'house' } as const;
  const inHouse = (...log: LogEntry[]) => isInHouse(lifeOf([made(), ...log]));
  expect([
    inHouse(),
    inHouse(handedOver()),
    inHouse(handedOver(), hung(2, CELLAR)),
    inHouse(handedOver(), hung(2, CELLAR), hung(9, here)),
  ]).toEqual([true, false, false, true]);
});

describe('a canvas that is only felt', () => {
  const felt = (days: number, feel: number, rh: number | null, more: Partial<LogEntry> = {}) =>
    entry(days, {
      readings: [
        reading('tensionByHand', middleOf(FEELS[feel]!), 'N/m', { precision: 50, tool: 'hand', known: 'felt' }),
        ...(rh === null ? [] : [reading('roomHumidity', rh, '% RH', { precision: 3, tool: 'hygrometer, read' })]),
      ],
      ...more,
    });
  const [SLACK, SOFT, FIRM, DRUM, BOARD] = [0, 1, 2, 3, 4];
  const past = (...log: LogEntry[]) =>
    verdictOf(lifeOf([made(), handedOver(), ...log]), 'lifePast', ground(900, { lesson: creepLesson([0.05, 0.06, 0.07]) }));

  it('is compared with how it felt in its own air: as before, by its air, by its cloth, tighter than by itself', () => {
    expect(past(felt(2, FIRM, 52), felt(700, FIRM, 54))).toMatchObject({
      level: 'good',
      says: expect.stringMatching(/^Felt firm, as on 3 January 2031: its air/),
    });
    expect(past(felt(2, FIRM, 50), felt(700, SOFT, 80))).toMatchObject({
      level: 'good',
      says: expect.stringMatching(/^Felt soft, one step looser than on .*may do that\.$/),
    });
    expect(past(felt(2, BOARD, 52), felt(700, SOFT, 50))).toMatchObject({
      level: 'watch',
      says: expect.stringMatching(/3 steps looser than .*: it is the cloth/),
      doThis: expect.stringMatching(/drawn fastener/),
    });
    expect(past(felt(2, SLACK, 52), felt(700, DRUM, 52))).toMatchObject({
      level: 'watch',
      says: expect.stringMatching(/3 steps tighter than .*tighter than it gets by itself/),
    });
  });

  it('that was seen to give in air no damper is not put down to the weather; in damper air it is', () => {
    const seen = happened(600, 'ripples');
    expect(past(felt(2, FIRM, 55), seen, felt(700, SOFT, 50))!.says).toMatch(/it is the cloth/);
    expect(past(felt(2, FIRM, 50), seen, felt(700, SOFT, 80))!.says).toMatch(/its air and its age may do that/);
    expect(past(felt(2, FIRM, 55), felt(700, SOFT, 50))!.says).toMatch(/may do that/);
  });

  it('without its air tells what it is, and asks for the humidity; a measured reading goes before a felt one', () => {
    expect(past(felt(2, FIRM, null), felt(700, SOFT, 50))).toMatchObject({
      level: 'watch',
      doThis: expect.stringMatching(/^Note the humidity/),
    });
    expect(past(felt(2, FIRM, 50), weighed(3, 200, 50), felt(700, SOFT, 50))!.says).toMatch(/^53 % less than on 4 January 2031/);
    expect(past(felt(700, SOFT, 50))).toBeUndefined();
  });

  it('has odds that agree with themselves for every pair of feels and air', () => {
    for (let from = 0; from < 5; from += 1)
      for (const byAir of [-60, 0, 40, 120])
        for (const creepPart of [0, 0.2]) {
          const odds = FEELS.map((_, to) => oddsOfFeel(from, to, { creepPart, byAir }));
          // Of any two feels the looser is rarer reached from above, and each cloth has one of them.
          for (let to = 1; to < 5; to += 1) {
            expect(odds[to]!.asLoose).toBeGreaterThanOrEqual(odds[to - 1]!.asLoose);
            expect(odds[to - 1]!.asLoose + odds[to]!.asTight).toBeCloseTo(100, 9);
          }
          expect([odds[4]!.asLoose > 99.9 || from === 4, odds[0]!.asTight]).toEqual([true, 100]);
        }
    // Only a creep, or an air, of half as much again makes a firm cloth slack: a quarter of the cases, and few of these.
    expect(oddsOfFeel(2, 0, { creepPart: 0.4, byAir: 0 }).asLoose).toBeCloseTo(6.25, 9);
    expect(oddsOfFeel(2, 0, { creepPart: 0, byAir: 60 }).asLoose).toBeCloseTo(5.3125, 9);
    expect(oddsOfFeel(2, 1, { creepPart: 0.2, byAir: 0 }).asLoose).toBeLessThan(
      oddsOfFeel(2, 1, { creepPart: 0.2, byAir: 50 }).asLoose,
    );
  });
});

describe('a painting that asks for a conservator', () => {
  it('is not left hanging: its life says so first, where it hangs and where it does not', () => {
    const hanging = { may: 'ask', says: 'A conservator before hanging it: it has a tear.', because: 'It runs on.' } as const;
    const told = (log: LogEntry[]) => lifeVerdicts(lifeOf(log), ground(900, { painted: true, hanging }))[0]!;
    expect(told([made(), handedOver(), hung(2, CELLAR)])).toMatchObject({
      id: 'lifeHanging',
      level: 'stop',
      doThis: expect.stringMatching(/^Take it off the wall/),
    });
    expect(told([made(), handedOver()]).doThis).toMatch(/^Keep it flat/);
  });

  it('is offered no hand by its life, whatever was seen of it', () => {
    const fresh = newInputs('Old', length(600), length(450));
    const life = lifeOf([made(), handedOver(), hung(2, CELLAR), weighed(3, 220, 50), weighed(900, 70, 50)]);
    let asked = 0;
    for (const { id } of CONDITIONS)
      for (const { id: value } of VALUES) {
        const inputs = {
          ...fresh,
          brief: { ...fresh.brief, use: 'restretch' as const },
          look: { ...fresh.look, value, conditions: [{ kind: id, at: null, note: '' }] },
        };
        const found = verdictOf(life, 'lifePast', ground(900, { painted: true, fragile: isFragile(inputs) }))!;
        expect(found.level).toBe('watch');
        if (!isFragile(inputs)) continue;
        asked += 1;
        expect(found.doThis).toMatch(/^The painting is fragile: stop and ask a conservator/);
        expect(found.doThis).not.toMatch(/key|corner|draw|set it again/);
      }
    expect(asked).toBeGreaterThan(5);
  });
});

describe('its place and when to look again', () => {
  it('is judged by what the dampest air leaves, and asks for what it wants', () => {
    const life = lifeOf([made(), handedOver(), weighed(2, 90, 50), hung(3, CELLAR)]);
    const found = verdictOf(life, 'lifePlace', ground(10))!;
    expect(found).toMatchObject({ level: 'watch', limit: 60, measured: 90 - lossPerRh(response) * 40 });
    expect(found.doThis).toMatch(/It wants 100 N\/m/);
    const dry = lifeOf([made(), weighed(2, 240, 50), hung(3, { ...CELLAR, leastRh: 40, mostRh: 60 })]);
    expect(verdictOf(dry, 'lifePlace', ground(10))).toMatchObject({
      level: 'good',
      says: expect.stringMatching(/stays flat: 230 to 250/),
    });
    const felt = lifeOf([made(), hung(3, CELLAR)]);
    expect(verdictOf(felt, 'lifePlace', ground(10))).toMatchObject({ level: 'watch', measured: 90, limit: 70 });
  });

  it('warns of dry air where a painting hangs, and only there', () => {
    const hall: HangingPlace = { ...CELLAR, place: 'Hall', climate: 'dryHeated', leastRh: 20, mostRh: 55 };
    const tight = lifeOf([made(), handedOver(), weighed(2, 230, 60), hung(3, hall)]);
    const found = verdictOf(tight, 'lifeDry', ground(10, { painted: true }))!;
    expect(found).toMatchObject({ level: 'watch', limit: 200, measured: 230 + lossPerRh(response) * 40 });
    expect(found.doThis).toMatch(/conservator/);
    expect(verdictOf(tight, 'lifeDry', ground(10))).toBeUndefined();
    const gentle = lifeOf([made(), handedOver(), weighed(2, 120, 60), hung(3, hall)]);
    expect(verdictOf(gentle, 'lifeDry', ground(10, { painted: true }))).toBeUndefined();
    const off = lifeOf([made(), handedOver(), weighed(2, 230, 60), hung(3, hall), entry(4, { kind: 'takenDown' })]);
    expect(verdictOf(off, 'lifeDry', ground(10, { painted: true }))).toBeUndefined();
  });

  it('is looked at again after two years', () => {
    const life = lifeOf([made(), handedOver(), weighed(2, 240, 50)]);
    expect(verdictOf(life, 'lifeLook', ground(700))!.level).toBe('good');
    expect(verdictOf(life, 'lifeLook', ground(900))).toMatchObject({ level: 'watch', says: 'Not looked at for 2.5 years.' });
  });
});
