import type { MetadataRoute } from 'next';

/** Installable on the salon's tablets and phones. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Dappled Lattice',
    short_name: 'Lattice',
    description: 'Plans, times and records foil highlight services.',
    start_url: '/day',
    scope: '/',
    display: 'standalone',
    background_color: '#eef1ec',
    theme_color: '#1d6b4c',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/512-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
