'use client';
/* The clocks of the workshop as every tab knows them: asked for again and again, silenced in all tabs at once. */
import { useEffect, useState } from 'react';
import type { DampSpell } from '@/core/tension/clothWeather';
import type { DryingClock } from '@/server/bench/benchPage';
import { keep, kept } from '@/ui/form/kept';
import { clockKey } from './ringing';

const ASK_MS = 60_000;
const SILENCED = 'clocks silenced';
const KNOWN_SINCE = 'clocks known since';
/** Silenced runs that are remembered. */
const MOST_SILENCED = 200;

export interface WorkshopNews {
  /** The soonest. */
  clocks: DryingClock[];
  /** How many there are. */
  count: number;
  spell: DampSpell;
}

/** What the server told with the page, and after it once a minute, and when the tab is looked at again. */
export function useNews(first: WorkshopNews): WorkshopNews {
  const [asked, setAsked] = useState<{ news: WorkshopNews; of: WorkshopNews } | null>(null);
  useEffect(() => {
    let gone = false;
    const ask = () =>
      fetch('/api/clocks')
        .then((answer) => answer.json() as Promise<WorkshopNews>)
        .then((news) => gone || setAsked({ news, of: first }))
        // The server is away: the clocks go on with what is known.
        .catch(() => undefined);
    const timer = setInterval(() => void ask(), ASK_MS);
    const seen = () => document.visibilityState === 'visible' && void ask();
    document.addEventListener('visibilitychange', seen);
    return () => {
      gone = true;
      clearInterval(timer);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [first]);
  return asked?.of === first ? asked.news : first;
}

/** What is kept there may be anything: only a list of words counts. */
function stored(): Set<string> {
  try {
    const list: unknown = JSON.parse(kept(SILENCED) ?? '[]');
    return new Set(Array.isArray(list) ? list.filter((one) => typeof one === 'string') : []);
  } catch {
    return new Set();
  }
}

/** Which clocks were silenced here or in another tab, and since when this browser knows of clocks; null before it is known. */
export function useSilence(): {
  silenced: Set<string>;
  knownSinceMs: number;
  silence: (clocks: readonly DryingClock[]) => void;
} | null {
  const [state, setState] = useState<{ silenced: Set<string>; knownSinceMs: number } | null>(null);
  useEffect(() => {
    if (!(Number(kept(KNOWN_SINCE)) > 0)) keep(KNOWN_SINCE, String(Date.now()));
    const read = () => setState({ silenced: stored(), knownSinceMs: Number(kept(KNOWN_SINCE)) });
    read();
    window.addEventListener('storage', read);
    return () => window.removeEventListener('storage', read);
  }, []);
  if (!state) return null;
  return {
    ...state,
    silence: (clocks) => {
      const silenced = [...stored(), ...clocks.map(clockKey)].slice(-MOST_SILENCED);
      keep(SILENCED, JSON.stringify(silenced));
      setState({ ...state, silenced: new Set(silenced) });
    },
  };
}
