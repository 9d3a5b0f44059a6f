import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { type ValidationError, validateSync } from 'class-validator';
import type { Shape, ShapeOf } from '@/core/shape/shape';
import { strangeValue } from '@/core/shape/strangeValue';
import { type FieldError, type Outcome, done } from './outcome';
import { dtoOf } from './shapeDto';

/**
 * Something from outside as what a shape describes, or a list of what is wrong and where. Unknown fields are refused, so a
 * misspelt one is never dropped silently; a list is never taken for an object.
 *
 * @param name what the shape is called
 */
export function checked<S extends Shape>(shape: S, name: string, plain: unknown): Outcome<ShapeOf<S>> {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain)) {
    return { ok: false, kind: 'invalid', errors: [{ field: '', says: `expected an object, got ${inWords(plain)}` }] };
  }
  const strange = strangeValue(plain);
  if (strange) return { ok: false, kind: 'invalid', errors: [strange] };
  if (Object.keys(shape).length === 0) {
    const errors = Object.keys(plain).map((field) => ({ field, says: 'nothing is asked of this here' }));
    return errors.length > 0 ? { ok: false, kind: 'invalid', errors } : done({} as ShapeOf<S>);
  }
  const long = tooLong(shape, plain as Record<string, unknown>, '');
  if (long) return { ok: false, kind: 'invalid', errors: [long] };
  const instance = plainToInstance(dtoOf(shape, name), plain);
  const errors = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
  if (errors.length > 0)
    return { ok: false, kind: 'invalid', errors: errors.flatMap((error) => flatten(error, '')).slice(0, MOST_TOLD) };
  // Nothing was added, left out or changed, so what goes on is what came: data, not instances of a class.
  return done(plain as ShapeOf<S>);
}

/** Wrong places that are told at most: nobody mends more at once. */
const MOST_TOLD = 50;

/** The first list that is longer than it may be: its rows are not looked at one by one. */
function tooLong(shape: Shape, plain: Record<string, unknown>, path: string): FieldError | null {
  for (const [name, { rule }] of Object.entries(shape)) {
    const [value, field] = [plain[name], path + name];
    const rows = rule.kind === 'list' && Array.isArray(value) ? value : [];
    if (rule.kind === 'list' && rows.length > rule.most)
      return { field, says: `has ${rows.length} rows; ${rule.most} are the most` };
    const inner = rule.kind === 'list' ? rule.of : rule;
    const parts = rule.kind === 'list' ? rows : [value];
    if (inner.kind !== 'part') continue;
    for (const [index, one] of parts.entries()) {
      if (typeof one !== 'object' || one === null || Array.isArray(one)) continue;
      const at = rule.kind === 'list' ? `${field}.${index}.` : `${field}.`;
      const long = tooLong(inner.shape, one as Record<string, unknown>, at);
      if (long) return long;
    }
  }
  return null;
}

/** What stands in the place of an object. */
function inWords(plain: unknown): string {
  if (plain === null || plain === undefined) return 'nothing';
  if (Array.isArray(plain)) return 'a list';
  return ['string', 'number', 'boolean'].includes(typeof plain) ? shown(plain) : 'what is no data';
}

function flatten(error: ValidationError, path: string): FieldError[] {
  const field = path ? `${path}.${error.property}` : error.property;
  const { whitelistValidation: unknown, ...others } = error.constraints ?? {};
  const says = new Set([...(unknown ? [`nothing is called ${error.property} here`] : []), ...Object.values(others)]);
  const own = [...says].map((one) => ({ field, says: `${one}, got ${shown(error.value)}` }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, field))];
}

function shown(value: unknown): string {
  const text = JSON.stringify(value) ?? 'nothing';
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
