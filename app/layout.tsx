import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { readComfort } from '@/features/comfort/comfort';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Dappled Lattice', template: '%s · Dappled Lattice' },
  description: 'Plans, times and records foil highlight services.',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const { theme, hand } = readComfort((await cookies()).toString());
  return (
    <html lang="en" data-theme={theme} data-hand={hand}>
      <body>{children}</body>
    </html>
  );
}
