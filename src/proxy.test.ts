import { NextRequest } from 'next/server';
import { describe, expect, it } from 'vitest';
import { proxy } from './proxy';

const ask = (method: string, headers: Record<string, string> = {}) =>
  proxy(new NextRequest('http://localhost:3000/', { method, headers: { host: 'localhost:3000', ...headers } }));

describe('what comes in', () => {
  it.each([
    ['GET', {}, 200],
    ['HEAD', { origin: 'https://elsewhere.example' }, 200],
    ['POST', { origin: 'http://localhost:3000' }, 200],
    ['POST', { 'sec-fetch-site': 'same-origin' }, 200],
    ['POST', {}, 403],
    ['POST', { origin: 'null' }, 403],
    ['POST', { origin: 'http://localhost:4000' }, 403],
    ['POST', { origin: 'https://elsewhere.example' }, 403],
    ['POST', { 'sec-fetch-site': 'cross-site' }, 403],
    ['PUT', { origin: 'http://localhost:3000.elsewhere.example' }, 403],
    ['DELETE', { origin: 'not an origin' }, 403],
  ])('%s with %o answers %d', (method, headers, status) => {
    expect(ask(method, headers as Record<string, string>).status).toBe(status);
  });

  it.each([
    ['localhost:3000', 200],
    ['127.0.0.1:3000', 200],
    ['[::1]:3000', 200],
    ['evil.example', 421],
    ['localhost.evil.example:3000', 421],
    ['evil.example:3000@localhost', 421],
    ['127.0.0.1.evil.example', 421],
    ['0.0.0.0:3000', 421],
    ['', 421],
  ])('under the name %s answers %d, read or write', (host, status) => {
    expect(ask('GET', { host }).status).toBe(status);
    expect(ask('POST', { host, origin: `http://${host}` }).status).toBe(status);
  });

  it('answers to names that the house adds, and carries its headers when it turns away', () => {
    process.env.KEEN_BATTEN_HOSTS = 'studio.local, bench';
    try {
      expect(['studio.local:3000', 'BENCH', 'studio.local.evil'].map((host) => ask('GET', { host }).status)).toEqual([
        200, 200, 421,
      ]);
    } finally {
      delete process.env.KEEN_BATTEN_HOSTS;
    }
    for (const away of [ask('GET', { host: 'evil.example' }), ask('POST', { origin: 'null' })])
      expect(away.headers.get('x-frame-options')).toBe('DENY');
  });

  it('gets a content policy with a nonce of its own each time, and no unsafe scripts', () => {
    const policy = () => ask('GET').headers.get('content-security-policy')!;
    const nonce = (text: string) => /'nonce-([0-9a-f]{32})'/.exec(text)?.[1];
    const [first, second] = [policy(), policy()];
    expect(nonce(first)).toBeDefined();
    expect(nonce(first)).not.toBe(nonce(second));
    const scripts = first.split('; ').find((part) => part.startsWith('script-src'))!;
    expect(scripts).not.toMatch(/unsafe-inline|unsafe-eval|http/);
    for (const part of [
      "default-src 'self'",
      "object-src 'none'",
      "base-uri 'none'",
      "frame-ancestors 'none'",
      "connect-src 'self'",
    ])
      expect(first).toContain(part);
  });
});
