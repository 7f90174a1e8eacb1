import type { Metadata } from 'next';
import { DayPage } from '@/features/diary/day-page';
import { loadDay } from '@/features/diary/queries';

export const metadata: Metadata = { title: 'Day' };

type Asked = Partial<Record<'on' | 'book' | 'kind' | 'at' | 'with', string | string[]>>;
const one = (value: string | string[] | undefined) => (typeof value === 'string' ? value : undefined);

/**
 * A day of the salon: /day, /day?on=2027-01-31; with &book=CLIENT&kind=full their booking is open, with
 * &at=540&with=PERSON at that minute with them.
 */
export default async function Page({ searchParams }: { searchParams: Promise<Asked> }) {
  const { on, book, kind, at, with: person } = await searchParams;
  const facts = await loadDay(one(on), {
    client: one(book),
    kind: one(kind),
    from: one(at),
    person: one(person),
  });
  return <DayPage key={`${facts.on} ${facts.toBook?.id ?? ''}`} facts={facts} />;
}
