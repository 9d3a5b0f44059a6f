'use client';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import { Download, Undo2 } from 'lucide-react';
import { EDGES, USES, byId } from '@/core/house/schools';
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

const countDays = (days: number) => `${days} day${days === 1 ? '' : 's'}`;

/**
 * "2 days in hand", "1 day short", "3 days late": what is left once the work and the drying still to come are taken off.
 *
 * @param slackDays days between now and the latest start; null where nothing is left to do
 */
export function dueWords(dueOn: string, slackDays: number | null, nowMs: number): { words: string; late: boolean } {
  const days = differenceInCalendarDays(parseISO(dueOn), nowMs);
  if (days < 0) return { words: `${countDays(-days)} late`, late: true };
  if (slackDays !== null && slackDays < 0) return { words: `${countDays(Math.ceil(-slackDays))} short`, late: true };
  const inHand = slackDays === null ? days : Math.floor(slackDays);
  return { words: inHand < 1 ? 'start today' : `${countDays(inHand)} in hand`, late: false };
}

export function JobHeader({
  number,
  jobId,
  state,
  undo,
  nowMs,
  slackDays,
  finished,
}: {
  number: number;
  jobId: string;
  state: DraftState;
  undo: () => void;
  nowMs: number;
  slackDays: number | null;
  finished: boolean;
}) {
  const { tape } = useWorkshop();
  const { brief } = state.inputs;
  const due = brief.dueOn ? dueWords(brief.dueOn, slackDays, nowMs) : null;
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
      <div className="ml-auto flex flex-wrap items-center gap-x-1 text-[14px] bench:gap-3">
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
