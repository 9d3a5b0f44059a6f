import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newInputs } from '@/core/job/job';
import { testEntry } from '@/core/log/testEntry';
import type { LogEntry } from '@/core/log/logEntry';
import { length } from '@/core/units/length';
import type { StoredJob } from '@/db/jobs';
import type { JobWithLog } from '@/server/jobReading';
import type { Outcome } from '@/server/outcome';
import { HandIn, type HandedRequest, jobsWaiting } from './handIn';
import { JobDraft, type SentInputs } from './jobDraft';

const first: StoredJob = {
  id: 'a',
  number: 101,
  createdAt: '2031-05-04T12:00:00Z',
  inputs: newInputs('Harbour', length(900), length(600)),
  revision: 1,
};
type Sent = { requestId: string; jobId: string; revision: number; doneAt: string | null; what: string };

/** A workshop that takes saves and records on its own version, each request once, and can be away or lose its answers. */
function workshop() {
  const state = { job: first, log: [] as LogEntry[], away: false, losesAnswers: 0, drops: 0, refuses: '', sent: [] as Sent[] };
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
    const sent = request as Sent;
    if (state.away) throw new TypeError('Failed to fetch');
    if (state.drops-- > 0) throw new TypeError('Failed to fetch');
    state.sent.push(sent);
    const answer = (): Outcome<JobWithLog> => ({ ok: true, value: { job: state.job, log: state.log } });
    if (done.has(sent.requestId))
      return done.get(sent.requestId) === `${sent.what} ${sent.revision}`
        ? answer()
        : { ok: false, kind: 'refused', says: 'not the same' };
    if (state.refuses === sent.what) return { ok: false, kind: 'refused', says: 'Not so.' };
    if (sent.revision !== state.job.revision) return { ok: false, kind: 'stale', theirs: state.job };
    done.set(sent.requestId, `${sent.what} ${sent.revision}`);
    state.job = { ...state.job, revision: state.job.revision + 1 };
    state.log = [...state.log, testEntry(`${sent.what} of ${state.job.inputs.brief.title}`, 'brief')];
    return lose(answer());
  };
  const draft = new JobDraft(first, save);
  const queue = () => new HandIn('a', draft, record);
  return { state, draft, queue };
}
const put = (queue: HandIn, what: string) =>
  queue.add({ write: 'recordStep', request: { what }, says: what, entry: null }, new Date());
const nothing = () => undefined;
const recorded = (log: readonly LogEntry[]) => log.map(({ id }) => id);

beforeEach(() => {
  const there = new Map<string, string>();
  vi.stubGlobal(
    'localStorage',
    new Proxy(
      {},
      {
        get: (_, name) =>
          ({
            getItem: (key: string) => there.get(key) ?? null,
            setItem: (key: string, text: string) => void there.set(key, text),
            removeItem: (key: string) => void there.delete(key),
          })[name as 'getItem'],
        ownKeys: () => [...there.keys()],
        getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
      },
    ),
  );
});
afterEach(() => vi.unstubAllGlobals());

describe('what is handed in', () => {
  it('goes at once where the workshop is in reach, and leaves nothing behind', async () => {
    const { state, draft, queue } = workshop();
    const hand = queue();
    draft.change('brief', { title: 'Harbour, evening' });
    const id = put(hand, 'brief');
    expect(await hand.run(nothing)).toMatchObject({ kind: 'done', requestId: id });
    expect(recorded(state.log)).toEqual(['brief of Harbour, evening']);
    expect([hand.read(), jobsWaiting(), state.sent[0]!.doneAt, draft.read().save]).toEqual([[], [], null, 'saved']);
  });

  it('waits in its order while it is away, each with what was typed then, also over a new page; then all is there once', async () => {
    const { state, draft, queue } = workshop();
    state.away = true;
    const hand = queue();
    for (let count = 1; count <= 10; count += 1) {
      draft.change('brief', { title: `title ${count}` });
      put(hand, `reading ${count}`);
      expect(await hand.run(nothing)).toMatchObject({ kind: 'waits' });
    }
    draft.change('brief', { title: 'typed since' });
    expect(jobsWaiting()).toEqual(['a']);
    const again = queue();
    expect(again.read()).toHaveLength(10);
    state.away = false;
    state.losesAnswers = 1;
    // An answer is lost on its way, and all of it is tried once more.
    expect(await again.run(nothing)).toMatchObject({ kind: 'waits' });
    expect(await again.run(nothing)).toMatchObject({ kind: 'done' });
    expect(recorded(state.log)).toEqual(Array.from({ length: 10 }, (_, index) => `reading ${index + 1} of title ${index + 1}`));
    expect([again.read(), jobsWaiting()]).toEqual([[], []]);
    await draft.flush();
    expect(state.job.inputs.brief.title).toBe('typed since');
  });

  it.each([
    ['was carried out', true],
    ['never arrived', false],
  ])('is done once where what is typed is saved between two tries and the first %s', async (_, arrived) => {
    const { state, draft, queue } = workshop();
    const hand = queue();
    put(hand, 'frame');
    if (arrived) state.losesAnswers = 1;
    else state.drops = 1;
    expect(await hand.run(nothing)).toMatchObject({ kind: 'waits' });
    draft.change('cloth', { hold: 40 } as never);
    expect(await draft.flush()).toBe(true);
    expect(await hand.run(nothing)).toMatchObject({ kind: 'done' });
    expect(recorded(state.log)).toEqual(['frame of Harbour']);
    expect(hand.read()).toEqual([]);
  });

  it('says when it was done where it had to wait', async () => {
    const { state, queue } = workshop();
    state.away = true;
    const hand = queue();
    const long = new Date(Date.now() - 3_600_000);
    hand.add({ write: 'recordStep', request: { what: 'coat' }, says: 'coat', entry: null }, long);
    await hand.run(nothing);
    state.away = false;
    await hand.run(nothing);
    expect(state.sent.at(-1)!.doneAt).toBe(long.toISOString());
  });

  it('asks where somebody recorded in between, and hands in on what stands then; one that is refused can be let go', async () => {
    const { state, draft, queue } = workshop();
    state.away = true;
    const hand = queue();
    const id = put(hand, 'frame');
    put(hand, 'cloth');
    await hand.run(nothing);
    state.away = false;
    state.job = { ...state.job, revision: 7 };
    expect(await hand.run(nothing)).toMatchObject({ kind: 'trouble', requestId: id, theirs: { revision: 7 } });
    expect(await hand.run(nothing)).toMatchObject({ kind: 'trouble', requestId: id });
    expect([state.log, hand.read().length, draft.read().revision]).toEqual([[], 2, 7]);
    hand.again(id);
    state.refuses = 'cloth';
    const last = await hand.run(nothing);
    expect(last).toMatchObject({ kind: 'trouble', says: 'Not so.' });
    expect(recorded(state.log)).toEqual(['frame of Harbour']);
    hand.letGo(last!.requestId);
    expect(await hand.run(nothing)).toBeNull();
  });
});
