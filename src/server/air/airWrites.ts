/* The air of the workshop: read from a logger’s table or from the simulated hygrometer, asked for by days. */
import { randomLcg } from 'd3-random';
import { assumed } from '@/core/house/houseRules';
import { type AirReading, type DampSpell, dampSpell } from '@/core/tension/clothWeather';
import { simulatedAir } from '@/core/tension/simulatedAir';
import { SIMULATED_AIR, type StoredAir, insertAir, listAir, removeSimulatedAir } from '@/db/airReadings';
import { readRules } from '@/db/workshops';
import { airFromCsv } from './airCsv';
import { type Outcome, done } from '../write/outcome';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { text } from '@/core/shape/shape';

const DAY_MS = 86_400_000;
const YEAR_DAYS = 366;
/** The simulated hygrometer reads every third hour, always the same air. */
const STEP_H = 3;
const SEED = 0.6180339;

/** A day of air: its mean, and the dampest and driest of it. */
export interface AirDay {
  day: string;
  celsius: number;
  rh: number;
  leastRh: number;
  mostRh: number;
  /** Some of it was simulated. */
  simulated: boolean;
}

export interface Air {
  days: AirDay[];
  last: StoredAir | null;
  /** The last reading while it is fresh. */
  now: StoredAir | null;
  spell: DampSpell;
}

/** Air of the last year by days, and whether a damp spell is here or on its way. */
export function airOf({ database, now }: Workshop): Air {
  const at = now().getTime();
  const readings = listAir(database, new Date(at - YEAR_DAYS * DAY_MS).toISOString()).filter((one) => Date.parse(one.at) <= at);
  const days = new Map<string, StoredAir[]>();
  for (const one of readings) {
    const day = one.at.slice(0, 10);
    const there = days.get(day);
    if (there) there.push(one);
    else days.set(day, [one]);
  }
  return {
    days: [...days].map(([day, list]) => dayOf(day, list)),
    last: readings.at(-1) ?? null,
    now: airNow({ database, now }),
    spell: spellOf({ database, now }),
  };
}

function dayOf(day: string, list: readonly StoredAir[]): AirDay {
  const mean = (of: 'celsius' | 'rh') => Math.round((10 * list.reduce((sum, one) => sum + one[of], 0)) / list.length) / 10;
  const rhs = list.map(({ rh }) => rh);
  return {
    day,
    celsius: mean('celsius'),
    rh: mean('rh'),
    leastRh: Math.min(...rhs),
    mostRh: Math.max(...rhs),
    simulated: list.some(({ simulated }) => simulated),
  };
}

/** A reading of the hygrometer counts as the air of the moment for so long, ms. */
const FRESH_MS = 6 * 3_600_000;

/** What the hygrometer says now, or null when it has not been read for hours. */
export function airNow({ database, now }: Pick<Workshop, 'database' | 'now'>): StoredAir | null {
  const at = now().getTime();
  const since = new Date(at - FRESH_MS).toISOString();
  return listAir(database, since).findLast((one) => Date.parse(one.at) <= at) ?? null;
}

/** Whether a damp spell is here or on its way, from the last two days. */
export function spellOf({ database, now }: Pick<Workshop, 'database' | 'now'>): DampSpell {
  const at = now().getTime();
  const { rules } = readRules(database);
  return dampSpell(listAir(database, new Date(at - 2 * DAY_MS).toISOString()), assumed(rules, 'dampSpell'), at);
}

export interface AirTaken {
  air: Air;
  added: number;
  /** Simulated readings that real ones took the place of. */
  replaced: number;
  rows: number;
}

const taken = (workshop: Workshop, readings: readonly AirReading[], source: string, simulated: readonly AirReading[] = []) => {
  const { added, replaced } = workshop.database
    .transaction(() => {
      const real = insertAir(workshop.database, readings, source);
      const more = insertAir(workshop.database, simulated, SIMULATED_AIR);
      return { added: real.added + more.added, replaced: real.replaced };
    })
    .immediate();
  return done({ air: airOf(workshop), added, replaced, rows: readings.length + simulated.length });
};

const air = (workshop: Workshop): Outcome<AirTaken> => done({ air: airOf(workshop), added: 0, replaced: 0, rows: 0 });

/** Takes in a logger’s table: all rows or none; moments that were read already stay as they are. */
export const importAir = write({
  asks: { text: text(1, 4_000_000), source: text(0, 80) },
  act(workshop: Workshop, { text, source }): Outcome<AirTaken> {
    const readings = airFromCsv(text);
    if (!readings.ok) return readings;
    const [real, simulated] = [false, true].map((one) => readings.value.filter((reading) => reading.simulated === one));
    return taken(workshop, real!, sourceName(source), simulated);
  },
  again: air,
});

/** What a table is called in the list; never as the simulated hygrometer is. */
const sourceName = (typed: string): string => (['', SIMULATED_AIR].includes(typed.trim()) ? 'table' : typed.trim());

/** Fills the year until now from the simulated hygrometer. */
export const readSimulatedAir = write({
  asks: {},
  act(workshop: Workshop): Outcome<AirTaken> {
    const stepMs = STEP_H * 3_600_000;
    const last = Math.floor(workshop.now().getTime() / stepMs) * stepMs;
    const count = (YEAR_DAYS * 24) / STEP_H;
    return taken(workshop, simulatedAir(randomLcg(SEED), last - (count - 1) * stepMs, count, STEP_H), SIMULATED_AIR);
  },
  again: air,
});

/** Takes the simulated air out again: what was noted with it elsewhere stays marked as simulated. */
export const dropSimulatedAir = write({
  asks: {},
  act(workshop: Workshop): Outcome<AirTaken> {
    const gone = workshop.database.transaction(() => removeSimulatedAir(workshop.database)).immediate();
    return done({ air: airOf(workshop), added: -gone, replaced: 0, rows: gone });
  },
  again: air,
});
