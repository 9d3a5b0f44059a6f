import { notFound, redirect } from 'next/navigation';
import { FramerSheet } from '@/features/job/FramerSheet';
import { brokenJob, caseOfJob, openJob } from '@/server/job/jobReading';
import { workshopOf } from '@/server/job/practice';

/** The order for whoever makes the frame, on paper. */
export default async function FramerRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const workshop = workshopOf(id);
  if (brokenJob(workshop, id)) redirect(`/job/${id}`);
  const found = openJob(workshop, id);
  if (!found) notFound();
  const { inputs, plan } = caseOfJob(workshop, found);
  return (
    <FramerSheet
      id={id}
      number={found.job.number}
      inputs={inputs}
      kg={inputs.handover.weighedKg ?? plan.handover.totalKg}
      weighed={inputs.handover.weighedKg !== null}
      bareMm={plan.cloth.painting?.registration?.mostBareMm ?? 0}
    />
  );
}
