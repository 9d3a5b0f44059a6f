/*
 * Copies of the workshop’s file: made while it is in use, checked after writing, kept by a rule in a folder beside it, and put
 * back after they were looked at. What stands today is kept aside before anything takes its place.
 */
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { randomUUID } from 'node:crypto';
import { copyFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import SQLite, { type Database } from 'better-sqlite3';
import { format } from 'date-fns';
import { keptBackups } from '@/core/file/keptBackups';
import { type FileFigures, fileFigures, fileTroubles, readyCopy, rebuildDerived, replaceContent } from '@/db/wholeFile';
import { diskTrouble } from '@/db/diskTrouble';
import { beginsAsLines } from '@/db/fileHead';
import { isBusy } from '@/db/isBusy';
import { forgetSentRequests } from '@/db/sentRequests';
import { fileFromLines, workshopLines } from '@/db/workshopLines';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';

export interface Backup {
  name: string;
  /** When it was made, ISO time. */
  at: string;
  bytes: number;
  kind: (typeof KINDS)[number];
}

/** Made by itself, by hand, kept aside before another took its place, or brought here from elsewhere. */
const KINDS = ['daily', 'hand', 'aside', 'brought'] as const;
const NAME = /^(daily|hand|aside|brought)-(\d{4})-(\d{2})-(\d{2})-(\d{2})(\d{2})(\d{2})(?:-\d+)?\.sqlite$/;
/** Files that are brought here are at most so large, bytes. */
const MOST_BYTES = 4_000_000_000;

/** The folder of the copies; null for a workshop in memory. */
const folderOf = ({ database }: Pick<Workshop, 'database'>): string | null =>
  database.memory
    ? null
    : join(
        dirname(database.name),
        `${database.name
          .split(/[\\/]/)
          .at(-1)!
          .replace(/\.sqlite$/, '')}-backups`,
      );

const momentOf = (name: string): Date | null => {
  const [, , year, month, day, hour, minute, second] = NAME.exec(name) ?? [];
  return year ? new Date(Number(year), Number(month) - 1, Number(day), Number(hour), Number(minute), Number(second)) : null;
};

/** The copies there are, newest first. */
export function listBackups(workshop: Pick<Workshop, 'database'>): Backup[] {
  const folder = folderOf(workshop);
  if (!folder || !existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): Backup[] => {
      const at = momentOf(name);
      if (!at) return [];
      return [
        {
          name,
          at: at.toISOString(),
          bytes: statSync(join(folder, name)).size,
          kind: KINDS.find((kind) => name.startsWith(kind))!,
        },
      ];
    })
    .sort((one, other) => other.at.localeCompare(one.at) || other.name.localeCompare(one.name));
}

/** A free name for a copy that is made now. */
function freshPath(folder: string, kind: Backup['kind'], now: Date): string {
  const stem = `${kind}-${format(now, 'yyyy-MM-dd-HHmmss')}`;
  for (let count = 1; ; count += 1) {
    const path = join(folder, `${stem}${count === 1 ? '' : `-${count}`}.sqlite`);
    if (!existsSync(path)) return path;
  }
}

const NO_FILE = refuse('This workshop lies in memory alone: there is no file to copy.');

/** Ends the name of what is being written or looked at: nothing that counts. */
const UNFINISHED = '.unfinished';

/** Takes away what a stop in the middle left in the folder; at the start, before anything is written there. */
export function sweepBackups(workshop: Pick<Workshop, 'database'>): void {
  const folder = folderOf(workshop);
  if (!folder || !existsSync(folder)) return;
  for (const name of readdirSync(folder)) if (LEFT_OVER.test(name)) rmSync(join(folder, name), { force: true });
}

/** What this version and those before it left. */
const LEFT_OVER = /\.(unfinished|looked-at)(\.|-|$)/;

/** A file of SQLite and what may lie beside it, gone. */
function clear(path: string): void {
  for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${path}${end}`, { force: true });
}

/**
 * A copy that counts as one when it is whole: written under another name, found sound, then named.
 *
 * @param write writes it and says why it is none, or null
 * @param failed how a failure of the disk begins
 */
async function newCopy(
  workshop: Workshop,
  kind: Backup['kind'],
  failed: string,
  write: (path: string) => Promise<Refusal | null>,
): Promise<Outcome<Backup>> {
  const folder = folderOf(workshop);
  if (!folder) return NO_FILE;
  let unfinished = '';
  try {
    mkdirSync(folder, { recursive: true });
    unfinished = join(folder, `${randomUUID()}${UNFINISHED}`);
    const refusal = await write(unfinished);
    if (refusal) return refusal;
    const path = freshPath(folder, kind, workshop.now());
    renameSync(unfinished, path);
    return done(listBackups(workshop).find(({ name }) => path.endsWith(name))!);
  } catch (error) {
    return refuse(`${failed}: ${diskWords(error)}`);
  } finally {
    clear(unfinished);
  }
}

/** Makes a copy while the file is in use, and checks it before it counts as one. */
export const backUp = (workshop: Workshop, kind: Backup['kind'] = 'hand'): Promise<Outcome<Backup>> =>
  newCopy(workshop, kind, 'No copy was made', async (path) => {
    await workshop.database.backup(path);
    const [wrong] = await fileTroubles(path);
    return wrong === undefined ? null : refuse(`The copy is not sound and was thrown away: ${wrong}`);
  });

function diskWords(error: unknown): string {
  const disk = diskTrouble(error);
  if (disk === null) console.error('The copy broke off:', error);
  return `${disk ?? 'it broke off; the terminal where the app runs says more'}.`;
}

const DAY_MS = 86_400_000;

/** A tab that was left open so long does not send again what it sent then, ms. */
const SENT_AGAIN_MS = 90 * DAY_MS;

function forgetWhatWasSent({ database, now }: Pick<Workshop, 'database' | 'now'>): void {
  try {
    forgetSentRequests(database, new Date(now().getTime() - SENT_AGAIN_MS).toISOString());
  } catch (error) {
    // Tomorrow will do.
    if (!isBusy(error)) throw error;
  }
}

/** Makes the copy of the day if there is none yet, and lets those go that the rule does not keep. */
export async function backUpByRule(workshop: Workshop): Promise<Outcome<Backup> | null> {
  const folder = folderOf(workshop);
  if (!folder) return null;
  const daily = () => listBackups(workshop).filter(({ kind }) => kind === 'daily');
  const today = format(workshop.now(), 'yyyy-MM-dd');
  const made = daily().some(({ at }) => format(new Date(at), 'yyyy-MM-dd') === today) ? null : await backUp(workshop, 'daily');
  const kept = new Set(keptBackups(daily().map(({ at }) => Date.parse(at))));
  for (const { name, at } of daily()) if (!kept.has(Date.parse(at))) rmSync(join(folder, name), { force: true });
  if (made?.ok) forgetWhatWasSent(workshop);
  return made;
}

/** The last copy where it is older than the rule allows; none within where an old file has none. Null where all is well. */
export function backupOverdue(workshop: Workshop): { lastAt: string | null } | null {
  const { database, now } = workshop;
  if (database.memory) return null;
  const [last] = listBackups(workshop).filter(({ kind }) => kind !== 'brought');
  const sinceMs = last ? Date.parse(last.at) : statSync(database.name).birthtimeMs;
  return now().getTime() - sinceMs > 2 * DAY_MS ? { lastAt: last?.at ?? null } : null;
}

/** A copy that was looked at beside what stands today. */
export interface LookedAt {
  name: string;
  then: FileFigures;
  today: FileFigures;
}

const MISSING = refuse('This copy is not in the folder any more.');

function pathOf(workshop: Workshop, name: string): string | null {
  const folder = folderOf(workshop);
  if (!folder || !NAME.test(name)) return null;
  const path = join(folder, name);
  return existsSync(path) ? path : null;
}

/** Works on a copy of a copy, so that the one in the folder stays as it is. */
async function withReadyCopy<T>(
  path: string,
  work: (database: Database, copy: string) => Outcome<T> | Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const copy = join(dirname(path), `${randomUUID()}${UNFINISHED}`);
  try {
    await copyFile(path, copy);
    const ready = await readyCopy(copy);
    if (!ready.ok) return refuse(ready.says);
    return await work(ready.database, copy);
  } catch (error) {
    return refuse(`Nothing was changed: ${diskWords(error)}`);
  } finally {
    clear(copy);
  }
}

/** Whether a copy can be put back, and what stands in it beside today. */
export async function lookAtBackup(workshop: Workshop, name: string): Promise<Outcome<LookedAt>> {
  const path = pathOf(workshop, name);
  if (!path) return MISSING;
  return withReadyCopy(path, (copy) => {
    const then = { ...fileFigures(copy), bytes: statSync(/* turbopackIgnore: true */ path).size };
    copy.close();
    return done({ name, then, today: fileFigures(workshop.database) });
  });
}

export interface Restored {
  figures: FileFigures;
  /** The copy of what stood before: one step back. */
  aside: string;
}

/** Puts a copy in the place of what stands today, which is kept aside first. */
export async function restoreBackup(workshop: Workshop, name: string): Promise<Outcome<Restored>> {
  const path = pathOf(workshop, name);
  if (!path) return MISSING;
  return withReadyCopy(path, async (copy, from) => {
    copy.close();
    const aside = await backUp(workshop, 'aside');
    if (!aside.ok)
      return refuse(
        `Nothing was changed. What stands today could not be kept aside: ${aside.kind === 'refused' ? aside.says : ''}`,
      );
    replaceContent(workshop.database, from);
    return done({ figures: fileFigures(workshop.database), aside: aside.value.name });
  });
}

/** The whole workshop as lines of JSON, as it stands at this moment; read from a copy that is thrown away at the end. */
export async function* writtenOut({ database }: Pick<Workshop, 'database'>): AsyncGenerator<string> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-'));
  try {
    const path = join(folder, 'copy.sqlite');
    await database.backup(path);
    const copy = new SQLite(path, { readonly: true });
    try {
      for (const line of workshopLines(copy)) yield `${line}\n`;
    } finally {
      copy.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Takes a file from elsewhere into the folder, as it comes: a copy, or lines of JSON that a copy is made of; it is looked at before it is used. */
export const bringBackup = (workshop: Workshop, file: Readable): Promise<Outcome<Backup>> =>
  newCopy(workshop, 'brought', 'The file was not taken', async (path) => {
    const bytes = await writeAtMost(file, path, MOST_BYTES);
    if (bytes === null) return refuse(`This file is larger than ${MOST_BYTES / 1e9} GB: it is no workshop of this kind.`);
    if (beginsAsLines(path)) {
      const lines = `${path}.lines`;
      renameSync(path, lines);
      const wrong = await fileFromLines(path, createReadStream(lines, 'utf8')).finally(() => clear(lines));
      if (wrong !== null) return refuse(wrong);
    }
    const ready = await withReadyCopy(path, (copy) => (copy.close(), done(null)));
    return ready.ok ? null : ready;
  });

/** Writes a stream to the disk; null where it is longer than so many bytes. */
async function writeAtMost(file: Readable, path: string, most: number): Promise<number | null> {
  let bytes = 0;
  class TooLong extends Error {}
  try {
    await pipeline(
      file,
      async function* (parts: AsyncIterable<Buffer>) {
        for await (const part of parts) {
          bytes += part.length;
          if (bytes > most) throw new TooLong();
          yield part;
        }
      },
      createWriteStream(path),
    );
    return bytes;
  } catch (error) {
    if (error instanceof TooLong) return null;
    throw error;
  }
}

/** A copy as a stream, for keeping elsewhere; null where there is none of that name. */
export function backupStream(workshop: Workshop, name: string): { stream: Readable; bytes: number } | null {
  const path = pathOf(workshop, name);
  return path
    ? { stream: createReadStream(/* turbopackIgnore: true */ path), bytes: statSync(/* turbopackIgnore: true */ path).size }
    : null;
}

export interface FileState {
  /** Where the file lies; null in memory. Other devices are told its name alone. */
  path: string | null;
  figures: FileFigures;
  backups: Backup[];
}

export const fileState = (workshop: Workshop): FileState => ({
  path: workshop.database.memory ? null : workshop.device ? basename(workshop.database.name) : workshop.database.name,
  figures: fileFigures(workshop.database),
  backups: listBackups(workshop),
});

/** Reads the whole file and says what is wrong with it. */
export async function checkFile({ database }: Workshop): Promise<Outcome<{ troubles: string[]; figures: FileFigures }>> {
  const troubles = database.memory ? [] : await fileTroubles(database.name);
  return done({ troubles, figures: fileFigures(database) });
}

/** Makes anew what is worked out from other rows. */
export function rebuildFile({ database }: Workshop): Outcome<null> {
  database.transaction(() => rebuildDerived(database)).immediate();
  return done(null);
}
