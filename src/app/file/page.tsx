import { headers } from 'next/headers';
import { FilePage } from '@/features/file/FilePage';
import { fileState } from '@/server/file/backups';
import { askedBy } from '@/server/network/asking';
import { openWorkshop } from '@/server/openWorkshop';

/** The workshop’s file: what lies in it, its copies, and how one is put back. */
export default async function FileRoute() {
  const workshop = openWorkshop();
  return <FilePage state={fileState(askedBy(workshop, await headers()) ?? workshop)} />;
}
