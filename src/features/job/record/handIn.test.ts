import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type JobInputs, newInputs } from '@/core/job/job';
import { testEntry } from '@/core/log/testEntry';
import type { LogEntry } from '@/core/log/logEntry';
import { length } from '@/core/units/length';
import type { StoredJob } from '@/db/jobs';
import type { JobWithLog } from '@/server/job/jobReading';
import type { Outcome } from '@/server/write/outcome';
import { OutboxStore } from '../../outbox/outboxStore';
import { type HandedRequest, jobOutbox } from './handIn';
import { JobDraft, type SentInputs } from '../draft/jobDraft';

const first: StoredJob = {
  id: 'a',
  number: 101,
  createdAt: '2031-05-04T12:00:00Z',
  inputs: newInputs('Harbour', length(900), length(600)),
  revision: 1,
};
type Sent = { requestId: string; jobId: string; revision: number; agoMs: number | null; what: string };

/** A workshop that takes saves and records on its own version, each request once, and can be away or lose its answers. */
function workshop() {
  const state = {
    job: first,
    log: [] as LogEntry[],
    away: false,
    losesAnswers: 0,
    drops: 0,
    refuses: '',
    early: '',
    sent: [] as Sent[],
  };
  const done = new Map<string, string>();
  const lose = <T>(answer: T): T => {
    if (state.losesAnswers-- > 0) throw new TypeError('Failed to fetch');
    return answer;
  };
  const save = async ({ revision, inputs }: SentInputs): Promise<Outcome<StoredJob>> => {
    if (state.away) throw new TypeError('Failed to fetch');
    if (revision !== state.job.revision) return { ok: false, kind: 'stale', theirs: state.job };
    state.job = { ...state.job, inputs, revision: revision + 1 };
    return { ok: true, value: state.job };
  };
  const record = async (_write: string, request: HandedRequest): Promise<Outcome<JobWithLog>> => {
    const sent = request as unknown as Sent;
    if (state.away) throw new TypeError('Failed to fetch');
    if (state.drops-- > 0) throw new TypeError('Failed to fetch');
    state.sent.push(sent);
    const answer = (): Outcome<JobWithLog> => ({ ok: true, value: { job: state.job, log: state.log } });
    if (done.has(sent.requestId))
      return done.get(sent.requestId) === `${sent.what} ${sent.revision}`
        ? answer()
        : { ok: false, kind: 'refused', says: 'not the same' };
    if (state.early === sent.what) return { ok: false, kind: 'early', says: 'Too early.' };
    if (state.refuses === sent.what) return { ok: false, kind: 'refused', says: 'Not so.' };
    if (sent.revision !== state.job.revision) return { ok: false, kind: 'stale', theirs: state.job };
    done.set(sent.requestId, `${sent.what} ${sent.revision}`);
    state.job = { ...state.job, revision: state.job.revision + 1 };
    state.log = [...state.log, testEntry(`${sent.what} of ${state.job.inputs.brief.title}`, 'brief')];
    return lose(answer());
  };
  const draft = new JobDraft(first, save);
  const queue = (store = new OutboxStore()) => jobOutbox(store, 'a', draft, record);
  return { state, draft, queue };
}
type Queue = ReturnType<typeof jobOutbox>;
const put = (queue: Queue, what: string, inputs: JobInputs | null = null) =>
  queue.add({ write: 'recordStep', request: { what }, says: what, inputs });
const lanes = async () => {
  const store = new OutboxStore();
  await store.lookAtLanes();
  return store.lanes();
};
const nothing = () => undefined;
const recorded = (log: readonly LogEntry[]) => log.map(({ id }) => id);

beforeEach(() => vi.stubGlobal('indexedDB', new IDBFactory()));
afterEach(() => vi.unstubAllGlobals());

describe('what is handed in', () => {
  it('goes at once where the workshop is in reach, and leaves nothing behind', async () => {
    const { state, draft, queue } = workshop();
    const hand = queue();
    draft.change('brief', { title: 'Harbour, evening' });
    const id = await put(hand, 'brief', draft.read().inputs);
    expect(await hand.run(nothing)).toMatchObject({ kind: 'done', requestId: id });
    expect(recorded(state.log)).toEqual(['brief of Harbour, evening']);
    expect([hand.read(), await lanes(), state.sent[0]!.agoMs, draft.read().save]).toEqual([[], [], null, 'saved']);
  });

  it('waits in its order while it is away, each with what was typed then, also over a new page; then all is there once', async () => {
    const { state, draft, queue } = workshop();
    state.away = true;
    const hand = queue();
    for (let count = 1; count <= 10; count += 1) {
      draft.change('brief', { title: `title ${count}` });
      await put(hand, `reading ${count}`, draft.read().inputs);
      expect(await hand.run(nothing)).toMatchObject({ kind: 'waits' });
    }
    draft.change('brief', { title: 'typed since' });
    expect(await lanes()).toEqual(['job a']);
    const again = queue();
    await again.load();
    expect(again.read()).toHaveLength(10);
    state.away = false;
    state.losesAnswers = 1;
    // An answer is lost on its way, and all of it is tried once more.
    expect(await again.run(nothing)).toMatchObject({ kind: 'waits' });
    expect(await again.run(nothing)).toMatchObject({ kind: 'done' });
    expect(recorded(state.log)).toEqual(Array.from({ length: 10 }, (_, index) => `reading ${index + 1} of title ${index + 1}`));
    expect([again.read(), await lanes()]).toEqual([[], []]);
    await draft.flush();
    expect(state.job.inputs.brief.title).toBe('typed since');
  });

  it.each([
    ['was carried out', true],
    ['never arrived', false],
  ])('is done once where what is typed is saved between two tries and the first %s', async (_, arrived) => {
    const { state, draft, queue } = workshop();
    const hand = queue();
    await put(hand, 'frame', draft.read().inputs);
    if (arrived) state.losesAnswers = 1;
    else state.drops = 1;
    expect(await hand.run(nothing)).toMatchObject({ kind: 'waits' });
    draft.change('cloth', { hold: 40 } as never);
    expect(await draft.flush()).toBe(true);
    // The second try is carried out as well, and its answer lost too.
    if (!arrived) {
      state.losesAnswers = 1;
      expect(await hand.run(nothing)).toMatchObject({ kind: 'waits' });
    }
    expect(await hand.run(nothing)).toMatchObject({ kind: 'done' });
    expect(recorded(state.log)).toEqual(['frame of Harbour']);
    expect(hand.read()).toEqual([]);
  });

  it('says how long ago it was done where it had to wait, by the clock of the device alone', async () => {
    const { state, queue } = workshop();
    state.away = true;
    const hand = queue();
    await hand.add({ write: 'recordStep', request: { what: 'coat' }, says: 'coat' }, new Date(Date.now() - 3_600_000));
    await hand.run(nothing);
    state.away = false;
    await hand.run(nothing);
    expect(Math.abs(state.sent.at(-1)!.agoMs! - 3_600_000)).toBeLessThan(5000);
  });

  it('goes as done now where it was done before what it builds on, once somebody says so', async () => {
    const { state, queue } = workshop();
    const hand = queue();
    state.early = 'coat';
    const id = await hand.add({ write: 'recordStep', request: { what: 'coat' }, says: 'coat' }, new Date(Date.now() - 60_000));
    expect(await hand.run(nothing)).toMatchObject({ kind: 'refused', says: 'Too early.' });
    state.early = '';
    await hand.again(id);
    expect(await hand.run(nothing)).toMatchObject({ kind: 'done' });
    expect(state.sent.map(({ agoMs }) => agoMs === null)).toEqual([false, true]);
  });

  it('asks where somebody recorded in between, and hands in on what stands then; one that is refused can be let go', async () => {
    const { state, draft, queue } = workshop();
    state.away = true;
    const hand = queue();
    const id = await put(hand, 'frame');
    await put(hand, 'cloth');
    await hand.run(nothing);
    state.away = false;
    state.job = { ...state.job, revision: 7 };
    expect(await hand.run(nothing)).toMatchObject({ kind: 'refused', requestId: id });
    expect(await hand.run(nothing)).toMatchObject({ kind: 'refused', requestId: id });
    expect([state.log, hand.read().length, draft.read().revision]).toEqual([[], 2, 7]);
    await hand.again(id);
    state.refuses = 'cloth';
    const last = await hand.run(nothing);
    expect(last).toMatchObject({ kind: 'refused', says: 'Not so.' });
    expect(recorded(state.log)).toEqual(['frame of Harbour']);
    await hand.letGo(last!.requestId);
    expect(await hand.run(nothing)).toBeNull();
  });
});
