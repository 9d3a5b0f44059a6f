/* What was typed into a field, as its value. */
import { type Length, type LengthUnit, type Tape, parseLength, printLength } from '@/core/units/length';
import { twoWays } from '@/core/units/numeral';
import { type Parsed, parsed, refused } from '@/core/units/result';

/** The unit that a bare number is taken in: that of the value it stands in the place of, else the tape’s. */
const bareUnit = (value: Length | null, tape: Tape): LengthUnit =>
  value === null ? tape.unit : value.unit === 'ft' ? 'in' : value.unit;

/** A length as it was typed over another one, within bounds; or the error to show. */
export function readLength(
  typed: string,
  value: Length | null,
  tape: Tape,
  { leastMm, mostMm }: { leastMm: number; mostMm: number },
): Parsed<Length> {
  const result = parseLength(typed, bareUnit(value, tape));
  if (!result.ok || (result.value.mm >= leastMm && result.value.mm <= mostMm)) return result;
  const [least, most] = [printLength(leastMm, tape, 'up'), printLength(mostMm, tape, 'down')];
  return refused(
    typed,
    result.value.mm < leastMm ? `is below ${least}` : `is above ${most}`,
    `Type ${least} to ${most}, in any unit.`,
  );
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
