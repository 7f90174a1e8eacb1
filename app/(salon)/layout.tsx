import type { ReactNode } from 'react';
import { loadHouse } from '@/features/house/queries';
import { requirePerson } from '@/features/session/current';
import { IdleLock } from '@/features/session/idle-lock';
import { TopBar } from '@/features/session/top-bar';

export default async function SalonLayout({ children }: { children: ReactNode }) {
  const { personName, role, salonName } = await requirePerson();
  const { document: house } = await loadHouse();
  return (
    <>
      <IdleLock minutes={house.lockMinutes} />
      <TopBar personName={personName} role={role} salonName={salonName} />
      <main className="mx-auto max-w-[1180px] px-5 py-7">{children}</main>
    </>
  );
}
