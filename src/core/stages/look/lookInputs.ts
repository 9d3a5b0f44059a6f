/* What is typed when a painting is looked at, before a hand is laid on it. */
import { textOf } from '../../shape/texts';
import { type ShapeOf, day, flag, listOf, number, oneOf, optional, part } from '../../shape/shape';
import { CONDITIONS } from './conditions';

/** What the work is worth to whom it belongs. */
export const VALUES = [
  { id: 'unknown', name: 'Nobody has said' },
  { id: 'ordinary', name: 'Ordinary, can be done again' },
  { id: 'valued', name: 'Of value, to somebody or in money' },
] as const;

/** What was decided about it, and by whom: only a conservator opens what is for a conservator. */
export const DECISIONS = [
  { id: 'nobody', name: 'Nothing yet', opens: false },
  { id: 'owner', name: 'The owner wants it stretched', opens: false },
  { id: 'treats', name: 'A conservator treats it first', opens: false },
  { id: 'treated', name: 'A conservator treated it', opens: true },
  { id: 'allows', name: 'A conservator saw it: it may be stretched', opens: true },
] as const;

/** A place on the image as parts of its width and height, from the top left seen from the front. */
const placeShape = { x: number(0, 1), y: number(0, 1) };

const conditionShape = {
  kind: oneOf(CONDITIONS),
  /** Null: all over, or nobody noted where. */
  at: optional(part('conditionPlace', placeShape)),
  note: textOf('remark'),
};
export interface Condition extends ShapeOf<typeof conditionShape> {}

export const lookShape = {
  /** Front, back and all four edges were looked at: only then does finding nothing say something. */
  lookedOver: flag(),
  conditions: listOf(part('condition', conditionShape), 60),
  value: oneOf(VALUES),
  decided: oneOf(DECISIONS),
  /** Who decided, in words. */
  decidedBy: textOf('person'),
  decidedOn: optional(day()),
};

export interface LookInputs extends ShapeOf<typeof lookShape> {}
