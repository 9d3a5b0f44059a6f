'use client';
import { readPrice } from '@/core/quantities/readQuantity';
import { printMoney } from '@/core/units/money';
import { parsed } from '@/core/units/result';
import { TypedField } from './fields';
import { useWorkshop } from '../WorkshopContext';

interface MoneyFieldProps {
  label: string;
  /** Minor units; null where nobody said. */
  value: number | null;
  onChange: (minor: number | null) => void;
  hideLabel?: boolean;
  placeholder?: string;
  /** What to say where nothing stands there and something has to. */
  required?: string;
}

/** An amount in the currency of the house; empty where nobody knows it, which is not the same as 0. */
export function MoneyField({ label, value, onChange, hideLabel, placeholder = 'not known', required }: MoneyFieldProps) {
  const { currency } = useWorkshop().rules;
  return (
    <TypedField<number | null>
      label={label}
      value={value}
      print={(minor) => (minor === null ? '' : printMoney(minor, '').trim())}
      read={(typed) => (typed.trim() === '' ? parsed<number | null>(null) : readPrice(typed, currency))}
      onChange={onChange}
      beside={currency}
      hideLabel={hideLabel}
      placeholder={placeholder}
      required={required}
      inputMode="decimal"
    />
  );
}
