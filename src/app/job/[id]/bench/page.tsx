import { notFound, redirect } from 'next/navigation';
import { STAGE_IDS } from '@/core/stages/stages';
import { BenchMode } from '@/features/benchMode/BenchMode';
import { airOf } from '@/server/air/airWrites';
import { benchPlaceOf } from '@/server/bench/benchWrites';
import { clothStore, jobCut } from '@/server/cloth/clothWrites';
import { brokenJob, openJob } from '@/server/job/jobReading';
import { houseLessons } from '@/server/house/houseLessons';
import { workshopOf } from '@/server/job/practice';
import { filedOf } from '@/server/set/setPages';

/** A job at the bench, one step at a time: at its `stage`, or where somebody stood last. */
export default async function BenchModeRoute({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { id } = await params;
  const { stage: asked, from } = await searchParams;
  const workshop = workshopOf(id);
  if (brokenJob(workshop, id)) redirect(`/job/${id}`);
  const found = openJob(workshop, id);
  if (!found) notFound();
  const place = benchPlaceOf(workshop, id);
  const stage = STAGE_IDS.find((one) => one === asked);
  return (
    <BenchMode
      key={id}
      first={found}
      place={stage && stage !== place?.stage ? { stage, step: stage, quarter: place?.quarter ?? 0, filledAt: 1 } : place}
      backTo={from === 'today' ? '/today' : `/job/${id}`}
      cloth={clothStore(workshop)}
      cut={jobCut(workshop, id)}
      lessons={houseLessons(workshop)}
      air={airOf(workshop)}
      archived={filedOf(workshop, id).archived}
      nowMs={workshop.now().getTime()}
    />
  );
}
