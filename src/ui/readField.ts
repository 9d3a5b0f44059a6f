/* What was typed into a field, as its value. */
import { type Length, type LengthUnit, type Tape, parseLength, printLength } from '@/core/units/length';
import { twoWays } from '@/core/units/numeral';
import { type Parsed, parsed, refused } from '@/core/units/result';

/** Nothing in it says its unit: two units make two lengths of it. */
function isBare(typed: string): boolean {
  const [small, large] = [parseLength(typed, 'mm'), parseLength(typed, 'cm')];
  return small.ok !== large.ok || (small.ok && large.ok && small.value.mm !== large.value.mm);
}

const FRACTION = /[/⁄½⅓⅔¼¾⅛⅜⅝⅞]/;

/**
 * A length as it was typed over another one, within bounds; or the error to show. A number without a unit is of the tape’s;
 * over a value that stands in another unit it may be meant in that one: where both would do, it is asked.
 */
export function readLength(
  typed: string,
  value: Length | null,
  tape: Tape,
  { leastMm, mostMm }: { leastMm: number; mostMm: number },
): Parsed<Length> {
  const stands: LengthUnit = value === null ? tape.unit : value.unit === 'ft' ? 'in' : value.unit;
  const within = (one: Parsed<Length>) => one.ok && one.value.mm >= leastMm && one.value.mm <= mostMm;
  const [house, other] = [parseLength(typed, tape.unit), parseLength(typed, stands)];
  const bare = isBare(typed);
  if (bare && FRACTION.test(typed)) {
    if (stands === 'in' || tape.unit === 'in') return bounded(parseLength(typed, 'in'));
    return refused(typed, 'is a fraction without a unit', `Write ${typed.trim()} in, or a decimal.`);
  }
  if (bare && stands !== tape.unit && within(other)) {
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

/** A number within its range, with or without its own unit; decimal comma or point. */
export function readNumber(
  typed: string,
  { unit, least, most, mayBeEmpty }: { unit: string; least: number; most: number; mayBeEmpty: boolean },
): Parsed<number | null> {
  // The unit may be typed with the number; another one is refused, not dropped.
  const bare = typed.trim().toLowerCase();
  const clean = bare.endsWith(unit.toLowerCase()) ? bare.slice(0, bare.length - unit.length).trim() : bare;
  const wouldDo = `Type ${least} to ${most} ${unit}.`;
  if (clean === '' && mayBeEmpty) return parsed<number | null>(null);
  const number = /^\d+([.,]\d+)?$/.test(clean) ? Number(clean.replace(',', '.')) : NaN;
  const ways = twoWays(clean);
  if (ways && ways.thousands <= most)
    return refused(typed, 'can be read two ways', `Write ${ways.thousands} or ${ways.decimal}.`);
  if (number >= least && number <= most) return parsed<number | null>(number);
  return refused(typed, Number.isNaN(number) ? 'is not a number' : 'is out of range', wouldDo);
}
