'use client';
/* A maker’s day at the bench: one piece of work at a time, opened where it stands. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { clockOfStep } from '@/core/schedule/workCalendar';
import { dayWords } from '@/core/week/dateVerdicts';
import type { TodayView } from '@/server/week/today';
import { MakerSelect } from '@/ui/form/MakerSelect';
import { useWorkshop } from '@/ui/WorkshopContext';
import { StepHead } from './StepHead';
import { useBenchKeys } from './useBenchKeys';

export function TodayBench({ view, nowMs }: { view: TodayView; nowMs: number }) {
  const router = useRouter();
  const { maker } = useWorkshop();
  const [at, setAt] = useState(0);
  const day = view.days.find((one) => one.maker === maker);
  const tasks = day?.tasks ?? [];
  const index = Math.min(at, Math.max(0, tasks.length - 1));
  const task = tasks[index];
  const next = () => setAt(Math.min(tasks.length - 1, index + 1));
  const back = () => setAt(Math.max(0, index - 1));
  const open = () => task && router.push(`/job/${task.jobId}/bench?stage=${task.stage}&from=today`);
  const leave = () => router.push('/');
  const none = () => undefined;
  useBenchKeys({
    next,
    back,
    nextGroup: next,
    groupBack: back,
    turn: none,
    say: none,
    note: none,
    full: none,
    leave,
    readAgain: none,
    type: () => false,
    rubOut: () => false,
    enter: open,
  });
  const together = task && task.together > 1 ? [`one pot for ${task.together} canvases`] : [];
  return (
    <main
      aria-label="Today, at the bench"
      className="bench-mode flex h-dvh flex-none flex-col bg-base-100 bench:h-auto bench:min-h-0 bench:flex-1"
    >
      <header className="hair-b flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-1">
        <h1 className="flex-1 text-[17px] font-semibold">
          {day?.day ? (day.day === view.today ? 'Today' : `Next on ${dayWords(day.day)}`) : 'Nothing planned'}, for
        </h1>
        <MakerSelect label="Maker" className="select w-40" />
        <button type="button" className="btn btn-ghost h-[56px]" onClick={leave}>
          Leave
        </button>
      </header>
      <div className="bench-sheet">
        {task ? (
          <StepHead
            step={{
              says: `No. ${task.number} ${task.title}`,
              figure: clockOfStep(task.from),
              notes: [
                `${task.name}, until ${clockOfStep(task.to)}`,
                ...together,
                ...(task.overnight ? ['Before going home: it dries overnight.'] : []),
              ],
              act: { kind: 'do' },
            }}
            typed={null}
            dictated={false}
            nowMs={nowMs}
          />
        ) : (
          <p className="text-2xl [grid-area:head]">
            {view.wrong[0] ?? 'No work is planned for this maker. The week says who does what.'}
          </p>
        )}
        <ol className="min-h-0 overflow-y-auto px-2 text-lg [grid-area:draw]" aria-label="The day">
          {tasks.map((one, place) => (
            <li key={one.task}>
              <button
                type="button"
                aria-current={place === index ? 'step' : undefined}
                className={`figure flex min-h-[56px] w-full cursor-pointer items-center gap-3 px-3 text-left ${place === index ? 'bg-base-300 font-semibold' : ''}`}
                onClick={() => setAt(place)}
              >
                <span>{clockOfStep(one.from)}</span>
                <span className="w-24 flex-none">{one.short}</span>
                <span className="truncate">
                  No. {one.number} {one.title}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </div>
      <nav aria-label="Steps" className="hair-t flex gap-3 px-4 py-2.5">
        <button type="button" className="btn btn-outline h-[64px] flex-1" onClick={back} disabled={index === 0}>
          ← Back
        </button>
        <button type="button" className="btn btn-outline h-[64px] flex-1" onClick={next} disabled={index >= tasks.length - 1}>
          Next →
        </button>
        <button type="button" className="btn btn-primary h-[64px] flex-[2]" onClick={open} disabled={!task}>
          Open it
        </button>
      </nav>
    </main>
  );
}
