import { TodayBench } from '@/features/benchMode/TodayBench';
import { openWorkshop } from '@/server/openWorkshop';
import { todayOf } from '@/server/week/today';
import { weekNow } from '@/server/week/weekWrites';

/** A maker’s day at the bench. */
export default async function TodayPage() {
  const workshop = openWorkshop();
  return <TodayBench view={todayOf(workshop, await weekNow(workshop))} nowMs={workshop.now().getTime()} />;
}
