'use client';
/* What has become ready rings: in words over the page, in the tab’s title, by a sound and a notice where they are allowed. */
import Link from 'next/link';
import { useEffect } from 'react';
import type { DryingClock } from '@/server/bench/benchPage';
import { clockKey, ringing } from './ringing';
import { useSilence } from './useClocks';

const MARK = '◉ ';

export function RingingClocks({ clocks, nowMs }: { clocks: DryingClock[]; nowMs: number }) {
  const silence = useSilence();
  const rings = silence ? ringing(clocks, silence.silenced, silence.knownSinceMs, nowMs) : [];
  const key = rings.map(clockKey).join();
  useEffect(() => {
    if (key === '') return;
    markTitle(true);
    chime();
    if ('Notification' in window && Notification.permission === 'granted')
      new Notification('Keen Batten', { body: 'Something is dry.', tag: key });
    return () => markTitle(false);
  }, [key]);
  if (!silence || rings.length === 0) return null;
  return (
    <div
      role="alert"
      className="no-print fixed bottom-11 left-1/2 z-30 flex w-[min(92vw,620px)] -translate-x-1/2 flex-wrap items-center gap-x-5 gap-y-2 border-2 border-primary bg-base-100 px-5 py-3 shadow-lg"
    >
      <ul className="min-w-0 flex-1 text-[16px]">
        {rings.map((clock) => (
          <li key={clockKey(clock)}>
            <Link className="link font-semibold" href={`/job/${clock.jobId}`}>
              No. {clock.number} {clock.title}
            </Link>
            : {clock.what.toLowerCase()} is ready
          </li>
        ))}
      </ul>
      {'Notification' in globalThis && Notification.permission === 'default' && (
        <button type="button" className="btn btn-ghost btn-sm h-10" onClick={() => void Notification.requestPermission()}>
          Ring outside too
        </button>
      )}
      <button type="button" className="btn btn-primary btn-sm h-12" onClick={() => silence.silence(rings)}>
        Heard
      </button>
    </div>
  );
}

/** The tab’s title with the mark, or without it. */
function markTitle(rings: boolean) {
  const plain = document.title.replace(MARK, '');
  document.title = rings ? MARK + plain : plain;
}

/** Three short notes; silent where the browser wants a touch first. */
function chime() {
  try {
    const context = new AudioContext();
    if (context.state !== 'running') return void context.close();
    [0, 0.28, 0.56].forEach((at, index) => {
      const tone = context.createOscillator();
      const level = context.createGain();
      tone.frequency.value = [660, 660, 880][index]!;
      level.gain.setValueAtTime(0.2, context.currentTime + at);
      level.gain.exponentialRampToValueAtTime(0.001, context.currentTime + at + 0.25);
      tone.connect(level).connect(context.destination);
      tone.start(context.currentTime + at);
      tone.stop(context.currentTime + at + 0.26);
    });
    setTimeout(() => void context.close(), 1500);
  } catch {
    // No sound here: the words and the title ring.
  }
}
