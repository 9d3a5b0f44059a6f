'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormDialog } from '@/ui/FormDialog';
import { countTrouble, goToBegun, startWords } from '../howMany';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

/** Another canvas like this one, or several: its plan, without what was read and done. */
export function AnotherDialog({ jobId, title: first, onClose }: { jobId: string; title: string; onClose: () => void }) {
  const router = useRouter();
  const send = useSend();
  const [title, setTitle] = useState(first);
  const [count, setCount] = useState('1');
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const begin = async () => {
    const wrong = title.trim() === '' ? 'Give it a title, to find it by.' : countTrouble(count);
    setError(wrong);
    if (wrong !== null) return;
    setBusy(true);
    const outcome = await send('copyJob', { jobId, title: title.trim(), count: Number(count) });
    setBusy(false);
    if (outcome.ok) goToBegun(router, outcome.value);
    else setError(refusalWords(outcome));
  };
  return (
    <FormDialog
      title="Another like this"
      onClose={onClose}
      onSubmit={() => void begin()}
      does={startWords(Number(count))}
      disabled={busy}
      error={error}
    >
      <label className="block">
        <span className="soft block text-[13px]">Title of the new one</span>
        <input
          className="input h-11 w-full"
          value={title}
          maxLength={120}
          autoComplete="off"
          autoFocus
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <label className="block">
        <span className="soft block text-[13px]">How many</span>
        <input
          className="figure input h-11 w-28"
          inputMode="numeric"
          value={count}
          autoComplete="off"
          onChange={(event) => setCount(event.target.value)}
        />
      </label>
      <p className="soft text-[14px]">
        Brief, bars, cloth, route and ground are taken over as they are planned here; readings, ticks, notes and the day it is
        wanted are not.
      </p>
    </FormDialog>
  );
}
