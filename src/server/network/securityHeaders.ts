/** What every answer carries, pages, files and refusals. */
export const SECURITY_HEADERS = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'x-frame-options', value: 'DENY' },
  { key: 'referrer-policy', value: 'same-origin' },
  { key: 'cross-origin-opener-policy', value: 'same-origin' },
  { key: 'permissions-policy', value: 'camera=(self), geolocation=(), microphone=(self)' },
];
