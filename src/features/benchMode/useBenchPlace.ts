'use client';
/* The step somebody stands at, kept with the job at every step: a closed lid or another tab comes back to it. */
import { useCallback, useRef, useState } from 'react';
import { writeAction } from '@/server/actions';
import type { StoredPlace } from '@/db/benchPlaces';
import { useShownAgain } from '@/ui/useShownAgain';
import { sendPatiently, newRequestId } from '../sender';

export interface BenchStand {
  place: StoredPlace;
  /** False while the last step is on its way to the workshop. */
  kept: boolean;
  go: (to: Partial<StoredPlace>) => void;
  /** Moments of the last steps on, ms since 1970. */
  stamps: readonly number[];
}

/** Between two tries while the workshop does not answer. */
const RETRY_MS = 3000;
/** As many moments as tell a pace. */
const STAMPS = 30;

export function useBenchPlace(jobId: string, first: StoredPlace): BenchStand {
  const [place, setPlace] = useState(first);
  const [stamps, setStamps] = useState<readonly number[]>([]);
  const [kept, setKept] = useState(true);
  const latest = useRef(first);
  const sending = useRef(false);
  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    // One after the other, the last place last: what lies between needs not be kept.
    for (let sent: StoredPlace | null = null; sent !== latest.current;) {
      const place: StoredPlace = latest.current;
      sent = place;
      try {
        await sendPatiently(() => writeAction('keepPlace', { requestId: newRequestId(), jobId, ...place }));
      } catch {
        // The workshop is away: asked again until it is back.
        sent = null;
        await new Promise((on) => setTimeout(on, RETRY_MS));
      }
    }
    sending.current = false;
    setKept(true);
  }, [jobId]);
  const go = useCallback(
    (to: Partial<StoredPlace>) => {
      latest.current = { ...latest.current, ...to };
      setPlace(latest.current);
      if (to.step !== undefined) setStamps((before) => [...before, Date.now()].slice(-STAMPS));
      setKept(false);
      void send();
    },
    [send],
  );
  // A tab that is shown again may have been overtaken by another one.
  const overtaken = async () => {
    if (sending.current) return;
    const stood = latest.current;
    const answer = await fetch(`/api/job/${jobId}/place`, { cache: 'no-store' }).catch(() => null);
    const there = answer?.ok ? ((await answer.json()) as StoredPlace | null) : null;
    // Who went on meanwhile is not taken back.
    if (!there || latest.current !== stood) return;
    latest.current = there;
    setPlace(there);
  };
  useShownAgain(() => void overtaken());
  return { place, kept, go, stamps };
}
