/*
 * The door to the house: what other devices ask comes in here, is looked at, and goes on to the application with the mark of the
 * device it came from. Without a signed-in device nothing goes on, whatever is asked for.
 */
import { type IncomingMessage, type RequestListener, type ServerResponse, request } from 'node:http';
import type { Device } from '@/db/devices';
import { SECURITY_HEADERS } from './securityHeaders';
import type { Workshop } from '../workshop';
import { MARKS, gateSecret } from './gate';
import { isHouseHost, plainAddress } from './houseAddresses';
import { deviceOf, signIn, signOut } from './signIn';
import { signInPage } from './signInPage';
import { Tries } from './tries';

const COOKIE = 'keen-batten-device';
/** A form of a passphrase and a name has at most so many bytes. */
const MOST_FORM = 4096;

interface Door {
  workshop: Workshop;
  /** Where the application listens on this machine. */
  appPort: number;
  /** Whether the way here is encrypted. */
  secure: boolean;
}

export function gateway({ workshop, appPort, secure }: Door): RequestListener {
  const tries = new Tries();

  const enter = async (asked: IncomingMessage, answer: ServerResponse, address: string) => {
    const form = new URLSearchParams(await bodyOf(asked));
    const [to, name] = [ownPath(form.get('to') ?? '/'), form.get('name') ?? ''];
    const signed = await signIn(workshop, tries, { passphrase: form.get('passphrase') ?? '', name, address });
    if (!signed.ok) return page(answer, signed.tooOften ? 429 : 403, { to, says: signed.says, name, plain: !secure });
    answer.writeHead(303, { ...HEADERS, location: to, 'set-cookie': cookie(signed.token, signed.seconds, secure) });
    answer.end();
  };

  const answerTo = async (asked: IncomingMessage, answer: ServerResponse) => {
    const address = plainAddress(asked.socket.remoteAddress);
    const { host = '' } = asked.headers;
    if (!isHouseHost(host)) return say(answer, 421, 'This workshop does not answer to this name.');
    const path = pathOf(asked.url);
    if (path === null) return say(answer, 400, 'This address cannot be read.');
    const reads = asked.method === 'GET' || asked.method === 'HEAD';
    if (!reads && !isOwnPage(asked, secure)) return say(answer, 403, 'Writes come from this application’s own pages only.');
    if (path === '/sign-in' && asked.method === 'POST') return await enter(asked, answer, address);
    const token = tokenIn(asked.headers.cookie);
    const device = deviceOf(workshop, token);
    if (!device) {
      if (!reads) return say(answer, 401, 'Sign in first.');
      return page(answer, 401, {
        to: ownPath(path === '/sign-in' ? '/' : (asked.url ?? '/')),
        says: '',
        name: '',
        plain: !secure,
      });
    }
    if (path === '/sign-in' || path === '/sign-out') {
      if (path === '/sign-out' && !reads) signOut(workshop, token);
      answer.writeHead(303, { ...HEADERS, location: '/' });
      return answer.end();
    }
    passOn(asked, answer, appPort, device, secure);
  };

  return (asked, answer) => {
    answerTo(asked, answer).catch((error: unknown) => {
      console.error('At the door of the house:', error);
      if (answer.headersSent) answer.destroy();
      else say(answer, 500, 'Something went wrong at the door. Try again in a moment.');
    });
  };
}

const HEADERS = {
  ...Object.fromEntries(
    SECURITY_HEADERS.filter(({ key }) => key !== 'cross-origin-opener-policy').map(({ key, value }) => [key, value]),
  ),
  'cache-control': 'no-store',
  'content-security-policy':
    "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
};

function say(answer: ServerResponse, status: number, says: string): void {
  answer.writeHead(status, { ...HEADERS, 'content-type': 'text/plain; charset=utf-8' });
  answer.end(says);
}

function page(answer: ServerResponse, status: number, shown: Parameters<typeof signInPage>[0]): void {
  answer.writeHead(status, { ...HEADERS, 'content-type': 'text/html; charset=utf-8' });
  answer.end(signInPage(shown));
}

const cookie = (token: string, seconds: number, secure: boolean): string =>
  `${COOKIE}=${token}; Path=/; Max-Age=${seconds}; HttpOnly; SameSite=Strict${secure ? '; Secure' : ''}`;

const tokenIn = (cookies = ''): string | null =>
  cookies
    .split(';')
    .map((one) => one.trim())
    .find((one) => one.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1) ?? null;

/** The path that is asked for; null where it cannot be read. */
function pathOf(url = ''): string | null {
  try {
    return url.startsWith('/') ? decodeURIComponent(url.split('?')[0]!) : null;
  } catch {
    return null;
  }
}

/** A path of this workshop to go on to: never another place. */
function ownPath(to: string): string {
  const base = 'http://workshop';
  if (!to.startsWith('/') || !URL.canParse(to, base)) return '/';
  const { origin, pathname, search } = new URL(to, base);
  return origin === base && !pathname.startsWith('//') ? pathname + search : '/';
}

/** Whether a write comes from a page of this workshop: by its origin, or by what the browser says of it. */
function isOwnPage({ headers }: IncomingMessage, secure: boolean): boolean {
  if (headers.origin === undefined) return headers['sec-fetch-site'] === 'same-origin';
  return headers.origin.toLowerCase() === `${secure ? 'https' : 'http'}://${headers.host ?? ''}`.toLowerCase();
}

async function bodyOf(asked: IncomingMessage): Promise<string> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of asked as AsyncIterable<Buffer>) {
    bytes += part.length;
    if (bytes > MOST_FORM) break;
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}

/** Sends what is asked on to the application, as it is but for its marks, and its answer back. */
function passOn(asked: IncomingMessage, answer: ServerResponse, appPort: number, device: Device, secure: boolean): void {
  const headers = Object.fromEntries(
    Object.entries(asked.headers).filter(
      ([name]) => !/^(x-keen-batten-|x-forwarded-|x-middleware-|forwarded$|connection$)/.test(name),
    ),
  );
  const onward = request(
    {
      host: '127.0.0.1',
      port: appPort,
      method: asked.method,
      path: asked.url,
      headers: {
        ...headers,
        'x-forwarded-proto': secure ? 'https' : 'http',
        [MARKS.gate]: gateSecret(),
        [MARKS.device]: device.id,
      },
    },
    (back) => {
      // Over plain http a browser only complains about it.
      if (!secure) delete back.headers['cross-origin-opener-policy'];
      answer.writeHead(back.statusCode ?? 502, back.headers);
      answer.flushHeaders();
      back.pipe(answer);
      back.on('error', () => answer.destroy());
    },
  );
  onward.on('error', () => {
    if (answer.headersSent) answer.destroy();
    else say(answer, 502, 'The workshop does not answer.');
  });
  answer.on('close', () => onward.destroy());
  asked.pipe(onward);
}
