import { Suspense } from 'react';
import { Bench } from '@/features/bench/Bench';
import { TodayStrip } from '@/features/bench/TodayStrip';
import { backupOverdue } from '@/server/file/backups';
import { openWorkshop } from '@/server/openWorkshop';
import { todayOf } from '@/server/week/today';
import { weekNow } from '@/server/week/weekWrites';
import { benchPage } from '@/server/bench/benchPage';
import { houseRules } from '@/server/house/houseRuleWrites';
import { placeIn } from './placeIn';

/** The bench: `show=finished` has what is handed over, `from` how many jobs stand before the page. */
export default async function BenchPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { show, from } = await searchParams;
  const workshop = openWorkshop();
  const page = benchPage(workshop, show === 'finished' ? 'finished' : 'open', placeIn(from) ?? 0);
  return (
    <Bench
      page={page}
      overdue={backupOverdue(workshop)}
      workshop={houseRules(workshop).rules.workshop}
      nowMs={workshop.now().getTime()}
      today={
        // Nothing open is nothing to plan. Else the plan may have to be made again first: the list is not kept waiting for it.
        page.show === 'open' && page.open > 0 ? (
          <Suspense fallback={<div className="hair-b h-28 bg-base-100" />}>
            <Today />
          </Suspense>
        ) : null
      }
    />
  );
}

async function Today() {
  const workshop = openWorkshop();
  return <TodayStrip view={todayOf(workshop, await weekNow(workshop))} />;
}
