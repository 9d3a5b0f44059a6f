import type { Reading } from './logEntry';
import type { ReadingId } from './readingKinds';

/**
 * A reading with the parts that are often alike filled in: measured, of the one thing there is, its precision unknown.
 *
 * @example reading('weight', 2.4, 'kg', { tool: 'scale', precision: 0.01 }) // { quantity: 'weight', of: '', value: 2.4, unit: 'kg', precision: 0.01, tool: 'scale', known: 'measured' }
 */
export const reading = (
  quantity: ReadingId,
  value: number,
  unit: string,
  rest: Pick<Reading, 'tool'> & Partial<Reading>,
): Reading => ({ quantity, of: '', value, unit, precision: null, known: 'measured', ...rest });
