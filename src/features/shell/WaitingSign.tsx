'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useSyncExternalStore } from 'react';
import { outboxStore } from '../outbox/outboxStore';
import { waitingRequests } from '../sender';

/** Says so while a write waits for the file that another program holds, or a record in this browser for its job to be opened. */
export function WaitingSign() {
  const waiting = useSyncExternalStore(waitingRequests.subscribe, waitingRequests.read, () => 0);
  const path = usePathname();
  const lanes = useSyncExternalStore(subscribeLanes, readLanes, () => NO_LANES);
  useEffect(() => void outboxStore().lookAtLanes(), [path]);
  const elsewhere = lanes.map(pageOf).filter(({ href }) => !path.startsWith(href));
  if (elsewhere.length > 0)
    return (
      <p role="status" className="hair-b no-print flex flex-wrap gap-x-3 px-5 py-1 text-[14.5px] text-warning">
        Not in the workshop yet, kept in this browser. Open it to hand it in:
        {elsewhere.map(({ href, name }, index) => (
          <Link key={href} className="link" href={href} prefetch={false}>
            {elsewhere.length > 1 ? `${name} ${index + 1}` : `the ${name}`}
          </Link>
        ))}
      </p>
    );
  if (waiting === 0) return null;
  return (
    <p role="status" className="hair-b no-print px-5 py-1 text-[14.5px] text-warning">
      Another program holds the workshop’s file. What you sent waits and is tried again; nothing is lost.
    </p>
  );
}

/** The page that hands in what waits in a lane. */
function pageOf(lane: string): { href: string; name: string } {
  const [kind, id] = lane.split(' ');
  if (kind === 'set') return { href: `/set/${id}`, name: 'set' };
  return kind === 'variants' ? { href: `/job/${id}/whatif`, name: 'variants' } : { href: `/job/${id}`, name: 'canvas' };
}

const NO_LANES: readonly string[] = [];
const subscribeLanes = (listener: () => void) => outboxStore().subscribe(listener);
const readLanes = () => outboxStore().lanes();
