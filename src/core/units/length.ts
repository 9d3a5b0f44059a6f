/*
 * Lengths as a tape shows them. Inside the product a length is a number of millimetres; where a person
 * typed it, the unit typed is kept beside it. Rounding to the tape's step happens only when printing.
 */
import { NUMERAL, decimal, readNumeral, twoWays, withoutDust } from './numeral';
import { type Parsed, parsed, refused } from './result';

/** Units that tables and screens are read in. */
export const FILE_UNITS = ['mm', 'cm', 'in'] as const;
export type FileUnit = (typeof FILE_UNITS)[number];

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';

/** A length somebody typed: millimetres, and the unit it was typed in. */
export interface Length {
  mm: number;
  unit: LengthUnit;
}

/** What a tape can show: its unit and its smallest step, in mm. */
export interface Tape {
  unit: 'mm' | 'cm' | 'in';
  /** 1 or 0.5 for metric tapes; 25.4/16 or 25.4/32 for inch tapes. */
  stepMm: number;
}

/** Of what is written down to last, whoever reads it. */
export const RECORD_TAPE: Tape = { unit: 'mm', stepMm: 0.1 };

/** Of what is cut, ordered and kept by whole millimetres. */
export const WHOLE_MM: Tape = { unit: 'mm', stepMm: 1 };

export const MM_PER_INCH = 25.4;
export const MM_PER: Record<LengthUnit, number> = { mm: 1, cm: 10, m: 1000, in: MM_PER_INCH, ft: 12 * MM_PER_INCH };
export const SIXTEENTH_MM = MM_PER_INCH / 16;
export const THIRTYSECOND_MM = MM_PER_INCH / 32;
const SIXTYFOURTH_MM = MM_PER_INCH / 64;

/** The longest thing a workshop measures: a hundred metres of cloth. */
const LONGEST_MM = 100_000;
const WOULD_DO = 'Type a length such as 615, 61.5 cm, 1.2 m, 24 3/16" or 2\' 0 3/16".';

const UNIT_WORDS: Record<string, LengthUnit> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  in: 'in',
  inch: 'in',
  inches: 'in',
  "'": 'ft',
  '′': 'ft',
  '’': 'ft',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
};
const UNIT_PATTERN = String.raw`mm|cm|m|inches|inch|in|feet|foot|ft|"|″|”|'|′|’`;
const ONE_LENGTH = new RegExp(`^(${NUMERAL})\\s*(${UNIT_PATTERN})?\\.?$`);
const FEET_AND_INCHES = new RegExp(`^(\\d+)\\s*(?:'|′|’|ft|feet|foot)\\.?[\\s-]*(${NUMERAL})\\s*(?:"|″|”|inches|inch|in)?\\.?$`);

/** The tape read as finely as an eye can: 0.5 mm or 1/32 in. For diagonals, where half a millimetre counts. */
export const finerTape = ({ unit, stepMm }: Tape): Tape => ({
  unit,
  stepMm: Math.min(stepMm, unit === 'in' ? THIRTYSECOND_MM : 0.5),
});

export const length = (mm: number, unit: LengthUnit = 'mm'): Length => ({ mm: withoutDust(mm), unit });

/**
 * Reads a length as typed; a bare number is taken in `bareUnit`.
 *
 * Accepts decimals with point or comma, fractions, vulgar signs, and feet with inches. Refuses signs,
 * anything over 100 m, a part of an inch that is a whole one, and "1,200" or "1.200" where both 1.2 and 1200 could be meant,
 * each with a sentence that says what would do.
 *
 * @param typed what stands in the field
 * @param bareUnit the unit of a number without one
 * @returns the length in mm with the unit typed, or the error to show
 * @example parseLength('24 3/16"', 'mm') // { ok: true, value: { mm: 614.3625, unit: 'in' } }
 */
export function parseLength(typed: string, bareUnit: LengthUnit): Parsed<Length> {
  const text = typed.trim().toLowerCase().replace(/''/g, '"');
  if (text === '') return refused(typed, 'is empty', WOULD_DO);
  if (/^[-−–]/.test(text)) return refused(typed, 'is below zero', WOULD_DO);
  const mm = feetAndInches(text) ?? oneLength(text, bareUnit);
  if (!mm) return refused(typed, 'is not a length', WOULD_DO);
  const ways = twoWays(text);
  // Where only one of the two is a length of this workshop, that one is meant: 36.125 in.
  if (ways && ways.thousands * MM_PER[mm.unit] <= LONGEST_MM)
    return refused(typed, 'can be read two ways', `Write ${ways.thousands} or ${ways.decimal}.`);
  if (mm.mm > LONGEST_MM) return refused(typed, 'is longer than 100 m', 'Check the unit.');
  return parsed(mm);
}

function feetAndInches(text: string): Length | null {
  const match = FEET_AND_INCHES.exec(text);
  if (!match) return null;
  const inches = readNumeral(match[2]!);
  if (inches === null || inches >= 12) return null;
  return length((Number(match[1]) * 12 + inches) * MM_PER_INCH, 'ft');
}

function oneLength(text: string, bareUnit: LengthUnit): Length | null {
  const match = ONE_LENGTH.exec(text);
  if (!match) return null;
  const value = readNumeral(match[1]!);
  const unit = match[2] ? UNIT_WORDS[match[2]]! : bareUnit;
  return value === null ? null : length(value * MM_PER[unit], unit);
}

/** To the nearest step, up so that cloth is never cut short, or down so that no more is promised than is there. */
export type Rounding = 'nearest' | 'up' | 'down';

/** Rounds to a whole number of steps. */
export function roundToStep(mm: number, stepMm: number, way: Rounding = 'nearest'): number {
  const steps = mm / stepMm;
  const whole = { up: Math.ceil(steps - 1e-6), down: Math.floor(steps + 1e-6), nearest: Math.round(steps) }[way];
  return withoutDust(whole * stepMm);
}

/**
 * Prints a length as the tape shows it, without its unit: "615", "61.5", "24 3/16".
 *
 * @param mm any finite number of millimetres; a negative one keeps its sign
 * @throws RangeError for an inch tape whose step is not a half, quarter … 64th
 * @example printNumber(614.3625, { unit: 'in', stepMm: 25.4 / 16 }) // '24 3/16'
 */
export function printNumber(mm: number, tape: Tape, way: Rounding = 'nearest'): string {
  const rounded = roundToStep(mm, tape.stepMm, way);
  if (tape.unit !== 'in') return decimal(rounded / MM_PER[tape.unit], tape.unit === 'cm' ? 2 : 1);
  const divisions = MM_PER_INCH / tape.stepMm;
  if (![1, 2, 4, 8, 16, 32, 64].includes(withoutDust(divisions)))
    throw new RangeError(`an inch tape has halves to 64ths, got steps of ${tape.stepMm} mm`);
  return (rounded < 0 ? '-' : '') + inchesText(Math.round(Math.abs(rounded) / tape.stepMm), Math.round(divisions));
}

function inchesText(steps: number, divisions: number): string {
  const whole = Math.floor(steps / divisions);
  let top = steps % divisions;
  let bottom = divisions;
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  if (top === 0) return String(whole);
  return whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
}

/** Less than this is told as less than a tenth, mm. */
const LEAST_TOLD_MM = 0.05;
/** Less than this is nothing: what sums leave over, mm. */
const DUST_MM = 1e-6;
/** From here a length is said in metres, or in feet: nobody reads 197 853 mm. */
const FAR_MM = 10_000;

/** Prints a length with its unit: "615 mm", "61.5 cm", "24 3/16 in"; from ten metres on "197.853 m" or "649 ft 1 5/16 in"; 0.18 mm is no "0 cm". */
export function printLength(mm: number, tape: Tape, way: Rounding = 'nearest'): string {
  if (Math.abs(mm) >= FAR_MM) {
    const rounded = roundToStep(mm, tape.stepMm, way);
    if (tape.unit !== 'in') return `${decimal(rounded / MM_PER.m, 4)} m`;
    const feet = Math.trunc(rounded / MM_PER.ft + Math.sign(rounded) * 1e-9);
    const inches = printNumber(Math.abs(rounded - feet * MM_PER.ft), tape);
    return inches === '0' ? `${feet} ft` : `${feet} ft ${inches} in`;
  }
  // What the step of the tape would round to nothing is told finer.
  if (Math.abs(mm) > DUST_MM && roundToStep(mm, tape.stepMm, way) === 0) return printFine(mm, tape);
  return `${printNumber(mm, tape, way)} ${tape.unit}`;
}

/** Prints width × height with one unit: "915 × 640 mm". */
export function printSize(widthMm: number, heightMm: number, tape: Tape, way: Rounding = 'nearest'): string {
  return `${printNumber(widthMm, tape, way)} × ${printNumber(heightMm, tape, way)} ${tape.unit}`;
}

/**
 * Small lengths (bow, lift, misfit) carry one decimal in metric whatever the tape's step: "1.4 mm"; 64ths of an inch.
 *
 * @example printFine(0.18, { unit: 'cm', stepMm: 1 }) // '0.2 mm'
 * @example printFine(0.18, { unit: 'in', stepMm: 25.4 / 16 }) // 'under 1/64 in'
 * @example printFine(0.02, { unit: 'mm', stepMm: 1 }) // 'under 0.1 mm'
 */
export function printFine(mm: number, tape: Tape): string {
  if (Math.abs(mm) > DUST_MM && Math.abs(mm) < (tape.unit === 'in' ? SIXTYFOURTH_MM / 2 : LEAST_TOLD_MM))
    return tape.unit === 'in' ? 'under 1/64 in' : 'under 0.1 mm';
  if (tape.unit !== 'in') return `${decimal(mm, 1)} mm`;
  const fine: Tape = { unit: 'in', stepMm: SIXTYFOURTH_MM };
  return Math.abs(mm) >= FAR_MM ? printLength(mm, fine) : `${printNumber(mm, fine)} in`;
}

/**
 * Prints a typed length back in the unit it was typed in, exactly as far as that unit's finest step goes,
 * so that what was typed is what stands there after a reload.
 *
 * @example printTyped({ mm: 614.3625, unit: 'ft' }) // `2' 0 3/16"`
 */
export function printTyped({ mm, unit }: Length): string {
  if (unit === 'mm') return `${plain(decimal(mm, 3))} mm`;
  if (unit === 'cm') return `${plain(decimal(mm / 10, 4))} cm`;
  if (unit === 'm') return `${decimal(mm / 1000, 6)} m`;
  if (unit === 'in') return `${inchesTyped(mm)}"`;
  const feet = Math.floor(mm / MM_PER.ft + 1e-9);
  const inches = inchesTyped(mm - feet * MM_PER.ft);
  return `${feet}' ${/^\d+\//.test(inches) ? '0 ' : ''}${inches}"`;
}

/**
 * A length as a bare number in a unit, as exactly as `printTyped` has it, for a table whose head names the unit.
 *
 * @example printBare({ mm: 614.3625, unit: 'mm' }, 'in') // '24 3/16'
 */
export const printBare = ({ mm }: Length, unit: FileUnit): string => printTyped({ mm, unit }).replace(/(?: mm| cm|")$/, '');

/** A last nought where three decimals could be taken for thousands. */
const plain = (text: string): string => (twoWays(text) ? `${text}0` : text);

function inchesTyped(mm: number): string {
  const sixtyFourths = (mm / MM_PER_INCH) * 64;
  const nearest = Math.round(sixtyFourths);
  return Math.abs(sixtyFourths - nearest) < 1e-4 ? inchesText(nearest, 64) : plain(decimal(mm / MM_PER_INCH, 5));
}
