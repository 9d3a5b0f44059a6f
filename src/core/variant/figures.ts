/* The figures by which variants are put beside one another, with what counts as a difference and how each is printed. */
import { bare, printed } from '../quantities/printed';
import { type Tape, printFine } from '../units/length';
import { printMoney } from '../units/money';
import type { WeighedVariant } from './weighedVariant';

/** What figures are printed for. */
export interface FigureReader {
  tape: Tape;
  currency: string;
}

export interface VariantFigure {
  id: string;
  name: string;
  /** Null where there is none to tell. */
  of: (weighed: WeighedVariant) => number | null;
  /** A value, or a difference without its sign. */
  print: (value: number, reader: FigureReader) => string;
  /** The least difference that is one. */
  least: number;
  /** Only a cloth without an image has it. */
  blankOnly?: true;
  /** Above it a value is too much; none where nothing limits it. */
  limit?: (weighed: WeighedVariant) => number;
}

const DAY_MS = 86_400_000;

export const VARIANT_FIGURES: readonly VariantFigure[] = [
  {
    id: 'cost',
    name: 'Cost',
    of: ({ minor }) => minor,
    print: (minor, { currency }) => printMoney(Math.round(minor), currency),
    least: 1,
  },
  {
    id: 'weight',
    name: 'Weight',
    of: ({ weightKg }) => weightKg,
    print: (kg, { tape }) => printed('mass', kg, tape),
    least: 0.005,
  },
  {
    id: 'bow',
    name: 'Bow in time',
    of: ({ bowMm }) => bowMm,
    print: (mm, { tape }) => printFine(mm, tape),
    least: 0.005,
    limit: ({ bowLimitMm }) => bowLimitMm,
  },
  {
    id: 'hands',
    name: 'Hands to come',
    of: ({ handsMinutes }) => handsMinutes,
    print: (minutes) => printed('handTime', minutes),
    least: 0.5,
  },
  {
    id: 'days',
    name: 'Ready in',
    of: ({ readyInMs }) => (readyInMs === null ? null : readyInMs / DAY_MS),
    print: (days) => printed('days', days),
    least: 0.05,
  },
  {
    id: 'cloth',
    name: 'Cloth',
    of: ({ clothM2 }) => clothM2,
    print: (m2, { tape }) => printed('area', m2, tape),
    least: 0.005,
    blankOnly: true,
  },
  { id: 'fasteners', name: 'Fasteners', of: ({ fasteners }) => fasteners, print: (count) => bare('count', count), least: 1 },
  {
    id: 'ground',
    name: 'Ground',
    of: ({ groundMl }) => groundMl,
    print: (ml, { tape }) => printed('volume', ml, tape),
    least: 0.5,
    blankOnly: true,
  },
];

/**
 * A difference with its sign; null where it is less than counts.
 *
 * @example differenceWords(VARIANT_FIGURES[0], 1250, 1500, { tape: { unit: 'mm', stepMm: 1 }, currency: '€' }) // '+€2.50'
 * @example differenceWords(VARIANT_FIGURES[6], 40, 40, { tape: { unit: 'mm', stepMm: 1 }, currency: '€' }) // null
 */
export function differenceWords(figure: VariantFigure, was: number, is: number, reader: FigureReader): string | null {
  const by = is - was;
  if (Math.abs(by) < figure.least) return null;
  return `${by > 0 ? '+' : '−'}${figure.print(Math.abs(by), reader)}`;
}
