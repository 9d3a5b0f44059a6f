/* How a tension and the air it was measured in are said and written down. */
import type { JobInputs } from '../job/job';
import type { Reading } from '../job/logEntry';
import { decimal } from '../units/numeral';

/** "214 ± 12 N/m". */
export const tensionWords = (nPerM: number, sdNPerM: number): string => `${decimal(nPerM, 0)} ± ${decimal(sdNPerM, 0)} N/m`;

/** The air of the room, noted with whatever is measured in it. */
export const roomReadings = ({ roomC, roomRh }: Pick<JobInputs['prime'], 'roomC' | 'roomRh'>): Reading[] => [
  { quantity: 'room temperature', value: roomC, unit: '°C', precision: 0.5, tool: 'hygrometer' },
  { quantity: 'room humidity', value: roomRh, unit: '% RH', precision: 3, tool: 'hygrometer' },
];
