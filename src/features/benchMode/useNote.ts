'use client';
/* A note on its way to the log. */
import { useState } from 'react';
import type { BenchStep } from '@/core/bench/benchStep';
import type { Records } from '../job/record/useRecords';

/** @param then when it is kept */
export function useNote(records: Records, step: BenchStep, then: () => void) {
  const [error, setError] = useState(false);
  const keep = async (text: string, jpeg: string | null) => {
    const { stage, id, says } = step;
    setError((await records.keep('keepNote', { stage, step: id, says: says.slice(0, 280), note: text, jpeg }, then)) !== null);
  };
  return { busy: records.busy, error: error ? records.failure : null, keep };
}
