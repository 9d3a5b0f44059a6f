'use client';
import Link from 'next/link';
import { format } from 'date-fns';
import { assumed } from '@/core/house/houseRules';
import { clockPart, clockWords } from '@/ui/Clock';
import { useNow } from '@/ui/useNow';
import { useWorkshop } from '@/ui/WorkshopContext';
import { spellWords } from '../air/spellWords';
import { RingingClocks } from './RingingClocks';
import { inHandFrom } from './ringing';
import { type WorkshopNews, useNews } from './useClocks';

/** So many clocks are told in full. */
const FULL_CLOCKS = 2;

/** What dries or sets, always in sight; the line under each fills as its time runs. */
export function DryingStrip({ news, nowMs: serverNow }: { news: WorkshopNews; nowMs: number }) {
  const nowMs = useNow(serverNow);
  const { rules } = useWorkshop();
  const { clocks, count, spell } = useNews(news);
  const damp = spellWords(spell);
  const hands = (readyAt: string) => handWords(readyAt, assumed(rules, 'workFrom'), assumed(rules, 'workUntil'));
  return (
    <footer
      className="no-print flex items-center gap-6 overflow-x-auto border-t border-[var(--hair)] px-5 text-[14px] whitespace-nowrap"
      aria-label="Drying"
    >
      {damp && (
        <Link href="/air" prefetch={false} className="figure py-1.5 text-warning hover:underline">
          Watch. {damp}
        </Link>
      )}
      <span className="soft py-1.5">Drying{count > 0 && ` ${count}`}</span>
      <RingingClocks clocks={clocks} nowMs={nowMs} />
      {clocks.length === 0 && <span className="soft">nothing</span>}
      {clocks.map((clock) => {
        const { ready, words } = clockWords(clock.readyAt, nowMs);
        // Many clocks: how long is told, when stands in the title.
        const few = clocks.length <= FULL_CLOCKS;
        return (
          <Link
            key={clock.jobId}
            href={`/job/${clock.jobId}`}
            prefetch={false}
            className="figure relative py-1.5 hover:underline"
            title={`${clock.title}: ${words}${ready ? '' : hands(clock.readyAt)}`}
          >
            <strong>No. {clock.number}</strong> {clock.what.toLowerCase()},{' '}
            <span className={ready ? 'text-success' : ''}>
              {few ? words : ready ? 'ready' : words.split(', ')[0]!.replace(' left', '')}
            </span>
            {few && !ready && <span className="soft">{hands(clock.readyAt)}</span>}
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

/** ", in hand from 08:00" for what is ready outside the working day. */
function handWords(readyAt: string, from: number, until: number): string {
  const ready = new Date(readyAt);
  const hand = inHandFrom(ready, from, until);
  return hand.getTime() === ready.getTime() ? '' : `, in hand from ${format(hand, 'HH:mm')}`;
}
