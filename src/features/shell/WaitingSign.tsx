'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useSyncExternalStore } from 'react';
import { jobsWaiting } from '../job/handIn';
import { waitingRequests } from '../sender';

/** Says so while a write waits for the file that another program holds, or a record in this browser for its job to be opened. */
export function WaitingSign() {
  const waiting = useSyncExternalStore(waitingRequests.subscribe, waitingRequests.read, () => 0);
  const path = usePathname();
  // Asked anew with each page.
  const away = useSyncExternalStore(
    subscribeNever,
    () => jobsWaiting().join(),
    () => '',
  );
  const elsewhere = away.split(',').filter((id) => id !== '' && !path.startsWith(`/job/${id}`));
  if (elsewhere.length > 0)
    return (
      <p role="status" className="hair-b no-print px-5 py-1 text-[14.5px] text-warning">
        Records made out of reach of the workshop wait in this browser. Open their canvas to hand them in:{' '}
        {elsewhere.map((id, index) => (
          <Link key={id} className="link" href={`/job/${id}`} prefetch={false}>
            {elsewhere.length > 1 ? `canvas ${index + 1}` : 'the canvas'}
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

/** Nobody tells of it: what stands is read whenever the page is drawn. */
const subscribeNever = () => () => undefined;
