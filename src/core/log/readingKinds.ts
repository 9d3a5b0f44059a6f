/*
 * Kinds of reading, known by their ids; words stand beside them. A kind that is read at several places, corners or cloths says
 * with `of` which one. A new kind is a row here and the place that reads it.
 */
export interface ReadingKind<Id extends string = string> {
  id: Id;
  /** What it is called, given what it is of. */
  words: (of: string) => string;
}

/** How a value is known. What was only planned is no reading. */
export const HOW_KNOWN = [
  { id: 'measured', name: 'measured' },
  { id: 'felt', name: 'felt' },
  { id: 'device', name: 'told by a device' },
  { id: 'simulated', name: 'simulated' },
  { id: 'reckoned', name: 'reckoned' },
] as const;
export type HowKnown = (typeof HOW_KNOWN)[number]['id'];

const kind = <const I extends string>(id: I, words: string | ((of: string) => string)): ReadingKind<I> => ({
  id,
  words: typeof words === 'string' ? () => words : words,
});

/** "topLeft" is "top left", "top first" is "top, left or upper end". */
const place = (of: string): string =>
  of
    .replace(/([a-z])([A-Z])/g, (_all, before: string, after: string) => `${before} ${after.toLowerCase()}`)
    .replace(/ (first|second)$/, (_all, end: string) =>
      /^(top|bottom)/.test(of)
        ? ` at its ${end === 'first' ? 'left' : 'right'} end`
        : ` at its ${end === 'first' ? 'upper' : 'lower'} end`,
    );

export const READING_KINDS = [
  kind('side', (of) => `${of} side`),
  kind('diagonal', (of) => `diagonal ${of}`),
  kind('tryDiagonal', (of) => `try ${of.replace(' ', ', diagonal ')}`),
  kind('gapAtTip', (of) => `gap at the tip, ${place(of)}`),
  kind('gapAtHeel', (of) => `gap at the heel, ${place(of)}`),
  kind('cornerLift', 'corner lift'),
  kind('stringsGap', 'gap between strings'),
  kind('image', (of) => `image, ${of}`),
  kind('edgeBow', (of) => `bow of the ${of.replace(' ', ' edge, ')}`),
  kind('rebate', (of) => `rebate, ${of === 'down' || of === 'up' ? `diagonal ${of}` : of}`),
  kind('rebateDepth', 'depth of the rebate'),
  kind('lip', (of) => `lip, ${of}`),
  kind('marginLeft', (of) => `margin left, ${place(of)}`),
  kind('oldFold', (of) => `old fold, ${of}`),
  kind('oldHoles', (of) => `old holes, ${of}`),
  kind('tornEdge', (of) => `torn edge, ${of}`),
  kind('margin', (of) => `margin, ${place(of)}`),
  kind('drawnAgain', 'fasteners drawn and set again'),
  kind('firmPull', 'firm pull'),
  /** How much a hand varies is learned from it. */
  kind('pullOverAsked', 'pull over what was asked for'),
  kind('fasteningTime', 'fastening, time'),
  /** The pace of later jobs is learned from it. */
  kind('fasteningPace', 'fastening, time over plan'),
  kind('tensionByTap', 'tension by tap'),
  kind('tensionAcross', 'tension by tap, across'),
  kind('tensionDown', 'tension by tap, down'),
  kind('tensionByWeight', 'tension by weight'),
  kind('tensionByHand', 'felt tension, middle of band'),
  kind('clothMass', 'mass of cloth and ground'),
  /** The stiffness of a cloth is learned from it. */
  kind('stiffnessOverTable', (of) => `stiffness over table, ${of}`),
  kind('opened', (of) => `opened, ${place(of)}`),
  kind('bulge', 'bulge of the cloth'),
  /** The creep of a cloth under a ground is learned from it. */
  kind('creepPerDecade', (of) => `creep in a tenfold of time, ${of.replace(' ', ', ')}`),
  kind('roomTemperature', 'room temperature'),
  kind('roomHumidity', 'room humidity'),
  kind('groundMixed', 'mixed'),
  kind('groundUsed', 'used'),
  /** The absorption of a cloth is learned from it: of an assumption and a cloth. */
  kind('absorbed', (of) => `absorbed, ${of.replace(' ', ', ')}`),
  kind('dryGround', 'dry ground'),
  kind('weight', 'weight'),
  kind('rehearsalUnevenness', 'rehearsal, unevenness'),
  kind('rehearsalSlack', 'rehearsal, slack'),
  kind('rehearsalSkew', 'rehearsal, weave askew'),
  kind('rehearsalFasteners', 'rehearsal, fasteners'),
  kind('rehearsalTurns', 'rehearsal, changes of side'),
  kind('rehearsalUnopposed', 'rehearsal, nothing to pull against'),
  kind('rehearsalTime', 'rehearsal, handwork'),
  /** What a plan had worked out when a stage was recorded, as earlier versions wrote it among the readings. */
  kind('planned', (of) => of),
] as const;

export type ReadingId = (typeof READING_KINDS)[number]['id'];

/**
 * What a reading is called.
 *
 * @example readingWords({ quantity: 'margin', of: 'top first' }) // 'margin, top at its left end'
 */
export const readingWords = ({ quantity, of }: { quantity: ReadingId; of: string }): string =>
  READING_KINDS.find((one) => one.id === quantity)!.words(of);
