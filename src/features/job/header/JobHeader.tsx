'use client';
import { printed } from '@/core/quantities/printed';
import Link from 'next/link';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import { Activity, CopyPlus, Download, Hand, ReceiptText, Split, Undo2 } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { isPractice } from '@/core/job/practice';
import { EDGES, USES, byId } from '@/core/house/schools';
import { type DateStanding, STANDING_WORDS } from '@/core/week/dateVerdicts';
import { printSize } from '@/core/units/length';
import { stageById } from '@/core/stages/stages';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { Filed } from '@/server/set/setPages';
import { AnotherDialog } from './AnotherDialog';
import { DateChanceLine } from '../../week/DateChanceLine';
import type { DraftState, SaveState } from '../draft/jobDraft';
import { isDraftInTab } from '../draft/keptDraft';

const SAVE_WORDS: Record<SaveState, string> = {
  saved: 'saved',
  unsaved: 'typing',
  saving: 'saving',
  failed: 'not saved',
  stale: 'not saved',
};

/**
 * "2 days in hand", "1 day short", "3 days late": what is left once the work and the drying still to come are taken off.
 *
 * @param slackDays days between now and the latest start; null where nothing is left to do
 * @param standing how the plan of the days has it, which knows of the others that want the same hands
 */
export function dueWords(
  dueOn: string,
  slackDays: number | null,
  nowMs: number,
  standing: DateStanding | null = null,
): { words: string; late: boolean } {
  const days = differenceInCalendarDays(parseISO(dueOn), nowMs);
  if (days < 0) return { words: `${printed('days', -days)} late`, late: true };
  if (standing !== null && standing !== 'safe') return { words: STANDING_WORDS[standing], late: standing !== 'tight' };
  if (slackDays !== null && slackDays < 0) return { words: `${printed('days', Math.ceil(-slackDays))} short`, late: true };
  const inHand = slackDays === null ? days : Math.floor(slackDays);
  return { words: inHand < 1 ? 'start today' : `${printed('days', inHand)} in hand`, late: false };
}

export function JobHeader({
  number,
  jobId,
  state,
  told,
  undo,
  nowMs,
  slackDays,
  finished,
  stretched,
  set,
  deleteButton,
}: {
  number: number;
  jobId: string;
  state: DraftState;
  /** What somebody else did just now, or null. */
  told: string | null;
  undo: () => void;
  nowMs: number;
  slackDays: number | null;
  finished: boolean;
  /** The cloth is fastened: its life begins. */
  stretched: boolean;
  /** The set it is one canvas of. */
  set: Filed['set'];
  /** Where the job can be taken out. */
  deleteButton: ReactNode;
}) {
  const { tape, looksOn } = useWorkshop();
  const { brief } = state.inputs;
  const [another, setAnother] = useState(false);
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
        {set && (
          <>
            {' · '}
            <Link href={`/set/${set.id}`} prefetch={false} className="link link-primary">
              one of {set.count}: {set.title}
            </Link>
          </>
        )}
      </p>
      <div className="ml-auto flex flex-wrap items-center gap-x-1 text-[14px] bench:gap-3">
        {brief.dueOn && !finished && due && (
          <span className="figure">
            <span className="soft">wanted {format(parseISO(brief.dueOn), 'EEE d MMM')}, </span>
            <DateChanceLine
              jobId={jobId}
              revision={state.revision}
              fallback={<strong className={due.late ? 'text-error' : 'text-success'}>{due.words}</strong>}
            />
          </span>
        )}
        <span
          role="status"
          data-testid="save-state"
          className={`min-w-14 text-right ${state.save === 'failed' || state.save === 'stale' ? 'font-semibold text-error' : 'soft'}`}
        >
          {looksOn && state.save === 'saved' ? 'only ticks are kept' : SAVE_WORDS[state.save]}
        </span>
        <button
          type="button"
          className="btn btn-ghost btn-sm px-1.5 bench:px-2"
          disabled={!state.canUndo}
          onClick={undo}
          aria-label="Undo"
          title="Undo (Ctrl Z)"
        >
          <Undo2 aria-hidden className="size-4" />
        </button>
        <Link
          className="btn btn-ghost btn-sm px-1.5 bench:px-2"
          href={`/job/${jobId}/bench`}
          prefetch={false}
          aria-label="At the bench"
          title="At the bench (h)"
        >
          <Hand aria-hidden className="size-4" />
        </Link>
        <Link
          className="btn btn-ghost btn-sm px-1.5 bench:px-2"
          href={`/job/${jobId}/cost`}
          prefetch={false}
          aria-label="What it costs"
          title="What it costs"
        >
          <ReceiptText aria-hidden className="size-4" />
        </Link>
        {!isPractice(jobId) && stretched && (
          <Link
            className="btn btn-ghost btn-sm px-1.5 bench:px-2"
            href={`/job/${jobId}/life`}
            prefetch={false}
            aria-label="Its life"
            title="Its life: readings through the years, where it hangs"
          >
            <Activity aria-hidden className="size-4" />
          </Link>
        )}
        {!isPractice(jobId) && (
          <Link
            className="btn btn-ghost btn-sm px-1.5 bench:px-2"
            href={`/job/${jobId}/whatif`}
            prefetch={false}
            aria-label="What if"
            title="What if: other make-ups beside this one"
          >
            <Split aria-hidden className="size-4" />
          </Link>
        )}
        {!isPractice(jobId) && (
          <button
            type="button"
            className="btn btn-ghost btn-sm px-1.5 bench:px-2"
            onClick={() => setAnother(true)}
            aria-label="Another like this"
            title="Another like this"
          >
            <CopyPlus aria-hidden className="size-4" />
          </button>
        )}
        <a
          className="btn btn-ghost btn-sm px-1.5 bench:px-2"
          href={`/api/job/${jobId}`}
          download
          aria-label="Export the job as JSON"
          title="Export the job as JSON"
        >
          <Download aria-hidden className="size-4" />
        </a>
        {deleteButton}
      </div>
      {(told !== null || state.merged.length > 0) && (
        <p role="status" className="w-full text-[14px]" data-testid="job-news">
          {told}
          {state.merged.length > 0 && (
            <>
              {told && '. '}
              {state.merged.map((id) => stageById(id).name).join(', ')}: changed elsewhere meanwhile; the changes are in. What you
              typed stands.
            </>
          )}
        </p>
      )}
      {state.yielded.length > 0 && (
        <p role="status" className="w-full text-[14px] text-warning">
          {state.yielded.map((id) => stageById(id).name).join(', ')}: recorded elsewhere meanwhile, and stands as recorded. What
          you typed for the rest is saved.
        </p>
      )}
      {state.says && (
        <p role="alert" className="w-full text-[14px] text-error">
          {state.says}
          {state.away && isDraftInTab(jobId) && ' This browser has no room to keep it: leave this tab open until then.'}
        </p>
      )}
      {another && <AnotherDialog jobId={jobId} title={brief.title} onClose={() => setAnother(false)} />}
    </header>
  );
}
