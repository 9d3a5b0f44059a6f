'use client';
/* The variants of a job on this screen: changed at once, kept one after the other a moment later. */
import { useEffect, useRef, useState } from 'react';
import { MOST_VARIANTS, NO_CHANGE, type Variant } from '@/core/variant/variant';
import type { StoredVariant } from '@/db/jobVariants';
import { refusalWords } from '../refusalWords';
import { newRequestId } from '../sender';
import { useSend } from '../useSend';

/** After the last key, ms. */
const PAUSE_MS = 350;

export interface Variants {
  list: StoredVariant[];
  saving: boolean;
  says: string | null;
  change: (id: string, patch: Partial<Variant>) => void;
  add: () => void;
  drop: (id: string) => void;
  /** Writes what is not written yet. */
  settled: () => Promise<StoredVariant[]>;
}

/** A name that no other has: "Variant B". */
const nextName = (list: readonly Variant[]): string =>
  ['A', 'B', 'C', 'D', 'E'].map((letter) => `Variant ${letter}`).find((name) => !list.some((one) => one.name === name))!;

export function useVariants(jobId: string, first: StoredVariant[]): Variants {
  const send = useSend();
  const [list, setList] = useState(first);
  const [saving, setSaving] = useState(false);
  const [says, setSays] = useState<string | null>(null);
  const latest = useRef(first);
  /** Ids of what waits to be written. */
  const waits = useRef(new Set<string>());
  const chain = useRef<Promise<void>>(Promise.resolve());
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const show = (next: StoredVariant[]) => {
    latest.current = next;
    setList(next);
  };
  const write = async (id: string) => {
    const one = latest.current.find((variant) => variant.id === id);
    if (!one) return;
    const { name, changes, revision } = one;
    const outcome = await send('keepVariant', { jobId, id, revision, name, changes });
    setSays(outcome.ok ? null : refusalWords(outcome));
    const kept = outcome.ok ? outcome.value.find((variant) => variant.id === id) : undefined;
    if (kept) show(latest.current.map((variant) => (variant.id === id ? { ...variant, revision: kept.revision } : variant)));
  };
  const flush = (): Promise<void> => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    chain.current = chain.current.then(async () => {
      for (const id of [...waits.current]) {
        waits.current.delete(id);
        await write(id);
      }
      setSaving(waits.current.size > 0);
    });
    return chain.current;
  };
  const later = (id: string, pauseMs = PAUSE_MS) => {
    waits.current.add(id);
    setSaving(true);
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => void flush(), pauseMs);
  };
  const leave = useRef(flush);
  useEffect(() => {
    leave.current = flush;
  });
  useEffect(() => () => void leave.current(), []);
  return {
    list,
    saving,
    says,
    change: (id, patch) => {
      show(latest.current.map((one) => (one.id === id ? { ...one, ...patch } : one)));
      later(id);
    },
    add: () => {
      if (latest.current.length >= MOST_VARIANTS) return;
      const id = newRequestId();
      show([...latest.current, { id, revision: 0, name: nextName(latest.current), changes: NO_CHANGE }]);
      later(id, 0);
    },
    drop: (id) => {
      waits.current.delete(id);
      chain.current = chain.current.then(async () => {
        const one = latest.current.find((variant) => variant.id === id);
        if (!one) return;
        const outcome = one.revision === 0 ? null : await send('dropVariant', { jobId, id, revision: one.revision });
        const gone = outcome === null || outcome.ok;
        setSays(gone ? null : refusalWords(outcome));
        if (gone) show(latest.current.filter((variant) => variant.id !== id));
      });
    },
    settled: async () => {
      await flush();
      return latest.current;
    },
  };
}
