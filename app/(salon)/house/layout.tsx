import type { ReactNode } from 'react';
import { HouseTabs } from '@/features/house/house-tabs';
import { requirePerson } from '@/features/session/current';

export default async function HouseLayout({ children }: { children: ReactNode }) {
  const { role } = await requirePerson();
  return (
    <>
      <h1 className="mb-3 text-3xl font-bold wide">House</h1>
      <HouseTabs owner={role === 'owner'} />
      {children}
    </>
  );
}
