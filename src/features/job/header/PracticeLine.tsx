'use client';
import { isPractice } from '@/core/job/practice';
import { practiseAgainAction } from '@/server/actions';

/** On a canvas to practise on: that nothing of it counts, and the way to begin anew. */
export function PracticeLine({ jobId }: { jobId: string }) {
  if (!isPractice(jobId)) return null;
  const again = async () => {
    await practiseAgainAction();
    window.location.reload();
  };
  return (
    <p className="hair-b no-print flex flex-wrap items-center gap-x-4 px-5 py-1 text-[15px] text-success">
      <span className="min-w-0 flex-1">
        <strong>Practice.</strong> Do all of it, wrong things too: neither the store nor the log knows of it, and it is gone with
        the day.
      </span>
      <button type="button" className="btn btn-ghost btn-sm h-9" onClick={() => void again()}>
        Start again
      </button>
    </p>
  );
}
