import 'reflect-metadata';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { length } from '@/core/units/length';
import { jobNews, newsStream } from './jobNews';
import { type TestWorkshop, newJob, recordStage, testWorkshop, type, value } from '../testWorkshop';

let workshop: TestWorkshop;
let jobId: string;
beforeEach(() => {
  // The clock itself goes on: what others still work out in turns ends by it.
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
  workshop = testWorkshop();
  jobId = newJob(workshop);
});
afterEach(() => vi.useRealTimers());

describe('the news of a job', () => {
  it('are its version and its last entry; none of a job that is gone', () => {
    expect(jobNews(workshop, jobId)).toEqual({ revision: 1, last: null });
    const { log } = value(recordStage(workshop, jobId, 'brief'));
    expect(jobNews(workshop, jobId)!.last).toEqual({ id: log[0]!.id, maker: 'Me', did: log[0]!.did, at: log[0]!.at });
    expect(jobNews(workshop, 'nobody')).toBeNull();
  });

  it('come as they happen, each once, within a second, and end when nobody listens', async () => {
    const gone = new AbortController();
    const reader = newsStream(workshop, jobId, gone.signal, { id: 'here', mayHear: () => true })!.getReader();
    const words = new TextDecoder();
    const next = async () => words.decode((await reader.read()).value);
    expect(await next()).toBe('data: {"revision":1,"last":null}\n\n');
    type(workshop, jobId, (inputs) => ({ ...inputs, brief: { ...inputs.brief, width: length(610) } }));
    await vi.advanceTimersByTimeAsync(1000);
    expect(await next()).toBe('data: {"revision":2,"last":null}\n\n');
    await vi.advanceTimersByTimeAsync(14_500);
    expect(await next()).toBe(': still here\n\n');
    gone.abort();
    expect((await reader.read()).done).toBe(true);
    expect(vi.getTimerCount()).toBe(0);
  });

  it('end for a device that is signed out, and one device hears only so many at once', async () => {
    let signedIn = true;
    const listener = { id: 'tablet', mayHear: () => signedIn };
    const gone = new AbortController();
    const streams = Array.from({ length: 30 }, () => newsStream(workshop, jobId, gone.signal, listener));
    expect(streams.filter((stream) => stream !== null)).toHaveLength(24);
    const others = newsStream(workshop, jobId, gone.signal, { id: 'here', mayHear: () => true })!;
    const reader = streams[0]!.getReader();
    await reader.read();
    signedIn = false;
    await vi.advanceTimersByTimeAsync(1000);
    expect((await reader.read()).done).toBe(true);
    expect((await others.getReader().read()).done).toBe(false);
    signedIn = true;
    expect(newsStream(workshop, jobId, gone.signal, listener)).not.toBeNull();
    gone.abort();
    expect(vi.getTimerCount()).toBe(0);
  });
});
