'use client';
import { useEffect, useRef } from 'react';
import { type StageId, stageActs } from '@/core/stages/stages';
import { Figure } from '@/ui/drawing/Figure';

export type StageMark = 'done' | 'now' | 'waiting' | 'stopped' | 'later';

interface StageRunProps {
  /** The stages of this work, in their order. */
  run: readonly StageId[];
  painted: boolean;
  open: StageId;
  marks: Record<StageId, StageMark>;
  notes: Record<StageId, string>;
  onOpen: (id: StageId) => void;
}

const MARK_WORDS: Record<StageMark, string> = {
  done: 'done',
  now: 'next',
  waiting: 'waits',
  stopped: 'stopped',
  later: 'to come',
};

/** The run of the work: a chalk line struck from stage to stage as far as the work has come. */
export function StageRun({ run, painted, open, marks, notes, onOpen }: StageRunProps) {
  const strip = useRef<HTMLElement>(null);
  // On a narrow screen the run is longer than the screen: the open stage is kept in sight.
  useEffect(() => {
    const nav = strip.current;
    const step = nav?.querySelector<HTMLElement>('[aria-current=step]');
    if (nav && step && nav.scrollWidth > nav.clientWidth)
      nav.scrollLeft = step.offsetLeft + step.parentElement!.offsetLeft - (nav.clientWidth - step.offsetWidth) / 2;
  }, [open]);
  return (
    <nav
      ref={strip}
      aria-label="Stages"
      className="no-print order-1 flex overflow-x-auto bench:order-none bench:block bench:overflow-visible bench:py-3"
    >
      <ol className="flex bench:block">
        {run.map((id, index) => (
          <li key={id} className="relative shrink-0">
            {index < run.length - 1 && (
              <span
                aria-hidden
                className={`absolute top-9 left-[27px] hidden h-[62px] bench:block ${marks[id] === 'done' ? 'w-[3px] bg-primary' : 'w-px translate-x-px bg-[var(--soft)]'}`}
              />
            )}
            <button
              type="button"
              aria-current={open === id ? 'step' : undefined}
              onClick={() => onOpen(id)}
              className={`flex h-14 w-full min-w-24 cursor-pointer items-start gap-3 px-3 py-2 text-left bench:h-[74px] bench:px-4 bench:py-4 ${open === id ? 'bg-base-200' : 'hover:bg-base-200/60'}`}
            >
              <Box mark={marks[id]} />
              <span className="min-w-0 leading-tight">
                <span
                  className={`block text-[15px] ${open === id ? 'font-semibold text-primary' : marks[id] === 'later' ? '' : 'font-semibold'}`}
                >
                  {stageActs(id, painted).name}
                </span>
                <span className="sr-only">{MARK_WORDS[marks[id]]}</span>
                <span className="figure soft line-clamp-2 text-[13px]">
                  <Figure>{notes[id]}</Figure>
                </span>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </nav>
  );
}

function Box({ mark }: { mark: StageMark }) {
  const colour = { done: 'text-primary', now: 'text-primary', waiting: 'text-warning', stopped: 'text-error', later: 'soft' }[
    mark
  ];
  return (
    <svg viewBox="0 0 24 24" className={`relative mt-px size-6 shrink-0 ${colour}`} aria-hidden>
      {mark === 'later' ? (
        <path d="M8 12h8" stroke="currentColor" strokeWidth="3" />
      ) : (
        <rect
          x="5"
          y="5"
          width="14"
          height="14"
          fill={mark === 'done' ? 'currentColor' : 'var(--color-base-100)'}
          stroke="currentColor"
          strokeWidth="3"
        />
      )}
      {mark === 'done' && <path d="M8.5 12.5l2.5 2.5 5-6" fill="none" stroke="var(--color-primary-content)" strokeWidth="2" />}
      {mark === 'waiting' && <path d="M12 8.5V12l2.5 2" fill="none" stroke="currentColor" strokeWidth="2" />}
      {mark === 'stopped' && <path d="M9 9l6 6M15 9l-6 6" stroke="currentColor" strokeWidth="2" />}
    </svg>
  );
}
