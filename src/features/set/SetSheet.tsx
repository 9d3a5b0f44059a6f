'use client';
/* The sheet of one stage: a row for each canvas, what is measured on it, what is judged of it, and whether it is recorded now. */
import { typedReading } from '@/core/stages/square/squareInputs';
import { format } from 'date-fns';
import Link from 'next/link';
import type { KeyboardEvent } from 'react';
import { FEELS } from '@/core/tension/feel';
import { type Verdict, worstLevel } from '@/core/job/verdict';
import type { SetCanvas, SetPage } from '@/server/set/setPages';
import { clockWords } from '@/ui/Clock';
import { NumberField, ReadingField } from '@/ui/form/fields';
import { Figure } from '@/ui/drawing/Figure';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import type { MeasuredRows } from './useMeasured';

const WORDS = { good: 'Good', watch: 'Watch', stop: 'Stop' } as const;
const INKS = { good: 'text-success', watch: 'text-warning', stop: 'text-error' } as const;

/** The gravest of a row’s verdicts; what rests on a measure before what is only said. */
export const gravest = (verdicts: readonly Verdict[]): Verdict | null => {
  const level = worstLevel(verdicts);
  const worst = verdicts.filter((one) => one.level === level);
  return worst.find((one) => one.measured !== null) ?? worst[0] ?? null;
};

/** Columns of a row on a narrow screen, by how many are measured. */
const NARROW: Record<number, string> = {
  0: 'grid-cols-[2.25rem_1fr]',
  1: 'grid-cols-[2.25rem_3.5rem_1fr]',
  3: 'grid-cols-[2.25rem_3rem_1fr_1fr_5rem]',
};

/** It can be recorded now, waiting or not. */
const canTick = ({ sheet, archived }: SetCanvas): boolean => sheet.state !== 'recorded' && sheet.state !== 'early' && !archived;

interface SetSheetProps {
  page: SetPage;
  rows: MeasuredRows;
  ticked: ReadonlySet<string>;
  onTick: (jobIds: readonly string[], ticked: boolean) => void;
  nowMs: number;
}

export function SetSheet({ page: { stage, canvases }, rows, ticked, onTick, nowMs }: SetSheetProps) {
  const say = useSideWords();
  const free = canvases.filter(canTick);
  const square = stage === 'square';
  const columns = square
    ? ['top left down', 'bottom left up', 'lift']
    : stage === 'tune'
      ? ['feel']
      : stage === 'handover'
        ? ['on the scale']
        : [];
  // On a narrow screen what is judged stands under the fields of its row.
  const narrow = `grid bench:table-row ${NARROW[columns.length]}`;
  return (
    <table role="table" className="figure block w-full text-[14.5px] bench:[display:table]" onKeyDown={goOn}>
      <caption className="sr-only">Sheet of this stage, a row for each canvas. Enter goes on to the next field.</caption>
      <thead role="rowgroup" className="soft block text-left text-[13px] bench:table-header-group">
        <tr role="row" className={`hair-b ${narrow}`}>
          <th role="columnheader" className="w-9 font-normal">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              aria-label="Record all that can be"
              disabled={free.length === 0}
              checked={free.length > 0 && free.every(({ jobId }) => ticked.has(jobId))}
              onChange={(event) =>
                onTick(
                  free.map(({ jobId }) => jobId),
                  event.target.checked,
                )
              }
            />
          </th>
          <th role="columnheader" className="w-14 font-normal">
            canvas
          </th>
          {columns.map((name) => (
            <th role="columnheader" key={name} className={`${name === 'lift' ? 'w-24' : 'w-30'} font-normal`}>
              {name}
            </th>
          ))}
          <th role="columnheader" className="hidden font-normal bench:table-cell">
            what is judged, seen from the back
          </th>
        </tr>
      </thead>
      <tbody role="rowgroup" className="block bench:table-row-group">
        {canvases.map((canvas) => {
          const { jobId, number, sheet } = canvas;
          const measured = rows.of(canvas);
          const set = (patch: Partial<typeof measured>) => rows.change(canvas, patch);
          const locked = sheet.state === 'recorded' || canvas.archived;
          return (
            <tr role="row" key={jobId} className={`hair-b align-top ${narrow}`}>
              <td role="cell" className="py-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm checkbox-primary"
                  aria-label={`Record No. ${number}`}
                  disabled={!canTick(canvas)}
                  checked={ticked.has(jobId)}
                  onChange={(event) => onTick([jobId], event.target.checked)}
                />
              </td>
              <td role="cell" className="py-1.5">
                <Link href={`/job/${jobId}`} prefetch={false} className="link link-hover leading-6 font-semibold">
                  {number}
                </Link>
              </td>
              {square &&
                ([say.seen('down'), say.seen('up'), 'lift'] as const).map((name, place) => (
                  <td role="cell" key={name} className="py-1 pr-3">
                    <ReadingField
                      label={`No. ${number}, ${columns[place]}`}
                      of={typedReading(name)}
                      hideLabel
                      value={measured[name]}
                      disabled={locked}
                      onChange={(value) => set({ [name]: value })}
                    />
                  </td>
                ))}
              {stage === 'tune' && (
                <td role="cell" className="py-1 pr-3">
                  <select
                    className="select select-sm h-9 w-full"
                    aria-label={`No. ${number}, feel`}
                    value={measured.feel ?? ''}
                    disabled={canvas.archived}
                    onChange={(event) => set({ feel: FEELS.find(({ id }) => id === event.target.value)?.id ?? null })}
                  >
                    <option value="">not felt</option>
                    {FEELS.map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </select>
                </td>
              )}
              {stage === 'handover' && (
                <td role="cell" className="py-1 pr-3">
                  <NumberField
                    label={`No. ${number}, weight`}
                    of="mass"
                    hideLabel
                    value={measured.weighedKg}
                    disabled={locked}
                    onChange={(weighedKg) => set({ weighedKg })}
                    onClear={() => set({ weighedKg: null })}
                  />
                </td>
              )}
              <td role="cell" className="col-span-full pb-1.5 leading-5 bench:py-1.5">
                <Judged canvas={canvas} trouble={rows.trouble(jobId)} onDiscard={() => rows.discard(jobId)} />
                <Stands canvas={canvas} nowMs={nowMs} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface JudgedProps {
  canvas: SetCanvas;
  trouble: string | null;
  onDiscard: () => void;
}

function Judged({ canvas: { sheet, departs }, trouble, onDiscard }: JudgedProps) {
  const worst = gravest(sheet.verdicts);
  if (trouble !== null)
    return (
      <span role="alert" className="text-error">
        {trouble}{' '}
        <button type="button" className="link" onClick={onDiscard}>
          Discard what was typed
        </button>
      </span>
    );
  return (
    <>
      {worst && (
        <span data-level={worst.level}>
          <span className={`font-semibold ${INKS[worst.level]}`}>{WORDS[worst.level]}.</span> <Figure>{worst.says}</Figure>
        </span>
      )}
      {departs.length > 0 && <span className="block text-[13px] text-warning">differs from the set: {departs.length}</span>}
    </>
  );
}

/** When and by whom it was recorded, or what it waits for; nothing where it can be recorded now. */
function Stands({ canvas: { sheet, next, archived }, nowMs }: { canvas: SetCanvas; nowMs: number }) {
  const { record, state, why } = sheet;
  const when = record && `${format(new Date(record.at), 'EEE d MMM HH:mm')}, ${record.maker}`;
  const clock = state === 'waiting' && next.clock ? clockWords(next.clock.readyAt, nowMs).words : null;
  const words = archived
    ? 'archived'
    : state === 'recorded'
      ? `recorded ${when}`
      : (clock ?? (why || (record && `${record.did}, ${when}`)));
  return (
    words && (
      <span className={`block text-[13px] ${clock ? 'text-warning' : 'soft'}`} suppressHydrationWarning>
        {words}
      </span>
    )
  );
}

/** Enter goes on frame by frame; arrows go down and up a column. */
function goOn(event: KeyboardEvent<HTMLTableElement>): void {
  const field = event.target as HTMLElement;
  const row = field.closest('tr');
  if (
    !row ||
    !['Enter', 'ArrowDown', 'ArrowUp'].includes(event.key) ||
    !(field instanceof HTMLInputElement) ||
    field.type !== 'text'
  )
    return;
  const fields = (of: Element) => [...of.querySelectorAll<HTMLInputElement>('input[type=text]:not(:disabled)')];
  const all = fields(event.currentTarget);
  const beside = event.key === 'ArrowUp' ? row.previousElementSibling : row.nextElementSibling;
  const goal = event.key === 'Enter' ? all[all.indexOf(field) + 1] : beside && fields(beside)[fields(row).indexOf(field)];
  event.preventDefault();
  goal?.focus();
  goal?.select();
}
