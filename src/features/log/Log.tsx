'use client';
/* Every reading and step of the workshop: searched, sorted, plotted. */
import { printedIn } from '@/core/quantities/printed';
import { type ColumnDef, createColumnHelper, flexRender, getCoreRowModel, useReactTable } from '@tanstack/react-table';
import { format } from 'date-fns';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useMemo, useRef, useState, useTransition } from 'react';
import type { Reading } from '@/core/log/logEntry';
import { type HowKnown, readingWords } from '@/core/log/readingKinds';
import { finerTape, printLength } from '@/core/units/length';
import type { LogPage, LogRow } from '@/server/log/logPage';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { byWords } from '../job/stageWords';
import { ReadingPlot } from './ReadingPlot';
import { type Dot, KINDS, type KindId } from './readingDots';

const column = createColumnHelper<LogRow>();

/** What stands behind a value that nobody measured. */
const KNOWN_WORDS: Record<HowKnown, string> = {
  measured: '',
  device: '',
  felt: ' (felt)',
  simulated: ' (simulated)',
  reckoned: ' (estimated)',
};

interface LogProps {
  page: LogPage;
  plot: KindId;
  dots: Dot[];
}

/** A pause in typing after which the log is asked, ms. */
const PAUSE_MS = 180;

export function Log({ page, plot, dots }: LogProps) {
  const { tape } = useWorkshop();
  const router = useRouter();
  const [search, setSearch] = useState(page.find);
  const [asking, startAsking] = useTransition();
  const { rows, find, order } = page;
  /** What was asked for last: the next question goes on from it, whether or not its answer has come. */
  const asked = useRef({ find, order, plot });
  const go = ({ from = '', ...change }: { from?: string; find?: string; order?: LogPage['order']; plot?: KindId }) => {
    asked.current = { ...asked.current, ...change };
    const said = Object.entries({ ...asked.current, from }).filter(([name, value]) => value !== '' && value !== USUAL[name]);
    startAsking(() => router.replace(`/log?${new URLSearchParams(said)}`, { scroll: false }));
  };
  const ask = () => search.trim() !== asked.current.find && go({ find: search.trim() });
  const askLater = useEffectEvent(ask);
  useEffect(() => {
    const timer = setTimeout(askLater, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [search]);
  const photographs = useMemo(() => new Set(page.photographs), [page.photographs]);
  const columns = useMemo<ColumnDef<LogRow, string>[]>(() => {
    const words = (one: Reading) =>
      `${readingWords(one)} ${one.unit === 'mm' ? printLength(one.value, finerTape(tape)) : printedIn(one.unit, one.value, tape)}${KNOWN_WORDS[one.known]}`;
    return [
      column.accessor('at', { header: 'when', cell: ({ getValue }) => format(new Date(getValue()), 'd MMM yyyy HH:mm') }),
      column.accessor((row) => `No. ${row.jobNumber} ${row.jobTitle}`, {
        id: 'job',
        header: 'job',
        cell: ({ row, getValue }) => (
          <Link prefetch={false} className="link-hover underline-offset-2" href={`/job/${row.original.jobId}`}>
            {getValue()}
          </Link>
        ),
      }),
      column.accessor('stageName', { id: 'stage', header: 'stage' }),
      column.accessor((row) => `${row.did} ${row.note} ${row.reason}`, {
        id: 'did',
        header: 'what was done',
        cell: ({ row: { original } }) => (
          <>
            <span className={original.withdrawn ? 'line-through' : ''}>
              <Figure>{original.did}</Figure>
            </span>
            {original.withdrawn && <span className="text-warning"> undone</span>}
            {original.note && <span className="soft"> “{original.note}”</span>}
            {photographs.has(original.id) && (
              <a
                href={`/api/job/${original.jobId}/photograph/${original.id}`}
                target="_blank"
                rel="noreferrer"
                className="block w-fit"
              >
                {/* eslint-disable-next-line @next/next/no-img-element -- it lies in the workshop’s own file, as large as it is */}
                <img
                  src={`/api/job/${original.jobId}/photograph/${original.id}`}
                  alt={`Photograph of ${original.did}`}
                  loading="lazy"
                  className="mt-1 h-24"
                />
              </a>
            )}
            {original.reason && <span className="soft"> Because: {original.reason}</span>}
          </>
        ),
      }),
      column.accessor((row) => row.readings.map(words).join(', '), {
        id: 'readings',
        header: 'readings',
        cell: ({ getValue }) => <Figure>{getValue()}</Figure>,
      }),
      column.accessor(byWords, { id: 'maker', header: 'by' }),
    ] as ColumnDef<LogRow, string>[];
  }, [tape, photographs]);
  const table = useReactTable({ data: rows, columns, getCoreRowModel: getCoreRowModel() });
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (new URLSearchParams(window.location.search).has('find')) input.current?.focus();
  }, []);
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <header className="hair-b flex flex-wrap items-center gap-4 px-5 py-2.5">
        <h1 className="text-[22px] leading-7 font-semibold">Log</h1>
        <input
          ref={input}
          type="search"
          aria-label="Search the log"
          placeholder="Search: title, stage, reading, maker"
          className="input input-sm h-9 w-80 max-w-full"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          // Left at once: asked before whatever comes next, which then has the last word.
          onBlur={ask}
        />
        <p className="figure soft ml-auto text-[14.5px]" role="status">
          {asking ? 'looking' : countWords(page)}
        </p>
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="region" aria-label="Entries">
        <ReadingPlot plot={plot} dots={dots} onPlot={(kind) => go({ plot: kind })} />
        <table className="figure w-full text-[14px]">
          <thead className="soft sticky top-0 z-10 bg-base-300 text-left text-[13px]">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id} className="hair-b">
                {group.headers.map((header) => {
                  const label = flexRender(header.column.columnDef.header, header.getContext());
                  const sorts = header.column.id === 'at';
                  return (
                    <th
                      key={header.id}
                      className="px-2 py-1 font-normal first:pl-5"
                      aria-sort={sorts ? (order === 'oldest' ? 'ascending' : 'descending') : undefined}
                    >
                      {sorts ? (
                        <button
                          type="button"
                          className="cursor-pointer hover:underline"
                          onClick={() => go({ order: order === 'oldest' ? 'newest' : 'oldest' })}
                        >
                          {label}
                          <span aria-hidden> {order === 'oldest' ? '↑' : '↓'}</span>
                        </button>
                      ) : (
                        label
                      )}
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => (
              <tr key={row.id} className="hair-b align-top">
                {row.getVisibleCells().map((cell) => (
                  <td key={cell.id} className="px-2 py-1.5 first:pl-5 first:whitespace-nowrap">
                    {flexRender(cell.column.columnDef.cell, cell.getContext())}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {rows.length === 0 && (
          <p className="soft px-5 py-6">
            {page.entries === 0
              ? 'Nothing is recorded yet. Every recorded step and reading will stand here.'
              : `Nothing holds “${find}”.`}
          </p>
        )}
        {!(page.first && page.next === null) && (
          <p className="flex items-center gap-3 px-5 py-3">
            <button type="button" className="btn btn-outline btn-sm" disabled={page.first} onClick={() => go({})}>
              {order === 'oldest' ? 'To the oldest' : 'To the newest'}
            </button>
            <button
              type="button"
              className="btn btn-outline btn-sm"
              disabled={page.next === null}
              onClick={() => go({ from: String(page.next) })}
            >
              {order === 'oldest' ? 'Newer' : 'Older'}
            </button>
          </p>
        )}
      </div>
    </main>
  );
}

/** What an address need not say. */
const USUAL: Record<string, string> = { order: 'newest', plot: KINDS[0].id };

function countWords({ find, found, foundMore, entries }: LogPage): string {
  const all = `${entries} ${entries === 1 ? 'entry' : 'entries'}`;
  if (find === '') return all;
  return `${found}${foundMore ? ' or more' : ''} of ${all}`;
}
