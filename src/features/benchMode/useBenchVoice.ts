'use client';
/* The step said aloud, off until it is asked for; and words that are heard while the ear is on. */
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Spoken, spoken } from '@/core/bench/spoken';
import { type Ear, type Voice, browserEar, browserVoice } from './voice';

export interface BenchVoice {
  speaks: boolean;
  setSpeaks: (on: boolean) => void;
  /** What was said last: shown, so that a browser without a voice is understood too. */
  said: string;
  say: (words: string) => void;
  hears: boolean;
  setHears: (on: boolean) => void;
  /** The browser hears by itself; else a line is typed. */
  hasEar: boolean;
  /** What was heard last, and what it was taken for; null for nothing yet. */
  heard: { words: string; understood: boolean } | null;
  hear: (words: string) => void;
  /** Why the ear was shut, or null. */
  shut: string | null;
}

/** @param onSpoken what was said, but for "again": the step is said once more here */
export function useBenchVoice(aloud: string, onSpoken: (spoken: Exclude<Spoken, { kind: 'again' }>) => void): BenchVoice {
  const voice = useRef<Voice | null>(null);
  const ear = useRef<Ear | null>(null);
  const latest = useRef({ aloud, onSpoken });
  useEffect(() => {
    latest.current = { aloud, onSpoken };
  });
  const [speaks, setSpeaks] = useState(false);
  const [said, setSaid] = useState('');
  const [hears, setHears] = useState(false);
  const [hasEar, setHasEar] = useState(false);
  const [heard, setHeard] = useState<BenchVoice['heard']>(null);
  const [shut, setShut] = useState<string | null>(null);
  const say = useCallback((words: string) => {
    setSaid(words);
    voice.current ??= browserVoice();
    voice.current?.say(words);
  }, []);
  const hear = useCallback(
    (words: string) => {
      const understood = spoken(words);
      setHeard({ words, understood: understood !== null });
      if (understood?.kind === 'again') say(latest.current.aloud);
      else if (understood) latest.current.onSpoken(understood);
    },
    [say],
  );
  useEffect(() => {
    // The voice is outside of the page: it follows the step.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (speaks) say(aloud);
    else voice.current?.stop();
  }, [speaks, aloud, say]);
  useEffect(() => {
    if (!hears) return;
    ear.current ??= browserEar();
    const own = ear.current;
    setHasEar(own !== null);
    setShut(null);
    own?.listen(hear, (because) => {
      setShut(because);
      if (because !== null) setHasEar(false);
    });
    return () => own?.stop();
  }, [hears, hear]);
  useEffect(() => () => voice.current?.stop(), []);
  return { speaks, setSpeaks, said, say, hears, setHears, hasEar, heard, hear, shut };
}
