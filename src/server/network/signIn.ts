/* A device that signs in: by a passphrase that is tried slowly and seldom, for a time, with a cookie that only it holds. */
import { createHash, randomBytes } from 'node:crypto';
import { type Device, type Role, deviceByToken, deviceSeen, endDevices, insertDevice, listDevices } from '@/db/devices';
import { readNetwork } from '@/db/network';
import type { Workshop } from '../workshop';
import { isPassphrase } from './passphrase';
import type { Tries } from './tries';

const SEEN_AGAIN_MS = 60_000;
const HOUR_MS = 3_600_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Whose cookie it is, while it is signed in and the workshop is open; that it was seen is noted once a minute. */
export function deviceOf(workshop: Workshop, token: string | null): Device | null {
  if (!token || !readNetwork(workshop.database)?.open) return null;
  const now = workshop.now();
  const device = deviceByToken(workshop.database, hashOf(token), now.toISOString());
  if (device && now.getTime() - Date.parse(device.seenAt) > SEEN_AGAIN_MS) seen(workshop, device.id, now);
  return device;
}

function seen({ database }: Workshop, id: string, now: Date): void {
  try {
    deviceSeen(database, id, now.toISOString());
  } catch {
    // The file is held: it is noted the next time.
  }
}

export interface SignInAsked {
  passphrase: string;
  name: string;
  address: string;
}

const waitWords = (ms: number): string =>
  ms <= 90_000 ? `${Math.ceil(ms / 1000)} seconds` : `${Math.ceil(ms / 60_000)} minutes`;

/** A cookie and how long it holds, s; or why not, and whether it was tried too often. */
export type SignedIn = { ok: true; token: string; seconds: number } | { ok: false; says: string; tooOften: boolean };

const refuse = (says: string): SignedIn => ({ ok: false, says, tooOften: false });
const tooOften = (says: string): SignedIn => ({ ok: false, says, tooOften: true });

/** Signs a device in. */
export async function signIn(
  workshop: Workshop,
  tries: Tries,
  { passphrase, name: typed, address }: SignInAsked,
): Promise<SignedIn> {
  const { database, now, newId } = workshop;
  const name = typed.trim();
  if (name === '' || name.length > 60)
    return refuse('Say what this device is called, in 1 to 60 letters: it stands on what is recorded here.');
  const known = listDevices(database, now().toISOString()).some((device) => device.address === address);
  const wait = tries.begin(address, now().getTime(), known);
  if (wait > 0) return tooOften(`Too many wrong tries. Wait ${waitWords(wait)}, then try again.`);
  const network = readNetwork(database);
  if (!network?.open) return refuse('This workshop is closed to other devices.');
  const makes = await isPassphrase(passphrase, network.passphrase);
  const looks = await isPassphrase(passphrase, network.lookingPassphrase);
  const role: Role | null = makes ? 'maker' : looks ? 'viewer' : null;
  if (!role) return refuse('This is not the passphrase.');
  tries.right(address);
  const at = now();
  const token = randomBytes(32).toString('base64url');
  const device: Device = {
    id: newId(),
    name: freeName(name, listDevices(database, at.toISOString())),
    role,
    address,
    signedInAt: at.toISOString(),
    seenAt: at.toISOString(),
    endsAt: new Date(at.getTime() + network.hours * HOUR_MS).toISOString(),
  };
  insertDevice(database, device, hashOf(token));
  return { ok: true, token, seconds: network.hours * 3600 };
}

/** A name that no other device has now: on a record it says which one it was. */
function freeName(name: string, devices: readonly Device[]): string {
  const taken = new Set(devices.map((device) => device.name));
  for (let count = 1; ; count += 1) {
    const end = count === 1 ? '' : ` ${count}`;
    const one = name.slice(0, 60 - end.length) + end;
    if (!taken.has(one)) return one;
  }
}

/** Ends what a cookie stands for. */
export function signOut(workshop: Workshop, token: string | null): void {
  const device = deviceOf(workshop, token);
  if (device) endDevices(workshop.database, device.id, workshop.now().toISOString());
}
