import type { BarsInputs } from './barsInputs';

/** "no brace", "one upright brace", "a cross". */
export const braceWords = ({ bracesUpright, bracesLevel }: Pick<BarsInputs, 'bracesUpright' | 'bracesLevel'>): string =>
  braceCountWords(bracesUpright.length, bracesLevel.length);

/** As `braceWords`, from counts. */
export function braceCountWords(upright: number, level: number): string {
  const count = ['no', 'one', 'two', 'three'];
  if (upright === 0 && level === 0) return 'no brace';
  if (upright === 1 && level === 1) return 'a cross';
  if (level === 0) return `${count[upright]} upright brace${upright > 1 ? 's' : ''}`;
  if (upright === 0) return `${count[level]} level brace${level > 1 ? 's' : ''}`;
  return `${count[upright]} upright, ${count[level]} level`;
}
