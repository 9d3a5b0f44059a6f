import { FRONT_WORDS } from '../job/sideWords';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { newInputs } from '../job/job';
import type { FastenInputs } from '../stages/fasten/fastenInputs';
import { length } from '../units/length';
import { FASTENERS, usualSpacing } from './fasteners';
import { halfRow, starterOffsets } from './fastenerPlaces';
import { type Barred, NOTHING_BARRED, clearPlaces } from './clearPlaces';
import { SIDES } from '../job/sides';
import { leastPitch } from './leastPitch';
import { type RoutePlan, type RouteStep, handwork, routePlan } from './routeSteps';
import { ROUTES } from './routes';
import { evenTacks } from '../cloth/marginLeft';
import { checksBefore, landmarks } from './routeChecks';

const base = newInputs('t', length(900), length(600)).fasten;
const fasten = (patch: Partial<FastenInputs> = {}): FastenInputs => ({ ...base, ...patch });
const OPPOSITE = { top: 'bottom', bottom: 'top', left: 'right', right: 'left' } as const;

const anyFrame = fc.record({
  widthMm: fc.integer({ min: 120, max: 2600 }),
  heightMm: fc.integer({ min: 120, max: 2600 }),
  spacing: fc.integer({ min: 15, max: 120 }),
  last: fc.integer({ min: 15, max: 90 }),
  starters: fc.constantFrom(1 as const, 2 as const, 3 as const),
  perTurn: fc.constantFrom(1 as const, 2 as const, 3 as const),
});

describe('places along a side', () => {
  it('are even, symmetric about the middle, never wider than asked, and end at the corner distance', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 3000 }),
        fc.integer({ min: 10, max: 150 }),
        fc.integer({ min: 10, max: 90 }),
        (side, spacing, last) => {
          const { offsetsMm, pitchMm } = halfRow(side, spacing, last);
          if (side / 2 <= last) return offsetsMm.length === 0;
          return (
            pitchMm <= spacing + 1e-9 &&
            Math.abs(offsetsMm.at(-1)! - (side / 2 - last)) < 1e-9 &&
            offsetsMm.every((offset, index) => Math.abs(offset - pitchMm * (index + 1)) < 1e-9)
          );
        },
      ),
      { seed: 6, numRuns: rounds(120, 500) },
    );
  });

  it('refuse a side or spacing of nothing', () => {
    expect(() => halfRow(0, 40, 20)).toThrow(/side must be above 0 mm, got 0/);
    expect(() => halfRow(500, -1, 20)).toThrow(/spacing must be above 0 mm, got -1/);
  });

  it('start with one, two or three close together about the middle', () => {
    expect(starterOffsets(1, 40)).toEqual([0]);
    expect(starterOffsets(2, 40)).toEqual([-10, 10]);
    expect(starterOffsets(3, 40)).toEqual([-20, 0, 20]);
  });
});

describe('the compass route', () => {
  it('uses every place once and keeps its promises on any frame', () => {
    fc.assert(
      fc.property(anyFrame, ({ widthMm, heightMm, spacing, last, starters, perTurn }) => {
        const plan = routePlan(
          { widthMm, heightMm },
          fasten({ spacing: length(spacing), lastFromCorner: length(last), starters, perTurn }),
        );
        const places = new Set(plan.steps.map((step) => `${step.side} ${step.offsetMm.toFixed(6)}`));
        // Naive count of turning: walk the list and note every change of side.
        let turns = 0;
        plan.steps.forEach((step, index) => {
          if (index > 0 && plan.steps[index - 1]!.side !== step.side) turns += 1;
        });
        return (
          leastGap(plan) >= LEAST - 1e-6 &&
          places.size === plan.steps.length &&
          turns === plan.turns &&
          plan.steps.every(
            (step, index) =>
              step.order === index + 1 && step.xMm >= 0 && step.xMm <= widthMm && step.yMm >= 0 && step.yMm <= heightMm,
          )
        );
      }),
      { seed: 12, numRuns: rounds(120, 500) },
    );
  });

  it('goes in opposites: after a side comes the one across, and distance from the middle never shrinks on a side', () => {
    const { steps } = routePlan({ widthMm: 900, heightMm: 600 }, fasten({ starters: 3, perTurn: 2 }));
    const sides = steps.map((step) => step.side).filter((side, index, all) => index === 0 || all[index - 1] !== side);
    for (let index = 0; index + 1 < 8; index += 2) expect(sides[index + 1]).toBe(OPPOSITE[sides[index]!]);
    for (const side of ['top', 'right', 'bottom', 'left'] as const) {
      const outward = steps
        .filter((step) => step.side === side && step.take === 'outward')
        .map((step) => Math.abs(step.offsetMm));
      expect(outward).toEqual([...outward].sort((a, b) => a - b));
    }
  });

  it('saves turns with more pairs a side', () => {
    const turns = ([1, 2, 3] as const).map((perTurn) => routePlan({ widthMm: 1200, heightMm: 900 }, fasten({ perTurn })).turns);
    expect(turns[0]).toBeGreaterThan(turns[1]!);
    expect(turns[1]).toBeGreaterThan(turns[2]!);
  });

  it('puts the fold fasteners last, on top and bottom', () => {
    const { steps } = routePlan({ widthMm: 900, heightMm: 600 }, fasten());
    expect(steps.slice(-4).map((step) => [step.take, step.side])).toEqual([
      ['corner', 'top'],
      ['corner', 'top'],
      ['corner', 'bottom'],
      ['corner', 'bottom'],
    ]);
  });

  it('counts minutes from steps and turns', () => {
    const face = { widthMm: 900, heightMm: 600 };
    const plan = routePlan(face, fasten());
    expect(handwork(plan, face, { fastener: 12, turn: 0 }).minutes).toBeCloseTo(plan.steps.length / 5, 9);
    expect(handwork(plan, face, { fastener: 0, turn: 30 }).minutes).toBeCloseTo(plan.turns / 2, 9);
  });
});

const LEAST = leastPitch(FASTENERS[1], 4);

/** The least distance of two fasteners of one side, the fold’s with them, mm. */
function leastGap({ steps }: RoutePlan): number {
  const gaps = SIDES.flatMap((side) => {
    const places = steps.filter((step) => step.side === side && step.act === 'fix').map((step) => step.offsetMm);
    const sorted = places.sort((a, b) => a - b);
    return sorted.slice(1).map((at, index) => at - sorted[index]!);
  });
  return Math.min(...gaps);
}

const placeOf = ({ side, offsetMm }: RouteStep) => `${side} ${offsetMm.toFixed(4)}`;

describe.each(ROUTES.map((row) => [row.name, row.id] as const))('%s, on random frames', (_name, route) => {
  const anyJob = fc.record({ frame: anyFrame, secondRound: fc.boolean() });
  const planOf = ({
    frame,
    secondRound,
  }: {
    frame: typeof anyFrame extends fc.Arbitrary<infer T> ? T : never;
    secondRound: boolean;
  }) =>
    routePlan(
      { widthMm: frame.widthMm, heightMm: frame.heightMm },
      fasten({
        route,
        secondRound,
        spacing: length(frame.spacing),
        lastFromCorner: length(frame.last),
        starters: frame.starters,
        perTurn: frame.perTurn,
      }),
    );

  it('uses every place once, numbers its steps, counts its turns as they are walked', () => {
    fc.assert(
      fc.property(anyJob, (job) => {
        const plan = planOf(job);
        const fixed = plan.steps.filter((step) => step.act === 'fix');
        let turns = 0;
        plan.steps.forEach((step, index) => {
          if (index > 0 && plan.steps[index - 1]!.side !== step.side) turns += 1;
        });
        return (
          leastGap(plan) >= LEAST - 1e-6 &&
          SIDES.every((side) => fixed.some((step) => step.side === side)) &&
          new Set(fixed.map(placeOf)).size === fixed.length &&
          plan.fasteners === fixed.length &&
          plan.turns === turns &&
          plan.steps.every((step, index) => step.order === index + 1)
        );
      }),
      { seed: 21, numRuns: rounds(120, 500) },
    );
  });

  it('holds spacing and last distance, takes out all that held, and sets again only what is set', () => {
    fc.assert(
      fc.property(anyJob, (job) => {
        const plan = planOf(job);
        const { frame } = job;
        const held = new Set<string>();
        const fixed = new Set<string>();
        for (const step of plan.steps) {
          const place = placeOf(step);
          if (step.act === 'hold') held.add(place);
          if (step.act === 'takeOut' && !held.delete(place)) return false;
          if (step.act === 'again' && !fixed.has(place)) return false;
          if (step.act === 'fix') {
            if (held.has(place)) return false;
            fixed.add(place);
          }
          if (step.take === 'corner' && held.size > 0) return false;
        }
        const row = plan.steps
          .filter((step) => step.side === 'top' && step.act === 'fix' && step.take !== 'corner')
          .map((step) => step.offsetMm);
        const sorted = [...row].sort((a, b) => a - b);
        const gaps = sorted.slice(1).map((offset, index) => offset - sorted[index]!);
        return (
          held.size === 0 &&
          // A place too near the one before is left out: the gap is then wider by less than the least pitch.
          gaps.every((gap) => gap < Math.max(frame.spacing, LEAST) + LEAST) &&
          (sorted.length <= frame.starters || frame.widthMm / 2 - sorted.at(-1)! >= frame.last - 1e-6)
        );
      }),
      { seed: 22, numRuns: rounds(120, 500) },
    );
  });
});

describe('what each route promises', () => {
  const steps = (
    route: (typeof ROUTES)[number]['id'],
    patch: Partial<FastenInputs> = {},
    face = { widthMm: 900, heightMm: 600 },
  ) => routePlan(face, fasten({ route, ...patch })).steps;

  it('diagonal: each outward one is answered by the one diagonally across', () => {
    const outward = steps('diagonal').filter((step) => step.take === 'outward');
    for (let index = 0; index < outward.length; index += 2) {
      const [one, other] = [outward[index]!, outward[index + 1]!];
      expect([other.side, other.offsetMm]).toEqual([OPPOSITE[one.side], expect.closeTo(-one.offsetMm, 9)]);
    }
  });

  it('long sides first, wide or tall: half-way out on the long ones before the short ones begin', () => {
    for (const [face, long] of [
      [{ widthMm: 900, heightMm: 600 }, ['top', 'bottom']],
      [{ widthMm: 600, heightMm: 900 }, ['right', 'left']],
    ] as const) {
      const outward = steps('longFirst', {}, face).filter((step) => step.take === 'outward');
      const firstShort = outward.findIndex((step) => !long.includes(step.side as never));
      const early = outward.slice(0, firstShort);
      expect(early.length).toBeGreaterThan(3);
      expect(early.every((step) => Math.abs(step.offsetMm) <= 450 / 2)).toBe(true);
    }
  });

  it('halving: the first end and side by hand without pull, the others pulled; ends before gaps', () => {
    const all = steps('halving').filter((step) => step.take === 'halving');
    expect(new Set(all.filter((step) => step.pull === 'none').map((step) => step.side))).toEqual(new Set(['right', 'top']));
    expect(all.filter((step) => step.pull === 'none').every((step) => step.with === 'hand')).toBe(true);
    const left = all.filter((step) => step.side === 'left').map((step) => step.offsetMm);
    const last = Math.max(...left);
    expect(left.slice(0, 3)).toEqual([0, -last, last]);
  });

  it('corner-held: four that hold at the corners, each out just before its place is taken', () => {
    const all = steps('cornerHeld');
    const outs = all.filter((step) => step.act === 'takeOut');
    expect(outs).toHaveLength(4);
    for (const out of outs) expect(all[out.order]).toMatchObject({ act: 'fix', side: out.side, offsetMm: out.offsetMm });
  });

  it('registered: clamps on all sides first, the first side laid on, no pull but a gentle one', () => {
    const all = steps('registered');
    expect(all.slice(0, 12).every((step) => step.act === 'hold' && step.with === 'clamps')).toBe(true);
    expect(all.filter((step) => step.act === 'fix').every((step) => step.pull === 'none' || step.pull === 'gentle')).toBe(true);
    expect(all.find((step) => step.act === 'fix')).toMatchObject({ side: 'top', pull: 'none' });
  });

  it('a second round draws every fastener again once, before the corners', () => {
    const all = steps('compass', { secondRound: true });
    const again = all.filter((step) => step.act === 'again');
    const fixed = all.filter((step) => step.act === 'fix' && step.take !== 'corner');
    expect(again.map(placeOf).sort()).toEqual(fixed.map(placeOf).sort());
    expect(Math.max(...again.map((step) => step.order))).toBe(all.length - 4);
  });
});

describe('along a route', () => {
  const face = { widthMm: 900, heightMm: 600 };
  it.each(ROUTES.map((one) => one.id))(
    '%s: every check comes once, before a step, and one can jump to the four corners',
    (route) => {
      const plan = routePlan(face, fasten({ route }));
      const checks = checksBefore(plan, route);
      const row = ROUTES.find((one) => one.id === route)!;
      expect([...checks.values()].flat().sort()).toEqual(
        ['The frame lies on the grain, margins as planned.', ...row.checks.map((one) => one.says)].sort(),
      );
      const corners = landmarks(plan, FRONT_WORDS).filter(({ name }) => name.startsWith('corner'));
      expect(corners.map(({ name }) => name.replace(/, .*/, '')).sort()).toEqual([
        'corner bottom left',
        'corner bottom right',
        'corner top left',
        'corner top right',
      ]);
      for (const { order } of corners) expect(plan.steps[order - 1]).toMatchObject({ take: 'corner', act: 'fix' });
    },
  );

  it('the diamond is looked at after the four middles, the fold begun before the row is full', () => {
    const plan = routePlan(face, fasten());
    const at = (words: string) =>
      [...checksBefore(plan, 'compass')].find(([, list]) => list.some((one) => one.includes(words)))![0];
    expect(at('diamond')).toBe(5);
    const fold = plan.steps[at('corner folds') - 1]!;
    expect(fold.take).toBe('outward');
    expect(plan.steps.filter((step) => step.take === 'outward' && step.order > fold.order).length).toBeGreaterThan(8);
  });

  it('tacks in sight run evenly from corner to corner, half a pitch from each, on the sides that are seen', () => {
    fc.assert(
      fc.property(anyFrame, fc.constantFrom(...ROUTES.map((one) => one.id)), ({ widthMm, heightMm, spacing, last }, route) => {
        const plan = routePlan(
          { widthMm, heightMm },
          fasten({ route, spacing: length(spacing), lastFromCorner: length(last) }),
          NOTHING_BARRED,
          ['top', 'left'],
        );
        for (const [side, long] of [
          ['top', widthMm],
          ['left', heightMm],
        ] as const) {
          const row = plan.steps.filter((step) => step.side === side && step.act === 'fix').map((step) => step.offsetMm);
          const sorted = [...row].sort((a, b) => a - b);
          const { count, pitchMm } = evenTacks(long, spacing);
          if (sorted.length !== count || Math.abs(sorted[0]! + long / 2 - pitchMm / 2) > 1e-6) return false;
          if (sorted.slice(1).some((at, index) => Math.abs(at - sorted[index]! - pitchMm) > 1e-6)) return false;
        }
        return plan.steps.filter((step) => step.side === 'bottom' && step.take === 'corner').length <= 2;
      }),
      { seed: 12, numRuns: rounds(120, 500) },
    );
  });
});

describe('what is barred', () => {
  it('moves a place to its nearest clear edge, opposite sides alike, never on to another', () => {
    const brace: Barred[] = [{ fromMm: -15, toMm: 15 }];
    expect(clearPlaces([0, 40, -40], brace, 400, 8)).toEqual([15, 40, -40]);
    expect(clearPlaces([0, 18], brace, 400, 8)).toEqual([-15, 18]);
    expect(clearPlaces([0], [{ fromMm: -500, toMm: 500 }], 400, 8)).toEqual([null]);
    expect(clearPlaces([0, 26], brace, 400, 15)).toEqual([-15, 26]);
    fc.assert(
      fc.property(
        fc.array(fc.record({ at: fc.integer({ min: -380, max: 380 }), half: fc.integer({ min: 4, max: 30 }) }), { maxLength: 4 }),
        (knots) => {
          const barred = knots.map(({ at, half }) => ({ fromMm: at - half, toMm: at + half }));
          const offsets = halfRow(900, 45, 45).offsetsMm.flatMap((offset) => [offset, -offset]);
          const places = clearPlaces(offsets, barred, 436, 8).filter((at) => at !== null);
          const inside = (at: number) => barred.some(({ fromMm, toMm }) => at > fromMm + 1e-9 && at < toMm - 1e-9);
          return new Set(places).size === places.length && places.every((at) => !inside(at));
        },
      ),
      { seed: 3, numRuns: 300 },
    );
  });

  it('keeps a route clear of a brace and a knot, and its counts as they were', () => {
    const face = { widthMm: 900, heightMm: 600 };
    const brace = { fromMm: -12, toMm: 12 };
    const barred = { ...NOTHING_BARRED, top: [brace, { fromMm: 80, toMm: 100 }], bottom: [brace] };
    const plan = routePlan(face, fasten(), barred);
    expect(plan.fasteners).toBe(routePlan(face, fasten()).fasteners);
    const top = plan.steps.filter((step) => step.side === 'top').map((step) => step.offsetMm);
    expect(top.every((at) => Math.abs(at) >= 12 && !(at > 80 && at < 100))).toBe(true);
  });

  it('walks less when more is done at each turn', () => {
    const face = { widthMm: 1500, heightMm: 1000 };
    const walked = (perTurn: 1 | 3) => handwork(routePlan(face, fasten({ perTurn })), face, { fastener: 1, turn: 1 }).walkM;
    expect(walked(3)).toBeLessThan(walked(1));
  });
});

it('spaces by cloth and size, and has fasteners of every kind asked for', () => {
  expect(usualSpacing(500, 900).toMm).toBe(35);
  expect(usualSpacing(340, 900)).toMatchObject({ fromMm: 30, toMm: 50 });
  expect(usualSpacing(250, 1800).toMm).toBe(100);
  expect(FASTENERS.some((one) => one.stainless) && FASTENERS.some((one) => one.seen)).toBe(true);
});
