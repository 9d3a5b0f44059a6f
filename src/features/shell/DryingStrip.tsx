'use client';
import Link from 'next/link';
import type { DryingClock } from '@/server/workshopCases';
import { clockPart, clockWords } from '@/ui/Clock';
import { useNow } from '@/ui/useNow';

/** What dries or sets, always in sight; the line under each fills as its time runs. */
export function DryingStrip({ clocks, nowMs: serverNow }: { clocks: DryingClock[]; nowMs: number }) {
  const nowMs = useNow(serverNow);
  return (
    <footer
      className="no-print flex items-center gap-6 overflow-x-auto border-t border-[var(--hair)] px-5 text-[14px] whitespace-nowrap"
      aria-label="Drying"
    >
      <span className="soft py-1.5">Drying</span>
      {clocks.length === 0 && <span className="soft">nothing</span>}
      {clocks.map((clock) => {
        const { ready, words } = clockWords(clock.readyAt, nowMs);
        return (
          <Link
            key={clock.jobId}
            href={`/job/${clock.jobId}`}
            prefetch={false}
            className="figure relative py-1.5 hover:underline"
            title={clock.title}
          >
            <strong>No. {clock.number}</strong> {clock.what.toLowerCase()},{' '}
            <span className={ready ? 'text-success' : ''}>{words}</span>
            <span
              aria-hidden
              className="absolute bottom-0 left-0 h-[3px] bg-primary"
              style={{ width: `${clockPart(clock.startedAt, clock.readyAt, nowMs) * 100}%` }}
            />
          </Link>
        );
      })}
    </footer>
  );
}
