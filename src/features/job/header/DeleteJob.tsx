'use client';
import { Trash2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { refusalWords } from '../../refusalWords';
import { useSend } from '../../useSend';
import type { JobDraft } from '../draft/jobDraft';

/** Time to think better of it, s. */
const SECONDS = 10;

/** Takes a job out on which nothing was recorded: ten seconds to keep it, then it is gone. */
export function DeleteJob({ jobId, draft }: { jobId: string; draft: JobDraft }) {
  const router = useRouter();
  const send = useSend();
  const [left, setLeft] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    if (left === null) return;
    const timer = setTimeout(() => {
      if (left > 1) return setLeft(left - 1);
      setLeft(null);
      void (async () => {
        if (!(await draft.flush())) return setError('What was typed is not saved yet: see above.');
        const outcome = await send('removeJob', { jobId, revision: draft.read().revision });
        if (!outcome.ok) return setError(refusalWords(outcome));
        router.push('/');
        router.refresh();
      })();
    }, 1000);
    return () => clearTimeout(timer);
  }, [left, draft, jobId, router, send]);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm px-1.5 bench:px-2"
        disabled={left !== null}
        onClick={() => {
          setError(null);
          setLeft(SECONDS);
        }}
        aria-label="Delete this job"
        title="Delete this job: nothing is recorded on it"
      >
        <Trash2 aria-hidden className="size-4" />
      </button>
      {left !== null && (
        <span role="status" className="figure flex items-center gap-2 text-warning">
          Gone in {left} s
          <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => setLeft(null)}>
            Keep it
          </button>
        </span>
      )}
      {error !== null && (
        <span role="alert" className="text-error">
          {error}
        </span>
      )}
    </>
  );
}
