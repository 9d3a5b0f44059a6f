/* The figures by which variants are put beside one another, with what counts as a difference and how each is printed. */
import { printDuration } from '../units/duration';
import { type Tape, MM_PER_INCH, printFine } from '../units/length';
import { printMass } from '../units/mass';
import { printMoney } from '../units/money';
import { decimal } from '../units/numeral';
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

const M2_PER_SQUARE_FOOT = (12 * MM_PER_INCH) ** 2 / 1e6;
const ML_PER_FLUID_OUNCE = 29.5735;
const DAY_MS = 86_400_000;

export const VARIANT_FIGURES: readonly VariantFigure[] = [
  {
    id: 'cost',
    name: 'Cost',
    of: ({ minor }) => minor,
    print: (minor, { currency }) => printMoney(Math.round(minor), currency),
    least: 1,
  },
  { id: 'weight', name: 'Weight', of: ({ weightKg }) => weightKg, print: (kg, { tape }) => printMass(kg, tape), least: 0.005 },
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
    print: (minutes) => printDuration(minutes),
    least: 0.5,
  },
  {
    id: 'days',
    name: 'Ready in',
    of: ({ readyInMs }) => (readyInMs === null ? null : readyInMs / DAY_MS),
    print: (days) => `${decimal(days, 1)} days`,
    least: 0.05,
  },
  {
    id: 'cloth',
    name: 'Cloth',
    of: ({ clothM2 }) => clothM2,
    print: (m2, { tape }) => (tape.unit === 'in' ? `${decimal(m2 / M2_PER_SQUARE_FOOT, 2)} ft²` : `${decimal(m2, 2)} m²`),
    least: 0.005,
    blankOnly: true,
  },
  { id: 'fasteners', name: 'Fasteners', of: ({ fasteners }) => fasteners, print: (count) => decimal(count, 0), least: 1 },
  {
    id: 'ground',
    name: 'Ground',
    of: ({ groundMl }) => groundMl,
    print: (ml, { tape }) => (tape.unit === 'in' ? `${decimal(ml / ML_PER_FLUID_OUNCE, 1)} fl oz` : `${decimal(ml, 0)} ml`),
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
