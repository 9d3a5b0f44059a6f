import { WeekPrint } from '@/features/week/WeekPrint';
import { openWorkshop } from '@/server/openWorkshop';
import { printedDays } from '@/server/week/today';

/** The week on paper; `maker` has one maker’s day. */
export default async function WeekPrintRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { maker } = await searchParams;
  const whose = typeof maker === 'string' ? maker : null;
  return <WeekPrint maker={whose} {...await printedDays(openWorkshop(), whose)} />;
}
