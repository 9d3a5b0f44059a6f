/*
 * Shapes of what is typed, recorded and kept, written once: type, start value, check at the edge, JSON schema and the range
 * of a field all come from here. A shape is a table of fields; a field says what may stand in it and what it starts with.
 */
import { type LengthId, type QuantityId, limitsOf, quantity } from '../quantities/quantities';
import type { Length, LengthUnit } from '../units/length';

export const LENGTH_UNITS: readonly LengthUnit[] = ['mm', 'cm', 'm', 'in', 'ft'];

/** What may stand in a field. */
export type Rule =
  | { kind: 'text'; least: number; most: number; pattern: RegExp | null }
  /** A day of the calendar, or a moment of one in UTC. */
  | { kind: 'time'; of: 'day' | 'moment' }
  /** `of` is the kind of quantity; null for a plain number. */
  | { kind: 'number'; of: QuantityId | null; least: number; most: number; whole: boolean }
  | { kind: 'flag' }
  | { kind: 'oneOf'; values: readonly (string | number)[] }
  | { kind: 'length'; of: LengthId; leastMm: number; mostMm: number }
  | { kind: 'part'; shape: Shape; name: string }
  | { kind: 'list'; of: Rule; least: number; most: number; unique: boolean }
  /** Numbers under known names, each of which may be left out. */
  | { kind: 'numbers'; ranges: Readonly<Record<string, { min: number; max: number }>> };

/** One field: its rule, whether it may be null, and what it starts with. */
export interface Field<T> {
  rule: Rule;
  optional: boolean;
  /** Made anew at each call, so that no two jobs share a list. */
  start: () => T;
}

// Fields of a shape differ in what they hold; `never` and `unknown` would both lose it.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type Shape = Readonly<Record<string, Field<any>>>;

/** The type that a shape describes. */
export type ShapeOf<S extends Shape> = { -readonly [K in keyof S]: S[K] extends Field<infer T> ? T : never };

const field = <T>(rule: Rule, start: () => T): Field<T> => ({ rule, optional: false, start });

/** Text of `least` to `most` letters. */
export const text = (least: number, most: number, start = '', pattern: RegExp | null = null): Field<string> =>
  field({ kind: 'text', least, most, pattern }, () => start);

/** A day that there is: "2031-02-28". */
export const day = (): Field<string> => field({ kind: 'time', of: 'day' }, () => '');

/** A moment that there is, ISO 8601 in UTC: "2031-02-28T09:30:00Z". */
export const moment = (): Field<string> => field({ kind: 'time', of: 'moment' }, () => '');

/** A plain number: a part, a place in a list. What has a unit is a quantity. */
export const number = (least: number, most: number, start = least): Field<number> =>
  field({ kind: 'number', of: null, least, most, whole: false }, () => start);

export const whole = (least: number, most: number, start = least): Field<number> =>
  field({ kind: 'number', of: null, least, most, whole: true }, () => start);

/** A quantity in its unit inside, within the limits of its kind. */
export function numberOf(of: QuantityId, start?: number): Field<number> {
  const [least, most] = limitsOf(of);
  return field({ kind: 'number', of, least, most, whole: quantity(of).whole }, () => start ?? least);
}

export const flag = (start = false): Field<boolean> => field({ kind: 'flag' }, () => start);

/** One of a few values, or of the ids of a table. */
export function oneOf<const V extends string | number>(values: readonly V[], start?: NoInfer<V>): Field<V>;
export function oneOf<const I extends string>(table: readonly { id: I }[], start?: NoInfer<I>): Field<I>;
export function oneOf(options: readonly (string | number | { id: string })[], start?: string | number): Field<string | number> {
  const values = options.map((one) => (typeof one === 'object' ? one.id : one));
  return field({ kind: 'oneOf', values }, () => start ?? values[0]!);
}

/** A length with the unit it was typed in, within the limits of its kind. */
export function lengthOf(of: LengthId, startMm?: number): Field<Length> {
  const [leastMm, mostMm] = limitsOf(of);
  return field({ kind: 'length', of, leastMm, mostMm }, () => ({ mm: startMm ?? leastMm, unit: 'mm' as const }));
}

/** A field that may be left open: null until something is typed. */
export const optional = <T>({ rule }: Field<T>): Field<T | null> => ({ rule, optional: true, start: () => null });

/** Fields of their own under one name. */
export const part = <S extends Shape>(name: string, shape: S): Field<ShapeOf<S>> =>
  field({ kind: 'part', shape, name }, () => startOf(shape));

export const listOf = <T>(
  of: Field<T>,
  most: number,
  start: readonly NoInfer<T>[] = [],
  { least = 0, unique = false } = {},
): Field<T[]> => field({ kind: 'list', of: of.rule, least, most, unique }, () => [...start]);

export const numbers = <K extends string>(
  ranges: Readonly<Record<K, { min: number; max: number }>>,
): Field<Partial<Record<K, number>>> => field({ kind: 'numbers', ranges }, () => ({}));

/** The same kind of field under several names. */
export const each = <const N extends string, T>(names: readonly N[], of: Field<T>): Record<N, Field<T>> =>
  Object.fromEntries(names.map((name) => [name, of])) as Record<N, Field<T>>;

/**
 * What a shape starts with.
 *
 * @example startOf({ title: text(1, 120, 'Study'), width: lengthOf('faceLength', 400), note: optional(text(0, 9)) }) // { title: 'Study', width: { mm: 400, unit: 'mm' }, note: null }
 */
export const startOf = <S extends Shape>(shape: S): ShapeOf<S> =>
  Object.fromEntries(Object.entries(shape).map(([name, { start }]) => [name, start()])) as ShapeOf<S>;

/** The kind of quantity of a field. @throws RangeError for a field without one */
export function quantityOf({ rule }: Pick<Field<unknown>, 'rule'>): QuantityId {
  if ((rule.kind === 'number' || rule.kind === 'length') && rule.of !== null) return rule.of;
  throw new RangeError(`expected a field of a quantity, got one of ${rule.kind}`);
}
