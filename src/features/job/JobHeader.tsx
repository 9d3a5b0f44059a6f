'use client';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import { Download, Undo2 } from 'lucide-react';
import { EDGES, USES, byId } from '@/core/job/schools';
import { printSize } from '@/core/units/length';
import { Figure } from '@/ui/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { DraftState, SaveState } from './jobDraft';

const SAVE_WORDS: Record<SaveState, string> = {
  saved: 'saved',
  unsaved: 'typing',
  saving: 'saving',
  failed: 'not saved',
  stale: 'not saved',
};

/** "2 days in hand", "3 days late". */
export function dueWords(dueOn: string, nowMs: number): { words: string; late: boolean } {
  const days = differenceInCalendarDays(parseISO(dueOn), nowMs);
  const count = `${Math.abs(days)} day${Math.abs(days) === 1 ? '' : 's'}`;
  if (days === 0) return { words: 'today', late: false };
  return days > 0 ? { words: `${count} in hand`, late: false } : { words: `${count} late`, late: true };
}

export function JobHeader({
  number,
  jobId,
  state,
  undo,
  nowMs,
  finished,
}: {
  number: number;
  jobId: string;
  state: DraftState;
  undo: () => void;
  nowMs: number;
  finished: boolean;
}) {
  const { tape } = useWorkshop();
  const { brief } = state.inputs;
  const due = brief.dueOn ? dueWords(brief.dueOn, nowMs) : null;
  return (
    <header className="hair-b flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2.5">
      <h1
        className="line-clamp-2 min-w-0 text-[22px] leading-7 font-semibold bench:line-clamp-1 bench:max-w-[46%]"
        title={brief.title}
      >
        {brief.title}
      </h1>
      <p className="figure soft text-[14.5px]">
        No. {number} · <Figure>{printSize(brief.width.mm, brief.height.mm, tape)}</Figure> ·{' '}
        {byId(USES, brief.use).name.toLowerCase()}, {byId(EDGES, brief.edges).name.toLowerCase()}
      </p>
      <div className="ml-auto flex flex-wrap items-center gap-3 text-[14px]">
        {brief.dueOn && !finished && due && (
          <span className="figure">
            <span className="soft">wanted {format(parseISO(brief.dueOn), 'EEE d MMM')}, </span>
            <strong className={due.late ? 'text-error' : 'text-success'}>{due.words}</strong>
          </span>
        )}
        <span
          role="status"
          data-testid="save-state"
          className={`min-w-14 text-right ${state.save === 'failed' || state.save === 'stale' ? 'font-semibold text-error' : 'soft'}`}
        >
          {SAVE_WORDS[state.save]}
        </span>
        <button
          type="button"
          className="btn btn-ghost btn-sm px-2"
          disabled={!state.canUndo}
          onClick={undo}
          aria-label="Undo"
          title="Undo (Ctrl Z)"
        >
          <Undo2 aria-hidden className="size-4" />
        </button>
        <a
          className="btn btn-ghost btn-sm px-2"
          href={`/api/job/${jobId}`}
          download
          aria-label="Export the job as JSON"
          title="Export the job as JSON"
        >
          <Download aria-hidden className="size-4" />
        </a>
      </div>
      {state.says && (
        <p role="alert" className="w-full text-[14px] text-error">
          {state.says}
        </p>
      )}
    </header>
  );
}
