import type { Metadata } from 'next';
import { PreparationPage } from '@/features/diary/preparation-page';
import { loadPreparation } from '@/features/diary/queries';
import { salonCalendar } from '@/features/house/queries';

export const metadata: Metadata = { title: 'To lay out' };

/** What is laid out for a day: /day/preparation, /day/preparation?on=2027-01-31 */
export default async function Page({ searchParams }: { searchParams: Promise<{ on?: string | string[] }> }) {
  const { on } = await searchParams;
  return (
    <PreparationPage
      facts={await loadPreparation(typeof on === 'string' ? on : undefined)}
      calendar={await salonCalendar()}
    />
  );
}
