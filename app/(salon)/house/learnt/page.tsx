import type { Metadata } from 'next';
import { loadHouse } from '@/features/house/queries';
import { LearntPage } from '@/features/learn/learnt-page';
import { loadLearnt } from '@/features/learn/queries';

export const metadata: Metadata = { title: 'Learnt' };

export default async function Page() {
  const [facts, { document: house }] = await Promise.all([loadLearnt(), loadHouse()]);
  return <LearntPage facts={facts} timeZone={house.timeZone} />;
}
