/* What was typed into a field, as its value: in any unit of its kind, within its limits, or a sentence that says what would do. */
import { parseClothWeight } from '../units/clothWeight';
import { type Length, type LengthUnit, type Tape, parseLength, printLength } from '../units/length';
import { parseMass } from '../units/mass';
import { parseMoney, printMoney } from '../units/money';
import { twoWays, withoutDust } from '../units/numeral';
import { type Parsed, parsed, refused } from '../units/result';
import { parseTemperature } from '../units/temperature';
import { fieldText, unitOf } from './printed';
import { type NumberId, type QuantityId, type Range, formOf, isTyped, isWithin, limitsOf, quantity } from './quantities';

/** Nothing in it says its unit: two units make two lengths of it. */
function isBare(typed: string): boolean {
  const [small, large] = [parseLength(typed, 'mm'), parseLength(typed, 'cm')];
  return small.ok !== large.ok || (small.ok && large.ok && small.value.mm !== large.value.mm);
}

const FRACTION = /[/⁄½⅓⅔¼¾⅛⅜⅝⅞]/;

/**
 * A length as it was typed over another one, within bounds; or the error to show. A number without a unit is of the tape’s;
 * over a value that stands in another unit it may be meant in that one: where both would do, it is asked.
 *
 * @param range of what may be typed, mm: that of its kind, where nothing narrower holds
 * @example readLength('61.5 cm', null, { unit: 'mm', stepMm: 1 }, [100, 4000]) // { ok: true, value: { mm: 615, unit: 'cm' } }
 */
export function readLength(typed: string, value: Length | null, tape: Tape, range: Range): Parsed<Length> {
  const [leastMm, mostMm] = range;
  const stands: LengthUnit = value === null ? tape.unit : value.unit === 'ft' ? 'in' : value.unit;
  const within = (one: Parsed<Length>) => one.ok && isWithin(one.value.mm, range);
  const [house, other] = [parseLength(typed, tape.unit), parseLength(typed, stands)];
  const isUnitless = isBare(typed);
  if (isUnitless && FRACTION.test(typed)) {
    if (stands === 'in' || tape.unit === 'in') return bounded(parseLength(typed, 'in'));
    return refused(typed, 'is a fraction without a unit', `Write ${typed.trim()} in, or a decimal.`);
  }
  if (isUnitless && stands !== tape.unit && within(other)) {
    if (!within(house)) return other;
    return refused(typed, 'can be read two ways', `Write ${typed.trim()} ${tape.unit} or ${typed.trim()} ${stands}.`);
  }
  return bounded(house);

  function bounded(result: Parsed<Length>): Parsed<Length> {
    if (!result.ok || within(result)) return result;
    const [least, most] = [printLength(leastMm, tape, 'up'), printLength(mostMm, tape, 'down')];
    return refused(
      typed,
      result.value.mm < leastMm ? `is below ${least}` : `is above ${most}`,
      `Type ${least} to ${most}, in any unit.`,
    );
  }
}

/** Kinds with ways of their own to be written. */
const READERS: Partial<Record<QuantityId, (typed: string, tape: Tape) => Parsed<number>>> = {
  mass: parseMass,
  temperature: parseTemperature,
  roomTemperature: parseTemperature,
  clothWeight: parseClothWeight,
};

/**
 * A number of a kind as it was typed, with its unit or without, decimal comma or point; or the error to show.
 *
 * @param unit what stands beside the field where the kind has none of its own
 * @param range of what may be typed, in units inside
 * @example readNumber('tension', '250 N/m', { unit: 'mm', stepMm: 1 }) // { ok: true, value: 250 }
 * @example readNumber('mass', '4 lb 8 oz', { unit: 'mm', stepMm: 1 }) // { ok: true, value: 2.0411656… }
 */
export function readNumber(
  id: NumberId,
  typed: string,
  tape: Tape,
  { unit = unitOf(id, tape), range = limitsOf(id) }: { unit?: string; range?: Range } = {},
): Parsed<number> {
  const [least, most] = range;
  const wouldDo = `Type ${fieldText(id, least, tape)} to ${fieldText(id, most, tape)} ${unit}`.trim() + '.';
  const read = READERS[id]?.(typed, tape) ?? plainNumber(id, typed, tape, unit, range, wouldDo);
  if (!read.ok) return read;
  if (quantity(id).whole && !Number.isInteger(read.value)) return refused(typed, 'is no whole number', wouldDo);
  return isWithin(read.value, range) ? read : refused(typed, 'is out of range', wouldDo);
}

function plainNumber(id: NumberId, typed: string, tape: Tape, unit: string, range: Range, wouldDo: string): Parsed<number> {
  const { metric, inch } = quantity(id);
  const own = formOf(id, tape);
  const text = typed.trim().toLowerCase();
  // The unit may be typed with the number, also that of the other system; any other is refused, not dropped.
  const said = [{ ...own, unit }, metric, ...(inch ? [inch] : [])].find(
    (one) => one.unit !== '' && text.endsWith(one.unit.toLowerCase()),
  );
  const number = said ? text.slice(0, -said.unit.length).trim() : text;
  const { per } = said ?? own;
  if (!(range[0] < 0 ? /^[-−]?\d+([.,]\d+)?$/ : /^\d+([.,]\d+)?$/).test(number))
    return refused(typed, 'is not a number', wouldDo);
  const ways = twoWays(number);
  if (ways && ways.thousands * per <= range[1])
    return refused(typed, 'can be read two ways', `Write ${ways.thousands} or ${ways.decimal}.`);
  return parsed(withoutDust(Number(number.replace(',', '.').replace('−', '-')) * per));
}

/**
 * A price as it was typed, in the smallest coin, no more than is taken; or the error to show.
 *
 * @param currency of the house
 * @example readPrice('12.50', '€') // { ok: true, value: 1250 }
 * @example readPrice('2000000', '€').error // '“2000000” is out of range. Type €0.00 to €1000000.00.'
 */
export function readPrice(typed: string, currency = ''): Parsed<number> {
  const read = parseMoney(typed, currency);
  if (!read.ok || isTyped('price', read.value)) return read;
  const [least, most] = limitsOf('price');
  return refused(typed, 'is out of range', `Type ${printMoney(least, currency)} to ${printMoney(most, currency)}.`);
}
