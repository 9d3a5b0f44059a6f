import { type NextRequest, NextResponse } from 'next/server';
import { strangeRequest } from './server/network/ownRequest';
import { SECURITY_HEADERS } from './server/network/securityHeaders';

/*
 * Every answer carries the security headers; scripts run only with this request's nonce. Writes from another
 * origin are turned away before they reach anything, and so is every request under a name that is not this
 * workshop's own: a page elsewhere could point its name here and read along.
 */
export function proxy(request: NextRequest): NextResponse {
  const strange = strangeRequest(request);
  if (strange) {
    const headers = { 'content-type': 'text/plain; charset=utf-8' };
    return guarded(new NextResponse(strange.says, { status: strange.status, headers }));
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
  for (const { key, value } of SECURITY_HEADERS) response.headers.set(key, value);
  return response;
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

/* A file that is brought is streamed to the disk: it goes past here, and its route asks the same. */
export const config = { matcher: ['/((?!_next/static/|icon\\.svg$|favicon\\.ico$|api/file/brought$).*)'] };
