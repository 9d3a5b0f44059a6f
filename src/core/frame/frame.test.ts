import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, type HouseRules } from '../house/houseRules';
import { newInputs } from '../job/job';
import { type BarsInputs, evenBraces } from '../stages/bars/barsInputs';
import { byId } from '../house/schools';
import { clothLoad } from '../tension/clothLoad';
import { length } from '../units/length';
import { assemblySteps, setHours } from './assembly';
import { deflectionAt } from './beam';
import { braceStiffness, brushSag, bucklingN } from './braces';
import { buyingPlan, rackChanges } from './sawing/buyingPlan';
import { bowShare, chooseBars, holds, judgeBars, recommendedBars, ruleOfThumb } from './chooseBars';
import { cuttingViolations } from './sawing/cutTimber';
import { type Joined, TIP_COVER_MM, braceHeldBy, fixings } from './fixings';
import { frameParts, frameWeightKg } from './frameParts';
import { framePrice, nearestListed, pairPrice } from './sawing/framePrice';
import { GLUES } from './glues';
import { JOINTS } from './joints';
import {
  NO_CHANGES,
  changesOnly,
  materialViolations,
  printPricedLengths,
  profileOf,
  profilesOf,
  readPricedLengths,
  woodOf,
} from '../house/materials';
import { PROFILES, type Profile } from './profiles';
import { type RackBar, makeableFrames, pickList, withoutPicked } from './sawing/rack';
import { rollDegrees, torsionConstant } from './roll';
import { FABRICS } from '../cloth/fabrics';
import { SPECIES } from './timber';

const fresh = newInputs('t', length(900), length(600));
const bars = (patch: Partial<BarsInputs> = {}): BarsInputs => ({ ...fresh.bars, ...patch });
const LOAD = clothLoad(fresh, DEFAULT_RULES);
const batten = byId(PROFILES, 'batten');
const standard = byId(PROFILES, 'standard');
const held = (patch: Partial<Joined>): Joined => ({
  joint: 'slotted',
  braces: 0,
  braceFixing: 'asJoint',
  dense: false,
  leastBiteMm: 28,
  beadMm: 3000,
  ...patch,
});
const size = { widthMm: 900, heightMm: 600, bracesUpright: 1, bracesLevel: 0 };

describe('parts of a frame', () => {
  it('mitred parts have the outside length and lose two widths inside, braces fit inside, beads run round', () => {
    expect(
      frameParts(size, batten, 'mitreGlued').map(({ name, count, lengthMm, insideMm }) => [name, count, lengthMm, insideMm]),
    ).toEqual([
      ['top and bottom', 2, 900, 900 - 66],
      ['left and right', 2, 600, 600 - 66],
      ['brace, upright', 1, 600 - 66, null],
      ['bead, long', 2, 900, 880],
      ['bead, short', 2, 600, 580],
    ]);
  });

  it('butted parts lose two widths on the shorter pair, whichever way it stands', () => {
    const lengths = (widthMm: number, heightMm: number) =>
      frameParts({ ...size, widthMm, heightMm }, batten, 'buttScrewed')
        .slice(0, 2)
        .map((part) => part.lengthMm);
    expect(lengths(900, 600)).toEqual([900, 534]);
    expect(lengths(600, 900)).toEqual([534, 900]);
  });

  it('refuses bars that leave no opening', () => {
    expect(() => frameParts({ ...size, heightMm: 66 }, batten, 'mitreGlued')).toThrow(/no opening in 900 × 66 mm/);
  });

  it('weighs what a sawn-up frame weighs: corners once, crossings once', () => {
    const plain: Profile = { ...batten, beadMm: 0, brace: { ...batten.brace, widthMm: 33, depthMm: 33 } };
    const solid = 900 * 600 - (900 - 66) * (600 - 66);
    expect(frameWeightKg({ ...size, bracesUpright: 0 }, plain, 500)).toBeCloseTo((solid * 33 * 500) / 1e9, 9);
    const cross = (900 - 66) * 33 + (600 - 66) * 33 - 33 * 33;
    expect(frameWeightKg({ ...size, bracesLevel: 1 }, plain, 500)).toBeCloseTo(((solid + cross) * 33 * 500) / 1e9, 9);
  });
});

describe('choosing bars', () => {
  it('holds by the smaller of 2 mm and span / 400, after creep and with what sizing and dry air add', () => {
    const choice = judgeBars({ widthMm: 1200, heightMm: 500 }, bars(), LOAD, DEFAULT_RULES);
    expect(choice.topBottom.limitMm).toBe(2);
    expect(choice.leftRight.limitMm).toBe(500 / 400);
    // 250 N/m, then three coats of ground at 15 and dry air at 40.
    expect(LOAD.lastingNPerM).toBe(335);
    expect(choice.topBottom.lastingMm).toBeCloseTo((1.7 * 335 * choice.topBottom.firstMm) / 250, 9);
    // 5 T L⁴ / 384 E I by hand: spruce at 80 %, 44 × 19 mm, 250 N/m.
    expect(choice.topBottom.firstMm).toBeCloseTo((5 * 0.25 * 1200 ** 4) / (384 * 8640 * ((19 * 44 ** 3) / 12)), 9);
  });

  it('judges the span that comes nearest to its own limit: a brace far off the middle holds less', () => {
    const at = (part: number) =>
      bowShare(judgeBars({ widthMm: 1400, heightMm: 500 }, bars({ bracesUpright: [part] }), LOAD, DEFAULT_RULES));
    expect(at(0.3)).toBeGreaterThan(2 * at(0.5));
    expect(at(0.3)).toBeCloseTo(at(0.7), 9);
    const { topBottom } = judgeBars({ widthMm: 1400, heightMm: 500 }, bars({ bracesUpright: [0.3] }), LOAD, DEFAULT_RULES);
    expect(topBottom.atMm).toBeGreaterThan(0.3 * 1400);
    expect(deflectionAt(topBottom.solution, topBottom.atMm)).toBeCloseTo(topBottom.firstMm, 9);
  });

  it('puts those that hold first, the lightest leading; the recommended one weighs a brace against weight', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 250, max: 2400 }),
        fc.integer({ min: 250, max: 2400 }),
        fc.constantFrom(...JOINTS),
        (widthMm, heightMm, joint) => {
          const choices = chooseBars({ widthMm, heightMm }, bars({ joint: joint.id }), LOAD, DEFAULT_RULES);
          const firstBad = choices.findIndex((one) => !one.holds);
          const good = firstBad < 0 ? choices : choices.slice(0, firstBad);
          const best = recommendedBars(choices, DEFAULT_RULES);
          const worth = (one: (typeof choices)[number]) => one.weightKg + 0.15 * one.braces;
          return (
            choices.slice(good.length).every((one) => !one.holds && !one.unbeaten) &&
            good.every((one, index) => index === 0 || one.weightKg >= good[index - 1]!.weightKg) &&
            good.every((one) => holds(one.topBottom) && holds(one.leftRight)) &&
            choices.every((one) => profileOf(DEFAULT_RULES, one.profile).joints.includes(joint.id)) &&
            (best === null ? good.length === 0 : good.every((one) => worth(one) >= worth(best) - 1e-9))
          );
        },
      ),
      { seed: 4, numRuns: 40 },
    );
  });

  it('the unbeaten ones are the Pareto set of bow, weight, price and work', () => {
    const choices = chooseBars({ widthMm: 1100, heightMm: 800 }, bars(), LOAD, DEFAULT_RULES).filter((one) => one.holds);
    const measures = (one: (typeof choices)[number]) => [bowShare(one), one.weightKg, one.price.minor!, one.minutes];
    for (const one of choices) {
      const beaten = choices.some((other) => {
        const [mine, theirs] = [measures(one), measures(other)];
        return theirs.every((value, index) => value <= mine[index]!) && theirs.some((value, index) => value < mine[index]!);
      });
      expect(one.unbeaten).toBe(!beaten);
    }
  });

  it('finds nothing for a face smaller than its bars, without failing', () => {
    expect(chooseBars({ widthMm: 100, heightMm: 100 }, bars(), LOAD, DEFAULT_RULES)).toEqual([]);
  });

  it('the rule of thumb counts braces by length alone', () => {
    expect(ruleOfThumb({ widthMm: 1500, heightMm: 949 }, DEFAULT_RULES)).toEqual({ bracesUpright: 2, bracesLevel: 0 });
    expect(ruleOfThumb({ widthMm: 950, heightMm: 1000 }, DEFAULT_RULES)).toEqual({ bracesUpright: 1, bracesLevel: 1 });
  });
});

describe('braces and roll', () => {
  it('buckling: four times the load at half the length, the thin way counts; a seat that gives softens the end', () => {
    const section = { widthMm: 40, depthMm: 13 };
    expect(bucklingN(500, section, 8640)).toBeCloseTo((Math.PI ** 2 * 8640 * 40 * 13 ** 3) / 12 / 500 ** 2, 9);
    expect(bucklingN(250, section, 8640)).toBeCloseTo(4 * bucklingN(500, section, 8640), 9);
    expect(1 / braceStiffness(500, section, 8640, 0.05)).toBeCloseTo(1 / braceStiffness(500, section, 8640, 0) + 0.0005, 12);
  });

  it('the cloth sags less when tighter, and not at all under a brush as wide as itself', () => {
    const free = { widthMm: 800, heightMm: 500 };
    expect(brushSag(4, 400, free)).toBeCloseTo(brushSag(4, 200, free) / 2, 9);
    expect(brushSag(4, 200, { widthMm: 30, heightMm: 30 })).toBe(0);
  });

  it('torsion: a square has 0.1406 a⁴, a thin strip a third of a b³; roll grows with the square of the span', () => {
    expect(torsionConstant(10, 10) / 1e4).toBeCloseTo(0.1406, 2);
    expect(torsionConstant(1000, 1) / 1000).toBeCloseTo(1 / 3, 3);
    const roll = (spanMm: number) =>
      rollDegrees({ spanMm, loadNPerMm: 0.3, leverMm: 20, widthMm: 40, depthMm: 30, eNPerMm2: 8640 });
    expect(roll(1200)).toBeCloseTo(4 * roll(600), 9);
  });
});

describe('screws, glue and the order of assembly', () => {
  it.each(PROFILES.flatMap((profile) => profile.joints.map((joint) => [`${profile.name}, ${joint}`, profile, joint] as const)))(
    'no tip pokes out: %s',
    (_name, profile, joint) => {
      for (const dense of [false, true])
        for (const one of fixings(profile, held({ joint, dense, braces: 2 }))) {
          if (one.lengthMm === 0) continue;
          expect(one.lengthMm).toBeLessThanOrEqual(one.passesMm - TIP_COVER_MM);
          expect(one.pilotMm).toBeLessThan(one.diameterMm);
          if (one.biteMm !== null) expect(one.biteMm).toBeGreaterThanOrEqual(25);
        }
    },
  );

  it('dense wood wants wider pilots, a keyed corner none at all', () => {
    const [soft, dense] = [false, true].map((hard) => fixings(batten, held({ joint: 'buttScrewed', dense: hard }))[0]!.pilotMm);
    expect(dense).toBeGreaterThan(soft!);
    expect(fixings(standard, held({}))).toEqual([]);
  });

  it('a brace is held so that it holds: by keys in a stretcher, by a deep bite or a plate in a strainer', () => {
    const ends = (profile: Profile, patch: Partial<Joined>) =>
      fixings(profile, held({ braces: 2, ...patch })).filter(({ where }) => where === 'brace end');
    expect(ends(byId(PROFILES, 'light'), {})).toMatchObject([{ what: 'key', count: 4 }]);
    expect(braceHeldBy(batten, held({ joint: 'mitreGlued' }))).toBe('screwed');
    expect(ends(batten, { joint: 'mitreGlued' })).toMatchObject([{ what: 'screw', count: 4, biteMm: 37 }]);
    // 34 + 28 mm want a 70 mm screw, too thick for a brace of 11 mm: no short one is taken instead.
    expect(ends(byId(PROFILES, 'light'), { braceFixing: 'screwed' })).toEqual([]);
    expect(braceHeldBy(standard, held({ joint: 'mitreGlued' }))).toBe('plate');
    expect(ends(standard, { joint: 'mitreGlued' }).map(({ what, count }) => [what, count])).toEqual([
      ['plate', 4],
      ['screw', 16],
    ]);
    expect(ends(batten, { braceFixing: 'notched' })).toMatchObject([{ what: 'pin', count: 8 }]);
  });

  it('begins with the dry lay-out and ends on the flat table; the square comes before the glue sets', () => {
    for (const { id, glued } of JOINTS)
      for (const glue of GLUES) {
        const steps = assemblySteps(id, glue.id, { braces: 1, beadStrip: true, heldBy: 'floating' });
        expect(steps[0]!.do).toMatch(/out dry: two matching pairs/);
        expect(steps.at(-1)!.check).toMatch(/no wind/);
        expect(steps.some((step) => /Before the glue sets/.test(step.check))).toBe(glued);
      }
    expect(setHours('pva', () => 20)).toBe(20);
    expect(setHours('polyurethane', () => 20)).toBe(10);
  });
});

describe('materials of the house', () => {
  const ruled = (materials: HouseRules['materials']): HouseRules => ({ ...DEFAULT_RULES, materials });
  const oak = { ...SPECIES[0]!, id: 'own-1', name: 'Ferry oak', eGPa: 11, densityKgM3: 700, knots: 0.7 };

  it('a row of the house stands in for the shipped one or comes after it; only changes are kept', () => {
    const wide = { ...standard, widthMm: 50 };
    const rules = ruled({ ...NO_CHANGES, profiles: [wide], species: [oak] });
    expect(profileOf(rules, 'standard').widthMm).toBe(50);
    expect(profilesOf(rules)).toHaveLength(PROFILES.length);
    expect(woodOf(rules, 'own-1').name).toBe('Ferry oak');
    expect(changesOnly({ ...NO_CHANGES, profiles: profilesOf(rules), species: [...SPECIES, oak] })).toEqual(rules.materials);
    expect(() => woodOf(DEFAULT_RULES, 'own-1')).toThrow(/got own-1/);
  });

  it('its values carry into the bow: a wood’s own knots before the rule of the house', () => {
    const bow = (rules: HouseRules, species: string) =>
      judgeBars({ widthMm: 800, heightMm: 500 }, bars({ species }), LOAD, rules).topBottom.firstMm;
    const rules = ruled({ ...NO_CHANGES, species: [oak] });
    expect(bow(rules, 'own-1') / bow(rules, 'spruce')).toBeCloseTo((10.8 * 0.8) / (11 * 0.7), 9);
  });

  it('says what cannot be built with', () => {
    const wrong = {
      fabrics: [{ ...FABRICS[0], rolls: [{ mm: 9, priceMinor: 0 }], gsm: 2 }],
      profiles: [
        { ...standard, widthMm: 900 },
        { ...standard, joints: [], name: 'None' },
      ],
      species: [{ ...oak, eGPa: 0, name: ' ' }],
    };
    const said = materialViolations(wrong).join(' ');
    for (const words of [
      /width: 900 mm is outside 10 to 200/,
      /at least one joint/,
      /stands twice/,
      /0 GPa is outside/,
      /2 g\/m² is outside 50 to 1500/,
      /length: 9 mm/,
      /no name/,
    ])
      expect(said).toMatch(words);
    expect(materialViolations({ profiles: [...PROFILES], species: [...SPECIES], fabrics: [...FABRICS] })).toEqual([]);
  });

  it('lengths with prices are read as printed, and refused with what would do', () => {
    for (const { pairs, timber } of PROFILES)
      for (const list of [pairs, timber])
        for (const unit of ['mm', 'cm', 'in'] as const)
          expect(readPricedLengths(printPricedLengths(list, unit), unit, list)).toEqual({ ok: true, value: list });
    expect(readPricedLengths('2100 mm 11,9', 'mm', [])).toEqual({ ok: true, value: [{ mm: 2100, priceMinor: 1190 }] });
    expect(readPricedLengths('84 11.90; 24 3/16" 5', 'in', [])).toEqual({
      ok: true,
      value: [
        { mm: 614.3625, priceMinor: 500 },
        { mm: 2133.6, priceMinor: 1190 },
      ],
    });
    expect(readPricedLengths('2100', 'mm', [])).toMatchObject({
      ok: false,
      error: expect.stringMatching(/“2100” does not do.*2100 11\.90/) as string,
    });
  });
});

describe('price, rack and one plan for several frames', () => {
  const parts = (widthMm: number, heightMm: number, profile = standard, joint: (typeof JOINTS)[number]['id'] = 'slotted') =>
    frameParts({ widthMm, heightMm, bracesUpright: 0, bracesLevel: 0 }, profile, joint);
  const bar = (lengthMm: number, count: number, patch: Partial<RackBar> = {}): RackBar => ({
    id: `${patch.family ?? ''}${lengthMm}`,
    profile: 'standard',
    kind: 'pairs',
    family: 'narrow slot',
    lengthMm,
    count,
    mark: '',
    ...patch,
  });

  it('pairs cost what the list says; between two sizes half as much again, and the next sizes are named', () => {
    const at = (mm: number) => standard.pairs.find((one) => one.mm === mm)!.priceMinor;
    expect(framePrice(parts(700, 500), standard, DEFAULT_RULES)).toEqual({ minor: at(700) + at(500), special: [] });
    expect(framePrice(parts(700, 512), standard, DEFAULT_RULES)).toEqual({
      minor: at(700) + Math.round(1.5 * at(550)),
      special: [512],
    });
    expect(pairPrice(1600, standard, DEFAULT_RULES).minor).toBe(Math.round(1.5 * ((at(1500) * 1600) / 1500)));
    expect(nearestListed(512, standard.pairs)).toEqual({ below: 500, above: 550 });
    expect(framePrice(parts(5000, 500, batten, 'mitreGlued'), batten, DEFAULT_RULES).minor).toBeNull();
  });

  it('picks pairs of one family, orders the rest, and warns of what would not fit', () => {
    const rack = [bar(700, 3), bar(500, 1), bar(500, 2, { family: 'other make' })];
    const list = pickList(parts(700, 500), standard, rack);
    expect(list.lines.map(({ lengthMm, fromRack, order }) => [lengthMm, fromRack, order])).toEqual([
      [700, 2, 0],
      [500, 0, 2],
    ]);
    expect(list.otherFamily).toEqual([{ family: 'other make', lengthMm: 500, count: 2 }]);
    expect(withoutPicked(rack, list).map((one) => one.count)).toEqual([1, 1, 2]);
    // A frame whole in the other make is taken from it.
    expect(pickList(parts(500, 500), standard, [bar(500, 4, { family: 'other make' })])).toMatchObject({ family: 'other make' });
  });

  it('a square wants four alike; two families never mix', () => {
    const frames = (rack: RackBar[]) => makeableFrames(rack).map((one) => `${one.widthMm} × ${one.heightMm}`);
    expect(frames([bar(600, 4), bar(800, 2), bar(900, 1)])).toEqual(['600 × 600', '800 × 600']);
    expect(frames([bar(600, 2), bar(800, 2, { family: 'other' })])).toEqual([]);
  });

  it('saws the frames of several jobs together, offcuts first, and gives the rack what is left', () => {
    const frames = [1, 2].map((number) => ({
      whose: `No. ${number}`,
      profile: 'batten',
      parts: frameParts({ widthMm: 700, heightMm: 500, bracesUpright: 0, bracesLevel: 0 }, batten, 'mitreGlued'),
    }));
    const rack = [bar(1450, 1, { id: 'long', profile: 'batten', kind: 'timber', family: 'sawn' })];
    const plan = buyingPlan(frames, rack, DEFAULT_RULES, () => 0.5);
    const alone = buyingPlan(frames, [], DEFAULT_RULES, () => 0.5);
    const [section] = plan.sections;
    if (section?.result.kind !== 'plan') throw new Error('expected a plan');
    expect(cuttingViolations(section.result, section.parts, 3)).toEqual([]);
    expect(section.parts).toHaveLength(8);
    expect(plan).toMatchObject({ proven: true, picks: [] });
    expect(plan.priceMinor).toBeLessThan(alone.priceMinor!);
    const { taken, offcuts } = rackChanges(plan, rack, DEFAULT_RULES);
    expect([...taken]).toEqual([['long', 1]]);
    const left = section.result.bars.filter((one) => one.leftoverMm >= 150).map((one) => Math.floor(one.leftoverMm));
    expect(offcuts.map((one) => one.lengthMm)).toEqual(left);
    const least = Math.max(...left) + 1;
    expect(rackChanges(plan, rack, { ...DEFAULT_RULES, assumptions: { leastBar: least } }).offcuts).toEqual([]);
  });

  it('even braces are even', () => expect(evenBraces(3)).toEqual([0.25, 0.5, 0.75]));
});
