/** Words of the numbers below twenty, and of the tens from twenty on. */
export const SMALL_NUMBERS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
export const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/**
 * A whole number as it is said: somebody without a phone reads it off a label.
 *
 * @param value whole, 0 to 999 999
 * @throws RangeError for anything else
 * @example inWords(127) // 'one hundred and twenty-seven'
 * @example inWords(40_005) // 'forty thousand and five'
 */
export function inWords(value: number): string {
  if (!Number.isInteger(value) || value < 0 || value > 999_999)
    throw new RangeError(`a whole number from 0 to 999 999 has words here, got ${value}`);
  if (value < 20) return SMALL_NUMBERS[value]!;
  if (value < 100) return `${TENS[Math.floor(value / 10) - 2]!}${value % 10 ? `-${SMALL_NUMBERS[value % 10]!}` : ''}`;
  if (value < 1000)
    return `${SMALL_NUMBERS[Math.floor(value / 100)]!} hundred${value % 100 ? ` and ${inWords(value % 100)}` : ''}`;
  const rest = value % 1000;
  return `${inWords(Math.floor(value / 1000))} thousand${rest ? ` ${rest < 100 ? 'and ' : ''}${inWords(rest)}` : ''}`;
}

/**
 * Words as a list in a sentence.
 *
 * @example listOfWords(['flaking paint', 'a tear', 'mould']) // 'flaking paint, a tear and mould'
 */
export const listOfWords = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/**
 * The day of a moment as it is said.
 *
 * @param at an ISO moment or day
 * @example longDay('2031-03-03T10:00:00Z') // '3 March 2031'
 */
export function longDay(at: string): string {
  const [year, month, day] = at.slice(0, 10).split('-').map(Number) as [number, number, number];
  return `${day} ${MONTHS[month - 1]!} ${year}`;
}
