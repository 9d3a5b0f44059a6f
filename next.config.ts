import type { NextConfig } from 'next';
import { SECURITY_HEADERS } from './src/server/network/securityHeaders';

const config: NextConfig = {
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // `npm test` checks the types of the whole project, tests included; the build need not do it again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['better-sqlite3'],
  experimental: {
    // A file of 5 MB, or three taps of five seconds as WAV files in base 64, with room for how they are packed.
    serverActions: { bodySizeLimit: '8mb' },
    // Half the time of a build went into maps of the server, packing what never leaves the machine, and a cache that a fresh clone
    // has not got.
    serverSourceMaps: false,
    turbopackSourceMaps: false,
    serverMinification: false,
    turbopackFileSystemCacheForBuild: false,
  },
  // Pages get theirs from `proxy.ts`; what is served past it gets the same here.
  headers: async () => [{ source: '/:path*', headers: SECURITY_HEADERS }],
};

export default config;
