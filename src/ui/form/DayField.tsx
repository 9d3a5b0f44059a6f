import { dayWords } from '@/core/week/dateVerdicts';
import { parsed, refused } from '@/core/units/result';
import { TypedField } from './fields';

/** A day, not before another. */
export function DayField({
  label,
  value,
  least,
  onChange,
}: {
  label: string;
  value: string;
  least: string;
  onChange: (day: string) => void;
}) {
  return (
    <TypedField
      label={label}
      type="date"
      value={value}
      print={(day) => day}
      read={(typed) =>
        /^\d{4}-\d{2}-\d{2}$/.test(typed) && !Number.isNaN(Date.parse(typed)) && typed >= least
          ? parsed(typed)
          : refused(typed, 'is no day that does', `Type one from ${dayWords(least)} on.`)
      }
      onChange={onChange}
    />
  );
}

/** A day that may be left open: null where nobody knows it. */
export const OpenDayField = ({
  label,
  value,
  onChange,
  disabled = false,
}: {
  label: string;
  value: string | null;
  onChange: (day: string | null) => void;
  disabled?: boolean;
}) => (
  <TypedField<string | null>
    label={label}
    type="date"
    value={value}
    print={(day) => day ?? ''}
    read={(day) => parsed<string | null>(day || null)}
    onChange={onChange}
    disabled={disabled}
  />
);
