'use client';
/* The variants of a job on this screen: changed at once, kept at every key, saved one after the other a moment later. */
import { useRef, useState } from 'react';
import { MOST_VARIANTS, NO_CHANGE, type Variant } from '@/core/variant/variant';
import type { StoredVariant } from '@/db/jobVariants';
import { writeAction } from '@/server/actions';
import { Outbox, type SendEntry, sentBy, waitingWords } from '../outbox/Outbox';
import { type OutboxEntry, outboxStore } from '../outbox/outboxStore';
import { useOutbox } from '../outbox/useOutbox';
import { newRequestId } from '../sender';

/** After the last key, ms. */
const PAUSE_MS = 350;

export interface Variants {
  list: StoredVariant[];
  saving: boolean;
  says: string | null;
  change: (id: string, patch: Partial<Variant>) => void;
  add: () => void;
  drop: (id: string) => void;
  /** Forgets what was refused; null where nothing was. */
  discard: (() => void) | null;
  /** Saves what is not saved yet. */
  settled: () => Promise<StoredVariant[]>;
}

/** A name that no other has: "Variant B". */
const nextName = (list: readonly Variant[]): string =>
  ['A', 'B', 'C', 'D', 'E'].map((letter) => `Variant ${letter}`).find((name) => !list.some((one) => one.name === name))!;

/** What is asked of one variant, but for its version. */
type Asked = { jobId: string; id: string } & Partial<Variant>;

/** The variants with what waits to be saved laid over them. */
function withWaiting(list: readonly StoredVariant[], waiting: readonly OutboxEntry[]): StoredVariant[] {
  let after = [...list];
  for (const { write, request } of waiting) {
    const { id, name, changes } = request as Asked;
    if (write === 'dropVariant') after = after.filter((one) => one.id !== id);
    else if (after.some((one) => one.id === id))
      after = after.map((one) => (one.id === id ? { ...one, name: name!, changes: changes! } : one));
    else after.push({ id, revision: 0, name: name!, changes: changes! });
  }
  return after;
}

const AWAY = {
  browser: 'The workshop is out of reach: what you changed is kept in this browser and saved when it is back.',
  tab: 'The workshop is out of reach and this browser has no room: leave this tab open until it is back.',
};

/** What waits of the variants of a job, and the list as the workshop answered it last. */
function variantsOutbox(jobId: string, first: readonly StoredVariant[]) {
  let latest = first;
  const send: SendEntry<StoredVariant[]> = async ({ requestId, write, request }, sentOn) => {
    const { id, name, changes } = request as Asked;
    const revision = await sentOn(latest.find((one) => one.id === id)?.revision ?? 0);
    // Made and taken away again before anybody else knew of it.
    if (write === 'dropVariant' && revision === 0) return { kind: 'done', value: [...latest] };
    const sent = await sentBy(() =>
      write === 'dropVariant'
        ? writeAction('dropVariant', { requestId, jobId, id, revision })
        : writeAction('keepVariant', { requestId, jobId, id, revision, name: name!, changes: changes! }),
    );
    if (sent.kind === 'done') latest = sent.value;
    return sent;
  };
  return { outbox: new Outbox(outboxStore(), `variants ${jobId}`, send, { passes: true }), latest: () => latest };
}

export function useVariants(jobId: string, first: StoredVariant[]): Variants {
  const [saved, setSaved] = useState(first);
  const [{ outbox, latest }] = useState(() => variantsOutbox(jobId, first));
  const waiting = useOutbox(outbox, setSaved, { pauseMs: PAUSE_MS });
  /** Shown from the key on, until the browser has kept it. */
  const [typed, setTyped] = useState<StoredVariant[] | null>(null);
  const keeping = useRef(0);
  const list = typed ?? withWaiting(saved, waiting);
  const keep = async (write: 'keepVariant' | 'dropVariant', request: Asked, after: StoredVariant[]) => {
    setTyped(after);
    keeping.current += 1;
    await outbox.add({ write, request, key: request.id, says: request.name ?? 'Variant' });
    keeping.current -= 1;
    if (keeping.current === 0) setTyped(null);
  };
  const refused = waiting.filter(({ trouble }) => trouble !== null);
  return {
    list,
    saving: waiting.length > 0,
    says: waitingWords(waiting, AWAY),
    change: (id, patch) => {
      const after = list.map((one) => (one.id === id ? { ...one, ...patch } : one));
      const { name, changes } = after.find((one) => one.id === id)!;
      void keep('keepVariant', { jobId, id, name, changes }, after);
    },
    add: () => {
      if (list.length >= MOST_VARIANTS) return;
      const one = { id: newRequestId(), revision: 0, name: nextName(list), changes: NO_CHANGE };
      void keep('keepVariant', { jobId, id: one.id, name: one.name, changes: one.changes }, [...list, one]);
    },
    drop: (id) =>
      void keep(
        'dropVariant',
        { jobId, id },
        list.filter((one) => one.id !== id),
      ).then(() => outbox.run(setSaved)),
    discard: refused.length > 0 ? () => refused.forEach(({ requestId }) => void outbox.letGo(requestId)) : null,
    settled: async () => {
      await outbox.run(setSaved);
      return withWaiting(latest(), outbox.read());
    },
  };
}
