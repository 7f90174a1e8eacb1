import type { Metadata } from 'next';
import { DayPage } from '@/features/diary/day-page';
import { loadDay } from '@/features/diary/queries';

export const metadata: Metadata = { title: 'Day' };

type Asked = Partial<Record<'on' | 'book' | 'kind', string | string[]>>;
const one = (value: string | string[] | undefined) => (typeof value === 'string' ? value : undefined);

/** A day of the salon: /day, /day?on=2027-01-31; with &book=CLIENT&kind=full their booking is open. */
export default async function Page({ searchParams }: { searchParams: Promise<Asked> }) {
  const { on, book, kind } = await searchParams;
  const facts = await loadDay(one(on), { client: one(book), kind: one(kind) });
  return <DayPage key={`${facts.on} ${facts.toBook?.id ?? ''}`} facts={facts} />;
}
