'use client';
/* What is typed or said for the reading of a step, before it is taken. */
import { useState } from 'react';
import type { BenchStep, JobPatch } from '@/core/bench/benchStep';
import type { JobCase } from '@/core/case/jobCase';
import { type TypedReading, typedReading } from './typedReading';

/** A reading that was said: shown large until it is confirmed. */
interface Dictated {
  step: string;
  read: Extract<TypedReading, { ok: true }>;
}

export interface Typing {
  /** What is typed so far, or read and waiting to be confirmed; null where the figure of the step stands. */
  shown: string | null;
  error: string | null;
  dictated: Dictated | null;
  type: (sign: string) => boolean;
  rubOut: () => boolean;
  clear: () => void;
  /** Takes what is typed; true where nothing is left to take. */
  take: () => boolean;
  dictate: (typed: string) => void;
  confirm: () => void;
}

/** Nothing of it is in the job before it is taken. */
export function useTyping(step: BenchStep, here: JobCase, put: (patch: JobPatch) => void): Typing {
  const { tape } = here.house;
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string | null>(null);
  const [dictated, setDictated] = useState<Dictated | null>(null);
  const reading = step.act.kind === 'read' && !here.isFrozen(step.stage) ? step.act.reading : null;
  const clear = () => {
    setTyped('');
    setError(null);
    setDictated(null);
  };
  const mine = dictated?.step === step.id ? dictated : null;
  const taken = (read: TypedReading): boolean => {
    if (!read.ok) {
      setError(read.says);
      return false;
    }
    put(read.patch);
    clear();
    return true;
  };
  return {
    shown: mine ? mine.read.words : typed === '' ? null : typed,
    error,
    dictated: mine,
    clear,
    type: (sign) => {
      if (!reading || (sign === ' ' && (typed === '' || tape.unit !== 'in' || typed.includes(' ')))) return false;
      setError(null);
      setDictated(null);
      setTyped((before) => (before.length < 24 ? before + sign : before));
      return true;
    },
    rubOut: () => {
      if (typed === '') return false;
      setTyped(typed.slice(0, -1));
      setError(null);
      return true;
    },
    take: () => {
      if (mine) return taken(mine.read);
      return !reading || typed === '' || taken(typedReading(typed, reading, tape));
    },
    dictate: (said) => {
      if (!reading) return;
      const read = typedReading(said, reading, tape);
      setTyped('');
      if (!read.ok) return setError(read.says);
      setError(null);
      setDictated({ step: step.id, read });
    },
    confirm: () => mine && taken(mine.read),
  };
}
