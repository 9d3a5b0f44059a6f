'use client';
/*
 * Fields with units. What cannot be read stays in the field with its error; what stood before it was begun stands again.
 */
import { type ChangeEvent, type ReactNode, useId, useState } from 'react';
import { fieldText, unitOf } from '@/core/quantities/printed';
import { type LengthId, type NumberId, type QuantityId, type Range, limitsOf } from '@/core/quantities/quantities';
import { readLength, readNumber } from '@/core/quantities/readQuantity';
import { type Field as ShapeField, quantityOf } from '@/core/shape/shape';
import { TEXTS, type TextId } from '@/core/shape/texts';
import { type Length, SIXTEENTH_MM, printLength, printTyped } from '@/core/units/length';
import { type Parsed, parsed, refused } from '@/core/units/result';
import { Figure } from '../drawing/Figure';
import { useForm, useRegistered } from './Form';
import { useWorkshop } from '../WorkshopContext';

/** What every field may say and how it may look. */
interface FieldLook {
  label: string;
  hint?: string;
  disabled?: boolean;
  /** What it would be, where it is known. */
  placeholder?: string;
  /** The label is only spoken: a table names the field already. */
  hideLabel?: boolean;
  /** What to say where nothing stands there and something has to. */
  required?: string;
  autoFocus?: boolean;
  className?: string;
}

interface TypedFieldProps<T> extends FieldLook {
  value: T;
  print: (value: T) => string;
  read: (typed: string) => Parsed<T>;
  onChange: (value: T) => void;
  /** Shown after the field: the other unit, or the unit itself. */
  beside?: string;
  inputMode?: 'text' | 'decimal' | 'numeric';
  type?: 'text' | 'date' | 'password';
  /** As high as this many lines of text. */
  lines?: number;
  autoComplete?: string;
}

/** One line of text read into a value. */
export function TypedField<T>({
  label,
  value,
  print,
  read,
  onChange,
  beside,
  hint,
  disabled,
  inputMode,
  type = 'text',
  placeholder,
  hideLabel,
  required,
  lines,
  autoFocus,
  autoComplete = 'off',
  className = lines === undefined ? 'input-sm h-9' : '',
}: TypedFieldProps<T>) {
  const id = useId();
  const printed = print(value);
  const { tried, touch } = useForm();
  const [draft, setDraft] = useState<{ text: string; of: string; from: T } | null>(null);
  // What was typed is shown until the value changes by another hand (undo, another row of a table).
  const text = draft && draft.of === printed ? draft.text : printed;
  const outcome = text === printed ? null : read(text);
  const missing = required !== undefined && !disabled && text.trim() === '';
  const error = missing ? (tried ? required : null) : outcome && !outcome.ok ? outcome.error : null;
  useRegistered(id, label, missing ? 'missing' : error === null ? null : 'wrong');
  const type_ = (typed: string) => {
    touch();
    const result = read(typed);
    const from = draft && draft.of === printed ? draft.from : value;
    setDraft({ text: typed, of: print(result.ok ? result.value : from), from });
    // A part of what cannot be read is not kept either.
    if (result.ok || print(from) !== printed) onChange(result.ok ? result.value : from);
  };
  const leave = () => {
    if (!error) setDraft(null);
  };
  const line = {
    id,
    value: text,
    disabled,
    placeholder,
    autoFocus,
    spellCheck: false,
    'aria-invalid': error !== null,
    'aria-describedby': `${id}-below`,
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => type_(event.target.value),
    onBlur: leave,
  };
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'soft block truncate text-[13px] leading-5'}>
        {label}
      </label>
      <div className="flex items-center gap-2">
        {lines === undefined ? (
          <input
            type={type}
            inputMode={inputMode}
            autoComplete={autoComplete}
            className={`figure input w-full min-w-0 ${className} ${error ? 'input-error' : ''}`}
            {...line}
          />
        ) : (
          <textarea rows={lines} className={`textarea w-full min-w-0 ${className} ${error ? 'textarea-error' : ''}`} {...line} />
        )}
        {beside && (
          // Beside what cannot be read stands nothing that it would be in another unit.
          <span className={`figure soft shrink-0 text-[13px] whitespace-nowrap ${error ? 'invisible' : ''}`}>
            <Figure>{beside}</Figure>
          </span>
        )}
      </div>
      <p
        id={`${id}-below`}
        role={error ? 'alert' : undefined}
        className={`text-[13px] leading-4 ${error ? 'mt-1 text-error' : 'soft'} ${error || hint ? '' : 'hidden'}`}
      >
        {error ?? hint}
      </p>
    </div>
  );
}

/** Words, of a kind that says how many letters there may be. */
export function TextField({ of, ...field }: Omit<TypedFieldProps<string>, 'print' | 'read' | 'beside'> & { of: TextId }) {
  const [least, most] = TEXTS[of];
  const read = (typed: string): Parsed<string> => {
    if (typed.length > most) return refused(`${typed.slice(0, 20)}…`, 'is too long', `Up to ${most} letters.`);
    if (typed.trim() !== '' && typed.trim().length < least) return refused(typed, 'is too short', `At least ${least} letters.`);
    return parsed(typed);
  };
  return <TypedField {...field} print={(text) => text} read={read} />;
}

/** What kind of number a field holds: its kind, or the field of a shape that says so. */
type Asked<Id extends QuantityId> = Id | Pick<ShapeField<unknown>, 'rule'>;
const kindOf = <Id extends QuantityId>(of: Asked<Id>): Id => (typeof of === 'string' ? of : (quantityOf(of) as Id));

interface LengthFieldProps extends FieldLook {
  of: Asked<LengthId>;
  value: Length;
  onChange: (value: Length) => void;
  /** Narrower than its kind, mm: within this bar, on this roll. */
  range?: Range;
}

/** The other system beside what was typed: inches beside metric, millimetres beside inches. */
function otherUnit({ mm, unit }: Length): string {
  const inches = unit === 'in' || unit === 'ft';
  return printLength(mm, inches ? { unit: 'mm', stepMm: 0.5 } : { unit: 'in', stepMm: SIXTEENTH_MM });
}

export function LengthField({ of, value, range = limitsOf(kindOf(of)), hideLabel, ...field }: LengthFieldProps) {
  const { tape } = useWorkshop();
  return (
    <TypedField
      {...field}
      value={value}
      print={printTyped}
      read={(typed) => readLength(typed, value, tape, range)}
      beside={hideLabel ? undefined : otherUnit(value)}
      hideLabel={hideLabel}
    />
  );
}

/** A reading that may still be missing: empty is allowed. */
export function ReadingField({
  of,
  value,
  range = limitsOf(kindOf(of)),
  hideLabel,
  ...field
}: Omit<LengthFieldProps, 'value' | 'onChange'> & { value: Length | null; onChange: (value: Length | null) => void }) {
  const { tape } = useWorkshop();
  return (
    <TypedField<Length | null>
      {...field}
      value={value}
      print={(one) => (one ? printTyped(one) : '')}
      read={(typed) => (typed.trim() === '' ? parsed(null) : readLength(typed, value, tape, range))}
      beside={hideLabel ? undefined : value ? otherUnit(value) : tape.unit}
      hideLabel={hideLabel}
    />
  );
}

interface NumberFieldProps extends FieldLook {
  of: Asked<NumberId>;
  /** In the unit inside. */
  value: number | null;
  onChange: (value: number) => void;
  /** What is counted, where its kind does not say. */
  unit?: string;
  /** Narrower than its kind, in the unit inside. */
  range?: Range;
  /** The field may be left empty, and what is then meant. */
  onClear?: () => void;
}

/** A number in the unit of its kind and of the reader’s tape; decimal comma or point. */
export function NumberField({ of, unit, range, onChange, onClear, ...field }: NumberFieldProps) {
  const { tape } = useWorkshop();
  const id = kindOf(of);
  return (
    <TypedField<number | null>
      {...field}
      print={(one) => (one === null ? '' : fieldText(id, one, tape))}
      read={(typed) => (onClear && typed.trim() === '' ? parsed(null) : readNumber(id, typed, tape, { unit, range }))}
      onChange={(one) => (one === null ? onClear?.() : onChange(one))}
      beside={unit ?? unitOf(id, tape)}
      inputMode="decimal"
    />
  );
}

interface ChoiceProps<Id extends string> {
  label: string;
  value: Id;
  options: readonly { id: Id; name: string }[];
  onChange: (id: Id) => void;
  disabled?: boolean;
  hint?: string;
  hideLabel?: boolean;
}

/** One of a few named options. */
export function Choice<Id extends string>({ label, value, options, onChange, disabled, hint, hideLabel }: ChoiceProps<Id>) {
  const id = useId();
  const { touch } = useForm();
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'soft block truncate text-[13px] leading-5'}>
        {label}
      </label>
      <select
        id={id}
        className="select select-sm h-9 w-full"
        value={value}
        disabled={disabled}
        onChange={(event) => {
          touch();
          onChange(event.target.value as Id);
        }}
      >
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.name}
          </option>
        ))}
      </select>
      {hint && <p className="soft text-[13px] leading-4">{hint}</p>}
    </div>
  );
}

export function Tick({
  label,
  checked,
  onChange,
  disabled,
}: {
  label: ReactNode;
  checked: boolean;
  onChange: (checked: boolean) => void;
  disabled?: boolean;
}) {
  const { touch } = useForm();
  return (
    <label className={`flex items-start gap-2 py-0.5 text-[14px] leading-5 ${disabled ? 'soft' : 'cursor-pointer'}`}>
      <input
        type="checkbox"
        className="checkbox checkbox-sm checkbox-primary mt-px"
        checked={checked}
        disabled={disabled}
        onChange={(event) => {
          touch();
          onChange(event.target.checked);
        }}
      />
      <span>{label}</span>
    </label>
  );
}
