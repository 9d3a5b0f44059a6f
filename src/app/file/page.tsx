import { FilePage } from '@/features/file/FilePage';
import { fileState } from '@/server/backups';
import { openWorkshop } from '@/server/openWorkshop';

/** The workshop’s file: what lies in it, its copies, and how one is put back. */
export default function FileRoute() {
  return <FilePage state={fileState(openWorkshop())} />;
}
