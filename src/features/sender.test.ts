import { describe, expect, it } from 'vitest';
import type { writeAction } from '@/server/actions';
import type { Outcome } from '@/server/write/outcome';
import { sendPatiently, sender, waitingRequests } from './sender';

type Sent = { requestId: string };

describe('a write on its way', () => {
  it('keeps its id until an answer has come, then takes another', async () => {
    const ids: string[] = [];
    let away = true;
    const write = (async (_name: string, { requestId }: Sent): Promise<Outcome<null>> => {
      ids.push(requestId);
      if (away) throw new TypeError('Failed to fetch');
      return { ok: true, value: null };
    }) as typeof writeAction;
    const send = sender(write);
    const lost = await send('setAside', { jobId: 'a', revision: 1, aside: true });
    expect(lost).toMatchObject({ ok: false, kind: 'refused', says: expect.not.stringContaining('fetch') as string });
    away = false;
    expect(await send('setAside', { jobId: 'a', revision: 1, aside: true })).toEqual({ ok: true, value: null });
    await send('setAside', { jobId: 'a', revision: 1, aside: true });
    expect([ids[0] === ids[1], ids[1] === ids[2]]).toEqual([true, false]);
    expect(ids[0]).toMatch(/^[0-9a-f]{32}$/);
  });

  it('waits for a file that is held, says so meanwhile, and gives up in the end', async () => {
    const signs: number[] = [];
    const stop = waitingRequests.subscribe(() => signs.push(waitingRequests.read()));
    let held = 3;
    const action = async (): Promise<Outcome<null>> =>
      (held -= 1) >= 0 ? { ok: false, kind: 'busy' } : { ok: true, value: null };
    const pauses: number[] = [];
    const pause = async (ms: number) => void pauses.push(ms);
    expect(await sendPatiently(action, pause)).toEqual({ ok: true, value: null });
    expect([pauses.length, signs]).toEqual([3, [1, 0]]);
    held = Infinity;
    expect(await sendPatiently(action, pause)).toEqual({ ok: false, kind: 'busy' });
    expect(pauses.slice(3).reduce((sum, ms) => sum + ms, 0)).toBeGreaterThan(15_000);
    stop();
  });
});
