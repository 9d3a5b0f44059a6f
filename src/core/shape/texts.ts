/* Kinds of text: how short and how long each may be, for the shape of a request and for the field on the screen alike. */
import { type Field, text } from './shape';

export const TEXTS = {
  /** What a canvas or a set is called. */
  title: text(1, 120),
  /** What was seen or done, for the log. */
  note: text(0, 2000),
  /** Why a stop was overruled or a record taken back. */
  reason: text(3, 2000),
  /** Why stock was counted anew or taken by hand. */
  stockReason: text(3, 200),
  /** What a maker, an item or a material is called. */
  name: text(1, 80),
  /** Where something lies, or who sells it. */
  place: text(0, 80),
  /** Where a canvas hangs, or who has it. */
  hanging: text(0, 120),
  /** Who a quote is for, or who decides. */
  person: text(0, 120),
  /** Written on a bar. */
  mark: text(0, 120),
  /** Written on a roll or an offcut. */
  tag: text(1, 40),
  /** Bars of one family of joints fit each other. */
  family: text(1, 60),
  /** A line beside a thing: a place on the cloth, a photograph. */
  remark: text(0, 200),
  /** A line of one's own on the back label. */
  label: text(0, 300),
  /** All makers of the house in one line, with commas between. */
  makers: text(1, 2000),
  currency: text(1, 4),
  taxName: text(0, 40),
  variant: text(1, 60),
  passphrase: text(0, 200),
  /** A file of this machine, with its folder. */
  file: text(0, 400),
} as const satisfies Record<string, Field<string>>;

export type TextId = keyof typeof TEXTS;

/**
 * How many letters a kind of text takes, least and most.
 *
 * @example lettersOf('tag') // [1, 40]
 */
export function lettersOf(id: TextId): readonly [number, number] {
  const { rule } = TEXTS[id];
  if (rule.kind !== 'text') throw new RangeError(`expected a text, got ${rule.kind}`);
  return [rule.least, rule.most];
}
