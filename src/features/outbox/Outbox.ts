/*
 * One lane of what waits for the workshop: handed in in its order, one after the other, by one tab at a time; kept until it is
 * acknowledged, tried again while the workshop is out of reach, put to somebody where it is refused.
 */
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { Outcome } from '@/server/write/outcome';
import { refusalWords } from '../refusalWords';
import { newRequestId, sendPatiently } from '../sender';
import { ANOTHERS_MS, type NewEntry, type OutboxEntry, type OutboxStore } from './outboxStore';

/** What came of sending one. */
export type Sent<T> =
  | { kind: 'done'; value: T }
  /** The workshop is out of reach. */
  | { kind: 'waits' }
  /** It was not taken. `early`: it may be handed in as done now. */
  | { kind: 'refused'; says: string; early?: boolean };

/** What an answer of the workshop comes to. */
export function sentOf<T>(outcome: Outcome<T>): Sent<T> {
  if (outcome.ok) return { kind: 'done', value: outcome.value };
  if (outcome.kind === 'busy') return { kind: 'waits' };
  return { kind: 'refused', says: refusalWords(outcome), early: outcome.kind === 'early' };
}

/** Asks the workshop; out of reach where no answer comes. */
export async function sentBy<T>(ask: () => Promise<Outcome<T>>): Promise<Sent<T>> {
  try {
    return sentOf(await sendPatiently(ask));
  } catch {
    return { kind: 'waits' };
  }
}

/** Why some of these are not in the workshop: what was refused, else where they wait, in these words; null where they are just sent. */
export function waitingWords(entries: readonly OutboxEntry[], words: Record<OutboxEntry['keptIn'], string>): string | null {
  const refused = entries.find(({ trouble }) => trouble !== null);
  const away = entries.find(({ waits }) => waits);
  return refused?.trouble ?? (away ? words[away.keptIn] : null);
}

export type HandedIn<T> = { requestId: string } & (
  { kind: 'done'; value: T } | { kind: 'waits' } | { kind: 'refused'; says: string }
);

/** Notes the version that one is sent on, and answers the one it was sent on before: an answer that was lost is asked for on the same. */
export type SentOn = (revision: number, anew?: 'anew') => Promise<number>;
export type SendEntry<T> = (entry: OutboxEntry, sentOn: SentOn) => Promise<Sent<T>>;

interface OutboxOptions {
  /** One that is refused holds up only what is about the same, not the whole lane. */
  passes?: boolean;
}

export type Posted = Pick<NewEntry, 'write' | 'request' | 'says'> & Partial<Pick<NewEntry, 'key' | 'inputs' | 'entry'>>;

const EARLIER = 'This was done with an earlier version of the application and cannot be read any more: do it again.';
/** Where one stands: what it asks never changes. */
const standOf = ({ requestId, version, sentOn, waits, trouble, asNow, keptIn }: OutboxEntry): string =>
  JSON.stringify([requestId, version, sentOn, waits, trouble, asNow, keptIn]);

const NOTHING: readonly OutboxEntry[] = [];

export class Outbox<T> {
  private waiting: readonly OutboxEntry[] = NOTHING;
  private readonly listeners = new Set<() => void>();
  private leave: (() => void) | null = null;
  private running: Promise<unknown> = Promise.resolve();
  private adding: Promise<unknown> = Promise.resolve();
  /** Added by this tab. */
  private readonly own = new Set<string>();

  constructor(
    private readonly store: OutboxStore,
    readonly lane: string,
    private readonly send: SendEntry<T>,
    private readonly options: OutboxOptions = {},
  ) {}

  read = (): readonly OutboxEntry[] => this.waiting;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    this.leave ??= this.store.subscribe((lane) => lane === this.lane && void this.load());
    void this.load();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      this.leave?.();
      this.leave = null;
    };
  };

  /** Looks at what is kept. */
  load = async (): Promise<void> => {
    const list = await this.store.list(this.lane);
    if (list.map(standOf).join() === this.waiting.map(standOf).join()) return;
    this.waiting = list.length === 0 ? NOTHING : list;
    for (const listener of this.listeners) listener();
  };

  /** Keeps one until it is acknowledged. @returns its id */
  add = async (one: Posted, at: Date = new Date()): Promise<string> => {
    const requestId = newRequestId();
    this.own.add(requestId);
    const kept = { key: null, inputs: null, entry: null, ...one, requestId, lane: this.lane, doneAt: at.toISOString() };
    // One after the other: the newer takes the place of the older.
    this.adding = this.adding.then(() => this.store.add(kept));
    await this.adding;
    await this.load();
    return requestId;
  };

  /** Tries one again that was not taken: on what stands now. */
  again = (requestId: string): Promise<void> => this.change(requestId, { trouble: null });

  /** Leaves one that was refused to whoever comes: it is told of from now on. */
  leaveIt = (requestId: string): Promise<void> => this.change(requestId, { waits: true });

  letGo = async (requestId: string): Promise<void> => {
    await this.store.remove({ requestId, lane: this.lane });
    await this.load();
  };

  /**
   * Hands in what waits, in its order, until one is not taken or the workshop is out of reach.
   *
   * @param then with each answer, as it comes
   * @returns what came of the last one that was tried; null where nothing was waiting
   */
  run = (then: (value: T) => void = () => undefined): Promise<HandedIn<T> | null> => {
    const run = Promise.all([this.running, this.adding]).then(() => this.store.alone(this.lane, () => this.handInAll(then)));
    this.running = run.catch(() => undefined);
    return run;
  };

  private async handInAll(then: (value: T) => void): Promise<HandedIn<T> | null> {
    let last: HandedIn<T> | null = null;
    const passed = new Set<string>();
    const next = async (): Promise<OutboxEntry | undefined> => {
      // Another tab may have handed in what this one knew of.
      await this.load();
      const one = this.waiting.find(({ requestId, key }) => !passed.has(requestId) && !(key !== null && passed.has(key)));
      return one && this.mayBeSent(one) ? one : undefined;
    };
    for (let one = await next(); one; one = await next()) {
      last = one.trouble === null ? await this.handIn(one) : { kind: 'refused', requestId: one.requestId, says: one.trouble };
      if (last.kind === 'done') {
        then(last.value);
        continue;
      }
      if (last.kind === 'waits') {
        for (const { requestId, waits } of this.waiting)
          if (!waits) await this.store.change(requestId, (now) => ({ ...now, waits: true }));
        await this.load();
        return last;
      }
      if (!this.options.passes) return last;
      passed.add(one.requestId);
      if (one.key !== null) passed.add(one.key);
    }
    return last;
  }

  /** What another tab has just added is left to that tab. */
  private mayBeSent = ({ requestId, waits, trouble, order }: OutboxEntry): boolean =>
    this.own.has(requestId) || waits || trouble !== null || Date.now() - order > ANOTHERS_MS;

  private async handIn(one: OutboxEntry): Promise<HandedIn<T>> {
    const { requestId } = one;
    if (one.version !== SHAPE_VERSION) return this.refused(one, EARLIER, false);
    const sentOn: SentOn = async (revision, anew) => {
      const noted = await this.store.change(requestId, (now) => ({ ...now, sentOn: anew ? revision : (now.sentOn ?? revision) }));
      return noted?.sentOn ?? revision;
    };
    const sent = await this.send({ ...one, request: await this.store.requestOf(one) }, sentOn);
    if (sent.kind === 'waits') return { kind: 'waits', requestId };
    if (sent.kind === 'refused') return this.refused(one, sent.says, sent.early ?? false);
    await this.letGo(requestId);
    return { ...sent, requestId };
  }

  private async refused({ requestId }: OutboxEntry, says: string, early: boolean): Promise<HandedIn<T>> {
    const known = this.own.has(requestId) ? {} : { waits: true };
    await this.change(requestId, { trouble: says, sentOn: null, ...known, ...(early ? { asNow: true } : {}) });
    return { kind: 'refused', requestId, says };
  }

  private async change(requestId: string, change: Partial<OutboxEntry>): Promise<void> {
    await this.store.change(requestId, (now) => ({ ...now, ...change }));
    await this.load();
  }
}

/** What takes longer had to wait, ms. */
const AT_ONCE_MS = 5000;

/** How long ago one was done, as the workshop is told; null for now: what is handed in at once is done when the workshop says it is. */
export function agoOf({ doneAt, asNow }: OutboxEntry): number | null {
  const agoMs = Date.now() - Date.parse(doneAt);
  return !asNow && agoMs > AT_ONCE_MS ? agoMs : null;
}
