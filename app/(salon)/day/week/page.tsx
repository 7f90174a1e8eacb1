import type { Metadata } from 'next';
import { loadWeek } from '@/features/diary/queries';
import { WeekPage } from '@/features/diary/week-page';

export const metadata: Metadata = { title: 'Week' };

/** A week of the salon: /day/week, or that of a day: /day/week?on=2027-01-31. */
export default async function Page({ searchParams }: { searchParams: Promise<{ on?: string | string[] }> }) {
  const { on } = await searchParams;
  return <WeekPage facts={await loadWeek(typeof on === 'string' ? on : undefined)} />;
}
