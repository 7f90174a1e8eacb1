import type { Metadata } from 'next';
import { loadHouse } from '@/features/house/queries';
import { PeoplePage } from '@/features/people/people-page';
import { loadPeople } from '@/features/people/queries';

export const metadata: Metadata = { title: 'People' };

export default async function Page() {
  const [people, { document: house }] = await Promise.all([loadPeople(), loadHouse()]);
  return <PeoplePage {...people} timeZone={house.timeZone} />;
}
