/* What a plan tells of the rows of its fasteners, held against their places. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { newInputs } from '../job/job';
import { SIDES } from '../job/sides';
import type { FastenInputs } from '../stages/fasten/fastenInputs';
import { length } from '../units/length';
import { NOTHING_BARRED } from './clearPlaces';
import { FASTENERS } from './fasteners';
import { leastPitch } from './leastPitch';
import { routePlan } from './routeSteps';
import { ROUTES } from './routes';

const base = newInputs('t', length(900), length(600)).fasten;
const fasten = (patch: Partial<FastenInputs> = {}): FastenInputs => ({ ...base, ...patch });
const LEAST = leastPitch(
  FASTENERS.find(({ id }) => id === base.fastener)!,
  4,
);

const anyFrame = fc.record({
  widthMm: fc.integer({ min: 100, max: 3000 }),
  heightMm: fc.integer({ min: 100, max: 3000 }),
  spacing: fc.integer({ min: 15, max: 120 }),
  last: fc.integer({ min: 0, max: 90 }),
  starters: fc.constantFrom(1 as const, 2 as const, 3 as const),
});

describe('what is told of a row', () => {
  it('is so on its places: none wider apart, the last as far from the corner; turned with its seams a frame takes as many', () => {
    const any = fc.tuple(anyFrame, fc.constantFrom(...ROUTES.map(({ id }) => id)), fc.constantFrom('topBottom', 'leftRight'));
    fc.assert(
      fc.property(any, ([{ widthMm, heightMm, spacing, last, starters }, route, seams]) => {
        const inputs = fasten({ route, starters, spacing: length(spacing), lastFromCorner: length(last) });
        const plan = routePlan({ widthMm, heightMm }, inputs, NOTHING_BARRED, [], { seams });
        for (const side of SIDES) {
          const level = side === 'top' || side === 'bottom';
          const long = level ? widthMm : heightMm;
          const { pitchMm: pitch, lastMm } = plan.rows[side];
          const own = plan.steps.filter((step) => step.side === side && step.act === 'fix');
          const row = own.filter(({ take }) => take !== 'corner').map(({ offsetMm }) => offsetMm);
          row.sort((a, b) => a - b);
          if (pitch > 0 && Math.abs(row.at(-1)! - (long / 2 - lastMm!)) > 1e-6) return false;
          if (pitch > Math.max(spacing, LEAST) + LEAST) return false;
          if (row.slice(1).some((at, index) => at - row[index]! > Math.max(pitch, 20) + 1e-6)) return false;
          const folds = level === (seams === 'topBottom');
          if (!folds && own.some(({ take }) => take === 'corner')) return false;
        }
        const turned = routePlan({ widthMm: heightMm, heightMm: widthMm }, inputs, NOTHING_BARRED, [], {
          seams: seams === 'topBottom' ? 'leftRight' : 'topBottom',
        });
        return turned.fasteners === plan.fasteners;
      }),
      { seed: 12, numRuns: rounds(200, 1000) },
    );
  });

  it('two or three starters leave no wider gap beside them, and a last one asked too near the corner is set as near as it goes', () => {
    const gapsOf = (patch: Partial<FastenInputs>) => {
      const plan = routePlan({ widthMm: 900, heightMm: 600 }, fasten(patch));
      const row = plan.steps.filter(({ side, take }) => side === 'top' && take !== 'corner').map(({ offsetMm }) => offsetMm);
      row.sort((a, b) => a - b);
      return { plan, widest: Math.max(...row.slice(1).map((at, index) => at - row[index]!)) };
    };
    const three = gapsOf({ starters: 3, spacing: length(30), lastFromCorner: length(45) });
    expect(three.widest).toBeLessThanOrEqual(30);
    const near = gapsOf({ spacing: length(75), lastFromCorner: length(24) });
    expect(near.widest).toBeLessThanOrEqual(75);
    expect(near.plan.rows.top.lastMm).toBe(29);
    expect(near.plan.rows.left.lastMm).toBe(24);
  });
});
