import type { Metadata } from 'next';
import { Gate } from '@/features/session/gate';
import { LockForm } from '@/features/session/lock-form';
import { placeAfter } from '@/features/session/place-after';
import { lockedStation } from '@/features/session/queries';

export const metadata: Metadata = { title: 'Locked' };

export default async function LockedPage({
  searchParams,
}: {
  searchParams: Promise<{ to?: string | string[] }>;
}) {
  const { to } = await searchParams;
  const { people, ownId, salonName } = await lockedStation();
  return (
    <Gate wide title="Who is working here?" words={`${salonName}. This station is locked. No work is lost.`}>
      <LockForm people={people} ownId={ownId} to={placeAfter(typeof to === 'string' ? to : '')} />
    </Gate>
  );
}
