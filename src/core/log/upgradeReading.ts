/* Readings of versions 1 to 4 were known by a phrase; this tells their kind, what they are of and how they were known. */
import type { HowKnown, ReadingId } from './readingKinds';

const camel = (words: string): string => words.replace(/ (\w)/g, (_all, letter: string) => letter.toUpperCase());
const end = (word: string): string => (word === 'left' || word === 'upper' ? 'first' : 'second');

/** Phrases with something in them, and what that is. */
const PHRASES: readonly (readonly [RegExp, ReadingId, (...found: string[]) => string])[] = [
  [/^(top|right|bottom|left) side$/, 'side', (side) => side!],
  [/^diagonal (down|up)$/, 'diagonal', (name) => name!],
  [/^try (\d+), diagonal (down|up)$/, 'tryDiagonal', (count, name) => `${count} ${name}`],
  [/^gap at the tip, (\w+ \w+)/, 'gapAtTip', (corner) => camel(corner!)],
  [/^gap at the heel, (\w+ \w+)/, 'gapAtHeel', (corner) => camel(corner!)],
  [/^image, (\w+)$/, 'image', (name) => name!],
  [/^bow of the (\w+) edge, (\w+)$/, 'edgeBow', (side, way) => `${side} ${way}`],
  [/^margin left, (\w+) at its (\w+) end$/, 'marginLeft', (side, at) => `${side} ${end(at!)}`],
  [/^margin, (\w+) at its (\w+) end$/, 'margin', (side, at) => `${side} ${end(at!)}`],
  [/^stiffness over table, (.+)$/, 'stiffnessOverTable', (cloth) => cloth!],
  [/^opened, (\w+)$/, 'opened', (corner) => corner!],
  [/^absorbed, (\w+), (.+)$/, 'absorbed', (absorb, cloth) => `${absorb} ${cloth}`],
];

/** Phrases with nothing in them, as versions 1 to 4 wrote them. */
const PLAIN_PHRASES = new Map<string, ReadingId>(
  Object.entries({
    'corner lift': 'cornerLift',
    'gap between strings': 'stringsGap',
    'fasteners drawn and set again': 'drawnAgain',
    'firm pull': 'firmPull',
    'fastening, time': 'fasteningTime',
    'fastening, time over plan': 'fasteningPace',
    'tension by tap': 'tensionByTap',
    'tension by tap, across': 'tensionAcross',
    'tension by tap, down': 'tensionDown',
    'tension by weight': 'tensionByWeight',
    'felt tension, middle of band': 'tensionByHand',
    'mass of cloth and ground': 'clothMass',
    'bulge of the cloth': 'bulge',
    'room temperature': 'roomTemperature',
    'room humidity': 'roomHumidity',
    mixed: 'groundMixed',
    used: 'groundUsed',
    weight: 'weight',
    'rehearsal, unevenness': 'rehearsalUnevenness',
    'rehearsal, slack': 'rehearsalSlack',
    'rehearsal, weave askew': 'rehearsalSkew',
    'rehearsal, fasteners': 'rehearsalFasteners',
    'rehearsal, changes of side': 'rehearsalTurns',
    'rehearsal, nothing to pull against': 'rehearsalUnopposed',
    'rehearsal, handwork': 'rehearsalTime',
  } as const),
);

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
  const plain = PLAIN_PHRASES.get(phrase);
  return plain ? { quantity: plain, of: '' } : { quantity: 'planned', of: phrase };
}

/** How a reading of an earlier version was known, as its tool tells. A default may hide behind "hygrometer" and "jug": reckoned. */
export function upgradeKnown(tool: string): HowKnown {
  if (tool.startsWith('simulated') || tool === 'practice tape') return 'simulated';
  if (['computed', 'brief', 'hygrometer', 'jug'].includes(tool)) return 'reckoned';
  return tool === 'hand' ? 'felt' : 'measured';
}
