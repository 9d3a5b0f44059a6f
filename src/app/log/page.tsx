import { Log } from '@/features/log/Log';
import { openWorkshop } from '@/server/openWorkshop';
import { logRows } from '@/server/workshopCases';

export default function LogPage() {
  return <Log rows={logRows(openWorkshop())} />;
}
