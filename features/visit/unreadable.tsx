import Link from 'next/link';
import { buttonLook } from '@/ui/button';

/** In place of a visit of which a document cannot be read: what is wrong, and that nothing is lost. */
export function UnreadableVisit({ problem }: { problem: string }) {
  return (
    <main className="mx-auto grid min-h-[70dvh] max-w-[520px] content-center gap-4 px-5 text-center">
      <h1 className="text-2xl font-bold wide">This visit cannot be opened</h1>
      <p className="text-base">{problem}</p>
      <p className="text-ink-soft">It is kept as it was written; nothing is lost. Other visits open as usual.</p>
      <p><Link href="/clients" className={buttonLook('primary')}>Back to the clients</Link></p>
    </main>
  );
}
