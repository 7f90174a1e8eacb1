import type { Metadata } from 'next';
import { loadReminding } from '@/features/reminders/queries';
import { RemindersPage } from '@/features/reminders/reminders-page';

export const metadata: Metadata = { title: 'Reminders' };

export default async function Page() {
  return <RemindersPage facts={await loadReminding()} />;
}
