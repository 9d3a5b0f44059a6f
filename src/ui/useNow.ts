'use client';
import { useEffect, useState } from 'react';

/** The time in ms, starting from the server's word so that the first picture agrees, then ticking. */
export function useNow(fromServerMs: number): number {
  const [now, setNow] = useState(fromServerMs);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 10_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}
