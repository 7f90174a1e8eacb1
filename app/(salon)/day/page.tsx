import type { Metadata } from 'next';
import { DayPage } from '@/features/diary/day-page';
import { loadDay } from '@/features/diary/queries';

export const metadata: Metadata = { title: 'Day' };

/** A day of the salon: /day, or /day?on=2027-01-31. */
export default async function Page({ searchParams }: { searchParams: Promise<{ on?: string | string[] }> }) {
  const { on } = await searchParams;
  return <DayPage facts={await loadDay(typeof on === 'string' ? on : undefined)} />;
}
