'use client';
/* What other screens do to this job: learned while the page is in sight, told with who and what. */
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { StoredJob } from '@/db/jobs';
import type { JobNews } from '@/server/job/jobNews';
import type { JobDraft } from './jobDraft';

/** How long it is told, ms. */
const TOLD_MS = 12_000;

/** An answer to what this page did itself comes before that, ms. */
const OWN_MS = 800;
const pause = (ms: number) => new Promise<void>((on) => setTimeout(on, ms));

/**
 * @param own the last entry of the log that this page knows, and whether it is about to make one
 * @returns what somebody else did last, in words, for a while; null for nothing
 */
export function useJobNews(jobId: string, draft: JobDraft, own: { last: string | null; busy: boolean }): string | null {
  const router = useRouter();
  const [told, setTold] = useState<string | null>(null);
  const latest = useRef(own);
  useEffect(() => {
    latest.current = own;
  });
  useEffect(() => {
    let source: EventSource | null = null;
    const hear = async ({ data }: MessageEvent<string>) => {
      const news = JSON.parse(data) as JobNews | null;
      if (!news) return;
      do await pause(OWN_MS);
      while (latest.current.busy);
      const entry = news.last?.id === latest.current.last ? null : news.last;
      if (!entry && news.revision <= draft.read().revision) return;
      const answer = await fetch(`/api/job/${jobId}/inputs`, { cache: 'no-store' }).catch(() => null);
      if (!answer?.ok) return;
      const newer = draft.learn((await answer.json()) as StoredJob);
      if (!newer && !entry) return;
      setTold(entry ? `${entry.maker}: ${entry.did}` : 'Changed at another screen');
      router.refresh();
    };
    const open = () => {
      if (document.visibilityState === 'hidden') {
        // A browser keeps few lines open at once: a page out of sight gives its own back, and asks when it is shown again.
        source?.close();
        source = null;
      } else if (!source) {
        source = new EventSource(`/api/job/${jobId}/news`);
        source.onmessage = (event: MessageEvent<string>) => void hear(event);
      }
    };
    open();
    document.addEventListener('visibilitychange', open);
    return () => {
      document.removeEventListener('visibilitychange', open);
      source?.close();
    };
  }, [jobId, draft, router]);
  useEffect(() => {
    if (told === null) return;
    const timer = setTimeout(() => setTold(null), TOLD_MS);
    return () => clearTimeout(timer);
  }, [told]);
  return told;
}
