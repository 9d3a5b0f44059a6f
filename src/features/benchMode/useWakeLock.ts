'use client';
/* The screen stays lit while the bench is on; asked for again when the page comes back to sight. */
import { useEffect, useState } from 'react';

/** Whether the screen is kept lit now; null where the browser cannot. */
export function useWakeLock(): boolean | null {
  const [lit, setLit] = useState<boolean | null>(null);
  useEffect(() => {
    const { wakeLock } = navigator as { wakeLock?: WakeLock };
    if (!wakeLock) return;
    let held: WakeLockSentinel | null = null;
    let left = false;
    const ask = async () => {
      if (document.visibilityState === 'hidden' || (held && !held.released)) return;
      try {
        held = await wakeLock.request('screen');
        if (left) return void held.release();
        held.addEventListener('release', () => setLit(false));
        setLit(true);
      } catch {
        // Low on power, or not allowed: the screen goes dark as it always does.
        setLit(false);
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', ask);
      void held?.release();
    };
  }, []);
  return lit;
}
