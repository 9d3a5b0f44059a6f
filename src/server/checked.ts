import 'reflect-metadata';
import { type ClassConstructor, plainToInstance } from 'class-transformer';
import { type ValidationError, validateSync } from 'class-validator';
import { type FieldError, type Outcome, done } from './outcome';

/**
 * Turns something from outside into a checked instance, or a list of what is wrong and where.
 * Unknown fields are refused, so a misspelt one is never dropped silently.
 */
export function checked<T extends object>(shape: ClassConstructor<T>, plain: unknown): Outcome<T> {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain)) {
    return {
      ok: false,
      kind: 'invalid',
      errors: [{ field: '', says: `expected an object, got ${Array.isArray(plain) ? 'a list' : String(plain)}` }],
    };
  }
  const instance = plainToInstance(shape, plain);
  const errors = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
  return errors.length === 0
    ? done(instance)
    : { ok: false, kind: 'invalid', errors: errors.flatMap((error) => flatten(error, '')) };
}

function flatten(error: ValidationError, path: string): FieldError[] {
  const field = path ? `${path}.${error.property}` : error.property;
  const own = Object.values(error.constraints ?? {}).map((says) => ({ field, says: `${says}, got ${shown(error.value)}` }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, field))];
}

function shown(value: unknown): string {
  const text = JSON.stringify(value) ?? 'nothing';
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
