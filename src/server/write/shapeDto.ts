/*
 * A shape of the core as a class that class-validator checks: the one place where rules become decorators. The JSON schema of
 * the job file is derived from the same classes.
 */
import 'reflect-metadata';
import { type ClassConstructor, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsString,
  Length as TextLength,
  Matches,
  Max,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { JSONSchema } from 'class-validator-jsonschema';
import { TIMES, isRealTime } from '@/core/shape/realTime';
import { LENGTH_UNITS, type Field, type Rule, type Shape, type ShapeOf, number, oneOf } from '@/core/shape/shape';

type NumbersRule = Extract<Rule, { kind: 'numbers' }>;

const isPlain = (value: unknown): value is object => typeof value === 'object' && value !== null && !Array.isArray(value);

/** An object and no list: nested validation alone lets `[]` pass for anything. */
const IsPlain = (each: boolean): PropertyDecorator =>
  ValidateBy(
    {
      name: 'isPlain',
      validator: { validate: isPlain, defaultMessage: (one) => `${one?.property ?? ''} must be an object with its fields` },
    },
    { each },
  );

/** Numbers under known names, each within its range. */
const IsNumbers = ({ ranges }: NumbersRule): PropertyDecorator =>
  ValidateBy({
    name: 'isNumbers',
    constraints: [ranges],
    validator: {
      validate: (value) => isPlain(value) && outOfRange(value, ranges).length === 0,
      defaultMessage: (one) =>
        isPlain(one?.value) ? outOfRange(one.value, ranges).join(' ') : `${one?.property ?? ''} must be an object`,
    },
  });

/** A day or a moment that there is. */
const IsTime = (of: 'day' | 'moment', each: boolean): PropertyDecorator =>
  ValidateBy(
    {
      name: of === 'day' ? 'isDay' : 'isMoment',
      validator: {
        validate: (value) => typeof value === 'string' && isRealTime(value, of),
        defaultMessage: (one) =>
          `${one?.property ?? ''} must be a ${of === 'day' ? 'day such as 2031-05-04' : 'moment such as 2031-05-04T09:30:00Z'}`,
      },
    },
    { each },
  );

const timeSchema = (of: 'day' | 'moment') => ({
  type: 'string',
  format: of === 'day' ? 'date' : 'date-time',
  pattern: TIMES[of].source,
});

function outOfRange(value: object, ranges: NumbersRule['ranges']): string[] {
  return Object.entries(value).flatMap(([id, one]: [string, unknown]) => {
    const range = Object.hasOwn(ranges, id) ? ranges[id] : undefined;
    if (!range || typeof one !== 'number' || !Number.isFinite(one)) return [`${id}: no number of that name.`];
    return one >= range.min && one <= range.max ? [] : [`${id}: ${one} is outside ${range.min} to ${range.max}.`];
  });
}

/** What would do for a rule, in words. */
function wanted(rule: Rule): string {
  switch (rule.kind) {
    case 'text':
      return `text of ${rule.least} to ${rule.most} letters${rule.pattern ? ' in its form' : ''}`;
    case 'number': {
      const kind = rule.whole ? 'a whole number' : 'a number';
      return rule.most < Number.MAX_VALUE ? `${kind} from ${rule.least} to ${rule.most}` : kind;
    }
    case 'flag':
      return 'true or false';
    case 'oneOf':
      return rule.values.length > 12 ? `one of ${rule.values.length} known words` : `one of ${rule.values.join(', ')}`;
    case 'list':
      return `a list of ${rule.least} to ${rule.most}${rule.unique ? ', none of them twice' : ''}`;
    default:
      return 'an object with its fields';
  }
}

/** However many checks of a rule fail, they say the same: what would do. */
const saying = (rule: Rule, each = false) => ({
  each,
  message: ({ property }: { property: string }) => `${each ? 'each of ' : ''}${property} must be ${wanted(rule)}`,
});

function ruleDecorators(rule: Rule, each: boolean): PropertyDecorator[] {
  const one = saying(rule, each);
  switch (rule.kind) {
    case 'text':
      return [IsString(one), TextLength(rule.least, rule.most, one), ...(rule.pattern ? [Matches(rule.pattern, one)] : [])];
    case 'time':
      return [IsTime(rule.of, each)];
    case 'number':
      // In the schema a bound says “number” too: the last word is the integer’s.
      return [
        ...(rule.least > -Number.MAX_VALUE ? [Min(rule.least, one)] : []),
        ...(rule.most < Number.MAX_VALUE ? [Max(rule.most, one)] : []),
        rule.whole ? IsInt(one) : IsNumber({}, one),
      ];
    case 'flag':
      return [IsBoolean(one)];
    case 'oneOf':
      return [IsIn([...rule.values], one)];
    case 'length':
      return nested(lengthDto(rule.leastMm, rule.mostMm), each);
    case 'part':
      return nested(dtoOf(rule.shape, rule.name), each);
    case 'numbers':
      return [IsNumbers(rule)];
    case 'list': {
      const list = saying(rule);
      return [
        IsArray(list),
        ArrayMaxSize(rule.most, list),
        ...(rule.least > 0 ? [ArrayMinSize(rule.least, list)] : []),
        ...(rule.unique ? [ArrayUnique(list)] : []),
        ...ruleDecorators(rule.of, true),
      ];
    }
  }
}

const nested = (dto: ClassConstructor<object>, each: boolean): PropertyDecorator[] => [
  IsPlain(each),
  ValidateNested({ each, message: ({ property }) => `${property} must be an object with its fields` }),
  Type(() => dto),
];

const lengths = new Map<string, ClassConstructor<object>>();

function lengthDto(leastMm: number, mostMm: number): ClassConstructor<object> {
  const name = `length${leastMm}to${mostMm}`;
  const made = lengths.get(name) ?? dtoOf({ mm: number(leastMm, mostMm), unit: oneOf(LENGTH_UNITS) }, name);
  lengths.set(name, made);
  return made;
}

const dtos = new WeakMap<Shape, ClassConstructor<object>>();
const names = new Set<string>();

/**
 * The class of a shape, made once.
 *
 * @param name what the JSON schema calls it; no two shapes share one
 */
export function dtoOf<S extends Shape>(shape: S, name: string): ClassConstructor<ShapeOf<S>> {
  const there = dtos.get(shape);
  if (there) return there as ClassConstructor<ShapeOf<S>>;
  if (names.has(name)) throw new RangeError(`two shapes are called ${name}`);
  names.add(name);
  class Dto {}
  Object.defineProperty(Dto, 'name', { value: name });
  for (const [key, field] of Object.entries(shape) as [string, Field<unknown>][]) {
    for (const decorate of ruleDecorators(field.rule, false)) decorate(Dto.prototype, key);
    const time = field.rule.kind === 'time' ? timeSchema(field.rule.of) : {};
    if (field.optional) ValidateIf((_object, value) => value !== null)(Dto.prototype, key);
    JSONSchema((schema) => {
      const told = { ...schema, ...time };
      return (field.optional ? { anyOf: [told, { type: 'null' }] } : told) as never;
    })(Dto.prototype, key);
  }
  JSONSchema((schema) => ({ ...schema, required: Object.keys(shape), additionalProperties: false }) as never)(Dto);
  dtos.set(shape, Dto);
  return Dto as ClassConstructor<ShapeOf<S>>;
}
