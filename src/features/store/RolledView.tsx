'use client';
/* Paintings that came off their bars; each can be stretched again with what is known of it. */
import { printed } from '@/core/quantities/printed';
import { format } from 'date-fns';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { printSize, printTyped } from '@/core/units/length';
import { byId } from '@/core/house/schools';
import { SIDES } from '@/core/job/sides';
import { KEEPINGS } from '@/core/painting/takenDownWork';
import type { RolledWork } from '@/db/rolledWorks';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

export function RolledView({ rolled }: { rolled: readonly RolledWork[] }) {
  const router = useRouter();
  const send = useSend();
  const { tape } = useWorkshop();
  const [error, setError] = useState<string | null>(null);
  const again = async ({ id, title }: RolledWork) => {
    setError(null);
    const outcome = await send('restretch', { rolledId: id, title: `${title.slice(0, 100)}, re-stretch` });
    if (outcome.ok) router.push(`/job/${outcome.value.id}`);
    else setError(refusalWords(outcome));
  };
  return (
    <section aria-label="Taken down">
      {rolled.length === 0 && (
        <p className="soft max-w-prose py-2 text-[15px]">
          Nothing was taken down. A stretched canvas is taken down on its own page: the painting is kept with its measures, the
          bars go back to the rack.
        </p>
      )}
      {error !== null && (
        <p role="alert" className="text-[14px] text-error">
          {error}
        </p>
      )}
      <ul>
        {rolled.map((work) => {
          const { width, height, margins, kept, faceOut, along, coreMm, place } = work.measured;
          return (
            <li key={work.id} className="hair-b flex flex-wrap items-center gap-x-6 gap-y-1 py-2">
              <span className="min-w-0 flex-1">
                <span className="text-[16px] font-semibold">{work.title}</span>{' '}
                <Link href={`/job/${work.jobId}`} prefetch={false} className="link figure soft text-[14px]">
                  No. {work.number}
                </Link>
                <span className="figure block text-[14.5px]">
                  <Figure>
                    {`image ${printSize(width.mm, height.mm, tape)}; margins ${SIDES.map((side) => `${side} ${printTyped(margins[side])}`).join(', ')}`}
                  </Figure>
                </span>
                <span className="soft block text-[14px]">
                  {kept === 'rolled'
                    ? `rolled ${faceOut ? 'face out' : 'face in'} along its ${along} on a core of ${printed('core', coreMm, tape)}`
                    : byId(KEEPINGS, kept).name.toLowerCase()}
                  {place && `, ${place}`}; {format(new Date(work.at), 'd MMM yyyy')}, {work.maker}
                </span>
                {kept === 'rolled' && !faceOut && (
                  <span className="block text-[13.5px] text-warning">
                    Watch. Face in, paint is pressed together and creases. Ask a conservator before it is rolled anew.
                  </span>
                )}
              </span>
              <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => void again(work)}>
                Stretch it again
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
