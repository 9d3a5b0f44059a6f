import { type NextRequest, NextResponse } from 'next/server';

/*
 * Every answer carries the security headers; scripts run only with this request's nonce. Writes from another
 * origin are turned away before they reach anything, and so is every request under a name that is not this
 * workshop's own: a page elsewhere could point its name here and read along.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  if (!isOwnHost(host)) {
    const says = `This workshop does not answer to “${host}”. Open it as localhost, or add the name to KEEN_BATTEN_HOSTS.`;
    return guarded(new NextResponse(says, { status: 421, headers: { 'content-type': 'text/plain; charset=utf-8' } }));
  }
  if (request.method !== 'GET' && request.method !== 'HEAD' && !sameOrigin(request)) {
    return guarded(new NextResponse('Writes come from this application’s own pages only.', { status: 403 }));
  }
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return guarded(response);
}

function guarded(response: NextResponse): NextResponse {
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), geolocation=(), microphone=(self)');
  return response;
}

/** Loopback by any of its names, and what the house adds, with commas between. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

function isOwnHost(host: string): boolean {
  const name = /^(\[[0-9a-f:.]+\]|[^:/@\s]+)(?::\d{1,5})?$/i.exec(host)?.[1]?.toLowerCase();
  if (name === undefined) return false;
  const added = (process.env.KEEN_BATTEN_HOSTS ?? '').toLowerCase().split(',');
  return LOOPBACK.includes(name) || added.some((one) => one.trim() === name);
}

function sameOrigin(request: NextRequest): boolean {
  const origin = request.headers.get('origin');
  if (!origin) return request.headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).host === request.headers.get('host');
}

function contentPolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

export const config = { matcher: ['/((?!_next/static|icon.svg).*)'] };
