/* Kinds of text: the fewest and the most letters of each, for the shape that holds it and for the field on the screen alike. */
import { type Field, text } from './shape';

export const TEXTS = {
  /** What a canvas or a set is called. */
  title: [1, 120],
  /** What was seen or done, for the log. */
  note: [0, 2000],
  /** Why a stop was overruled or a record taken back. */
  reason: [3, 2000],
  /** Why stock was counted anew or taken by hand. */
  stockReason: [3, 200],
  /** What a maker, an item or a material is called. */
  name: [1, 80],
  /** Where something lies, or who sells it. */
  place: [0, 80],
  /** Where a canvas hangs, or who has it. */
  hanging: [0, 120],
  /** Who a quote is for, or who decides. */
  person: [0, 120],
  /** Written on a bar. */
  mark: [0, 120],
  /** Written on a roll or an offcut. */
  tag: [1, 40],
  /** Bars of one family of joints fit each other. */
  family: [1, 60],
  /** A line beside a thing: a place on the cloth, a photograph. */
  remark: [0, 200],
  /** A line of one's own on the back label. */
  label: [0, 300],
  /** All makers of the house in one line, with commas between. */
  makers: [1, 2000],
  currency: [1, 4],
  taxName: [0, 40],
  variant: [1, 60],
  passphrase: [0, 200],
  /** A file of this machine, with its folder. */
  file: [0, 400],
} as const satisfies Record<string, readonly [least: number, most: number]>;

export type TextId = keyof typeof TEXTS;

/**
 * A field of a shape that holds a text of this kind.
 *
 * @example textOf('tag').rule // { kind: 'text', least: 1, most: 40, pattern: null }
 */
export function textOf(id: TextId, start = ''): Field<string> {
  const [least, most] = TEXTS[id];
  return text(least, most, start);
}
