/* How a tension is said, and the air of the room as it is written down with a coat. */
import { printedSpread } from '../../quantities/printed';
import type { JobInputs } from '../../job/job';
import type { Reading } from '../../log/logEntry';
import { airReadings } from '../../log/readAir';

/** "214 ± 12 N/m". */
export const tensionWords = (nPerM: number, sdNPerM: number): string => printedSpread('tension', nPerM, sdNPerM);

/** The air of the room that a coat is put on in; nothing where it was only reckoned with. */
export const roomReadings = ({ roomC, roomRh, airBy }: Pick<JobInputs['prime'], 'roomC' | 'roomRh' | 'airBy'>): Reading[] =>
  airBy === 'reckoned' ? [] : airReadings({ celsius: roomC, rh: roomRh }, airBy);
