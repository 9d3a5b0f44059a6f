/* A number as its reader has it: in the units of the tape, with the digits that its kind has. */
import { printDuration, printEstimate } from '../units/duration';
import { RECORD_TAPE, type Tape, printFine, printLength } from '../units/length';
import { decimal, withoutDust } from '../units/numeral';
import {
  type Form,
  type PlainId,
  QUANTITIES,
  type QuantityId,
  type Range,
  formOf,
  isWithin,
  limitsOf,
  quantity,
} from './quantities';

/** Which system the reader has. */
type System = Pick<Tape, 'unit'>;

const within = ({ per, zero }: Form, value: number): number => withoutDust((value - zero) / per);
const placesOf = ({ places: [belowTen, fromTen] }: Form, value: number): number => (Math.abs(value) < 10 ? belowTen : fromTen);
/** Units that are words agree with their number. */
const singular = (unit: string): string => unit.replace(/(?<=[a-z]{2})s(?=$| of )/, '').replace(/ase$/, 'as');
const joined = (number: string, unit: string): string =>
  `${number}${unit === '' || unit === '°' ? '' : ' '}${number === '1' ? singular(unit) : unit}`;

/** The unit that a kind is printed in. */
export function unitOf(id: PlainId): string;
export function unitOf(id: QuantityId, tape: System): string;
export function unitOf(id: QuantityId, tape: System = RECORD_TAPE): string {
  return formOf(id, tape).unit;
}

/**
 * The number alone, where the unit stands beside it.
 *
 * @example bare('tension', 249.6) // '250'
 * @example bare('mass', 1.85, { unit: 'in' }) // '4.1'
 */
export function bare(id: PlainId, value: number): string;
export function bare(id: QuantityId, value: number, tape: System): string;
export function bare(id: QuantityId, value: number, tape: System = RECORD_TAPE): string {
  const row = quantity(id);
  const form = formOf(id, tape);
  const told = within(form, value);
  const places = placesOf(form, told);
  return row.fixed ? told.toFixed(places) : decimal(told, places);
}

/**
 * A number with its unit.
 *
 * @param value in the unit inside; any finite number
 * @param tape whose units; kinds that are the same to both do without
 * @example printed('tension', 249.6) // '250 N/m'
 * @example printed('mass', 1.85, { unit: 'in', stepMm: 25.4 / 16 }) // '4.1 lb'
 * @example printed('bow', 0.18, { unit: 'mm', stepMm: 1 }) // '0.2 mm'
 * @example printed('handTime', 667) // '11 h'
 * @example [printed('canvases', 1), printed('pulls', 1), printed('days', 2), printed('sideChanges', 1)] // ['1 canvas', '1 pull', '2 days', '1 change of side']
 */
export function printed(id: PlainId, value: number): string;
export function printed(id: QuantityId, value: number, tape: Tape): string;
export function printed(id: QuantityId, value: number, tape: Tape = RECORD_TAPE): string {
  const row = quantity(id);
  switch (row.by) {
    case 'tape':
      return printLength(value, tape);
    case 'fine':
      return printFine(value, tape);
    case 'time':
      return printDuration(value);
    case 'estimate':
      return printEstimate(value);
    case 'number':
      return joined(bare(id, value, tape), formOf(id, tape).unit);
  }
}

/**
 * From one value to another, told once where both print alike.
 *
 * @example printedRange('tension', 200, 300) // '200 to 300 N/m'
 * @example printedRange('dryingTime', 122, 119) // '2 h'
 */
export function printedRange(id: PlainId, from: number, to: number): string;
export function printedRange(id: QuantityId, from: number, to: number, tape: Tape): string;
export function printedRange(id: QuantityId, from: number, to: number, tape: Tape = RECORD_TAPE): string {
  const [first, last] = [printed(id, from, tape), printed(id, to, tape)];
  if (first === last) return first;
  const { by } = quantity(id);
  if (by === 'number') return `${bare(id, from, tape)} to ${last}`;
  // Two lengths in the unit of a tape have it once.
  return `${by === 'tape' || by === 'fine' ? first.replace(new RegExp(` ${tape.unit}$`), '') : first} to ${last}`;
}

/**
 * A value with its standard deviation.
 *
 * @example printedSpread('tension', 250, 31) // '250 ± 31 N/m'
 */
export const printedSpread = (id: PlainId, value: number, sd: number): string => `${bare(id, value)} ± ${printed(id, sd)}`;

/**
 * What stands in a field: as exact as it was typed, without the unit that stands beside it.
 *
 * @example fieldText('tax', 7.75, { unit: 'mm' }) // '7.75'
 */
export const fieldText = (id: QuantityId, value: number, tape: System): string => decimal(within(formOf(id, tape), value), 4);

/**
 * A value that its kind does not take, beside what it does.
 *
 * @example rangeRefusal('modulus', 200) // '200 GPa is outside 1 to 30 GPa.'
 */
export function rangeRefusal(id: QuantityId, value: number, [least, most]: Range = limitsOf(id)): string {
  const told = (each: number) => joined(fieldText(id, each, RECORD_TAPE), unitOf(id, RECORD_TAPE));
  return `${told(value)} is outside ${fieldText(id, least, RECORD_TAPE)} to ${told(most)}.`;
}

/**
 * What is wrong with a value that was typed for a kind, as sentences; none where it is within.
 *
 * @example outside('Spruce', 'modulus', 200) // ['Spruce: 200 GPa is outside 1 to 30 GPa.']
 */
export const outside = (name: string, id: QuantityId, value: number, range: Range = limitsOf(id)): string[] =>
  isWithin(value, range) ? [] : [`${name}: ${rangeRefusal(id, value, range)}`];

/** A mark of an axis: its digits are those of the scale. */
export const tickText = (tick: number): string => decimal(tick, 2);

/** Kinds by the unit that a reading or a verdict was written down with. */
const BY_UNIT = new Map(
  (Object.keys(QUANTITIES) as QuantityId[])
    .filter((id) => quantity(id).metric.per === 1 && quantity(id).metric.unit !== 'mm')
    .reverse()
    .map((id): [string, QuantityId] => [quantity(id).metric.unit, id]),
);

/**
 * What was written down with its unit, as the reader with this tape has it: two decimals at most, since a measure stands beside its limit.
 *
 * @example printedIn('kg', 1.85, { unit: 'in', stepMm: 1 }) // '4.1 lb'
 * @example printedIn('%', 0.625, { unit: 'mm', stepMm: 1 }) // '0.63 %'
 */
export function printedIn(unit: string, value: number, tape: Tape): string {
  if (unit === 'mm') return tape.unit === 'in' ? printFine(value, tape) : `${decimal(value, 2)} mm`;
  const id = BY_UNIT.get(unit);
  return id && tape.unit === 'in' && quantity(id).inch ? printed(id, value, tape) : joined(decimal(value, 2), unit);
}
