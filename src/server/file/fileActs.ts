/* What is done with the file as a whole, and with the door of the house, checked at the edge. */
import { printDuration } from '@/core/units/duration';
import { backUp, checkFile, listBackups, lookAtBackup, rebuildFile, restoreBackup } from './backups';
import { checked } from '../write/checked';
import { refusedOnFailure } from '../write/refusedOnFailure';
import { runInSlices } from '../write/runInSlices';
import { lookAtList } from '../lists/listWrites';
import { LOOKS_ON, looksOn } from '../network/asking';
import { changeDevice, closeNetwork, endDevice, openNetwork } from '../network/networkActs';
import { tendDoor } from '../network/openDoor';
import { type Outcome, type Refusal, refuse } from '../write/outcome';
import { FILE_REQUESTS, type FileRequest, type FileRequestName } from './fileRequests';
import type { Workshop } from '../workshop';

const ACTS = {
  backUp: (workshop: Workshop) => tooSoon(workshop) ?? backUp(workshop),
  lookAtBackup: (workshop: Workshop, { name }: FileRequest<'lookAtBackup'>) => lookAtBackup(workshop, name),
  restoreBackup: (workshop: Workshop, { name }: FileRequest<'restoreBackup'>) =>
    restoreBackup(workshop, name).finally(() => tendDoor(workshop)),
  checkFile: (workshop: Workshop) => checkFile(workshop),
  rebuildFile: (workshop: Workshop) => rebuildFile(workshop),
  openNetwork: (workshop: Workshop, asked: FileRequest<'openNetwork'>) => openNetwork(workshop, asked),
  closeNetwork: (workshop: Workshop) => closeNetwork(workshop),
  endDevice: (workshop: Workshop, asked: FileRequest<'endDevice'>) => endDevice(workshop, asked),
  changeDevice: (workshop: Workshop, asked: FileRequest<'changeDevice'>) => changeDevice(workshop, asked),
  lookAtList: (workshop: Workshop, asked: FileRequest<'lookAtList'>) => runInSlices(lookAtList(workshop, asked)),
};
export type FileAnswer<N extends FileRequestName> = Awaited<ReturnType<(typeof ACTS)[N]>>;

/** Between two backups that other devices ask for, minutes: each is as large as the workshop. */
const BACKUP_PAUSE_MIN = 10;

function tooSoon(workshop: Workshop): Refusal | null {
  const last = listBackups(workshop).find(({ kind }) => kind === 'hand');
  const minutes = last ? (workshop.now().getTime() - Date.parse(last.at)) / 60_000 : Infinity;
  if (!workshop.device || minutes >= BACKUP_PAUSE_MIN) return null;
  return refuse(
    `A backup was made ${printDuration(Math.max(1, Math.floor(minutes)))} ago: the next one from a device after ${BACKUP_PAUSE_MIN} min.`,
  );
}

/** What only the machine itself may ask: who comes in, and what would put another file in the place of this one. */
const AT_THE_MACHINE: readonly FileRequestName[] = [
  'restoreBackup',
  'rebuildFile',
  'openNetwork',
  'closeNetwork',
  'endDevice',
  'changeDevice',
];
export const ONLY_HERE = 'This is done at the machine that the workshop runs on, not from another device.';

/** @param plain what came from outside */
export async function actOnFile<N extends FileRequestName>(workshop: Workshop, name: N, plain: unknown): Promise<FileAnswer<N>> {
  if (!Object.hasOwn(ACTS, name)) return refuse('Nothing of this name is done with the file.') as FileAnswer<N>;
  if (looksOn(workshop)) return refuse(LOOKS_ON) as FileAnswer<N>;
  if (workshop.device && AT_THE_MACHINE.includes(name)) return refuse(ONLY_HERE) as FileAnswer<N>;
  const asked = checked(FILE_REQUESTS[name], name, plain);
  if (!asked.ok) return asked as FileAnswer<N>;
  const act = ACTS[name] as (workshop: Workshop, request: unknown) => Outcome<unknown> | Promise<Outcome<unknown>>;
  return (await refusedOnFailure(name, 'with the file', () => act(workshop, asked.value))) as FileAnswer<N>;
}
