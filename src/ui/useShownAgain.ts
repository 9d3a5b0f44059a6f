'use client';
import { useEffect, useEffectEvent } from 'react';

/** Asks when the page comes back to sight, or by the browser’s Back: what it shows may be older than what stands. */
export function useShownAgain(asked: () => void): void {
  const ask = useEffectEvent(asked);
  useEffect(() => {
    const shown = () => {
      if (document.visibilityState !== 'hidden') ask();
    };
    window.addEventListener('pageshow', shown);
    document.addEventListener('visibilitychange', shown);
    return () => {
      window.removeEventListener('pageshow', shown);
      document.removeEventListener('visibilitychange', shown);
    };
  }, []);
}
