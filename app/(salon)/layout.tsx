import type { ReactNode } from 'react';
import { HouseProvider } from '@/features/house/context';
import { loadHouse } from '@/features/house/queries';
import { requirePerson } from '@/features/session/current';
import { KeepNear } from '@/features/offline/keep-near';
import { IdleLock } from '@/features/session/idle-lock';
import { UnsavedGuard } from '@/ui/unsaved';
import { TopBar } from '@/features/session/top-bar';

export default async function SalonLayout({ children }: { children: ReactNode }) {
  const { personName, role, salonName } = await requirePerson();
  const { document: house } = await loadHouse();
  return (
    <HouseProvider house={house}>
      <IdleLock minutes={house.lockMinutes} />
      <UnsavedGuard />
      <KeepNear />
      <TopBar personName={personName} role={role} salonName={salonName} />
      <main className="mx-auto max-w-[1180px] px-3 py-4 md:px-5 md:py-7">{children}</main>
    </HouseProvider>
  );
}
