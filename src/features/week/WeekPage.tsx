'use client';
/* The week: everything open put into days, lanes for hands and for what dries; and what the house plans its days by. */
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { WeekView } from '@/server/week/weekWrites';
import { ViewsHeader } from '@/ui/ViewsHeader';
import { dayOfMoment } from '@/core/week/weekTime';
import { HoursView } from './HoursView';
import { DaysView } from './DaysView';

const VIEWS = [
  { id: 'week', name: 'Week' },
  { id: 'hours', name: 'Hours and places' },
] as const;

export function WeekPage({ view, week, today }: { view: 'week' | 'hours'; week: WeekView; today: ReactNode }) {
  const planned = view === 'week' && week.plan !== null && week.facts.jobs.length > 0;
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      {!planned && <ViewsHeader title="Week" path="/week" views={VIEWS} view={view} />}
      {view === 'hours' && (
        <div className="min-h-0 flex-1 overflow-y-auto bg-base-100 px-5 py-3">
          <HoursView settings={week.facts.settings} revision={week.revision} today={dayOfMoment(week.facts.nowMs)} />
        </div>
      )}
      {view === 'week' && week.wrong.length > 0 && (
        <section role="alert" className="px-5 py-8">
          <h2 className="text-[26px] leading-tight font-semibold">The days cannot be planned</h2>
          <ul className="mt-2 max-w-prose list-disc pl-5 text-error">
            {week.wrong.slice(0, 8).map((says) => (
              <li key={says}>{says}</li>
            ))}
          </ul>
          <Link href="/week?view=hours" className="btn btn-primary mt-4 h-11">
            Change hours and places
          </Link>
        </section>
      )}
      {view === 'week' && week.wrong.length === 0 && week.facts.jobs.length === 0 && (
        <section className="px-5 py-12">
          <h2 className="text-[34px] leading-tight font-semibold">Nothing to plan</h2>
          <p className="soft max-w-prose">
            Open canvases are put into the days here: whose hands do what when, and what dries where. Begin one on the bench.
          </p>
          <Link href="/" className="btn btn-primary mt-4 h-11">
            To the bench
          </Link>
        </section>
      )}
      {planned && <DaysView week={week} plan={week.plan!} today={today} />}
    </main>
  );
}
