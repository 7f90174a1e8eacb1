import type { Metadata } from 'next';
import { PeoplePage } from '@/features/people/people-page';
import { loadPeople } from '@/features/people/queries';

export const metadata: Metadata = { title: 'People' };

export default async function Page() {
  const people = await loadPeople();
  return <PeoplePage {...people} />;
}
