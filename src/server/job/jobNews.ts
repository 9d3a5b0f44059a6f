/*
 * News of a job for the screens that show it: told when another one saved or recorded. Asked of the file itself, so that a second
 * server on it is heard too.
 */
import { revisionOfJob } from '@/db/jobs';
import { lastEntryOf } from '@/db/logEntries';
import type { Workshop } from '../workshop';

/** What stands now: a version of what is typed, and the last entry of its log. */
export interface JobNews {
  revision: number;
  /** Null where nothing was recorded yet. */
  last: { id: string; maker: string; did: string; at: string } | null;
}

/** The news of a job; null where it is gone. */
export function jobNews({ database }: Pick<Workshop, 'database'>, jobId: string): JobNews | null {
  // Asked all the time: what is typed is not read for it.
  const revision = revisionOfJob(database, jobId);
  return revision === null ? null : { revision, last: lastEntryOf(database, jobId) };
}

/** How often the file is asked, ms: what another screen did is told within two seconds. */
const ASK_MS = 700;
/** A word now and then, so that a line that is cut is noticed, ms. */
const PULSE_MS = 15_000;

/** Who listens: asked again with every look, for a device may be signed out meanwhile. */
export interface Listener {
  /** The device, or the machine itself. */
  id: string;
  mayHear: () => boolean;
}

/** One device has so many pages open at most. */
const MOST_STREAMS = 24;
const streams = new Map<string, number>();

/** The news as they come, in the form of server-sent events; null to a device that hears too many already. */
export function newsStream(
  workshop: Pick<Workshop, 'database'>,
  jobId: string,
  gone: AbortSignal,
  listener: Listener,
): ReadableStream<Uint8Array> | null {
  const open = streams.get(listener.id) ?? 0;
  if (open >= MOST_STREAMS) return null;
  streams.set(listener.id, open + 1);
  return listening(workshop, jobId, gone, listener);
}

function listening(
  workshop: Pick<Workshop, 'database'>,
  jobId: string,
  gone: AbortSignal,
  { id, mayHear }: Listener,
): ReadableStream<Uint8Array> {
  const write = new TextEncoder();
  let timers: ReturnType<typeof setInterval>[] = [];
  let ended = false;
  const end = () => {
    timers.forEach(clearInterval);
    if (ended) return;
    ended = true;
    streams.set(id, streams.get(id)! - 1);
  };
  return new ReadableStream({
    start(stream) {
      let told = '';
      const close = () => {
        end();
        try {
          stream.close();
        } catch {
          // Closed by whoever listened.
        }
      };
      /** A line that is cut takes nothing more: then nothing more is asked. */
      const tell = (line: string) => {
        try {
          stream.enqueue(write.encode(line));
        } catch {
          end();
        }
      };
      const ask = () => {
        let news: string;
        try {
          if (!mayHear()) return close();
          news = JSON.stringify(jobNews(workshop, jobId));
        } catch {
          // The file is held: the next turn asks again.
          return;
        }
        if (news === told) return;
        told = news;
        tell(`data: ${news}\n\n`);
      };
      ask();
      if (ended) return;
      timers = [setInterval(ask, ASK_MS), setInterval(() => tell(': still here\n\n'), PULSE_MS)];
      if (gone.aborted) close();
      else gone.addEventListener('abort', close);
    },
    cancel: end,
  });
}
