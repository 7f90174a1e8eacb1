import type { Metadata } from 'next';
import { HouseForm } from '@/features/house/house-form';
import { loadHouse } from '@/features/house/queries';

export const metadata: Metadata = { title: 'House' };

export default async function HousePage() {
  const { document, revision, mayChange } = await loadHouse();
  return (
    <>
      <p className="mb-6 text-base text-ink-soft">Set once for the whole salon. Every visit that is opened afterwards goes by it.</p>
      <HouseForm initial={document} revision={revision} mayChange={mayChange} timeZones={Intl.supportedValuesOf('timeZone')} currencies={Intl.supportedValuesOf('currency')} />
    </>
  );
}
