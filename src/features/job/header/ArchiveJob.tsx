'use client';
import { Archive, ArchiveRestore } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { refusalOf } from '../../refusalWords';
import { useSend } from '../../useSend';
import type { JobDraft } from '../draft/jobDraft';

interface ArchiveJobProps {
  jobId: string;
  number: number;
  archived: boolean;
  draft: JobDraft;
}

/** Puts a job that was begun out of every list but the log, or brings it back. */
export function ArchiveJob({ jobId, number, archived, draft }: ArchiveJobProps) {
  const router = useRouter();
  const send = useSend();
  const [error, setError] = useState<string | null>(null);
  const file = async () => {
    if (!(await draft.flush())) return setError('What was typed is not saved yet: see above.');
    const refusal = refusalOf(
      await send('archive', { canvases: [{ jobId, revision: draft.read().revision }], archived: !archived }),
    );
    setError(refusal);
    if (refusal === null) return archived ? location.reload() : router.push('/');
  };
  return (
    <>
      {archived && <span className="text-warning">No. {number} is archived: out of the lists, in the log.</span>}
      <button
        type="button"
        className={archived ? 'btn btn-outline btn-sm h-9' : 'btn btn-ghost btn-sm px-1.5 bench:px-2'}
        onClick={() => void file()}
        aria-label={archived ? 'Bring this job back' : 'Archive this job'}
        title={archived ? 'Back into the lists' : 'Archive this job: out of the lists, in the log'}
      >
        {archived ? (
          <>
            <ArchiveRestore aria-hidden className="size-4" /> Bring back
          </>
        ) : (
          <Archive aria-hidden className="size-4" />
        )}
      </button>
      {error !== null && (
        <span role="alert" className="text-error">
          {error}
        </span>
      )}
    </>
  );
}
