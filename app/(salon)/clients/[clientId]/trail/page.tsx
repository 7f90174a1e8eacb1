import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { clientStory } from '@/features/clients/queries';
import { salonCalendar } from '@/features/house/queries';
import { loadTrail } from '@/features/trail/queries';
import { TrailList } from '@/features/trail/trail-list';
import { buttonLook } from '@/ui/button-look';
import { BackIcon } from '@/ui/icons';
import { Link } from '@/ui/link';

export const metadata: Metadata = { title: 'Trail' };

export default async function Page({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const [story, entries] = await Promise.all([clientStory(clientId), loadTrail({ clientId })]);
  if (!story) notFound();
  return (
    <>
      <Link href={`/clients/${clientId}`} className={`${buttonLook('quiet', true)} -ml-3`}>
        <BackIcon /> {story.client.name}
      </Link>
      <h1 className="mt-2 mb-6 text-3xl font-bold wide">Trail</h1>
      <TrailList entries={entries} calendar={await salonCalendar()} ofClient />
    </>
  );
}
