import type { NextConfig } from 'next';
import { MOST_BYTES } from './features/limits';

/** Everything the page needs comes from this server: no other host is ever contacted. */
const contentSecurityPolicy = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "connect-src 'self'",
  "object-src 'none'",
  "base-uri 'self'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ['piscina', 'pino', 'prom-client', 'pdfkit', 'knex', 'pg', '@node-rs/argon2'],
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
    if (process.env.NODE_ENV === 'production') {
      security.push({ key: 'Content-Security-Policy', value: contentSecurityPolicy });
    }
    return [{ source: '/:path*', headers: security }];
  },
};

export default config;
