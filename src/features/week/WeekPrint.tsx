'use client';
/* The week on paper, or one maker’s day: what to do when, to be ticked off. */
import Link from 'next/link';
import { dayWords } from '@/core/week/dateVerdicts';
import type { MakerDay } from '@/core/week/today';
import { clockOfStep } from '@/core/schedule/workCalendar';
import type { ToTake } from '@/server/week/today';
import { useWorkshop } from '@/ui/WorkshopContext';

export interface PrintedDay {
  day: string;
  makers: (MakerDay & { take: ToTake[] })[];
}

export function WeekPrint({ days, maker, wrong }: { days: PrintedDay[]; maker: string | null; wrong: string[] }) {
  const { rules } = useWorkshop();
  return (
    <main className="mx-auto w-full max-w-[210mm] flex-1 overflow-y-auto bg-base-100 px-8 py-6 print:overflow-visible print:px-0">
      <div className="no-print mb-4 flex gap-2">
        <button type="button" className="btn btn-primary" onClick={() => window.print()}>
          Print
        </button>
        <Link className="btn btn-outline" href="/week" prefetch={false}>
          Back to the week
        </Link>
      </div>
      <h1 className="border-b-2 border-current pb-1 text-[26px] leading-8 font-semibold">
        {rules.workshop}: {maker ? `the day of ${maker}` : 'the week'}
      </h1>
      {wrong.map((says) => (
        <p key={says} role="alert" className="mt-2 text-error">
          {says}
        </p>
      ))}
      {days.length === 0 && wrong.length === 0 && <p className="soft mt-3">Nothing is planned.</p>}
      {days.map(({ day, makers }) => (
        <section key={day} aria-label={dayWords(day)} className="mt-4 break-inside-avoid">
          <h2 className="text-[19px] font-semibold">{dayWords(day)}</h2>
          <div className={`grid gap-x-6 gap-y-2 ${maker ? '' : 'sm:grid-cols-2 print:grid-cols-2'}`}>
            {makers.map((one) => (
              <div key={one.maker} className="break-inside-avoid">
                {!maker && <h3 className="font-semibold">{one.maker}</h3>}
                <ul>
                  {one.tasks.map((task) => (
                    <li
                      key={task.task}
                      className="figure hair-b grid grid-cols-[1rem_6rem_5.6rem_minmax(0,1fr)] gap-x-2 py-0.5 text-[14px]"
                    >
                      <span aria-hidden className="mt-1 inline-block size-3 border border-current" />
                      <span>
                        {clockOfStep(task.from)}–{clockOfStep(task.to)}
                      </span>
                      <strong>{task.short}</strong>
                      <span>
                        No. {task.number} {task.title}
                        {task.together > 1 ? `, one pot for ${task.together}` : ''}
                        {task.overnight ? ', dries overnight' : ''}
                      </span>
                    </li>
                  ))}
                </ul>
                {maker && one.take.length > 0 && (
                  <p className="mt-2 text-[14px]">
                    <span className="soft">From stock today:</span>{' '}
                    {one.take
                      .map(
                        ({ name, quantity, unit }) =>
                          `${name.toLowerCase()} ${Math.ceil(quantity)}${unit === 'pieces' ? '' : ` ${unit}`}`,
                      )
                      .join(', ')}
                  </p>
                )}
              </div>
            ))}
          </div>
        </section>
      ))}
    </main>
  );
}
