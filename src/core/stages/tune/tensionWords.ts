/* How a tension and the air it was measured in are said and written down. */
import { printedSpread } from '../../quantities/printed';
import type { JobInputs } from '../../job/job';
import type { Reading } from '../../log/logEntry';
import { reading } from '../../log/reading';

/** "214 ± 12 N/m". */
export const tensionWords = (nPerM: number, sdNPerM: number): string => printedSpread('tension', nPerM, sdNPerM);

const HYGROMETER = { measured: 'hygrometer, read', device: 'hygrometer', simulated: 'simulated hygrometer' } as const;

/** The air of the room, noted with whatever is measured in it; nothing where it was only reckoned with. */
export function roomReadings({ roomC, roomRh, airBy }: Pick<JobInputs['prime'], 'roomC' | 'roomRh' | 'airBy'>): Reading[] {
  if (airBy === 'reckoned') return [];
  const by = { tool: HYGROMETER[airBy], known: airBy };
  return [
    reading('roomTemperature', roomC, '°C', { precision: 0.5, ...by }),
    reading('roomHumidity', roomRh, '% RH', { precision: 3, ...by }),
  ];
}
