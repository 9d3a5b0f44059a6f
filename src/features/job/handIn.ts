/*
 * What was recorded, measured and noted on a job, on its way to the workshop. It is handed in at once where the workshop is in
 * reach; else it waits here, in the browser’s keeping, in its order, each with an id of its own, so that it is done once.
 */
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { JobInputs } from '@/core/job/job';
import type { LogEntry } from '@/core/log/logEntry';
import type { StoredJob } from '@/db/jobs';
import type { JobWithLog } from '@/server/jobReading';
import type { Outcome } from '@/server/outcome';
import { keep, kept } from '@/ui/kept';
import { refusalWords } from '../refusalWords';
import { newRequestId, sendPatiently } from '../sender';
import type { JobDraft } from './jobDraft';
import type { KeptWrite } from './keep';

export interface Waiting {
  requestId: string;
  /** Which write it is, by its name. */
  write: KeptWrite;
  /** What is asked, but for the job, its version and the id. */
  request: object;
  /** What was typed when it was done. */
  inputs: JobInputs;
  doneAt: string;
  /** What it is, for whoever looks at what waits. */
  says: string;
  /** As it will stand in the log, for the plan to go on from; null where it finishes nothing. */
  entry: LogEntry | null;
  /** The version it was last sent on; null before the first time. An answer that was lost is asked for on the same. */
  sentOn: number | null;
  /** It could not be handed in at once: from then on it is told of, and the plan goes on from it. */
  waits: boolean;
  /** Why it was not taken, for somebody to choose; null while it may be handed in. */
  trouble: string | null;
}

/** As it is sent: what was asked, of which job, on which version, and when it was done. */
export interface HandedRequest {
  requestId: string;
  jobId: string;
  revision: number;
  doneAt: string | null;
}

/** What came of handing in: of the last one that was tried. */
export type HandedIn = { requestId: string } & (
  { kind: 'done'; value: JobWithLog } | { kind: 'waits' } | { kind: 'trouble'; says: string; theirs: StoredJob | null }
);

const PREFIX = `keen-batten.waiting.${SHAPE_VERSION}.`;
const keyOf = (jobId: string): string => PREFIX + jobId;

/** Jobs that something waits for in this browser. */
export function jobsWaiting(): string[] {
  try {
    return Object.keys(localStorage).flatMap((key) => (key.startsWith(PREFIX) ? [key.slice(PREFIX.length)] : []));
  } catch {
    return [];
  }
}

function keptWaiting(jobId: string): Waiting[] {
  try {
    const there = JSON.parse(kept(keyOf(jobId)) ?? '[]') as Waiting[];
    return Array.isArray(there) ? there.filter(({ requestId, inputs }) => requestId && inputs) : [];
  } catch {
    return [];
  }
}

export const SOMEBODY = 'Somebody saved or recorded on this canvas in between. Look at what stands now, then record again.';

export const UNSAVED = 'What was typed is not saved yet: see above.';

/** What takes longer had to wait, ms. */
const AT_ONCE_MS = 5000;

type Draft = Pick<JobDraft, 'read' | 'flush' | 'take' | 'meet'>;

export class HandIn {
  private waiting: readonly Waiting[];
  private listeners = new Set<() => void>();
  private running: Promise<HandedIn | null> | null = null;

  constructor(
    private readonly jobId: string,
    private readonly draft: Draft,
    private readonly ask: (write: KeptWrite, request: HandedRequest) => Promise<Outcome<JobWithLog>>,
  ) {
    this.waiting = keptWaiting(jobId);
  }

  read = (): readonly Waiting[] => this.waiting;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(one: Pick<Waiting, 'write' | 'request' | 'says' | 'entry'>, at: Date): string {
    const requestId = newRequestId();
    const { inputs } = this.draft.read();
    this.put([
      ...this.waiting,
      { ...one, requestId, inputs, doneAt: at.toISOString(), sentOn: null, waits: false, trouble: null },
    ]);
    return requestId;
  }

  /** Tries one again that was not taken: on what stands now. */
  again = (requestId: string): void =>
    this.put(this.waiting.map((one) => (one.requestId === requestId ? { ...one, trouble: null } : one)));

  letGo = (requestId: string): void => this.put(this.waiting.filter((one) => one.requestId !== requestId));

  /**
   * Hands in what waits, in its order, until one is not taken or the workshop is out of reach.
   *
   * @param then with each answer, as it comes
   * @returns what came of the last one; null where nothing was waiting
   */
  run = async (then: (value: JobWithLog) => void): Promise<HandedIn | null> => {
    while (this.running) await this.running;
    this.running = this.handInAll(then);
    try {
      return await this.running;
    } finally {
      this.running = null;
    }
  };

  private async handInAll(then: (value: JobWithLog) => void): Promise<HandedIn | null> {
    let last: HandedIn | null = null;
    for (let one = this.waiting[0]; one; one = this.waiting[0]) {
      if (one.trouble !== null) return { kind: 'trouble', requestId: one.requestId, says: one.trouble, theirs: null };
      last = await this.handIn(one);
      if (last.kind === 'waits') this.put(this.waiting.map((other) => ({ ...other, waits: true })));
      if (last.kind !== 'done') return last;
      then(last.value);
    }
    return last;
  }

  private async handIn(one: Waiting): Promise<HandedIn> {
    const { requestId, doneAt } = one;
    if (!(await this.draft.flush(one.inputs))) {
      if (this.draft.read().away) return { kind: 'waits', requestId };
      return this.refused(one, UNSAVED, null);
    }
    const known = this.draft.read().revision;
    const revision = one.sentOn ?? known;
    this.change(one, { sentOn: revision });
    let outcome: Outcome<JobWithLog>;
    try {
      // What is handed in at once is done when the workshop says it is.
      const late = Date.now() - Date.parse(doneAt) > AT_ONCE_MS;
      const when = { doneAt: late ? doneAt : null };
      const request = { ...one.request, ...when, requestId, jobId: this.jobId, revision };
      outcome = await sendPatiently(() => this.ask(one.write, request));
    } catch {
      return { kind: 'waits', requestId };
    }
    if (outcome.ok) {
      // What was typed since stays; where nothing was, undo ends at the record.
      this.draft.take(outcome.value.job, this.draft.read().save !== 'saved');
      this.letGo(requestId);
      return { kind: 'done', requestId, value: outcome.value };
    }
    if (outcome.kind === 'busy') return { kind: 'waits', requestId };
    if (outcome.kind !== 'stale') return this.refused(one, refusalWords(outcome), null);
    // It never arrived, and what was saved since was saved here.
    if (outcome.theirs.revision === known && revision !== known) {
      this.change(one, { sentOn: null });
      return this.handIn({ ...one, sentOn: null });
    }
    return this.refused(one, SOMEBODY, outcome.theirs);
  }

  private refused(one: Waiting, says: string, theirs: StoredJob | null): HandedIn {
    if (theirs) this.draft.meet(theirs);
    this.change(one, { trouble: says, sentOn: null });
    return { kind: 'trouble', requestId: one.requestId, says, theirs };
  }

  private change({ requestId }: Waiting, change: Partial<Waiting>): void {
    this.put(this.waiting.map((one) => (one.requestId === requestId ? { ...one, ...change } : one)));
  }

  private put(waiting: readonly Waiting[]): void {
    this.waiting = waiting;
    keep(keyOf(this.jobId), waiting.length === 0 ? null : JSON.stringify(waiting));
    for (const listener of this.listeners) listener();
  }
}
