'use client';
/* Where canvases differ from the plan of their set: let them, have them follow again, or take their plan for all. */
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { SetCanvas, SetPage } from '@/server/set/setPages';
import { Figure } from '@/ui/drawing/Figure';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

export function Departures({ page: { set, canvases } }: { page: SetPage }) {
  const router = useRouter();
  const send = useSend();
  const [says, setSays] = useState<{ ok: boolean; text: string } | null>(null);
  const apart = canvases.filter(({ departs, archived }) => departs.length > 0 && !archived);
  const forAll = async ({ jobId, revision, number }: SetCanvas) => {
    const outcome = await send('planSetBy', { setId: set.id, setRevision: set.revision, jobId, revision });
    if (!outcome.ok) return setSays({ ok: false, text: refusalWords(outcome) });
    const followed = outcome.value.filter(({ changed }) => changed.length > 0).length;
    const kept = outcome.value.filter((one) => one.kept.length > 0);
    setSays({
      ok: true,
      text: `${followed} go along with No. ${number}.${kept.map((one) => ` No. ${one.number} stays as it is in part: ${one.kept[0]!.because}.`).join('')}`,
    });
    router.refresh();
  };
  const follow = async ({ jobId, revision }: SetCanvas) => {
    const outcome = await send('rejoinSet', { jobId, revision });
    setSays(outcome.ok ? null : { ok: false, text: refusalWords(outcome) });
    router.refresh();
  };
  return (
    <section aria-label="Plan of the set" className="text-[14px]">
      <h3 className="text-[15px] font-semibold">Plan of the set</h3>
      {says && (
        <p role={says.ok ? 'status' : 'alert'} className={says.ok ? 'text-success' : 'text-error'}>
          {says.text}
        </p>
      )}
      {apart.length === 0 && (
        <p className="soft leading-5">
          All follow it. To change it, open{' '}
          <Link href={`/job/${canvases[0]!.jobId}`} prefetch={false} className="link">
            one canvas
          </Link>{' '}
          and change it there; here it is taken for all, or departs alone.
        </p>
      )}
      <ul>
        {apart.map((canvas) => (
          <li key={canvas.jobId} className="hair-b py-1.5">
            <p className="leading-5">
              <strong className="figure">No. {canvas.number}</strong> departs
            </p>
            {canvas.departs.slice(0, 5).map(({ field, mine, theirs }) => (
              <p key={field} className="figure leading-5">
                <Figure>{`${field}: ${mine}`}</Figure> <span className="soft">(set: {theirs})</span>
              </p>
            ))}
            {canvas.departs.length > 5 && <p className="soft">and {canvas.departs.length - 5} more</p>}
            <div className="mt-1 flex gap-2">
              <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => void forAll(canvas)}>
                Apply to all
              </button>
              <button type="button" className="btn btn-ghost btn-sm h-9" onClick={() => void follow(canvas)}>
                Reset to the set
              </button>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
