import { idText } from '@/core/job/job';
import { ROLES } from '@/db/devices';
import { type ShapeOf, flag, oneOf, text, whole } from '@/core/shape/shape';
import { textOf } from '@/core/shape/texts';
import { listRead } from '../write/asked';

const copyName = { name: text(1, 80) };

/** What may be asked about the file as a whole, and about the door of the house: none of it is done twice when it is sent again. */
export const FILE_REQUESTS = {
  backUp: {},
  lookAtBackup: { ...copyName },
  restoreBackup: { ...copyName },
  checkFile: {},
  rebuildFile: {},
  lookAtList: { ...listRead },
  openNetwork: {
    /** Empty keeps the one that was set. */
    passphrase: textOf('passphrase'),
    /** Whether there are devices that look on, and their passphrase; empty keeps it. */
    looking: flag(),
    lookingPassphrase: textOf('passphrase'),
    port: whole(1, 65_535),
    hours: whole(1, 720),
    certFile: textOf('file'),
    keyFile: textOf('file'),
  },
  closeNetwork: {},
  endDevice: { id: idText },
  changeDevice: { id: idText, role: oneOf(ROLES) },
};
export type FileRequestName = keyof typeof FILE_REQUESTS;
export type FileRequest<N extends FileRequestName> = ShapeOf<(typeof FILE_REQUESTS)[N]>;
