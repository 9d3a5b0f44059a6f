import { describe, expect, it, vi } from 'vitest';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { newInputs } from '@/core/job/job';
import { pullBounds } from '@/core/stages/fasten/pullPlan';
import { stapleModel } from '@/core/stages/fasten/stapleModel';
import { toEnd } from '@/core/toEnd';
import { length } from '@/core/units/length';
import type { TapPlace } from '@/core/tension/tap/membraneTone';
import { simulatedTap } from '@/features/job/tune/microphone';
import { CLOTH_TASKS } from './clothTasks';
import { MEMBRANE_TASKS } from './membraneTasks';
import { serveTasks } from './serveTasks';
import type { FromWorker, Tasks } from './taskProtocol';
import { TAP_TASKS } from './tapTasks';
import { TaskCancelled, TaskFailed, WorkerDied, type WorkerPort, taskClient } from './taskClient';

const TASKS = {
  *count(to: number): Generator<number | undefined, string> {
    for (let now = 1; now <= to; now += 1) yield now;
    return `counted to ${to}`;
  },
  *forever(): Generator<number | undefined, never> {
    for (let now = 1; ; now += 1) yield now % 500 === 0 ? now : undefined;
  },

  *breaks(): Generator<undefined, never> {
    throw new RangeError('piece a is 1200 mm across and the roll 1000 mm');
  },
};

/** A client and a server at the two ends of a channel, one pair for each time a worker was opened. */
function connected<T extends Tasks = typeof TASKS>(tasks: T = TASKS as unknown as T) {
  const ends: MessageChannel[] = [];
  const client = taskClient<T>(() => {
    const channel = new MessageChannel();
    ends.push(channel);
    serveTasks(channel.port2 as never, tasks);
    channel.port1.start();
    channel.port2.start();
    return Object.assign(channel.port1, { terminate: () => channel.port1.close() }) as unknown as WorkerPort;
  });
  return { client, ends };
}

describe('tasks over a channel', () => {
  it('tell their progress in order and settle once', async () => {
    const { client } = connected();
    const seen: number[] = [];
    await expect(client.run('count', 4, { onProgress: (now) => seen.push(now) })).resolves.toBe('counted to 4');
    expect(seen).toEqual([1, 2, 3, 4]);
    client.close();
  });

  it('run by turns, so that a long one does not hold up a short one', async () => {
    const { client } = connected();
    const stop = new AbortController();
    const long = client.run('forever', undefined as never, { signal: stop.signal });
    await expect(client.run('count', 3)).resolves.toBe('counted to 3');
    stop.abort();
    await expect(long).rejects.toBeInstanceOf(TaskCancelled);
    client.close();
  });

  it('are heard no more once they are called off', async () => {
    const { client } = connected();
    const stop = new AbortController();
    const heard = vi.fn(() => stop.abort());
    await expect(client.run('forever', undefined as never, { signal: stop.signal, onProgress: heard })).rejects.toThrow(
      /forever was called off/,
    );
    const times = heard.mock.calls.length;
    await expect(client.run('count', 1)).resolves.toBe('counted to 1');
    expect(heard).toHaveBeenCalledTimes(times);
    client.close();
  });

  it('fail when the worker ends without a word; a slow one is waited for', async () => {
    vi.useFakeTimers();
    const opened: { listener: (event: { data: unknown }) => void; asked: unknown[] }[] = [];
    const client = taskClient<typeof TASKS>(() => {
      const port = { listener: (_event: { data: unknown }): void => undefined, asked: [] as unknown[] };
      opened.push(port);
      return {
        postMessage: (message: unknown) => port.asked.push(message),
        addEventListener: (_type: string, listener: (event: { data: unknown }) => void) => (port.listener = listener),
      } as unknown as WorkerPort;
    });
    const slow = client.run('count', 1);
    await vi.advanceTimersByTimeAsync(16_000);
    opened[0]!.listener({ data: { kind: 'alive' } });
    await vi.advanceTimersByTimeAsync(16_000);
    opened[0]!.listener({ data: { kind: 'result', id: 1, value: 'counted to 1' } });
    await expect(slow).resolves.toBe('counted to 1');
    const lost = client.run('count', 2).catch((error: Error) => error);
    await vi.advanceTimersByTimeAsync(60_000);
    await expect(lost).resolves.toEqual(new WorkerDied('the worker fell silent'));
    void client.run('count', 3).catch(() => undefined);
    expect(opened).toHaveLength(2);
    client.close();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(vi.getTimerCount()).toBe(0);
    vi.useRealTimers();
  });

  it('fail with the name and words of their error', async () => {
    const { client } = connected();
    const failed = await client.run('breaks', undefined as never).catch((error: Error) => error);
    expect(failed).toBeInstanceOf(TaskFailed);
    expect(failed).toMatchObject({ name: 'RangeError', message: 'piece a is 1200 mm across and the roll 1000 mm' });
    await expect(client.run('none' as never, undefined as never)).rejects.toThrow(/no task “none”/);
    client.close();
  });

  it('all fail when the worker dies, and the next request opens another', async () => {
    const { client, ends } = connected();
    const lost = client.run('forever', undefined as never);
    (ends[0]!.port1 as unknown as WorkerPort).onerror?.({ message: 'out of memory' });
    await expect(lost).rejects.toEqual(new WorkerDied('out of memory'));
    await expect(client.run('count', 2)).resolves.toBe('counted to 2');
    expect(ends).toHaveLength(2);
    client.close();
  });

  it('lay cloth as the solver does', () => {
    const piece = (id: string, w: number, h: number) =>
      ({ id, w, h, mayTurn: false, flawRule: 'piece', margin: [0, 0, 0, 0] }) as const;
    const roll = { id: 'roll', width: 1000, length: 5000, tear: 5, flaws: [] };
    const laid = toEnd(
      CLOTH_TASKS.lay({
        pieces: [piece('a', 495, 300), piece('b', 500, 300)],
        offcuts: [],
        roll,
        seed: 0.5,
        rounds: 5,
        leastOffcut: 200,
      }),
    );
    expect(laid.sheets).toMatchObject([{ id: 'roll', layout: { length: 300, proven: true } }]);
  });

  it('read taps, to the same tension each time, and are called off between two steps', () => {
    const [span, sigma] = [{ a: 0.5, b: 0.4 }, 0.5];
    const tap = (place: TapPlace, number: number) => simulatedTap(place, span, sigma, { tx: 210, ty: 180 }, number);
    const input = { span, sigma, sigmaPart: 0.05, taps: { C: tap('C', 1), X: tap('X', 2), Y: tap('Y', 3) } };
    const reading = toEnd(TAP_TASKS.analyse(input));
    expect(reading).toEqual(toEnd(TAP_TASKS.analyse(input)));
    if (reading.kind !== 'read') throw new Error(JSON.stringify(reading));
    expect(Math.abs(reading.tension.mean / Math.sqrt(210 * 180) - 1)).toBeLessThan(0.1);
    let steps = 0;
    for (const _step of TAP_TASKS.analyse(input)) steps += 1;
    expect(steps).toBeGreaterThan(20);
  });

  it('work out pulls in steps short enough to be called off between', async () => {
    const { client, ends } = connected(MEMBRANE_TASKS);
    const inputs = newInputs('t', length(1500), length(1000));
    const request = { inputs, rules: DEFAULT_RULES, bounds: pullBounds(inputs, DEFAULT_RULES, null), levels: 4 };
    let steps = 0;
    for (const whole = MEMBRANE_TASKS.pulls(request); !whole.next().done;) steps += 1;
    expect(steps).toBeGreaterThan(100);
    const stop = new AbortController();
    const heard = vi.fn();
    const off = client.run('pulls', request, { signal: stop.signal });
    ends[0]!.port1.addEventListener('message', ({ data }) => {
      const message = data as FromWorker;
      if (message.kind !== 'alive') heard(message.id, message.kind);
    });
    setTimeout(() => stop.abort(), 30);
    await expect(off).rejects.toBeInstanceOf(TaskCancelled);
    // The worker is free: the next is answered, the one called off never.
    const small = { ...request, inputs: newInputs('t', length(300), length(200)) };
    await expect(client.run('pulls', small)).resolves.toMatchObject({ plan: { levelsN: expect.any(Array) } });
    expect(heard.mock.calls).toEqual([[2, 'result']]);
    client.close();
  });

  it('stretch the simulated cloth: the same seed gives the same hands, another one others', () => {
    const inputs = newInputs('t', length(400), length(300));
    const model = stapleModel(inputs, DEFAULT_RULES);
    const ends = (seed: number) =>
      toEnd(MEMBRANE_TASKS.run({ model, hands: 4, noise: 0.15, seed })).hands.map((hand) => hand.unevenness);
    expect(ends(0.5)).toEqual(ends(0.5));
    expect(ends(0.6)).not.toEqual(ends(0.5));
    const [same, other] = toEnd(
      MEMBRANE_TASKS.compare({ models: [model, { ...model, firmN: 9 }], hands: 4, noise: 0.15, seed: 0.5 }),
    );
    expect(same!.hands.map((hand) => hand.unevenness)).toEqual(ends(0.5));
    expect(other!.firmN).toBe(9);
  });
});
