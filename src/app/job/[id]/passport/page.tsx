import { notFound, redirect } from 'next/navigation';
import { progressOf } from '@/core/case/progress';
import { PassportSheet } from '@/features/life/PassportSheet';
import { brokenJob, openJob } from '@/server/job/jobReading';
import { houseLessons } from '@/server/house/houseLessons';
import { workshopOf } from '@/server/job/practice';

/** The passport of a canvas on one sheet, to give away with it. */
export default async function PassportRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const workshop = workshopOf(id);
  if (brokenJob(workshop, id)) redirect(`/job/${id}`);
  const found = openJob(workshop, id);
  if (!found || !progressOf(found.job.inputs, found.log).done.has('fasten')) notFound();
  return <PassportSheet found={found} lessons={houseLessons(workshop)} nowMs={workshop.now().getTime()} />;
}
