import { headers } from 'next/headers';
import { NetworkPage } from '@/features/network/NetworkPage';
import { askedBy } from '@/server/network/asking';
import { networkState } from '@/server/network/networkActs';
import { openWorkshop } from '@/server/openWorkshop';

/** Other devices of the house: whether they come in, how, and which are signed in. */
export default async function NetworkRoute() {
  const workshop = openWorkshop();
  return <NetworkPage first={networkState(askedBy(workshop, await headers()) ?? workshop)} />;
}
