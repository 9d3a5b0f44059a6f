/* Lets other devices of the house in, or keeps them out: done at the machine itself only. */
import { type Device, type Role, endDevices, findDevice, listDevices, setDeviceRole } from '@/db/devices';
import { type StoredNetwork, readNetwork, writeNetwork } from '@/db/network';
import { type Outcome, done, refuse } from '../write/outcome';
import type { FileRequest } from '../file/fileRequests';
import type { Workshop } from '../workshop';
import { houseAddresses, inUrl } from './houseAddresses';
import { isDoorOpen, tendDoor } from './openDoor';
import { hashPassphrase, isPassphrase } from './passphrase';

export interface NetworkState {
  /** The device that looks at it; null at the machine itself. */
  own: Device | null;
  open: boolean;
  /** Null until it was open once. */
  set: { port: number; hours: number; certFile: string; keyFile: string; looking: boolean } | null;
  /** Where other devices find it. */
  addresses: string[];
  devices: Device[];
  /** What is proposed where nothing was set. */
  usual: { port: number; hours: number };
}

/** The port that is proposed, beside that of the application. */
const USUAL_PORT = 3443;
const USUAL_HOURS = 12;
const LEAST_LETTERS = 12;

/** The addresses that other devices reach the workshop by; none while it is closed. */
export function houseUrls({ database }: Pick<Workshop, 'database'>): string[] {
  const network = readNetwork(database);
  if (!network?.open || !isDoorOpen()) return [];
  const protocol = network.certFile === '' ? 'http' : 'https';
  return houseAddresses().map((address) => `${protocol}://${inUrl(address)}:${network.port}`);
}

export function networkState(workshop: Workshop): NetworkState {
  const { database, now, device } = workshop;
  const network = readNetwork(database);
  return {
    own: device ?? null,
    open: network?.open === true && isDoorOpen(),
    set: network && {
      port: network.port,
      hours: network.hours,
      certFile: network.certFile,
      keyFile: network.keyFile,
      looking: network.lookingPassphrase !== null,
    },
    addresses: houseUrls(workshop),
    // Who else is signed in is for the machine itself to see.
    devices: device ? [] : listDevices(database, now().toISOString()),
    usual: { port: USUAL_PORT, hours: USUAL_HOURS },
  };
}

const weak = (passphrase: string): boolean => passphrase.trim().length < LEAST_LETTERS || new Set(passphrase).size < 5;
const WEAK = `A passphrase has at least ${LEAST_LETTERS} letters, five of them different: four words that have nothing to do with each other are easy to type and hard to guess.`;

/** Whether both passphrases would be the same, also where only one is typed and the other was set before. */
async function areSame(
  { passphrase, lookingPassphrase, looking }: FileRequest<'openNetwork'>,
  before: StoredNetwork | null,
): Promise<boolean> {
  if (passphrase !== '' && lookingPassphrase !== '') return passphrase === lookingPassphrase;
  if (lookingPassphrase !== '') return isPassphrase(lookingPassphrase, before?.passphrase ?? null);
  return passphrase !== '' && looking && isPassphrase(passphrase, before?.lookingPassphrase ?? null);
}

/** Opens the door, or opens it anew with what was changed; a new passphrase ends whatever was signed in by the old one. */
export async function openNetwork(workshop: Workshop, asked: FileRequest<'openNetwork'>): Promise<Outcome<NetworkState>> {
  const { database, now } = workshop;
  const before = readNetwork(database);
  const { port, hours, certFile, keyFile, passphrase, lookingPassphrase, looking } = asked;
  const invalid = (field: string, says: string): Outcome<never> => ({ ok: false, kind: 'invalid', errors: [{ field, says }] });
  if (passphrase === '' && !before) return invalid('passphrase', `Choose one first. ${WEAK}`);
  if (passphrase !== '' && weak(passphrase)) return invalid('passphrase', WEAK);
  if (lookingPassphrase !== '' && weak(lookingPassphrase)) return invalid('lookingPassphrase', WEAK);
  if (looking && lookingPassphrase === '' && !before?.lookingPassphrase)
    return invalid('lookingPassphrase', `Choose one first. ${WEAK}`);
  if (await areSame(asked, before)) return invalid('lookingPassphrase', 'View-only devices have a passphrase of their own.');
  if ((certFile.trim() === '') !== (keyFile.trim() === ''))
    return invalid(
      certFile.trim() === '' ? 'certFile' : 'keyFile',
      'A certificate and its key go together: name both files, or none.',
    );
  if (port === Number(process.env.PORT ?? 3000))
    return invalid('port', `Port ${port} is the one of this machine itself: choose another.`);
  const network = {
    open: true,
    port,
    hours,
    certFile: certFile.trim(),
    keyFile: keyFile.trim(),
    passphrase: passphrase === '' ? before!.passphrase : await hashPassphrase(passphrase),
    lookingPassphrase: !looking
      ? null
      : lookingPassphrase === ''
        ? before!.lookingPassphrase
        : await hashPassphrase(lookingPassphrase),
  };
  const end = passphrase !== '' || lookingPassphrase !== '' || !looking;
  database
    .transaction(() => {
      writeNetwork(database, network);
      if (end && before) endDevices(database, null, now().toISOString());
    })
    .immediate();
  const trouble = await tendDoor(workshop);
  if (trouble === null) return done(networkState(workshop));
  writeNetwork(database, { ...network, open: false });
  return refuse(trouble);
}

/** Closes the door and ends whatever is signed in. */
export async function closeNetwork(workshop: Workshop): Promise<Outcome<NetworkState>> {
  const { database, now } = workshop;
  const network = readNetwork(database);
  database
    .transaction(() => {
      if (network) writeNetwork(database, { ...network, open: false });
      endDevices(database, null, now().toISOString());
    })
    .immediate();
  await tendDoor(workshop);
  return done(networkState(workshop));
}

const NO_DEVICE = refuse('This device is not signed in any more.');

export function endDevice(workshop: Workshop, { id }: FileRequest<'endDevice'>): Outcome<NetworkState> {
  return endDevices(workshop.database, id, workshop.now().toISOString()) ? done(networkState(workshop)) : NO_DEVICE;
}

/** Makes a device one that looks on, or a maker’s. */
export function changeDevice(workshop: Workshop, { id, role }: FileRequest<'changeDevice'>): Outcome<NetworkState> {
  const { database, now } = workshop;
  if (!findDevice(database, id, now().toISOString()) || !setDeviceRole(database, id, role as Role)) return NO_DEVICE;
  return done(networkState(workshop));
}

/** At the start: a passphrase given with it is set and opens the door; else it is as it was left. */
export async function startNetwork(workshop: Workshop, passphrase: string | undefined): Promise<string | null> {
  if (!passphrase) return await tendDoor(workshop);
  const before = readNetwork(workshop.database);
  const opened = await openNetwork(workshop, {
    passphrase,
    looking: (before?.lookingPassphrase ?? null) !== null,
    lookingPassphrase: '',
    port: Number(process.env.KEEN_BATTEN_NETWORK_PORT ?? before?.port ?? USUAL_PORT),
    hours: before?.hours ?? USUAL_HOURS,
    certFile: process.env.KEEN_BATTEN_CERT ?? before?.certFile ?? '',
    keyFile: process.env.KEEN_BATTEN_KEY ?? before?.keyFile ?? '',
  });
  if (opened.ok) return null;
  return opened.kind === 'invalid'
    ? opened.errors.map(({ says }) => says).join(' ')
    : 'says' in opened
      ? opened.says
      : opened.kind;
}
