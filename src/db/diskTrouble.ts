/** Codes of the system and of SQLite, by what is wrong with the disk. */
const TROUBLES: readonly { codes: readonly string[]; says: string }[] = [
  { codes: ['ENOSPC', 'EDQUOT', 'SQLITE_FULL'], says: 'the disk is full' },
  {
    codes: ['EACCES', 'EPERM', 'EROFS', 'SQLITE_READONLY', 'SQLITE_CANTOPEN', 'SQLITE_PERM'],
    says: 'the workshop’s folder cannot be written to',
  },
  { codes: ['EIO', 'SQLITE_IOERR'], says: 'the disk did not take it' },
];

/**
 * What is wrong with the disk, as the end of a sentence; null where an error is none of the disk.
 *
 * @example diskTrouble({ code: 'SQLITE_IOERR_WRITE' }) // 'the disk did not take it'
 */
export function diskTrouble(error: unknown): string | null {
  const code = (error as { code?: unknown } | null)?.code;
  if (typeof code !== 'string') return null;
  return TROUBLES.find(({ codes }) => codes.some((one) => code === one || code.startsWith(`${one}_`)))?.says ?? null;
}
