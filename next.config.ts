import type { NextConfig } from 'next';
import { MOST_BYTES } from './features/limits';

/**
 * What answers with data runs nothing, whatever it holds; pages have a policy with a number of their own
 * (proxy.ts).
 */
const DATA_POLICY = "default-src 'none'; frame-ancestors 'none'";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: [
    'piscina',
    'pg-boss',
    'pino',
    'prom-client',
    'pdfkit',
    'knex',
    'pg',
    '@node-rs/argon2',
  ],
  experimental: { serverActions: { bodySizeLimit: MOST_BYTES.form } },
  // bin/test checks types; a start need not wait for it.
  typescript: { ignoreBuildErrors: true },
  turbopack: { root: import.meta.dirname },
  // A browser that has not met the page's icon yet (it streams in after the body) asks for this name.
  rewrites: async () => [{ source: '/favicon.ico', destination: '/icon.svg' }],
  async headers() {
    const security = [
      { key: 'X-Content-Type-Options', value: 'nosniff' },
      { key: 'Referrer-Policy', value: 'same-origin' },
      { key: 'X-Frame-Options', value: 'DENY' },
    ];
    return [
      { source: '/:path*', headers: security },
      { source: '/api/:path*', headers: [{ key: 'Content-Security-Policy', value: DATA_POLICY }] },
    ];
  },
};

export default config;
