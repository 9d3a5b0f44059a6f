/* The outbox as tabs use it: two at once, killed, without room, with what an earlier version left. */
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { Outbox } from './Outbox';
import { OutboxStore } from './outboxStore';

beforeEach(() => vi.stubGlobal('indexedDB', new IDBFactory()));
afterEach(() => vi.unstubAllGlobals());

/** A workshop that carries each id out once. */
function workshop() {
  const state = {
    away: false,
    loses: 0,
    refuses: '',
    onTheWay: Promise.resolve(),
    carried: [] as { id: string; says: string; request: unknown }[],
  };
  const tab = (passes = false, store = new OutboxStore()) =>
    new Outbox<string>(
      store,
      'set 1',
      async ({ requestId, says, request }, sentOn) => {
        await sentOn(1);
        await state.onTheWay;
        if (state.away) return { kind: 'waits' };
        if (state.refuses === says) return { kind: 'refused', says: 'Not so.' };
        if (!state.carried.some(({ id }) => id === requestId)) state.carried.push({ id: requestId, says, request });
        return state.loses-- > 0 ? { kind: 'waits' } : { kind: 'done', value: says };
      },
      { passes },
    );
  return { state, tab };
}
const row = (says: string, what: object = {}, key: string | null = null) => ({
  write: 'typeMeasured' as const,
  request: what,
  says,
  key,
});
const said = ({ carried }: { carried: { says: string }[] }) => carried.map(({ says }) => says);

describe('two tabs', () => {
  it('add to one list without knowing of each other; what both hand in is done once and in its order', async () => {
    const { state, tab } = workshop();
    state.away = true;
    const [one, other] = [tab(), tab()];
    const names: string[] = [];
    for (let count = 0; count < 100; count += 1) {
      const says = `${count % 2 ? 'other' : 'one'} ${count}`;
      names.push(says);
      // Every fourth with a photograph.
      await (count % 2 ? other : one).add(row(says, { jpeg: count % 4 === 0 ? 'A'.repeat(20_000) : null }));
    }
    await Promise.all([one.run(), other.run()]);
    state.away = false;
    state.loses = 3;
    for (let count = 0; count < 5; count += 1) await Promise.all([one.run(), other.run()]);
    expect(said(state)).toEqual(names);
    const photographs = state.carried.map(({ request }) => (request as { jpeg: string | null }).jpeg);
    expect(photographs.filter((jpeg) => jpeg?.length === 20_000)).toHaveLength(25);
    expect([one.read(), other.read()]).toEqual([[], []]);
  });

  it('keep the order in which they added, also within one and the same moment', async () => {
    vi.useFakeTimers({ now: Date.now(), toFake: ['Date'] });
    try {
      const { state, tab } = workshop();
      const [one, other] = [tab(), tab()];
      const names = Array.from({ length: 40 }, (_, count) => `${count % 3 ? 'other' : 'one'} ${count}`);
      for (const says of names) await (says.startsWith('one') ? one : other).add(row(says));
      for (let count = 0; count < 40; count += 1) await Promise.all([one.run(), other.run()]);
      expect(said(state)).toEqual(names);
    } finally {
      vi.useRealTimers();
    }
  });

  it('leave to each other what was only just added, and take over from one that was killed', async () => {
    const { state, tab } = workshop();
    await tab().add(row('killed'));
    const other = tab();
    expect([await other.run(), said(state)]).toEqual([null, []]);
    vi.useFakeTimers({ now: Date.now() + 6000, toFake: ['Date'] });
    try {
      expect(await other.run()).toMatchObject({ kind: 'done', value: 'killed' });
    } finally {
      vi.useRealTimers();
    }
  });
});

describe('what is about the same', () => {
  it('takes the place of what was not sent yet, and stands behind what was', async () => {
    const { state, tab } = workshop();
    const sheet = tab(true);
    await Promise.all([
      sheet.add(row('a', { down: 1 }, 'a')),
      sheet.add(row('b', {}, 'b')),
      sheet.add(row('a', { down: 2 }, 'a')),
    ]);
    expect(sheet.read().map(({ says }) => says)).toEqual(['a', 'b']);
    state.loses = 1;
    await sheet.run();
    await sheet.add(row('a', { down: 3 }, 'a'));
    await sheet.run();
    expect(state.carried.map(({ says, request }) => [says, request])).toEqual([
      ['a', { down: 2 }],
      ['b', {}],
      ['a', { down: 3 }],
    ]);
  });

  it('is not taken out of the hands of whoever is just sending it', async () => {
    const { state, tab } = workshop();
    const sheet = tab(true);
    await sheet.add(row('a', { down: 1 }, 'a'));
    state.loses = 1;
    let answer: () => void = () => undefined;
    state.onTheWay = new Promise<void>((on) => (answer = on));
    const running = sheet.run();
    await vi.waitFor(async () => expect((await new OutboxStore().list('set 1'))[0]!.sentOn).toBe(1));
    await sheet.add(row('a', { down: 2 }, 'a'));
    answer();
    await running;
    expect(sheet.read().map(({ request }) => request)).toEqual([{ down: 1 }, { down: 2 }]);
    await sheet.run();
    expect(state.carried.map(({ request }) => request)).toEqual([{ down: 1 }, { down: 2 }]);
  });

  it('is all that a refusal holds up on a sheet, and the whole lane where one builds on another', async () => {
    const { state, tab } = workshop();
    state.refuses = 'a';
    const sheet = tab(true);
    await sheet.add(row('a', {}, 'a'));
    await sheet.add(row('b', {}, 'b'));
    expect(await sheet.run()).toMatchObject({ kind: 'done', value: 'b' });
    expect(sheet.read()).toMatchObject([{ says: 'a', trouble: 'Not so.' }]);
    const job = tab(false);
    await job.add(row('c'));
    expect(await job.run()).toMatchObject({ kind: 'refused' });
    expect(said(state)).toEqual(['b']);
  });
});

describe('a browser without room', () => {
  it('keeps it until the tab is closed, says so, and hands it in', async () => {
    const { state, tab } = workshop();
    state.away = true;
    const sheet = tab();
    await sheet.add(row('kept'));
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    try {
      await sheet.add(row('no room'));
      await sheet.run();
    } finally {
      IDBObjectStore.prototype.put = put;
    }
    expect(sheet.read().map(({ says, keptIn }) => `${says}: ${keptIn}`)).toEqual(['kept: browser', 'no room: tab']);
    state.away = false;
    await sheet.run();
    expect(said(state)).toEqual(['kept', 'no room']);
  });

  it('nor any keeping at all works until the tab is closed', async () => {
    vi.stubGlobal('indexedDB', undefined);
    const { state, tab } = workshop();
    const sheet = tab();
    await sheet.add(row('a'));
    expect(sheet.read()).toMatchObject([{ keptIn: 'tab' }]);
    await sheet.run();
    expect([said(state), sheet.read()]).toEqual([['a'], []]);
  });
});

describe('what an earlier version left waiting', () => {
  const before = { requestId: 'old', write: 'keepNote', request: { note: 'n' }, inputs: null, doneAt: '2031-05-04T10:00:00Z' };

  it('is taken over from the keeping that it had, once', async () => {
    const there = new Map([
      [
        'keen-batten.waiting.10.j',
        JSON.stringify([{ ...before, says: 'Note', entry: null, sentOn: 4, waits: true, trouble: null }]),
      ],
    ]);
    vi.stubGlobal(
      'localStorage',
      new Proxy(
        {
          getItem: (key: string) => there.get(key) ?? null,
          setItem: (key: string, text: string) => there.set(key, text),
          removeItem: (key: string) => there.delete(key),
        },
        { ownKeys: () => [...there.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
      ),
    );
    const list = await new OutboxStore().list('job j');
    expect(list).toMatchObject([
      { requestId: 'old', sentOn: 4, waits: true, request: { jobId: 'j', note: 'n' }, keptIn: 'browser' },
    ]);
    expect([there.size, (await new OutboxStore().list('job j')).length]).toEqual([0, 1]);
  });

  it('and cannot be read any more is told of, not dropped', async () => {
    const { state, tab } = workshop();
    const store = new OutboxStore();
    const sheet = tab(false, store);
    const id = await sheet.add(row('old form'));
    await store.change(id, (now) => ({ ...now, version: SHAPE_VERSION - 1 }));
    expect(await sheet.run()).toMatchObject({ kind: 'refused', says: expect.stringContaining('earlier version') as string });
    expect([said(state), sheet.read().length]).toEqual([[], 1]);
  });
});
