import type { Metadata } from 'next';
import { HouseProvider } from '@/features/house/context';
import { HouseForm } from '@/features/house/house-form';
import { loadHouse, salonToday } from '@/features/house/queries';
import { buttonLook } from '@/ui/button-look';

export const metadata: Metadata = { title: 'House' };

export default async function HousePage() {
  const { document, revision, mayChange } = await loadHouse();
  return (
    <>
      <p className="mb-6 text-base text-ink-soft">
        Set once for the whole salon, for every visit opened from now on.
      </p>
      <HouseProvider house={document}>
        <HouseForm
          initial={document}
          revision={revision}
          mayChange={mayChange}
          today={await salonToday()}
          timeZones={Intl.supportedValuesOf('timeZone')}
          currencies={Intl.supportedValuesOf('currency')}
        />
      </HouseProvider>
      {mayChange && (
        <section
          aria-label="The whole salon"
          className="card mt-6 flex flex-wrap items-center justify-between gap-4 p-5"
        >
          <p className="max-w-[720px] text-base">
            <b>The whole salon in one archive:</b> clients, visits, records, photos, diary and the trail, to
            keep or to take to another installation. Passwords, sessions and calendar addresses are not in it.
            The server’s own commands bin/backup and bin/restore do the same, and put it back.
          </p>
          <a href="/api/archive" download className={buttonLook('plain')}>
            Download everything (ZIP)
          </a>
        </section>
      )}
    </>
  );
}
