import { notFound } from 'next/navigation';
import { BrokenJob } from '@/features/bench/BrokenJob';
import { JobPage } from '@/features/job/JobPage';
import { clothStore, jobCut } from '@/server/cloth/clothWrites';
import { airOf } from '@/server/air/airWrites';
import { brokenJob, openJob } from '@/server/job/jobReading';
import { STAGE_IDS } from '@/core/stages/stages';
import { houseLessons } from '@/server/house/houseLessons';
import { keptTaps } from '@/server/reading/readingWrites';
import { rackBars } from '@/server/rack/rackWrites';
import { filedOf } from '@/server/set/setPages';
import { workshopOf } from '@/server/job/practice';

/** A job; at its `stage`, or at the one that is next. */
export default async function JobRoute({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { id } = await params;
  const { stage } = await searchParams;
  const workshop = workshopOf(id);
  const broken = brokenJob(workshop, id);
  if (broken)
    return (
      <main className="flex flex-1 flex-col px-5 py-6">
        <BrokenJob job={broken} />
      </main>
    );
  const found = openJob(workshop, id);
  if (!found) notFound();
  return (
    <JobPage
      key={id}
      first={found}
      rack={rackBars(workshop)}
      cloth={clothStore(workshop)}
      cut={jobCut(workshop, id)}
      lessons={houseLessons(workshop)}
      air={airOf(workshop)}
      recordings={keptTaps(workshop, id)}
      filed={filedOf(workshop, id)}
      stage={STAGE_IDS.find((one) => one === stage) ?? null}
      nowMs={workshop.now().getTime()}
    />
  );
}
