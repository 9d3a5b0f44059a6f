import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { dampSpell, flatUpTo, tensionAt, weatherBand } from './clothWeather';
import { simulatedAir } from './simulatedAir';

const response = { stiffnessKNPerM: 20, clothPpm: 60, woodPpm: 10 };
const known = { nPerM: 200, rh: 50 };
const NOON = Date.UTC(2031, 4, 6, 12);
const air = (rhs: number[], stepHours = 3) =>
  rhs.map((rh, index) => ({
    at: new Date(NOON - (rhs.length - 1 - index) * stepHours * 3_600_000).toISOString(),
    celsius: 18,
    rh,
  }));

describe('tension and the air', () => {
  it('falls with damp by stiffness × the difference of both, and not below nothing', () => {
    expect(tensionAt(known, 80, response)).toBeCloseTo(170, 9);
    expect(tensionAt(known, 30, response)).toBeCloseTo(220, 9);
    expect(tensionAt({ nPerM: 10, rh: 20 }, 90, response)).toBe(0);
    expect(tensionAt(known, 80, { ...response, woodPpm: 60 })).toBe(200);
    expect(() => tensionAt(known, 101, response)).toThrow(/0 to 100 %, got 101/);
  });

  it('stays flat up to a humidity, and says what it takes to stay so', () => {
    expect(flatUpTo({ nPerM: 80, rh: 50 }, 60, response)).toBeCloseTo(70, 9);
    expect(flatUpTo(known, 60, response)).toBeNull();
    const year = air(Array.from({ length: 101 }, (_, index) => index * 0.8 + 10));
    const band = weatherBand({ nPerM: 80, rh: 50 }, year, 60, response)!;
    expect(band).toMatchObject({ least: 40, most: 120 });
    expect(band.dampRh).toBeCloseTo(86, 9);
    expect(tensionAt({ nPerM: band.needed, rh: 50 }, band.dampRh, response)).toBeCloseTo(60, 9);
    expect(band.slackPart).toBeCloseTo(25 / 101, 9);
  });

  it('warns of damp that is here, that rises, and not of steady air', () => {
    expect(dampSpell(air(Array(20).fill(75) as number[]), 70, NOON)).toEqual({ kind: 'now', rh: 75 });
    expect(dampSpell(air(Array.from({ length: 17 }, (_, index) => 48 + index)), 70, NOON)).toMatchObject({ kind: 'coming' });
    expect(dampSpell(air(Array(20).fill(55) as number[]), 70, NOON)).toEqual({ kind: 'none' });
    expect(dampSpell(air([80, 80]), 70, NOON)).toEqual({ kind: 'none' });
  });

  it('a simulated year is the same for the same seed, has its seasons, and air that a room can have', () => {
    const year = (seed: number) => simulatedAir(randomLcg(seed), Date.UTC(2031, 0, 1), 2920, 3);
    expect(year(0.2)).toEqual(year(0.2));
    expect(year(0.2)).not.toEqual(year(0.3));
    const mean = (from: number, to: number, of: 'rh' | 'celsius') =>
      year(0.2)
        .slice(from, to)
        .reduce((sum, one) => sum + one[of], 0) /
      (to - from);
    expect(mean(1400, 1700, 'celsius') - mean(0, 300, 'celsius')).toBeGreaterThan(4);
    for (const { rh, celsius } of year(0.2)) {
      expect(rh >= 22 && rh <= 96).toBe(true);
      expect(celsius >= 4 && celsius <= 34).toBe(true);
    }
  });
});
