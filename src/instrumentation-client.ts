/* Runs in the browser before a page wakes. */
import { holdRefreshes } from './ui/holdRefreshes';

window.fetch = holdRefreshes(window.fetch.bind(window), () => new URL(window.location.href));
