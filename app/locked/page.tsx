import type { Metadata } from 'next';
import { LockForm } from '@/features/session/lock-form';
import { placeAfter } from '@/features/session/place-after';
import { lockedStation } from '@/features/session/queries';
import { Mark } from '@/ui/mark';

export const metadata: Metadata = { title: 'Locked' };

export default async function LockedPage({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  const { to } = await searchParams;
  const { people, ownId, salonName } = await lockedStation();
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-[480px] content-center gap-6 px-5 py-10">
      <div className="flex items-center gap-4">
        <Mark size={52} />
        <div>
          <h1 className="text-2xl leading-tight font-bold wide">Who goes on?</h1>
          <p className="text-ink-soft">{salonName}. This station is locked; nothing of its work is lost.</p>
        </div>
      </div>
      <LockForm people={people} ownId={ownId} to={placeAfter(typeof to === 'string' ? to : '')} />
    </main>
  );
}
