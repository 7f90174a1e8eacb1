import type { ReactNode } from 'react';
import { requirePerson } from '@/features/session/current';
import { TopBar } from '@/features/session/top-bar';

export default async function SalonLayout({ children }: { children: ReactNode }) {
  const { personName, role, salonName } = await requirePerson();
  return (
    <>
      <TopBar personName={personName} role={role} salonName={salonName} />
      <main className="mx-auto max-w-[1180px] px-5 py-7">{children}</main>
    </>
  );
}
