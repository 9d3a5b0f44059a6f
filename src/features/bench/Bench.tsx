'use client';
/*
 * Home: the jobs in the order of what needs hands next, every canvas drawn to one common scale.
 */
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { format, parseISO } from 'date-fns';
import { importJobAction } from '@/server/actions';
import { printDuration } from '@/core/units/duration';
import { printSize } from '@/core/units/length';
import type { BenchRow } from '@/server/workshopCases';
import type { BrokenJob as Broken } from '@/db/jobs';
import { clockWords } from '@/ui/Clock';
import { Figure } from '@/ui/Figure';
import { FileButton } from '@/ui/FileButton';
import { typing } from '@/ui/typing';
import { useNow } from '@/ui/useNow';
import { useWorkshop } from '@/ui/WorkshopContext';
import { dueWords } from '../job/JobHeader';
import { BrokenJob } from './BrokenJob';
import { MiniCanvas } from './MiniCanvas';
import { NewJobDialog } from './NewJobDialog';
import { StageLine } from './StageLine';

/** Room for the drawing of one canvas, px, and the largest canvas it is scaled for. */
const CELL = { width: 120, height: 58 };

interface BenchProps {
  rows: BenchRow[];
  /** Jobs whose rows cannot be read. */
  broken: Broken[];
  workshop: string;
  nowMs: number;
}

export function Bench({ rows, broken, workshop, nowMs: serverNow }: BenchProps) {
  const nowMs = useNow(serverNow);
  const [making, setMaking] = useState(false);
  const [finishedShown, setFinishedShown] = useState(false);
  const open = rows.filter((row) => row.next.state !== 'finished');
  const finished = rows.filter((row) => row.next.state === 'finished').reverse();
  const scale = Math.min(...rows.map((row) => Math.min(CELL.width / row.widthMm, CELL.height / row.heightMm)), 0.2);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key !== 'c' || typing(event) || event.ctrlKey || event.metaKey) return;
      // Else the letter lands in the title that is about to open.
      event.preventDefault();
      setMaking(true);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <BenchHeader open={open} workshop={workshop} nowMs={nowMs} onNew={() => setMaking(true)} />
      <div className="min-h-0 flex-1 overflow-y-auto px-5">
        {broken
          .filter(({ aside }) => !aside)
          .map((job) => (
            <BrokenJob key={job.id} job={job} />
          ))}
        {rows.length + broken.length === 0 && <EmptyBench onNew={() => setMaking(true)} />}
        <ul>
          {open.map((row, index) => (
            <JobRow key={row.id} row={row} scale={scale} nowMs={nowMs} first={index === 0} />
          ))}
        </ul>
        {finished.length > 0 && (
          <button
            type="button"
            className="btn btn-ghost btn-sm my-2 -ml-3"
            aria-expanded={finishedShown}
            onClick={() => setFinishedShown(!finishedShown)}
          >
            {finishedShown ? 'Hide' : 'Show'} {finished.length} handed over
          </button>
        )}
        {broken.some(({ aside }) => aside) && (
          <details className="py-2">
            <summary className="soft cursor-pointer text-[14.5px]">
              {broken.filter(({ aside }) => aside).length} set aside, not readable
            </summary>
            {broken
              .filter(({ aside }) => aside)
              .map((job) => (
                <BrokenJob key={job.id} job={job} />
              ))}
          </details>
        )}
        {finishedShown && (
          <ul>
            {finished.map((row) => (
              <JobRow key={row.id} row={row} scale={scale} nowMs={nowMs} first={false} />
            ))}
          </ul>
        )}
      </div>
      {rows.length > 0 && (
        <p className="soft flex items-center gap-2 px-5 pb-1.5 text-[13px]">
          <span aria-hidden className="inline-block h-2 border-x border-b border-current" style={{ width: 1000 * scale }} />1 m,
          all canvases to one scale
        </p>
      )}
      {making && <NewJobDialog onClose={() => setMaking(false)} />}
    </main>
  );
}

function BenchHeader({ open, workshop, nowMs, onNew }: { open: BenchRow[]; workshop: string; nowMs: number; onNew: () => void }) {
  const ready = open.filter((row) => row.next.state === 'now' && row.stop === null);
  const late = open.filter((row) => row.dueOn !== null && dueWords(row.dueOn, row.slackDays, nowMs).late).length;
  const minutes = ready.reduce((sum, row) => sum + row.minutes, 0);
  return (
    <header className="hair-b flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2.5">
      <h1 className="text-[22px] leading-7 font-semibold" suppressHydrationWarning>
        {format(nowMs, 'EEEE')}: {minutes === 0 ? 'nothing for your hands' : `${printDuration(minutes)} for your hands`}
      </h1>
      <p className="figure soft text-[14.5px]">{workshop}</p>
      <p className="figure ml-auto text-[14.5px]">
        {open.length === 1 ? '1 canvas' : `${open.length} canvases`} open
        {late > 0 && (
          <>
            , <strong className="text-error">{late} late</strong>
          </>
        )}
      </p>
      <ImportButton />
      <button type="button" className="btn btn-primary btn-sm h-9" onClick={onNew}>
        New canvas
      </button>
    </header>
  );
}

function EmptyBench({ onNew }: { onNew: () => void }) {
  return (
    <section className="flex flex-col items-start gap-3 py-14">
      <h2 className="text-[34px] leading-tight font-semibold">Nothing on the bench</h2>
      <p className="soft max-w-prose">
        Say how large the face is; bars, cloth, fasteners, coats and the kit are worked out from it. A job file from another
        workshop can be taken in too.
      </p>
      <button type="button" className="btn btn-primary h-11" onClick={onNew}>
        New canvas
      </button>
    </section>
  );
}

function JobRow({ row, scale, nowMs, first }: { row: BenchRow; scale: number; nowMs: number; first: boolean }) {
  const { tape } = useWorkshop();
  const clock = row.next.clock && clockWords(row.next.clock.readyAt, nowMs);
  const waits = row.next.state === 'waiting' && !clock?.ready;
  const due = row.dueOn && row.next.state !== 'finished' ? dueWords(row.dueOn, row.slackDays, nowMs) : null;
  return (
    <li className="hair-b">
      <Link
        href={`/job/${row.id}`}
        prefetch={false}
        className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-5 gap-y-1 py-1.5 hover:bg-base-200/70 sm:grid-cols-[120px_minmax(0,1.3fr)_192px_minmax(0,1.2fr)_96px_84px]"
      >
        <MiniCanvas row={row} scale={scale} cell={CELL} />
        <span className="min-w-0">
          <span className="line-clamp-2 text-[16px] leading-5 font-semibold">{row.title}</span>
          <span className="figure soft block text-[14px]">
            No. {row.number}, <Figure>{printSize(row.widthMm, row.heightMm, tape)}</Figure>
          </span>
        </span>
        <StageLine row={row} waits={waits} />
        <span className="col-start-1 min-w-0 leading-5 sm:col-auto">
          <span
            className={`block text-[16px] ${row.stop ? 'font-semibold text-error' : waits || row.next.state === 'finished' ? 'soft' : 'font-semibold'}`}
          >
            {row.next.act}
          </span>
          <span className="figure soft line-clamp-2 text-[14px]" suppressHydrationWarning>
            {row.stop ? (
              <Figure>{`Stop. ${row.stop}`}</Figure>
            ) : clock && (waits || row.next.clock?.stage === 'prime') ? (
              clock.words
            ) : row.next.state === 'finished' ? (
              ''
            ) : (
              `${printDuration(row.minutes)} of hands`
            )}
          </span>
        </span>
        <span className="col-start-2 row-start-1 text-right text-[14px] leading-5 sm:col-auto sm:row-auto">
          {due && row.dueOn && (
            <span className="figure block" suppressHydrationWarning>
              <span className={due.late ? 'font-semibold text-error' : ''}>{due.words}</span>
              <span className="soft block">{format(parseISO(row.dueOn), 'EEE d MMM')}</span>
            </span>
          )}
        </span>
        <span
          aria-hidden
          className={`btn btn-sm pointer-events-none hidden h-9 sm:inline-flex ${first ? 'btn-primary' : 'btn-outline border-[var(--hair)]'}`}
        >
          {first ? 'Start' : 'Open'}
        </span>
      </Link>
    </li>
  );
}

function ImportButton() {
  const router = useRouter();
  const [says, setSays] = useState<string | null>(null);
  const take = async (file: File) => {
    const outcome = await importJobAction(await file.text());
    if (outcome.ok) return router.push(`/job/${outcome.value.id}`);
    setSays(
      outcome.kind === 'invalid'
        ? `${file.name} was not taken in. ${outcome.errors
            .slice(0, 4)
            .map((error) => `${error.field}: ${error.says}`)
            .join('; ')}${outcome.errors.length > 4 ? ` and ${outcome.errors.length - 4} more` : ''}.`
        : outcome.kind === 'refused'
          ? `${file.name} was not taken in. ${outcome.says}`
          : null,
    );
  };
  return (
    <>
      <FileButton label="Job file" onFile={(file) => void take(file)}>
        Take in a job file
      </FileButton>
      {says && (
        <p role="alert" className="w-full text-[14px] text-error">
          {says}
        </p>
      )}
    </>
  );
}
