import { type Device, findDevice } from '@/db/devices';
import type { Workshop } from '../workshop';
import { cameFrom } from './gate';

/** The workshop as the one who asks may use it; null where the device was ended, or is none. */
export function askedBy(workshop: Workshop, headers: Pick<Headers, 'get'>): Workshop | null {
  const from = cameFrom(headers);
  if (from.kind === 'here') return workshop;
  const device = from.kind === 'device' ? findDevice(workshop.database, from.id, workshop.now().toISOString()) : null;
  return device && { ...workshop, device };
}

/** Whether whoever asks may only look on and tick. */
export const looksOn = ({ device }: { device?: Device }): boolean => device?.role === 'viewer';

export const LOOKS_ON = 'This device is signed in to look on: it sees everything and ticks the kit, a maker’s device writes.';
export const SIGNED_OUT = 'This device is not signed in any more. Load the page again and type the passphrase.';
