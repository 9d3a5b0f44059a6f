'use client';
/* Hours of a week as they are typed: “9–12, 13–17” on a line for each day. */
import { WEEKDAYS, clockOfStep } from '@/core/schedule/workCalendar';
import type { WeekSettings } from '@/core/week/weekSettings';
import { parsed, refused } from '@/core/units/result';
import { TypedField } from '@/ui/form/fields';

/** A week begins on Monday. */
const IN_TURN = [1, 2, 3, 4, 5, 6, 0];

const SPAN = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/;

/** "9–12, 13–17" in quarters of an hour. */
export function readHours(typed: string) {
  if (typed.trim() === '') return parsed<[number, number][]>([]);
  const windows: [number, number][] = [];
  for (const one of typed.split(',')) {
    const found = SPAN.exec(one);
    const step = (hours: string | undefined, minutes: string | undefined) => Number(hours) * 4 + Number(minutes ?? 0) / 15;
    const [from, to] = found ? [step(found[1], found[2]), step(found[3], found[4])] : [NaN, NaN];
    if (!Number.isInteger(from) || !Number.isInteger(to) || from >= to || to > 96)
      return refused<[number, number][]>(
        one.trim(),
        'is no stretch of a day',
        'From and to by the quarter of an hour: 9–12, 13–17.',
      );
    windows.push([from, to]);
  }
  return parsed(windows);
}

export const printHours = (windows: readonly (readonly [number, number])[]): string =>
  windows.map(([from, to]) => `${clockOfStep(from)}–${clockOfStep(to)}`).join(', ');

/** The windows of every weekday, typed as “9–12, 13–17”. */
export function WeekHours({
  hours,
  onChange,
  of = '',
}: {
  hours: WeekSettings['hours'];
  onChange: (hours: WeekSettings['hours']) => void;
  of?: string;
}) {
  return (
    <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
      {IN_TURN.map((weekday) => (
        <TypedField
          key={weekday}
          label={`${of}${WEEKDAYS[weekday]!}`}
          value={hours
            .filter((one) => one.weekday === weekday)
            .map(({ from, to }) => [from, to] as [number, number])
            .sort((a, b) => a[0] - b[0])}
          print={printHours}
          read={readHours}
          placeholder="closed"
          onChange={(windows) =>
            onChange([...hours.filter((one) => one.weekday !== weekday), ...windows.map(([from, to]) => ({ weekday, from, to }))])
          }
        />
      ))}
    </div>
  );
}
