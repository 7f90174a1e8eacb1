import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Nonce } from '@/ui/nonce';
import { readComfort } from '@/features/comfort/comfort';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Dappled Lattice', template: '%s · Dappled Lattice' },
  description: 'Plans, times and records foil highlight services.',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const { theme, hand } = readComfort((await cookies()).toString());
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" data-theme={theme} data-hand={hand}>
      <body>
        <Nonce value={nonce} />
        {children}
      </body>
    </html>
  );
}
