import { readFileSync } from 'node:fs';
import { injectManifest } from '@serwist/build';
import { build } from 'esbuild';

/**
 * Writes public/offline-worker.js: the service worker, with the list of all that the built application is
 * made of.
 */
const BUILT = '.next/offline-worker.js';
const buildId = readFileSync('.next/BUILD_ID', 'utf8').trim();

await build({
  entryPoints: ['workers/offline.ts'],
  outfile: BUILT,
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  logLevel: 'warning',
  define: { 'process.env.NODE_ENV': '"production"', BUILD_ID: JSON.stringify(buildId) },
});
const { warnings } = await injectManifest({
  swSrc: BUILT,
  swDest: 'public/offline-worker.js',
  globDirectory: '.next/static',
  globPatterns: ['**/*.{js,css,woff2,svg,png}'],
  modifyURLPrefix: { '': '/_next/static/' },
  // Their names change with what they hold.
  dontCacheBustURLsMatching: /./,
  maximumFileSizeToCacheInBytes: 8_000_000,
  additionalPrecacheEntries: [{ url: '/offline', revision: buildId }],
});
if (warnings.length > 0) throw new Error(warnings.join('\n'));
