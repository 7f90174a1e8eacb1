import type { Metadata } from 'next';
import { salonCalendar } from '@/features/house/queries';
import { loadTrail } from '@/features/trail/queries';
import { TrailList } from '@/features/trail/trail-list';
import { buttonLook } from '@/ui/button-look';
import { Link } from '@/ui/link';

export const metadata: Metadata = { title: 'Trail' };

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<{ before?: string | string[] }>;
}) {
  const { before } = await searchParams;
  const entries = await loadTrail({ before: typeof before === 'string' ? before : undefined });
  return (
    <>
      <p className="mb-4 text-base text-ink-soft">
        Every change to a client’s record, and who made it. Nobody can change the trail; erasing a client
        removes their words from it, but not the fact that it was done.
      </p>
      <TrailList entries={entries} calendar={await salonCalendar()} ofClient={false} />
      {entries.length > 50 && (
        <Link
          className={`${buttonLook('plain')} mt-4`}
          href={`/house/trail?before=${encodeURIComponent(entries.at(-1)!.at)}`}
        >
          Earlier
        </Link>
      )}
    </>
  );
}
