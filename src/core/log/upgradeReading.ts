/* Readings of versions 1 to 4 were known by a phrase; this tells their kind, what they are of and how they were known. */
import { READING_KINDS, type HowKnown, type ReadingId } from './readingKinds';

const camel = (words: string): string => words.replace(/ (\w)/g, (_all, letter: string) => letter.toUpperCase());
const end = (word: string): string => (word === 'left' || word === 'upper' ? 'first' : 'second');

/** Phrases with something in them, and what that is. */
const PHRASES: readonly (readonly [RegExp, ReadingId, (...found: string[]) => string])[] = [
  [/^(top|right|bottom|left) side$/, 'side', (side) => side!],
  [/^diagonal (down|up)$/, 'diagonal', (name) => name!],
  [/^try (\d+), diagonal (down|up)$/, 'tryDiagonal', (count, name) => `${count} ${name}`],
  [/^gap at the tip, (\w+ \w+)/, 'gapAtTip', (corner) => camel(corner!)],
  [/^gap at the heel, (\w+ \w+)/, 'gapAtHeel', (corner) => camel(corner!)],
  [/^corner lift$/, 'cornerLift', () => ''],
  [/^gap between strings$/, 'stringsGap', () => ''],
  [/^image, (\w+)$/, 'image', (name) => name!],
  [/^bow of the (\w+) edge, (\w+)$/, 'edgeBow', (side, way) => `${side} ${way}`],
  [/^margin left, (\w+) at its (\w+) end$/, 'marginLeft', (side, at) => `${side} ${end(at!)}`],
  [/^margin, (\w+) at its (\w+) end$/, 'margin', (side, at) => `${side} ${end(at!)}`],
  [/^stiffness over table, (.+)$/, 'stiffnessOverTable', (cloth) => cloth!],
  [/^opened, (\w+)$/, 'opened', (corner) => corner!],
  [/^absorbed, (\w+), (.+)$/, 'absorbed', (absorb, cloth) => `${absorb} ${cloth}`],
];

/**
 * The kind of a reading of an earlier version; what the plan had worked out is told apart as planned.
 *
 * @example upgradeQuantity('margin, top at its left end') // { quantity: 'margin', of: 'top first' }
 */
export function upgradeQuantity(phrase: string): { quantity: ReadingId; of: string } {
  for (const [pattern, quantity, of] of PHRASES) {
    const match = pattern.exec(phrase);
    if (match) return { quantity, of: of(...match.slice(1)) };
  }
  const plain = READING_KINDS.find((one) => one.id !== 'planned' && one.words('') === phrase);
  return plain ? { quantity: plain.id, of: '' } : { quantity: 'planned', of: phrase };
}

/** How a reading of an earlier version was known, as its tool tells. A default may hide behind "hygrometer" and "jug": reckoned. */
export function upgradeKnown(tool: string): HowKnown {
  if (tool.startsWith('simulated') || tool === 'practice tape') return 'simulated';
  if (['computed', 'brief', 'hygrometer', 'jug'].includes(tool)) return 'reckoned';
  return tool === 'hand' ? 'felt' : 'measured';
}
