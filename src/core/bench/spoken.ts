/* What is said to the bench: next, back, again, a note, a number, yes and no. */
import { SMALL_NUMBERS, TENS } from '../units/inWords';

export type Spoken =
  | { kind: 'next' }
  | { kind: 'back' }
  | { kind: 'again' }
  | { kind: 'yes' }
  | { kind: 'no' }
  | { kind: 'note'; text: string }
  /** Something with a number in it, as it would be typed into a field. */
  | { kind: 'reading'; typed: string };

const WORDS: Record<string, Exclude<Spoken['kind'], 'note' | 'reading'>> = {
  next: 'next',
  on: 'next',
  'go on': 'next',
  back: 'back',
  'go back': 'back',
  again: 'again',
  'say again': 'again',
  repeat: 'again',
  yes: 'yes',
  right: 'yes',
  correct: 'yes',
  no: 'no',
  wrong: 'no',
};

const FRACTIONS: readonly [RegExp, number][] = [
  [/^hal(f|ves)$/, 2],
  [/^quarters?$/, 4],
  [/^eighths?$/, 8],
  [/^sixteenths?$/, 16],
  [/^thirty-seconds?$/, 32],
];
const UNITS: readonly [RegExp, string][] = [
  [/^(mm|millimet(re|er)s?)$/, 'mm'],
  [/^(cm|centimet(re|er)s?)$/, 'cm'],
  [/^(in|inch|inches)$/, 'in'],
  [/^(kg|kilos?|kilograms?)$/, 'kg'],
  [/^(g|grams?)$/, 'g'],
  [/^(ml|millilit(re|er)s?)$/, 'ml'],
  [/^(min|minutes?)$/, 'min'],
];

/**
 * What was said, or null for something else.
 *
 * @param heard what a recogniser wrote down
 * @example spoken('Next') // { kind: 'next' }
 * @example spoken('note loose thread at the top') // { kind: 'note', text: 'loose thread at the top' }
 * @example spoken('eight hundred and twelve point five') // { kind: 'reading', typed: '812.5' }
 * @example spoken('twenty four and three sixteenths inches') // { kind: 'reading', typed: '24 3/16 in' }
 */
export function spoken(heard: string): Spoken | null {
  const said = heard.trim().replace(/[.!?]+$/, '');
  const low = said.toLowerCase();
  const note = /^note[:,]?\s+(.+)$/is.exec(said);
  if (note) return { kind: 'note', text: note[1]!.trim().slice(0, 2000) };
  const word = WORDS[low];
  if (word) return { kind: word };
  const typed = typedNumber(low);
  return typed === null ? null : { kind: 'reading', typed };
}

/** Number words or digits as they would be typed; null where something in them is no number. */
function typedNumber(low: string): string | null {
  const words = low
    .replace(/(\d),(\d{3})\b/g, '$1$2')
    .replace(/(\d)(mm|cm|in|kg|ml|g|min)\b/g, '$1 $2')
    .replace(/thirty seconds?/g, 'thirty-second')
    .replace(/(twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)-(?=one|two|three|four|five|six|seven|eight|nine)/g, '$1 ')
    .split(/\s+/)
    .filter((one) => one !== '');
  const unit = UNITS.find(([sign]) => sign.test(words.at(-1) ?? ''))?.[1] ?? '';
  const told = unit === '' ? words : words.slice(0, -1);
  const number = /^\d+([.,]\d+)?$|^(\d+ )?\d+\/\d+$/.test(told.join(' ')) ? told.join(' ') : numberOf(told);
  if (number === null || number === '') return null;
  return unit === '' ? number : `${number} ${unit}`;
}

/** "eight hundred and twelve point five" → "812.5", "three sixteenths" → "3/16". */
function numberOf(words: readonly string[]): string | null {
  const clean = words.filter((one) => one !== 'of' && one !== 'an');
  const under = FRACTIONS.find(([sign]) => sign.test(clean.at(-1) ?? ''))?.[1];
  if (under !== undefined) return fractionOf(clean.slice(0, -1), under);
  const point = clean.indexOf('point');
  const whole = wholeOf(point < 0 ? clean : clean.slice(0, point));
  if (whole === null) return null;
  if (point < 0) return String(whole);
  const digits = clean.slice(point + 1).map((one) => digitOf(one));
  return digits.length > 0 && digits.every((one) => one !== null) ? `${whole}.${digits.join('')}` : null;
}

const digitOf = (word: string): number | null => {
  const digit = /^\d$/.test(word) ? Number(word) : SMALL_NUMBERS.indexOf(word);
  return digit >= 0 && digit <= 9 ? digit : null;
};

/** "twenty four and three" over 16 → "24 3/16"; "a" or "one" over it is 1. */
function fractionOf(words: readonly string[], under: number): string | null {
  const and = words.lastIndexOf('and');
  const over = words.slice(and + 1);
  const top = over.length === 0 || over.join(' ') === 'a' ? 1 : wholeOf(over);
  if (top === null || top < 1 || top >= under) return null;
  if (and < 0) return `${top}/${under}`;
  const whole = wholeOf(words.slice(0, and));
  return whole === null ? null : `${whole} ${top}/${under}`;
}

/** Whole numbers below a million; null for anything else. */
function wholeOf(words: readonly string[]): number | null {
  if (words.length === 0) return null;
  let [sum, part, last] = [0, 0, ''];
  for (const word of words) {
    if (word === 'and') {
      if (last !== 'hundred' && last !== 'thousand') return null;
    } else if (word === 'hundred') {
      // "Twelve hundred", but no "twenty hundred".
      if (part < 1 || part > 99 || part % 10 === 0) return null;
      part *= 100;
    } else if (word === 'thousand') {
      if (part < 1 || sum > 0) return null;
      [sum, part] = [part * 1000, 0];
    } else {
      const value = valueOf(word);
      if (value === null || !fits(part, value)) return null;
      part += value;
    }
    last = word;
  }
  return last === 'and' ? null : sum + part;
}

function valueOf(word: string): number | null {
  if (/^\d+$/.test(word)) return Number(word);
  const small = SMALL_NUMBERS.indexOf(word);
  if (small >= 0) return small;
  const ten = TENS.indexOf(word);
  return ten >= 0 ? (ten + 2) * 10 : null;
}

/** "eight twelve" is no number: a word only fills the places that are still nought. */
function fits(part: number, value: number): boolean {
  if (part === 0) return true;
  if (value === 0) return false;
  const places = value < 10 ? 10 : 100;
  // Ten to nineteen do not follow a ten.
  return part % places === 0 && value < part;
}
