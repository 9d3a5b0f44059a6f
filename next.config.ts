import type { NextConfig } from 'next';

const config: NextConfig = {
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // `npm test` checks the types of the whole project, tests included; the build need not do it again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['better-sqlite3'],
  // Three taps of five seconds, as WAV files in base 64.
  experimental: { serverActions: { bodySizeLimit: '5mb' } },
};

export default config;
