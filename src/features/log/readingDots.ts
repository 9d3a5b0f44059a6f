import { format } from 'date-fns';
import type { PlottedReading } from '@/db/logEntries';

/** One reading on the plot. */
export interface Dot {
  at: string;
  value: number;
  /** One standard deviation of the tool. */
  precision: number;
  simulated: boolean;
  says: string;
}

/** Kinds of reading that are worth a plot, and what each is read of. */
export const KINDS = [
  { id: 'rack', name: 'Diagonal difference', unit: 'mm', quantity: 'diagonal', of: ['down', 'up'] },
  { id: 'roomHumidity', name: 'Room humidity', unit: '% RH', quantity: 'roomHumidity', of: [''] },
  { id: 'roomTemperature', name: 'Room temperature', unit: '°C', quantity: 'roomTemperature', of: [''] },
  { id: 'weight', name: 'Weight on the scale', unit: 'kg', quantity: 'weight', of: [''] },
  { id: 'tensionByTap', name: 'Tension by tap', unit: 'N/m', quantity: 'tensionByTap', of: [''] },
  { id: 'tensionByWeight', name: 'Tension by weight', unit: 'N/m', quantity: 'tensionByWeight', of: [''] },
  { id: 'dryGround', name: 'Dry ground', unit: 'g/m²', quantity: 'dryGround', of: [''] },
  { id: 'rehearsalUnevenness', name: 'Rehearsals', unit: 'unevenness', quantity: 'rehearsalUnevenness', of: [''] },
] as const;
export type KindId = (typeof KINDS)[number]['id'];

/** The dots of one kind, oldest first; the rack is worked out from both diagonals of an entry. */
export function readingDots(kind: KindId, [readings = [], others = []]: readonly PlottedReading[][]): Dot[] {
  if (kind !== 'rack') return readings.map((one) => dotOf(one, one.value, one.precision ?? 0));
  const up = new Map(others.map((one) => [one.seq, one]));
  return readings.flatMap((down) => {
    const other = up.get(down.seq);
    return other ? [dotOf(down, Math.abs(down.value - other.value), (down.precision ?? 0) * Math.SQRT2)] : [];
  });
}

const dotOf = ({ at, jobNumber, jobTitle, known }: PlottedReading, value: number, precision: number): Dot => ({
  at,
  value,
  precision,
  simulated: known === 'simulated',
  says: `No. ${jobNumber} ${jobTitle}, ${format(new Date(at), 'd MMM yyyy')}${known === 'simulated' ? ', simulated' : ''}`,
});
