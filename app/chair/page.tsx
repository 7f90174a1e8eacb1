import type { Metadata } from 'next';
import { ChairApp } from '@/features/chair/chair-app';
import { KeepNear } from '@/features/offline/keep-near';

export const metadata: Metadata = { title: 'Chair' };

/**
 * The service as it is carried out. The same page for everybody: who and what comes from the device and over
 * the network.
 */
export default function ChairPage() {
  return (
    <>
      <KeepNear />
      <ChairApp />
    </>
  );
}
