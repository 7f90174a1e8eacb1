import type { Metadata } from 'next';
import { LearntPage } from '@/features/learn/learnt-page';
import { loadLearnt } from '@/features/learn/queries';

export const metadata: Metadata = { title: 'Learnt' };

export default async function Page() {
  const facts = await loadLearnt();
  return <LearntPage facts={facts} />;
}
