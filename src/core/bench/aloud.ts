/* Words for the ear: no signs and no abbreviations, so that a voice reads them as a person would. */
const UNITS: readonly [RegExp, string][] = [
  [/(\d)\s*mm\b/g, '$1 millimetres'],
  [/(\d)\s*cm\b/g, '$1 centimetres'],
  [/(\d)\s*kg\b/g, '$1 kilograms'],
  [/(\d)\s*ml\b/g, '$1 millilitres'],
  [/(\d)\s*g\b/g, '$1 grams'],
  [/(\d)\s*h\b/g, '$1 hours'],
  [/(\d)\s*min\b/g, '$1 minutes'],
  [/(\d)\s*(?:in\b|")/g, '$1 inches'],
  [/(\d)\s*°C/g, '$1 degrees'],
  [/(\d)\s*N\/m\b/g, '$1 newtons a metre'],
  [/(\d)\s*N\b/g, '$1 newtons'],
  [/\s*% RH\b/g, ' percent humidity'],
  [/\s*%/g, ' percent'],
  [/\s*±\s*/g, ' give or take '],
  [/\s*×\s*/g, ' by '],
  [/\bNo\./g, 'number'],
];

/** Fractions as an ear knows them; others are told as "n over m". */
const PARTS: Record<string, string> = { '2': 'half', '4': 'quarter', '8': 'eighth', '16': 'sixteenth', '32': 'thirty-second' };

const FRACTION = /(?:(\d+) )?\b(\d+)[⁄/](\d+)(\s*(?:in\b|"))?/g;

/**
 * A sentence of the screen for the ear: units in full, fractions in words.
 *
 * @example aloud('Bottom, 24 3/16 in left of the middle') // 'Bottom, 24 and 3 sixteenths inches left of the middle'
 * @example aloud('1/2 in') // 'a half of an inch'
 * @example aloud('Weigh 10 g of glue') // 'Weigh 10 grams of glue'
 */
export function aloud(text: string): string {
  const whole = text.replace(
    FRACTION,
    (_all, before: string | undefined, over: string, under: string, unit: string | undefined) => {
      const part = PARTS[under];
      const said = !part ? `${over} over ${under}` : over === '1' ? `a ${part}` : `${over} ${part}s`;
      if (before) return `${before} and ${said}${unit ? ' inches' : ''}`;
      return unit ? `${said} of an inch` : said;
    },
  );
  return UNITS.reduce((said, [sign, words]) => said.replace(sign, words), whole)
    .replace(/\s+/g, ' ')
    .trim();
}
