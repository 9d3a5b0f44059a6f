import { notFound, redirect } from 'next/navigation';
import { LifePage } from '@/features/life/LifePage';
import { brokenJob } from '@/server/job/jobReading';
import { lifeOfJob } from '@/server/life/lifeWrites';
import { workshopOf } from '@/server/job/practice';

/** What became of a canvas: its readings through the years, where it hangs, what was done. */
export default async function LifeRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const workshop = workshopOf(id);
  if (brokenJob(workshop, id)) redirect(`/job/${id}`);
  const life = lifeOfJob(workshop, id);
  if (!life) notFound();
  return <LifePage key={id} view={life} nowMs={workshop.now().getTime()} />;
}
