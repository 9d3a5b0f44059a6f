import { type NextRequest, NextResponse } from 'next/server';

/*
 * Every answer carries the security headers; scripts run only with this request's nonce. Writes from another
 * origin are turned away before they reach anything.
 */
export function proxy(request: NextRequest): NextResponse {
  if (request.method !== 'GET' && request.method !== 'HEAD' && !sameOrigin(request)) {
    return new NextResponse('Writes come from this application’s own pages only.', { status: 403 });
  }
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), geolocation=(), microphone=(self)');
  return response;
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
