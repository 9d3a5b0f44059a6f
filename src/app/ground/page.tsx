import { GroundPage } from '@/features/ground/GroundPage';
import { groundsOf } from '@/server/ground/groundWrites';
import { openWorkshop } from '@/server/openWorkshop';

/** Grounds: one pot for several canvases, and the store. */
export default function GroundRoute() {
  const workshop = openWorkshop();
  return <GroundPage grounds={groundsOf(workshop)} nowMs={workshop.now().getTime()} />;
}
