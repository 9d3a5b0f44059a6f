/*
 * Whether a request is this application’s own: to a name of this workshop, and, where it writes, from its own pages. Asked by
 * `proxy.ts`, and by what is served past it.
 */
import { cameFrom } from './gate';

/** Loopback by any of its names. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** What the house adds, with commas between. */
const addedNames = (): string[] => (process.env.KEEN_BATTEN_HOSTS ?? '').split(',').map((one) => one.trim());

/** Whether a host, with its port or without, is this machine by its loopback names, those that the house adds, or one of `more`. */
export function isOwnHost(host: string, more: readonly string[] = []): boolean {
  const name = /^(\[[0-9a-f:.]+\]|[^:/@\s]+)(?::\d{1,5})?$/i.exec(host)?.[1]?.toLowerCase();
  return name !== undefined && [...LOOPBACK, ...addedNames(), ...more].some((one) => one.toLowerCase() === name);
}

function sameOrigin(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (!origin) return request.headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).host === request.headers.get('host');
}

/** Why a request is turned away, with the status to say it with; null where it is our own. */
export function strangeRequest(request: Request): { says: string; status: number } | null {
  const from = cameFrom(request.headers);
  if (from.kind === 'forged') return { says: 'This request says that it came in by the door, and did not.', status: 403 };
  const host = request.headers.get('host') ?? '';
  // What came in by the door was asked for its name there.
  if (from.kind === 'here' && !isOwnHost(host)) {
    return {
      says: `This workshop does not answer to “${host}”. Open it as localhost, or add the name to KEEN_BATTEN_HOSTS.`,
      status: 421,
    };
  }
  if (request.method !== 'GET' && request.method !== 'HEAD' && !sameOrigin(request))
    return { says: 'Writes come from this application’s own pages only.', status: 403 };
  return null;
}
