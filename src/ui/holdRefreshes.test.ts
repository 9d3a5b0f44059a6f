import { describe, expect, it } from 'vitest';
import { holdRefreshes } from './holdRefreshes';

const HERE = 'http://localhost:3000/job/a/bench?stage=square';
const RSC = { headers: { rsc: '1' } };

/** A network that loses so many requests, and then one answer on its way. */
function lossy(lost: number) {
  const tried: string[] = [];
  const fetchOnce = (input: RequestInfo | URL) => {
    tried.push(String(input));
    if (tried.length <= lost) return Promise.reject(new TypeError('Failed to fetch'));
    const cut = new ReadableStream({ pull: (controller) => controller.error(new TypeError('cut off')) });
    return Promise.resolve(new Response(tried.length === lost + 1 ? cut : 'whole', { status: 200, headers: { of: 'the page' } }));
  };
  let [here, waits] = [HERE, 0];
  const held = holdRefreshes(
    fetchOnce,
    () => new URL(here),
    () => {
      waits += 1;
      return Promise.resolve();
    },
  );
  return { tried, held, goTo: (url: string) => (here = url), waits: () => waits };
}

describe('the page that is open, asked for anew', () => {
  it('is waited for where the network is lost before or in the middle of its answer, and comes whole', async () => {
    const { held, tried, waits } = lossy(2);
    const answer = await held(`${HERE}&_rsc=1x`, RSC);
    expect([await answer.text(), answer.status, answer.headers.get('of')]).toEqual(['whole', 200, 'the page']);
    expect([tried.length, waits()]).toEqual([4, 3]);
  });

  it.each([
    ['another page', '/log?_rsc=1x', RSC],
    ['a record', HERE, { method: 'POST', headers: { 'next-action': 'abc', rsc: '1' } }],
    ['a file', HERE, {}],
    ['another server', 'http://elsewhere.example/job/a/bench', RSC],
  ])('%s fails as ever', async (_what, url, init) => {
    const { held, tried } = lossy(1);
    await expect(held(url, init)).rejects.toThrow('Failed to fetch');
    expect(tried).toHaveLength(1);
  });

  it('is let go once it is called off, or the page was left', async () => {
    const off = lossy(9);
    await expect(off.held(HERE, { ...RSC, signal: AbortSignal.abort() })).rejects.toThrow('Failed to fetch');
    const left = lossy(9);
    const asked = left.held(HERE, RSC);
    left.goTo('http://localhost:3000/log');
    await expect(asked).rejects.toThrow('Failed to fetch');
  });
});
