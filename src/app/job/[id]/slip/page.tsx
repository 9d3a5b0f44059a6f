import { notFound } from 'next/navigation';
import { JobSlip } from '@/features/job/JobSlip';
import { openJob } from '@/server/jobCases';
import { openWorkshop } from '@/server/openWorkshop';

export default async function SlipRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const found = openJob(openWorkshop(), id);
  if (!found) notFound();
  return <JobSlip job={found.job} log={found.log} />;
}
