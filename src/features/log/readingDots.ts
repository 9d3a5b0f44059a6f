import { format } from 'date-fns';
import type { ReadingId } from '@/core/log/readingKinds';
import type { LogRow } from '@/server/workshopCases';

/** One reading on the plot. */
export interface Dot {
  at: Date;
  value: number;
  /** One standard deviation of the tool. */
  precision: number;
  simulated: boolean;
  says: string;
}

/** Kinds of reading that are worth a plot. */
export const KINDS = [
  { id: 'rack', name: 'Diagonal difference', unit: 'mm' },
  { id: 'roomHumidity', name: 'Room humidity', unit: '% RH' },
  { id: 'roomTemperature', name: 'Room temperature', unit: '°C' },
  { id: 'weight', name: 'Weight on the scale', unit: 'kg' },
  { id: 'tensionByTap', name: 'Tension by tap', unit: 'N/m' },
  { id: 'tensionByWeight', name: 'Tension by weight', unit: 'N/m' },
  { id: 'dryGround', name: 'Dry ground', unit: 'g/m²' },
  { id: 'rehearsalUnevenness', name: 'Rehearsals', unit: 'unevenness' },
] as const;
export type KindId = (typeof KINDS)[number]['id'];

/** The dots of one kind: records taken back are left out, the rack is worked out from both diagonals. */
export function readingDots(rows: readonly LogRow[], kind: KindId): Dot[] {
  return rows
    .filter((row) => !row.withdrawn)
    .flatMap((row): Dot[] => {
      const found = (quantity: ReadingId, of = '') =>
        row.readings.find((reading) => reading.quantity === quantity && reading.of === of);
      const dot = (value: number, precision: number, simulated: boolean): Dot[] => [
        {
          at: new Date(row.at),
          value,
          precision,
          simulated,
          says: `No. ${row.jobNumber} ${row.jobTitle}, ${format(new Date(row.at), 'd MMM yyyy')}${simulated ? ', simulated' : ''}`,
        },
      ];
      if (kind !== 'rack') {
        const reading = found(kind);
        return reading ? dot(reading.value, reading.precision ?? 0, reading.known === 'simulated') : [];
      }
      const [down, up] = [found('diagonal', 'down'), found('diagonal', 'up')];
      return down && up
        ? dot(Math.abs(down.value - up.value), (down.precision ?? 0) * Math.SQRT2, down.known === 'simulated')
        : [];
    });
}
