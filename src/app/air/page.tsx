import { AirPage } from '@/features/air/AirPage';
import { airOf } from '@/server/air/airWrites';
import { openWorkshop } from '@/server/openWorkshop';

/** The air of the workshop over the year. */
export default function AirRoute() {
  return <AirPage air={airOf(openWorkshop())} />;
}
