'use client';
/* Every reading and step of the workshop: searched, sorted, plotted. */
import {
  type ColumnDef,
  type SortingState,
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getPaginationRowModel,
  getSortedRowModel,
  useReactTable,
} from '@tanstack/react-table';
import { format } from 'date-fns';
import Link from 'next/link';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { Reading } from '@/core/log/logEntry';
import { type HowKnown, readingWords } from '@/core/log/readingKinds';
import { stageById } from '@/core/stages/stages';
import { printQuantity } from '@/core/units/quantity';
import { finerTape, printLength } from '@/core/units/length';
import type { LogRow } from '@/server/workshopCases';
import { Figure } from '@/ui/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { ReadingPlot } from './ReadingPlot';

const column = createColumnHelper<LogRow>();

/** What stands behind a value that nobody measured. */
const KNOWN_WORDS: Record<HowKnown, string> = {
  measured: '',
  device: '',
  felt: ' (felt)',
  simulated: ' (simulated)',
  reckoned: ' (reckoned)',
};

export function Log({ rows }: { rows: LogRow[] }) {
  const { tape } = useWorkshop();
  const [search, setSearch] = useState('');
  const [sorting, setSorting] = useState<SortingState>([{ id: 'at', desc: true }]);
  const filter = useDeferredValue(search);
  const columns = useMemo<ColumnDef<LogRow, string>[]>(() => {
    const words = (one: Reading) =>
      `${readingWords(one)} ${one.unit === 'mm' ? printLength(one.value, finerTape(tape)) : printQuantity(one.value, one.unit, tape)}${KNOWN_WORDS[one.known]}`;
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
      column.accessor((row) => stageById(row.stage).name, { id: 'stage', header: 'stage' }),
      column.accessor((row) => `${row.did} ${row.note} ${row.reason}`, {
        id: 'did',
        header: 'what was done',
        cell: ({ row: { original } }) => (
          <>
            <span className={original.withdrawn ? 'line-through' : ''}>
              <Figure>{original.did}</Figure>
            </span>
            {original.withdrawn && <span className="text-warning"> taken back</span>}
            {original.note && <span className="soft"> “{original.note}”</span>}
            {original.reason && <span className="soft"> Because: {original.reason}</span>}
          </>
        ),
      }),
      column.accessor((row) => row.readings.map(words).join(', '), {
        id: 'readings',
        header: 'readings',
        enableSorting: false,
        cell: ({ getValue }) => <Figure>{getValue()}</Figure>,
      }),
      column.accessor('maker', { header: 'by' }),
    ] as ColumnDef<LogRow, string>[];
  }, [tape]);
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting, globalFilter: filter },
    onSortingChange: setSorting,
    enableSortingRemoval: false,
    globalFilterFn: 'includesString',
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getPaginationRowModel: getPaginationRowModel(),
    initialState: { pagination: { pageSize: 60 } },
  });
  const found = table.getFilteredRowModel().rows;
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (new URLSearchParams(window.location.search).has('find')) input.current?.focus();
  }, []);
  const { pageIndex } = table.getState().pagination;
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
        />
        <p className="figure soft ml-auto text-[14.5px]" role="status">
          {found.length} of {rows.length} entries
        </p>
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="region" aria-label="Entries">
        <ReadingPlot rows={found.map((row) => row.original)} />
        <table className="figure w-full text-[14px]">
          <thead className="soft sticky top-0 z-10 bg-base-300 text-left text-[13px]">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id} className="hair-b">
                {group.headers.map((header) => {
                  const sorted = header.column.getIsSorted();
                  const label = flexRender(header.column.columnDef.header, header.getContext());
                  return (
                    <th
                      key={header.id}
                      className="px-2 py-1 font-normal first:pl-5"
                      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
                    >
                      {header.column.getCanSort() ? (
                        <button
                          type="button"
                          className="cursor-pointer hover:underline"
                          onClick={header.column.getToggleSortingHandler()}
                        >
                          {label}
                          <span aria-hidden> {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}</span>
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
        {found.length === 0 && (
          <p className="soft px-5 py-6">
            {rows.length === 0
              ? 'Nothing is recorded yet. Every recorded step and reading will stand here.'
              : `Nothing holds “${search}”.`}
          </p>
        )}
        {table.getPageCount() > 1 && (
          <p className="flex items-center gap-3 px-5 py-3">
            <button
              type="button"
              className="btn btn-outline btn-sm"
              disabled={!table.getCanPreviousPage()}
              onClick={() => table.previousPage()}
            >
              Newer
            </button>
            <span className="figure soft">
              page {pageIndex + 1} of {table.getPageCount()}
            </span>
            <button
              type="button"
              className="btn btn-outline btn-sm"
              disabled={!table.getCanNextPage()}
              onClick={() => table.nextPage()}
            >
              Older
            </button>
          </p>
        )}
      </div>
    </main>
  );
}
