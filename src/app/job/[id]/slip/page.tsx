import { notFound, redirect } from 'next/navigation';
import { JobSlip } from '@/features/job/slip/JobSlip';
import { brokenJob, openJob } from '@/server/job/jobReading';
import { houseLessons } from '@/server/house/houseLessons';
import { workshopOf } from '@/server/job/practice';
import { houseOrigin } from '../../../houseOrigin';

/** A job on paper: its square opens it at the address that others in the house reach this workshop by. */
export default async function SlipRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const workshop = workshopOf(id);
  const broken = brokenJob(workshop, id);
  if (broken) redirect(`/job/${id}`);
  const found = openJob(workshop, id);
  if (!found) notFound();
  return (
    <JobSlip
      job={found.job}
      log={found.log}
      lessons={houseLessons(workshop)}
      nowMs={workshop.now().getTime()}
      address={`${await houseOrigin(workshop)}/job/${id}`}
    />
  );
}
