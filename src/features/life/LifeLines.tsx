'use client';
/* Everything that became of a canvas, the newest first: marks with the number they have on the chart, readings with their air. */
import { printed } from '@/core/quantities/printed';
import { format } from 'date-fns';
import type { Life } from '@/core/life/life';
import { standingEntries } from '@/core/log/jobHistory';
import type { LogEntry } from '@/core/log/logEntry';
import { Figure } from '@/ui/drawing/Figure';
import { shownMarks } from './shownMarks';

/** What is told here: what was made of the cloth, and all that came after. */
const told = ({ kind, stage }: LogEntry): boolean =>
  ['reading', 'remedy', 'event', 'hung', 'takenDown', 'note', 'brought'].includes(kind) ||
  (kind === 'record' && ['fasten', 'tune', 'prime', 'handover'].includes(stage));

export function LifeLines({
  log,
  life,
  photographs,
  jobs,
}: {
  log: readonly LogEntry[];
  life: Life;
  photographs: readonly string[];
  /** Whose entry is whose: of a canvas stretched again, the one before too. */
  jobs: readonly { id: string; log: readonly LogEntry[] }[];
}) {
  const marks = shownMarks(life);
  const entries = standingEntries(log).filter(told).reverse();
  return (
    <ol className="figure px-5 py-2 text-[14.5px]" aria-label="History">
      {entries.map((entry) => {
        const number = marks.findIndex(({ entryId }) => entryId === entry.id) + 1;
        const rh = entry.readings.find(({ quantity }) => quantity === 'roomHumidity');
        const job = jobs.find((one) => one.log.some(({ id }) => id === entry.id))!;
        return (
          <li key={entry.id} className="hair-b flex gap-x-3 py-1">
            <span className="w-5 flex-none text-right font-semibold">{number > 0 ? number : ''}</span>
            <time dateTime={entry.at} className="soft w-24 flex-none whitespace-nowrap">
              {format(new Date(entry.at), 'd MMM yyyy')}
            </time>
            <span className="min-w-0 flex-1">
              <Figure>{entry.did}</Figure>
              {rh && (
                <span className="soft">
                  , at {printed('humidity', rh.value)}
                  {rh.known === 'simulated' ? ', simulated' : ''}
                </span>
              )}
              {entry.note && <span className="block">{entry.note}</span>}
              {photographs.includes(entry.id) && (
                // eslint-disable-next-line @next/next/no-img-element -- it lies in the workshop’s own file
                <img
                  src={`/api/job/${job.id}/photograph/${entry.id}`}
                  alt={`Photograph, ${entry.did}`}
                  className="mt-1 max-h-40"
                  loading="lazy"
                />
              )}
            </span>
            <span className="soft hidden flex-none sm:block">{entry.maker}</span>
          </li>
        );
      })}
    </ol>
  );
}
