import { decimal } from './numeral';

/**
 * A size on the disk.
 *
 * @example printFileSize(2_345_678) // '2.3 MB'
 */
export function printFileSize(bytes: number): string {
  if (bytes < 1e6) return `${decimal(bytes / 1e3, 0)} kB`;
  return bytes < 1e9 ? `${decimal(bytes / 1e6, 1)} MB` : `${decimal(bytes / 1e9, 2)} GB`;
}
