import { notFound } from 'next/navigation';
import { STAGE_IDS } from '@/core/stages/stages';
import { SetPage } from '@/features/set/SetPage';
import { openWorkshop } from '@/server/openWorkshop';
import { setPage } from '@/server/set/setPages';
import { unitChosen } from '../../unitChosen';

/** A set; `stage` names the sheet that is open, else it is the one that holds the set up. */
export default async function SetRoute({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const [{ id }, { stage }] = [await params, await searchParams];
  const workshop = openWorkshop();
  const page = setPage(workshop, id, STAGE_IDS.find((one) => one === stage) ?? null, await unitChosen());
  if (!page) notFound();
  return <SetPage key={id} page={page} nowMs={workshop.now().getTime()} />;
}
