/*
 * A data logger’s table as readings of the air: any of the usual separators, a point or a comma in the numbers, a row of
 * names on top. All rows are read, or none, with a list of what is wrong and where.
 */
import Papa from 'papaparse';
import { printedRange } from '@/core/quantities/printed';
import { isTyped, limitsOf } from '@/core/quantities/quantities';
import { celsiusFromFahrenheit } from '@/core/units/temperature';
import { SIMULATED_AIR, type StoredAir } from '@/db/airReadings';
import { type FieldError, type Outcome, done, refuse } from '../write/outcome';

const NAMES = {
  at: /^(date|time|datum|zeit|timestamp|when|at)\b|date.?time/i,
  celsius: /temp|°[cf]|celsius|fahrenheit/i,
  rh: /hum|%|\brh\b/i,
  source: /^source$/i,
};
/** What the name of a column says of what stands under it. */
const IN_UTC = /\butc\b/i;
const IN_FAHRENHEIT = /°f|fahrenheit/i;
/** Errors that are told one by one. */
const MOST_ERRORS = 8;
/** A logger that reads every ten minutes for a year. */
export const MOST_ROWS = 60_000;

const numberOf = (text: string): number => (/^\s*-?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.trim().replace(',', '.')) : NaN);

/** ISO time of what a logger writes: ISO, with or without its T, or day first with points; of this place where no zone is said. */
function timeOf(text: string, zone: 'Z' | ''): string | null {
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})[ T]+(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(text.trim());
  const iso = dotted
    ? `${dotted[3]}-${dotted[2]!.padStart(2, '0')}-${dotted[1]!.padStart(2, '0')}T${dotted[4]!.padStart(2, '0')}:${dotted[5]}:${dotted[6] ?? '00'}`
    : text.trim().replace(/^(\d{4}-\d{2}-\d{2})[ ]+(\d)/, '$1T$2');
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/.test(iso)) return null;
  const at = new Date(/(Z|[+-]\d{2}:?\d{2})$/.test(iso) ? iso : `${iso}${zone}`);
  return Number.isNaN(at.getTime()) ? null : at.toISOString();
}

/** The readings of a table, or what is wrong with it. */
export function airFromCsv(text: string): Outcome<StoredAir[]> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [names, ...rows] = data;
  if (!names || rows.length === 0) return refuse('This table has no rows under its names.');
  if (rows.length > MOST_ROWS) return refuse(`This table has ${rows.length} rows; ${MOST_ROWS} is the most at once.`);
  const column = (pattern: RegExp) => names.findIndex((name) => pattern.test(name.trim()));
  const [at, celsius, rh, source] = [column(NAMES.at), column(NAMES.celsius), column(NAMES.rh), column(NAMES.source)];
  if (at < 0 || celsius < 0 || rh < 0)
    return refuse(
      `No column for ${[at < 0 ? 'the time' : '', celsius < 0 ? 'the temperature' : '', rh < 0 ? 'the humidity' : ''].filter(Boolean).join(' and ')}: the names on top are ${names.map((name) => `“${name.trim()}”`).join(', ')}. Name them time, temperature and humidity.`,
    );
  const zone = IN_UTC.test(names[at]!) ? 'Z' : '';
  const fahrenheit = IN_FAHRENHEIT.test(names[celsius]!);
  const warmth = (cell: string) => (fahrenheit ? celsiusFromFahrenheit(numberOf(cell)) : numberOf(cell));
  const taken = {
    celsius: printedRange('temperature', ...limitsOf('temperature'), { unit: fahrenheit ? 'in' : 'mm', stepMm: 1 }),
    rh: printedRange('humidity', ...limitsOf('humidity')),
  };
  const errors: FieldError[] = [];
  const readings = rows.flatMap((row, index): StoredAir[] => {
    const read = { at: timeOf(row[at] ?? '', zone), celsius: warmth(row[celsius] ?? ''), rh: numberOf(row[rh] ?? '') };
    const wrong = [
      read.at === null ? `“${row[at] ?? ''}” is no time such as 2031-05-06 12:00` : '',
      isTyped('temperature', read.celsius) ? '' : `“${row[celsius] ?? ''}” is no temperature of ${taken.celsius}`,
      isTyped('humidity', read.rh) ? '' : `“${row[rh] ?? ''}” is no humidity of ${taken.rh}`,
    ].filter(Boolean);
    if (wrong.length > 0) errors.push({ field: `row ${index + 2}`, says: wrong.join('; ') });
    // What was simulated in one workshop is no reading in another.
    const simulated = row[source]?.trim() === SIMULATED_AIR;
    return wrong.length > 0 ? [] : [{ at: read.at!, celsius: read.celsius, rh: read.rh, simulated }];
  });
  if (errors.length === 0) return done(readings);
  const more = errors.length - MOST_ERRORS;
  return {
    ok: false,
    kind: 'invalid',
    errors: [...errors.slice(0, MOST_ERRORS), ...(more > 0 ? [{ field: '', says: `and ${more} rows more` }] : [])],
  };
}
