import { isInHouse, lifeOf } from '@/core/life/life';
import type { LogEntry, Reading } from '@/core/log/logEntry';
import { type ReadAir, airReadings } from '@/core/log/readAir';
import type { Workshop } from '../workshop';
import { airNow } from './airWrites';

/**
 * The air that a reading is noted with: as somebody read it there, else that of the hygrometer of this house, where the canvas is
 * here and it was read in the last hours; else none.
 */
export function airThen(workshop: Workshop, log: readonly LogEntry[], air: ReadAir | null): Reading[] {
  if (air && air.rh !== null) return airReadings(air, 'measured');
  const now = isInHouse(lifeOf(log)) ? airNow(workshop) : null;
  return now ? airReadings(now, now.simulated ? 'simulated' : 'device') : [];
}
