'use client';
/* The workshop’s file as a whole: what lies in it, whether it is sound, its copies, and how one of them is put back. */
import Link from 'next/link';
import { format } from 'date-fns';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { fileAction } from '@/server/actions';
import type { Backup, FileState, LookedAt } from '@/server/file/backups';
import type { Outcome } from '@/server/write/outcome';
import { FileButton } from '@/ui/form/FileButton';
import { refusalWords } from '../refusalWords';
import { sendPatiently } from '../sender';
import { Lists } from './Lists';
import { RestoreDialog } from './RestoreDialog';
import { printFileSize } from '@/core/units/fileSize';

const KIND_WORDS: Record<Backup['kind'], string> = {
  daily: 'automatic',
  hand: 'made by hand',
  aside: 'kept before another was restored',
  brought: 'brought from elsewhere',
};

const when = (iso: string) => format(new Date(iso), 'EEE d MMM yyyy, HH:mm');

interface Told {
  says: string;
  bad: boolean;
}

export function FilePage({ state: { path, figures, backups } }: { state: FileState }) {
  const router = useRouter();
  const [busy, setBusy] = useState<string | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const [looked, setLooked] = useState<LookedAt | null>(null);
  const last = backups.find(({ kind }) => kind !== 'brought');

  /** Does one thing with the file, says what came of it, and shows the file anew. */
  const act = async <T,>(what: string, ask: () => Promise<Outcome<T>>, then: (value: T) => string | null) => {
    setBusy(what);
    setTold(null);
    try {
      const outcome = await sendPatiently(ask);
      const says = outcome.ok ? then(outcome.value) : refusalWords(outcome);
      setTold(says === null ? null : { says, bad: !outcome.ok });
      router.refresh();
    } catch {
      setTold({ says: 'The server does not answer. Nothing was changed.', bad: true });
    } finally {
      setBusy(null);
    }
  };
  const bring = (file: File) =>
    act(
      'bringing',
      async () => {
        const answer = await fetch('/api/file/brought', { method: 'POST', body: file });
        return (await answer.json()) as Outcome<Backup>;
      },
      ({ name }) => `${file.name} has no errors and is among the backups as ${name}. Nothing is restored yet.`,
    );
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <header className="hair-b flex flex-wrap items-baseline gap-x-6 gap-y-1 px-5 py-2.5">
        <h1 className="text-[22px] leading-7 font-semibold">The workshop’s file</h1>
        <p className="figure soft text-[14.5px] break-all">{path ?? 'in memory alone: nothing is kept when the app is closed'}</p>
      </header>
      <section aria-label="What lies in it" className="px-5 py-3">
        <p className="figure text-[17px]">
          <strong>{printFileSize(figures.bytes)}</strong>, {figures.jobs} canvases, {figures.entries} entries with{' '}
          {figures.readings} readings{figures.recordings > 0 && ` and ${figures.recordings} sounds`}
          {figures.lastAt && <span className="soft">, last changed {when(figures.lastAt)}</span>}
        </p>
        <p className={`figure text-[17px] ${last ? '' : 'text-warning'}`}>
          {last ? `Last backup ${when(last.at)}` : 'No backup yet.'}
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-primary h-11"
            disabled={busy !== null || path === null}
            onClick={() =>
              void act(
                'copying',
                () => fileAction('backUp', {}),
                ({ name, bytes }) => `Copied and checked: ${name}, ${printFileSize(bytes)}.`,
              )
            }
          >
            Back up now
          </button>
          <button
            type="button"
            className="btn btn-outline h-11"
            disabled={busy !== null}
            onClick={() =>
              void act(
                'checking',
                () => fileAction('checkFile', {}),
                ({ troubles }) =>
                  troubles.length === 0 ? 'No errors found: every page, row and link was read.' : troubles.join(' '),
              )
            }
          >
            Check the file
          </button>
          <a className="btn btn-outline h-11" href="/api/file/workshop" download>
            Export the whole workshop
          </a>
          <Link className="btn btn-outline h-11" href="/network" prefetch={false}>
            Other devices in the house
          </Link>
          <button
            type="button"
            className="btn btn-ghost h-11"
            disabled={busy !== null}
            onClick={() =>
              void act(
                'making the lists anew',
                () => fileAction('rebuildFile', {}),
                () => 'The lists and the search are being made anew from the records.',
              )
            }
          >
            Rebuild lists and search
          </button>
        </div>
        <p
          role={told?.bad ? 'alert' : 'status'}
          className={`mt-2 min-h-5 text-[14.5px] ${told?.bad ? 'text-error' : 'text-success'}`}
        >
          {busy ? `${busy}…` : told?.says}
        </p>
      </section>
      <section aria-label="Backups" className="px-5 pb-6">
        <div className="flex flex-wrap items-center gap-3">
          <h2 className="text-[17px] font-semibold">Backups</h2>
          <p className="soft text-[14px]">
            One a day by itself; seven days, five weeks and twelve months of them are kept, those made by hand always. Keep one on
            another disk too.
          </p>
          <span className="ml-auto">
            <FileButton label="A backup file" accept=".sqlite,.db,.jsonl" onFile={(file) => void bring(file)}>
              Add a backup file
            </FileButton>
          </span>
        </div>
        {backups.length === 0 ? (
          <p className="soft py-3 text-[15px]">None yet.</p>
        ) : (
          <ul className="figure mt-1 text-[15px]">
            {backups.map((backup) => (
              <li key={backup.name} className="hair-b flex flex-wrap items-center gap-x-5 gap-y-1 py-1.5">
                <span className="w-56">{when(backup.at)}</span>
                <span className="w-20 text-right">{printFileSize(backup.bytes)}</span>
                <span className="soft min-w-0 flex-1">{KIND_WORDS[backup.kind]}</span>
                <a className="btn btn-ghost btn-sm h-9" href={`/api/file/copy/${backup.name}`} download>
                  Download
                </a>
                <button
                  type="button"
                  className="btn btn-outline btn-sm h-9"
                  disabled={busy !== null}
                  onClick={() =>
                    void act(
                      'looking at it',
                      () => fileAction('lookAtBackup', { name: backup.name }),
                      (value) => (setLooked(value), null),
                    )
                  }
                >
                  Restore…
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
      <Lists />
      {looked && (
        <RestoreDialog
          looked={looked}
          onClose={() => setLooked(null)}
          onRestore={() => {
            setLooked(null);
            void act(
              'putting it back',
              () => fileAction('restoreBackup', { name: looked.name }),
              ({ figures: now, aside }) =>
                `Restored: ${now.jobs} canvases, ${now.entries} entries. What stood before is kept aside as ${aside}.`,
            );
          }}
        />
      )}
    </main>
  );
}
