import type { Metadata } from 'next';
import { KeptHere } from '@/features/offline/kept-here';

export const metadata: Metadata = { title: 'No network' };

/** Shown in place of a page that is not kept on the device when there is no network. */
export default function OfflinePage() {
  return (
    <main className="mx-auto grid min-h-[80dvh] max-w-[520px] content-center gap-4 px-5">
      <h1 className="text-2xl font-bold wide">No network</h1>
      <p className="text-ink-soft">
        This page is not kept on this device. It opens as soon as the server can be reached again.
      </p>
      <KeptHere />
    </main>
  );
}
