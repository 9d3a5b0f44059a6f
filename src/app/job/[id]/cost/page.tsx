import { notFound } from 'next/navigation';
import { CostPage } from '@/features/cost/CostPage';
import { jobCost } from '@/server/cost/costWrites';
import { workshopOf } from '@/server/job/practice';

export default async function JobCostRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const cost = jobCost(workshopOf(id), id);
  if (!cost) notFound();
  return <CostPage cost={cost} />;
}
