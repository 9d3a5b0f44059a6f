import { TodayStrip } from '@/features/bench/TodayStrip';
import { WeekPage } from '@/features/week/WeekPage';
import { openWorkshop } from '@/server/openWorkshop';
import { todayOf } from '@/server/week/today';
import { weekNow } from '@/server/week/weekWrites';

/** The week: who does what when. `view=hours` has what the house plans its days by. */
export default async function WeekRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { view } = await searchParams;
  const workshop = openWorkshop();
  const week = await weekNow(workshop);
  return (
    <WeekPage view={view === 'hours' ? 'hours' : 'week'} week={week} today={<TodayStrip view={todayOf(workshop, week)} />} />
  );
}
