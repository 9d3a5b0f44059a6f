'use client';
/*
 * Fields with units. What cannot be read stays in the field with its error; the last good value stands.
 */
import { type ReactNode, useId, useState } from 'react';
import { fieldText, unitOf } from '@/core/quantities/printed';
import { type LengthId, type NumberId, type QuantityId, type Range, limitsOf } from '@/core/quantities/quantities';
import { readLength, readNumber } from '@/core/quantities/readQuantity';
import { type Field as ShapeField, quantityOf } from '@/core/shape/shape';
import { type Length, SIXTEENTH_MM, printLength, printTyped } from '@/core/units/length';
import { type Parsed, parsed } from '@/core/units/result';
import { Figure } from './Figure';
import { useReportedError } from './fieldErrors';
import { useWorkshop } from './WorkshopContext';

interface TypedFieldProps<T> {
  label: string;
  value: T;
  print: (value: T) => string;
  read: (typed: string) => Parsed<T>;
  onChange: (value: T) => void;
  /** Shown after the field: the other unit, or the unit itself. */
  beside?: string;
  hint?: string;
  disabled?: boolean;
  inputMode?: 'text' | 'decimal';
  type?: 'text' | 'date';
  placeholder?: string;
  /** The label is only spoken: a table names the field already. */
  hideLabel?: boolean;
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
}: TypedFieldProps<T>) {
  const id = useId();
  const printed = print(value);
  const [draft, setDraft] = useState<{ text: string; of: string } | null>(null);
  // What was typed is shown until the value changes by another hand (undo, another row of a table).
  const text = draft && draft.of === printed ? draft.text : printed;
  const outcome = text === printed ? null : read(text);
  const error = outcome && !outcome.ok ? outcome.error : null;
  useReportedError(label, error);
  const type_ = (typed: string) => {
    const result = read(typed);
    setDraft({ text: typed, of: result.ok ? print(result.value) : printed });
    if (result.ok) onChange(result.value);
  };
  const leave = () => {
    if (!error) setDraft(null);
  };
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'soft block truncate text-[13px] leading-5'}>
        {label}
      </label>
      <div className="flex items-center gap-2">
        <input
          id={id}
          type={type}
          className={`figure input input-sm h-9 w-full min-w-0 ${error ? 'input-error' : ''}`}
          value={text}
          disabled={disabled}
          inputMode={inputMode}
          placeholder={placeholder}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={error !== null}
          aria-describedby={`${id}-below`}
          onChange={(event) => type_(event.target.value)}
          onBlur={leave}
        />
        {beside && (
          <span className="figure soft shrink-0 text-[13px] whitespace-nowrap">
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

/** What kind of number a field holds: its kind, or the field of a shape that says so. */
type Asked<Id extends QuantityId> = Id | Pick<ShapeField<unknown>, 'rule'>;
const kindOf = <Id extends QuantityId>(of: Asked<Id>): Id => (typeof of === 'string' ? of : (quantityOf(of) as Id));

interface LengthFieldProps {
  label: string;
  of: Asked<LengthId>;
  value: Length;
  onChange: (value: Length) => void;
  /** Narrower than its kind, mm: within this bar, on this roll. */
  range?: Range;
  hint?: string;
  disabled?: boolean;
  hideLabel?: boolean;
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
}: Omit<LengthFieldProps, 'value' | 'onChange'> & {
  value: Length | null;
  onChange: (value: Length | null) => void;
  /** What it would be, where it is known. */
  placeholder?: string;
}) {
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

interface NumberFieldProps {
  label: string;
  of: Asked<NumberId>;
  /** In the unit inside. */
  value: number | null;
  onChange: (value: number) => void;
  /** What is counted, where its kind does not say. */
  unit?: string;
  /** Narrower than its kind, in the unit inside. */
  range?: Range;
  hint?: string;
  disabled?: boolean;
  /** The field may be left empty, and what is then meant. */
  onClear?: () => void;
  placeholder?: string;
  hideLabel?: boolean;
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
        onChange={(event) => onChange(event.target.value as Id)}
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
  return (
    <label className={`flex items-start gap-2 py-0.5 text-[14px] leading-5 ${disabled ? 'soft' : 'cursor-pointer'}`}>
      <input
        type="checkbox"
        className="checkbox checkbox-sm checkbox-primary mt-px"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{label}</span>
    </label>
  );
}
