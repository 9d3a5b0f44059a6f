import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FastenInputs, newInputs } from '../job/job';
import { length } from '../units/length';
import { FASTENERS, usualSpacing } from './fasteners';
import { halfRow, starterOffsets } from './fastenerPlaces';
import { routeMinutes, routePlan } from './routeSteps';

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
      { seed: 6, numRuns: 500 },
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
  it('uses every place once and keeps its promises on 500 frames', () => {
    fc.assert(
      fc.property(anyFrame, ({ widthMm, heightMm, spacing, last, starters, perTurn }) => {
        const plan = routePlan(
          { widthMm, heightMm },
          fasten({ spacing: length(spacing), lastFromCorner: length(last), starters, perTurn }),
        );
        const across = halfRow(widthMm, spacing, last).offsetsMm.length;
        const down = halfRow(heightMm, spacing, last).offsetsMm.length;
        const places = new Set(plan.steps.map((step) => `${step.side} ${step.offsetMm.toFixed(6)}`));
        // Naive count of turning: walk the list and note every change of side.
        let turns = 0;
        plan.steps.forEach((step, index) => {
          if (index > 0 && plan.steps[index - 1]!.side !== step.side) turns += 1;
        });
        return (
          plan.steps.length === 4 * starters + 4 * across + 4 * down + 4 &&
          places.size === plan.steps.length &&
          turns === plan.turns &&
          plan.steps.every(
            (step, index) =>
              step.order === index + 1 && step.xMm >= 0 && step.xMm <= widthMm && step.yMm >= 0 && step.yMm <= heightMm,
          )
        );
      }),
      { seed: 12, numRuns: 500 },
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

  it('counts minutes from places and turns', () => {
    const plan = routePlan({ widthMm: 900, heightMm: 600 }, fasten());
    expect(routeMinutes(plan, 12, 0)).toBeCloseTo(plan.steps.length / 5, 9);
    expect(routeMinutes(plan, 0, 30)).toBeCloseTo(plan.turns / 2, 9);
  });
});

it('spaces by cloth and size, and has fasteners of every kind asked for', () => {
  expect(usualSpacing(500, 900).toMm).toBe(35);
  expect(usualSpacing(340, 900)).toMatchObject({ fromMm: 30, toMm: 50 });
  expect(usualSpacing(250, 1800).toMm).toBe(100);
  expect(FASTENERS.some((one) => one.stainless) && FASTENERS.some((one) => one.seen)).toBe(true);
});
