/*
 * What this browser keeps for the workshop until it is acknowledged: one row an entry, in IndexedDB, so that two tabs add to it
 * without knowing of each other. Where the browser keeps nothing, or has no room, an entry is kept until the tab is closed, and
 * says so.
 */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { JobInputs } from '@/core/job/job';
import type { LogEntry } from '@/core/log/logEntry';
import type { RequestName } from '@/server/writes';
import { keep, kept } from '@/ui/form/kept';

export interface OutboxEntry {
  /** The same however often it is sent. */
  requestId: string;
  /** What is handed in one after the other: a job, the sheet of a set, the variants of a job. */
  lane: string;
  /** Its place in the lane. */
  order: number;
  /** The form that its request is in. */
  version: number;
  write: RequestName;
  /** What is asked, but for the version and the id. */
  request: object;
  /** What it is about: of two with the same key that were not sent yet the newer stands. Null where each stands for itself. */
  key: string | null;
  /** What it is, for whoever looks at what waits. */
  says: string;
  /** By the clock of this device. */
  doneAt: string;
  /** It was done later than something that it builds on: it is handed in as done now. */
  asNow: boolean;
  /** The version it was first sent on; null before the first time. An answer that was lost is asked for on the same. */
  sentOn: number | null;
  /** It could not be handed in at once: from then on it is told of. */
  waits: boolean;
  /** Why it was not taken, for somebody to choose; null while it may be handed in. */
  trouble: string | null;
  /** Where it is kept: the browser’s keeping outlives the tab, the tab’s own does not. */
  keptIn: 'browser' | 'tab';
  /** What was typed of the job when it was done. */
  inputs: JobInputs | null;
  /** As it will stand in the log, for the plan to go on from; null where it finishes nothing. */
  entry: LogEntry | null;
}

export type NewEntry = Pick<
  OutboxEntry,
  'requestId' | 'lane' | 'write' | 'request' | 'key' | 'says' | 'doneAt' | 'inputs' | 'entry'
>;

/** What is heavy of a request: photographs and sounds. It is read only to be sent. */
type Heavy = Record<string, unknown>;
const HEAVY = new Set(['jpeg', 'wavs']);

interface Schema extends DBSchema {
  entries: { key: string; value: OutboxEntry; indexes: { lane: string } };
  heavy: { key: string; value: Heavy };
}

/** What was added so lately is on its way, ms. */
export const ANOTHERS_MS = 5000;

const NAME = 'keen-batten outbox';
const byOrder = (a: OutboxEntry, b: OutboxEntry): number => a.order - b.order || (a.requestId < b.requestId ? -1 : 1);

/** Locks and storage are there only where the page came safely, and not in tests. */
const browser = (): Partial<Navigator> | undefined => globalThis.navigator as Navigator | undefined;

export class OutboxStore {
  private opened: Promise<IDBPDatabase<Schema> | null> | null = null;
  /** What the browser has no room for. */
  private readonly inTab = new Map<string, OutboxEntry>();
  private readonly listeners = new Set<(lane: string) => void>();
  private lastOrder = 0;
  private lanesNow: readonly string[] = [];
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME);

  constructor() {
    // Node waits for an open channel; a browser has no such call.
    (this.channel as { unref?: () => void } | null)?.unref?.();
    this.channel?.addEventListener('message', ({ data }: MessageEvent<string>) => void this.tell(data));
  }

  /** @param listener with the lane that was changed, in this tab or another */
  subscribe = (listener: (lane: string) => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Lanes that something has to wait in, as they were when they were last looked at. */
  lanes = (): readonly string[] => this.lanesNow;

  async lookAtLanes(): Promise<void> {
    const stored = (await this.attempt((database) => database.getAll('entries')).catch(() => null)) ?? [];
    const late = [...stored, ...this.inTab.values()].filter(({ waits, order }) => waits || Date.now() - order > ANOTHERS_MS);
    const lanes = [...new Set(late.map(({ lane }) => lane))].sort();
    if (lanes.join() === this.lanesNow.join()) return;
    this.lanesNow = lanes;
    for (const listener of this.listeners) listener('');
  }

  /** What waits in a lane, oldest first. */
  async list(lane: string): Promise<OutboxEntry[]> {
    const stored = (await this.attempt((database) => database.getAllFromIndex('entries', 'lane', lane)).catch(() => null)) ?? [];
    return [...stored, ...[...this.inTab.values()].filter((one) => one.lane === lane)].sort(byOrder);
  }

  /** Adds one, or puts it in the place of one that is about the same and was never sent. */
  async add(one: NewEntry): Promise<OutboxEntry> {
    this.lastOrder = Math.max(Date.now(), this.lastOrder + 1);
    const fresh: OutboxEntry = {
      ...one,
      order: this.lastOrder,
      version: SHAPE_VERSION,
      asNow: false,
      sentOn: null,
      waits: false,
      trouble: null,
      keptIn: 'browser',
    };
    const isSame = ({ key, sentOn }: OutboxEntry) => one.key !== null && key === one.key && sentOn === null;
    const inTab = [...this.inTab.values()].find((there) => there.lane === one.lane && isSame(there));
    const parts = Object.entries(one.request);
    const heavy = Object.fromEntries(parts.filter(([name, part]) => HEAVY.has(name) && part !== null));
    const light = Object.fromEntries(parts.filter(([name]) => !(name in heavy)));
    const put = await this.attempt(async (database) => {
      const change = database.transaction(['entries', 'heavy'], 'readwrite');
      const entries = change.objectStore('entries');
      // Asked within the transaction: what is on its way meanwhile is not replaced, and another tab adds before or after, never at once.
      const there = await entries.index('lane').getAll(one.lane);
      const same = one.key === null ? undefined : there.find(isSame);
      if (same) await entries.delete(same.requestId);
      const last = Math.max(0, ...there.map(({ order }) => order));
      fresh.order = (same ?? inTab)?.order ?? Math.max(fresh.order, last + 1);
      this.lastOrder = Math.max(this.lastOrder, fresh.order);
      await entries.put({ ...fresh, request: light });
      if (Object.keys(heavy).length > 0) await change.objectStore('heavy').put(heavy, fresh.requestId);
      await change.done;
      return true;
    }).catch(() => false);
    const entry: OutboxEntry = put ? fresh : { ...fresh, keptIn: 'tab' };
    if (inTab) this.inTab.delete(inTab.requestId);
    if (!put) this.inTab.set(entry.requestId, entry);
    this.say(one.lane);
    // Asked for once there is something to keep; a browser that refuses keeps it all the same until it needs the room.
    if (put)
      void browser()
        ?.storage?.persist?.()
        .catch(() => false);
    return entry;
  }

  /** The whole of what one asks, with its photographs and sounds. */
  async requestOf({ requestId, request }: OutboxEntry): Promise<object> {
    const heavy = await this.attempt((database) => database.get('heavy', requestId)).catch(() => null);
    return { ...request, ...heavy };
  }

  /** Changes one as it stands now, whoever changed it before; null where it is gone. */
  async change(requestId: string, to: (now: OutboxEntry) => OutboxEntry): Promise<OutboxEntry | null> {
    const here = this.inTab.get(requestId);
    if (here) this.inTab.set(requestId, to(here));
    const changed = here
      ? this.inTab.get(requestId)!
      : ((await this.attempt(async (database) => {
          const change = database.transaction('entries', 'readwrite');
          const now = await change.store.get(requestId);
          if (now) await change.store.put(to(now));
          await change.done;
          return now ? to(now) : null;
        }).catch(() => null)) ?? null);
    if (changed) this.say(changed.lane);
    return changed;
  }

  async remove({ requestId, lane }: Pick<OutboxEntry, 'requestId' | 'lane'>): Promise<void> {
    this.inTab.delete(requestId);
    await this.attempt(async (database) => {
      const change = database.transaction(['entries', 'heavy'], 'readwrite');
      await change.objectStore('entries').delete(requestId);
      await change.objectStore('heavy').delete(requestId);
      await change.done;
    }).catch(() => undefined);
    this.say(lane);
  }

  /** Does something while no other tab does anything of this name; where the browser has no locks, ids see to it that nothing is done twice. */
  alone<T>(name: string, act: () => Promise<T>): Promise<T> {
    const locks = browser()?.locks;
    return locks ? (locks.request(`${NAME} ${name}`, act) as Promise<T>) : act();
  }

  private say(lane: string): void {
    this.channel?.postMessage(lane);
    void this.tell(lane);
  }

  private async tell(lane: string): Promise<void> {
    await this.lookAtLanes();
    for (const listener of this.listeners) listener(lane);
  }

  /** Null where the browser keeps nothing. @throws what the browser throws, such as that there is no room */
  private async attempt<T>(act: (database: IDBPDatabase<Schema>) => Promise<T>): Promise<T | null> {
    this.opened ??= this.open();
    const database = await this.opened;
    return database && act(database);
  }

  private async open(): Promise<IDBPDatabase<Schema> | null> {
    try {
      const database = await openDB<Schema>(NAME, 1, {
        upgrade: (fresh) => {
          fresh.createObjectStore('entries', { keyPath: 'requestId' }).createIndex('lane', 'lane');
          fresh.createObjectStore('heavy');
        },
        terminated: () => (this.opened = null),
      });
      // What cannot be taken over stays where it is.
      await takeOver(database).catch(() => undefined);
      return database;
    } catch {
      return null;
    }
  }
}

/** Where records waited before there was an outbox: one text for each job. */
const BEFORE = 'keen-batten.waiting.10.';

/** Takes over what an earlier version of the application left waiting. */
async function takeOver(database: IDBPDatabase<Schema>): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(BEFORE));
  for (const key of keys) {
    const jobId = key.slice(BEFORE.length);
    const list = JSON.parse(kept(key) ?? '[]') as Omit<OutboxEntry, 'lane' | 'order' | 'version' | 'key' | 'asNow' | 'keptIn'>[];
    const change = database.transaction('entries', 'readwrite');
    for (const [order, one] of list.entries())
      await change.store.put({
        ...one,
        request: { ...one.request, jobId },
        lane: jobLane(jobId),
        order,
        version: 10,
        key: null,
        asNow: false,
        keptIn: 'browser',
      });
    await change.done;
    keep(key, null);
  }
}

export const jobLane = (jobId: string): string => `job ${jobId}`;

let store: OutboxStore | null = null;
/** The outbox of this browser. */
export const outboxStore = (): OutboxStore => (store ??= new OutboxStore());
