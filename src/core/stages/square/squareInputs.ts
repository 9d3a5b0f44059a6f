/* What is read of the frame. Null where nothing was read; `down` runs top left to bottom right, `up` bottom left to top right. */
import type { LengthId } from '../../quantities/quantities';
import { CORNERS, TAPE_NAMES, type TapeName } from '../../frame/square/corners';
import { WIND_PATTERNS } from '../../frame/square/wind';
import { type ShapeOf, each, flag, lengthOf, listOf, oneOf, optional, part, numberOf } from '../../shape/shape';

/** Most earlier tries kept with a frame. */
export const MOST_TRIES = 12;

const reading = optional(lengthOf('tapeReading'));

/** What a field takes for a reading: a frame has no side of nothing, but it may lie flat. */
export const typedReading = (name: TapeName | 'lift'): LengthId => (name === 'lift' ? 'tapeReading' : 'sideReading');

/** A set square held in a corner: the gap under its blade, and whether the corner is wider than square or narrower. */
const cornerGapShape = { gap: lengthOf('gap'), wider: flag() };
export interface CornerGap extends ShapeOf<typeof cornerGapShape> {}

export const squareShape = {
  ...each(TAPE_NAMES, reading),
  /** Length of the set square's blade, and the corners it was held in. */
  blade: lengthOf('blade', 300),
  gaps: part('cornerGaps', each(CORNERS, optional(part('cornerGap', cornerGapShape)))),
  /** Whether the bars are known to be pairs of the planned length, or only the tape is believed. */
  trust: oneOf(['bars', 'tape']),
  /** Whose tape it was: one's own, or the simulated one to learn on. */
  tape: oneOf(['own', 'practice']),
  /** Earlier tries, oldest first, mm. */
  tries: listOf(part('tapeReadings', each(TAPE_NAMES, optional(numberOf('sideReading')))), MOST_TRIES),
  /** How far the fourth corner stands off a flat table. */
  lift: reading,
  /** Gap between two strings from corner to corner where they cross. */
  strings: reading,
  windPattern: oneOf(WIND_PATTERNS, 'unseen'),
};

export interface SquareInputs extends ShapeOf<typeof squareShape> {}
