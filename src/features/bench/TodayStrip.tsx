'use client';
/* A maker’s day on the bench: what to do in its order, the next pot, what to take out, and what must be on before going home. */
import { printedIn } from '@/core/quantities/printed';
import Link from 'next/link';
import { useState } from 'react';
import { Printer } from 'lucide-react';
import { dayWords } from '@/core/week/dateVerdicts';
import type { TodayTask } from '@/core/week/today';
import { clockOfStep } from '@/core/schedule/workCalendar';
import type { TodayView } from '@/server/week/today';
import { Figure } from '@/ui/drawing/Figure';
import { MakerSelect } from '@/ui/form/MakerSelect';
import { useWorkshop } from '@/ui/WorkshopContext';

/** Rows that are shown until all are asked for. */
const FEW = 4;

export function TodayStrip({ view }: { view: TodayView }) {
  const { maker, tape } = useWorkshop();
  const [all, setAll] = useState(false);
  const day = view.days.find((one) => one.maker === maker);
  if (view.wrong.length > 0)
    return (
      <section aria-label="Today" className="hair-b bg-base-100 px-5 py-2">
        <p className="text-warning">
          The days cannot be planned: {view.wrong[0]}{' '}
          <Link href="/week?view=hours" prefetch={false} className="link">
            Hours and places
          </Link>
        </p>
      </section>
    );
  if (!day) return null;
  const evening = day.tasks.filter(({ overnight }) => overnight);
  const shown = all ? day.tasks : day.tasks.slice(0, FEW);
  return (
    <section aria-label="Today" className="hair-b bg-base-100 px-5 py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="text-[17px] font-semibold">
          {day.day === null ? 'Nothing planned' : day.day === view.today ? 'Today' : `Next on ${dayWords(day.day)}`}, for
        </h2>
        <MakerSelect label="Maker" className="select select-sm h-9 w-auto" />
        <Link href="/week" prefetch={false} className="link link-primary text-[14.5px]">
          The week
        </Link>
        <Link href="/today" prefetch={false} className="link link-primary text-[14.5px]">
          At the bench
        </Link>
        <Link
          href={`/week/print?maker=${encodeURIComponent(maker)}`}
          prefetch={false}
          className="btn btn-ghost btn-sm no-print h-9 px-2"
          aria-label={`Print the day of ${maker}`}
        >
          <Printer aria-hidden className="size-4" />
        </Link>
      </div>
      <ol className="grid gap-x-8 bench:grid-cols-2">
        {shown.map((task) => (
          <TodayRow key={task.task} task={task} />
        ))}
      </ol>
      {day.tasks.length > FEW && (
        <button type="button" className="btn btn-ghost btn-sm -ml-3 h-9" onClick={() => setAll(!all)}>
          {all ? 'The first only' : `All ${day.tasks.length}`}
        </button>
      )}
      {day.tasks.length > 0 && (
        <p className="flex flex-wrap gap-x-6 text-[14.5px]">
          {day.pot && (
            <span>
              <span className="soft">Next pot</span> {clockOfStep(day.pot.from)}, {day.pot.name.toLowerCase()} for{' '}
              {day.pot.numbers.map((number) => `No. ${number}`).join(', ')}
            </span>
          )}
          {evening.length > 0 && (
            <span>
              <span className="soft">Before going home, so that it dries overnight:</span>{' '}
              {evening.map(({ number, short }) => `${short.toLowerCase()} on No. ${number}`).join(', ')}
            </span>
          )}
        </p>
      )}
      {day.take.length > 0 && (
        <p className="text-[14.5px]">
          <span className="soft">From stock today:</span>{' '}
          {day.take.slice(0, all ? 40 : 5).map(({ item, name, unit, quantity }, index) => (
            <span key={item}>
              {index > 0 && ', '}
              <Figure>{`${name.toLowerCase()} ${unit === 'pieces' ? Math.ceil(quantity) : printedIn(unit, Math.ceil(quantity), tape)}`}</Figure>
            </span>
          ))}
          {!all && day.take.length > 5 && `, and ${day.take.length - 5} more`}
        </p>
      )}
    </section>
  );
}

/** One tap opens the job where it stands. */
function TodayRow({ task }: { task: TodayTask }) {
  return (
    <li className="hair-b">
      <Link
        href={`/job/${task.jobId}`}
        prefetch={false}
        className="figure grid min-h-11 grid-cols-[6.2rem_5.2rem_minmax(0,1fr)] items-center gap-x-2 hover:bg-base-200"
      >
        <span>
          {clockOfStep(task.from)}–{clockOfStep(task.to)}
        </span>
        <strong>{task.short}</strong>
        <span className="truncate">
          No. {task.number} {task.title}
        </span>
      </Link>
    </li>
  );
}
