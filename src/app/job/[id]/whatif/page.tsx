import { notFound, redirect } from 'next/navigation';
import { WhatIfPage } from '@/features/variant/WhatIfPage';
import { priceList } from '@/server/cost/costWrites';
import { brokenJob, openJob } from '@/server/job/jobReading';
import { houseLessons } from '@/server/house/houseLessons';
import { workshopOf } from '@/server/job/practice';
import { jobVariants } from '@/server/variant/variantWrites';

/** Variants of a job side by side, and what follows when one quantity is moved. */
export default async function WhatIfRoute({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { id } = await params;
  const { view } = await searchParams;
  const workshop = workshopOf(id);
  if (brokenJob(workshop, id)) redirect(`/job/${id}`);
  const found = openJob(workshop, id);
  if (!found) notFound();
  return (
    <WhatIfPage
      // What stands beside a job is read anew with every version of it.
      key={`${id} ${found.job.revision}`}
      found={found}
      variants={jobVariants(workshop, id)}
      prices={priceList(workshop)}
      lessons={houseLessons(workshop)}
      view={view === 'quantity' ? 'quantity' : 'variants'}
      nowMs={workshop.now().getTime()}
    />
  );
}
