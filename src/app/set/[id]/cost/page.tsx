import { notFound } from 'next/navigation';
import { CostPage } from '@/features/cost/CostPage';
import { setCost } from '@/server/cost/costWrites';
import { openWorkshop } from '@/server/openWorkshop';

export default async function SetCostRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const cost = setCost(openWorkshop(), id);
  if (!cost) notFound();
  return <CostPage cost={cost} />;
}
