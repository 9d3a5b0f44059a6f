import { spellOf } from '@/server/airCases';
import { openWorkshop } from '@/server/openWorkshop';
import { dryingClocks } from '@/server/workshopCases';

/** What dries or sets now, and whether it gets damp: asked for by every open tab. */
export function GET(): Response {
  const workshop = openWorkshop();
  return Response.json({ ...dryingClocks(workshop), spell: spellOf(workshop) }, { headers: { 'cache-control': 'no-store' } });
}
