/** How long it waits before it asks again, ms; sooner where the browser says that the network is back. */
const AGAIN_MS = 2000;

/**
 * A fetch that holds on to the page: where the page that is open is asked for anew and the network is lost on the way, it waits
 * and asks again, and gives the answer whole. The router would leave for the browser's own error page, with everything typed.
 * Whatever else is fetched fails as ever; so does going to another page.
 *
 * @param here the address of the page that is open
 */
export function holdRefreshes(
  fetchOnce: typeof fetch,
  here: () => URL,
  again: () => Promise<void> = reachableAgain,
): typeof fetch {
  return async (input, init) => {
    const asked = new URL(input instanceof Request ? input.url : input, here());
    const headers = new Headers(init?.headers ?? (input instanceof Request ? input.headers : undefined));
    const refresh =
      headers.has('rsc') && !headers.has('next-action') && asked.origin === here().origin && asked.pathname === here().pathname;
    if (!refresh) return fetchOnce(input, init);
    for (;;) {
      try {
        const answer = await fetchOnce(input, init);
        // Where it leads elsewhere, the address counts.
        return answer.redirected ? answer : new Response(await answer.arrayBuffer(), answer);
      } catch (error) {
        if (init?.signal?.aborted || asked.pathname !== here().pathname) throw error;
        await again();
      }
    }
  };
}

const reachableAgain = (): Promise<void> =>
  new Promise((go) => {
    const on = () => {
      clearTimeout(timer);
      window.removeEventListener('online', on);
      go();
    };
    const timer = setTimeout(on, AGAIN_MS);
    window.addEventListener('online', on);
  });
