'use client';
/*
 * Home: the jobs in the order of what needs hands next, every canvas drawn to one common scale.
 */
import { printed } from '@/core/quantities/printed';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type ReactNode, useEffect, useState } from 'react';
import { format, parseISO } from 'date-fns';
import { PRACTICE } from '@/core/job/practice';
import { type Tape, printSize } from '@/core/units/length';
import type { TakenIn } from '@/server/job/jobWrites';
import type { Compared } from '@/server/write/outcome';
import type { BenchPage, BenchRow, BenchSet } from '@/server/bench/benchPage';
import { clockWords } from '@/ui/Clock';
import { Figure } from '@/ui/drawing/Figure';
import { FileButton } from '@/ui/form/FileButton';
import { typing } from '@/ui/form/typing';
import { useNow } from '@/ui/useNow';
import { useWorkshop } from '@/ui/WorkshopContext';
import { dueWords } from '../job/header/JobHeader';
import { fileText } from '../fileText';
import { TakenInNotice } from '../TakenInNotice';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import { BrokenJob } from './BrokenJob';
import { MiniCanvas } from './MiniCanvas';
import { NewJobDialog } from './NewJobDialog';
import { StageLine } from './StageLine';

/** Room for the drawing of one canvas, px, and the largest canvas it is scaled for. */
const CELL = { width: 120, height: 58 };

interface BenchProps {
  page: BenchPage;
  /** The last copy of the file is older than the rule; none at all where it is null within. */
  overdue: { lastAt: string | null } | null;
  workshop: string;
  nowMs: number;
  /** The day of the maker at work. */
  today: ReactNode;
}

export function Bench({ page, overdue, workshop, nowMs: serverNow, today }: BenchProps) {
  const { rows, broken, show, from } = page;
  const nowMs = useNow(serverNow);
  const [making, setMaking] = useState(false);
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
      <BenchHeader page={page} workshop={workshop} nowMs={nowMs} onNew={() => setMaking(true)} />
      {overdue && (
        <p className="hair-b px-5 py-1.5 text-[14.5px] text-warning">
          {overdue.lastAt ? `The last backup is of ${format(parseISO(overdue.lastAt), 'EEE d MMM')}.` : 'No backup yet.'}{' '}
          <Link href="/file" prefetch={false} className="link">
            Back up now
          </Link>
        </p>
      )}
      <div className="min-h-0 flex-1 overflow-y-auto px-5">
        {today && <div className="-mx-5">{today}</div>}
        {broken
          .filter(({ aside }) => !aside)
          .map((job) => (
            <BrokenJob key={job.id} job={job} />
          ))}
        {page.open + page.finished + broken.length === 0 && <EmptyBench onNew={() => setMaking(true)} />}
        <ul aria-label="Canvases">
          {rows.map((row, index) => (
            <JobRow key={row.id} row={row} scale={scale} nowMs={nowMs} first={show === 'open' && from + index === 0} />
          ))}
        </ul>
        {page.unread > 0 && (
          <p role="status" className="soft py-2 text-[14.5px]">
            {page.unread} canvases are still being looked through; load the page again in a moment.
          </p>
        )}
        <Pages page={page} />
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

/** The other pages of the list, and what is handed over. */
function Pages({ page: { rows, show, from, most, openRows, finished } }: { page: BenchPage }) {
  const all = show === 'open' ? openRows : finished;
  const at = (place: number) => ({ query: { ...(show === 'finished' ? { show } : {}), ...(place > 0 ? { from: place } : {}) } });
  return (
    <nav aria-label="More canvases" className="-ml-3 flex flex-wrap items-center gap-x-2 py-2">
      {from > 0 && (
        <Link prefetch={false} className="btn btn-ghost btn-sm" href={{ pathname: '/', ...at(Math.max(0, from - most)) }}>
          The {Math.min(from, most)} before
        </Link>
      )}
      {from + rows.length < all && (
        <Link prefetch={false} className="btn btn-ghost btn-sm" href={{ pathname: '/', ...at(from + rows.length) }}>
          {all - from - rows.length} more
        </Link>
      )}
      {show === 'finished' ? (
        <Link prefetch={false} className="btn btn-ghost btn-sm" href="/">
          To what is open
        </Link>
      ) : (
        finished > 0 && (
          <Link prefetch={false} className="btn btn-ghost btn-sm" href="/?show=finished">
            Show {finished} handed over
          </Link>
        )
      )}
    </nav>
  );
}

function BenchHeader({ page, workshop, nowMs, onNew }: { page: BenchPage; workshop: string; nowMs: number; onNew: () => void }) {
  const { open, late, minutes } = page;
  return (
    <header className="hair-b flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2.5">
      <h1 className="text-[22px] leading-7 font-semibold" suppressHydrationWarning>
        {format(nowMs, 'EEEE')}: {minutes === 0 ? 'nothing for your hands' : `${printed('handTime', minutes)} for your hands`}
      </h1>
      <p className="figure soft text-[14.5px]">{workshop}</p>
      <p className="figure ml-auto text-[14.5px]">
        {open === 1 ? '1 canvas' : `${open} canvases`} open
        {late > 0 && (
          <>
            , <strong className="text-error">{late} late</strong>
          </>
        )}
      </p>
      <Link className="btn btn-ghost btn-sm h-9" href={`/job/${PRACTICE}`} prefetch={false}>
        Practice canvas
      </Link>
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
  const due = row.dueOn && row.next.state !== 'finished' ? dueWords(row.dueOn, row.slackDays, nowMs, row.standing) : null;
  return (
    <li className="hair-b">
      <Link href={row.set ? `/set/${row.set.id}` : `/job/${row.id}`} prefetch={false} className="bench-row">
        <MiniCanvas row={row} scale={scale} cell={CELL} />
        <span className="min-w-0">
          <span className="line-clamp-2 text-[16px] leading-5 font-semibold">{row.title}</span>
          <span className="figure soft block text-[14px]">
            <Figure>
              {row.set ? setWords(row.set, tape) : `No. ${row.number}, ${printSize(row.widthMm, row.heightMm, tape)}`}
            </Figure>
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
            {row.set && `${row.set.words}. `}
            {row.stop ? (
              <Figure>{`Stop. ${row.stop}`}</Figure>
            ) : clock && (waits || row.next.clock?.stage === 'prime') ? (
              clock.words
            ) : row.next.state === 'finished' ? (
              ''
            ) : (
              `${printed('handTime', row.minutes)} of hands`
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
      {row.set && <SetCanvases set={row.set} />}
    </li>
  );
}

/** "12 canvases, No. 131 to 142, 400 × 300 mm". */
function setWords({ canvases }: BenchSet, tape: Tape): string {
  const sizes = new Set(canvases.map(({ widthMm, heightMm }) => printSize(widthMm, heightMm, tape)));
  const size = sizes.size === 1 ? [...sizes][0]! : `${sizes.size} sizes`;
  return `${canvases.length} canvases, No. ${canvases[0]!.number} to ${canvases.at(-1)!.number}, ${size}`;
}

/** The canvases of a set, each with what is next on it. */
function SetCanvases({ set }: { set: BenchSet }) {
  return (
    <details className="pb-1 sm:pl-[140px]">
      <summary className="soft cursor-pointer text-[13.5px]">each canvas</summary>
      <ul className="figure grid gap-x-6 text-[14px] sm:grid-cols-2 bench:grid-cols-3">
        {set.canvases.map(({ id, number, title, act }) => (
          <li key={id} className="truncate">
            <Link href={`/job/${id}`} prefetch={false} className="link link-hover" aria-label={`${title}, No. ${number}`}>
              {number}
            </Link>{' '}
            <span className="soft">{act}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

function ImportButton() {
  const router = useRouter();
  const send = useSend();
  const [says, setSays] = useState<string | null>(null);
  /** A file whose job is here already. */
  const [twin, setTwin] = useState<{ name: string; text: string; number: number; compared: Compared } | null>(null);
  const [unlike, setUnlike] = useState<TakenIn | null>(null);
  const takeText = async (name: string, text: string, keepBoth: boolean) => {
    setSays(null);
    setTwin(null);
    setUnlike(null);
    const outcome = await send('importJob', { text, keepBoth });
    if (outcome.ok) return outcome.value.unlike.length > 0 ? setUnlike(outcome.value) : router.push(`/job/${outcome.value.id}`);
    setSays(`${name} was not imported. ${refusalWords(outcome)}`);
    if (outcome.kind === 'here') setTwin({ name, text, number: outcome.number, compared: outcome.compared });
  };
  const take = async (file: File) => {
    const read = await fileText(file);
    if (read.ok) return takeText(file.name, read.text, false);
    setTwin(null);
    setSays(read.says);
  };
  return (
    <>
      <FileButton label="Job file" onFile={(file) => void take(file)}>
        Import a job
      </FileButton>
      {says && (
        <p role="alert" className="order-last w-full text-[14px] text-error">
          {says}
          {twin && (
            <button
              type="button"
              className="btn btn-outline btn-sm ml-3 h-9"
              onClick={() => void takeText(twin.name, twin.text, true)}
            >
              Keep both
            </button>
          )}
        </p>
      )}
      {unlike && <TakenInNotice canvas={unlike} href={`/job/${unlike.id}`} />}
      {twin && <Comparison number={twin.number} compared={twin.compared} />}
    </>
  );
}

/** What is here and what the file has, where they are unlike. */
function Comparison({ number, compared: { differs, entries } }: { number: number; compared: Compared }) {
  return (
    <details className="order-last w-full text-[14px]">
      <summary className="cursor-pointer">
        Compare: {differs.length === 0 ? 'what is typed is alike' : `${differs.length} differ`}, {entries.here} entries in the log
        here, {entries.file} in the file
      </summary>
      {differs.length > 0 && (
        <table className="figure mt-1 w-full max-w-3xl">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">field</th>
              <th className="font-normal">No. {number}, here</th>
              <th className="font-normal">in the file</th>
            </tr>
          </thead>
          <tbody>
            {differs.map(({ field, mine, theirs }) => (
              <tr key={field} className="hair-b">
                <td className="py-0.5">{field}</td>
                <td>
                  <Figure>{mine}</Figure>
                </td>
                <td>
                  <Figure>{theirs}</Figure>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </details>
  );
}
