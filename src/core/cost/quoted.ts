/* What of a bill goes into a quote: which canvases are alike, and which prices nobody of the house has confirmed. */
import type { Bill } from './bill';
import type { QuotedCanvas } from './quoteSums';

/** Alike are canvases of one size that take the same of everything; shares of one roll and one plan differ by a cent. */
export const quoted = ({ widthMm, heightMm, reckoned }: { widthMm: number; heightMm: number; reckoned: Bill }): QuotedCanvas => ({
  alike: JSON.stringify([
    widthMm,
    heightMm,
    reckoned.lines
      .filter(({ group }) => group !== 'cloth' && group !== 'wood' && group !== 'overhead')
      .map(({ id, quantity, priceMinor }) => [id, quantity, priceMinor]),
    reckoned.lines.filter(({ group }) => group === 'cloth' || group === 'wood').map(({ id, what }) => [id, what]),
  ]),
  costMinor: reckoned.knownMinor,
});

/** What has a price that ships as an example, by name. */
export const exampleNames = ({ lines }: Pick<Bill, 'lines'>): string[] => [
  ...new Set(lines.filter(({ example }) => example).map(({ what }) => what)),
];
