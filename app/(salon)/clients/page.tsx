import type { Metadata } from 'next';
import { ClientTables } from '@/features/clients/client-tables';
import { ClientList } from '@/features/clients/client-list';
import { NewClient } from '@/features/clients/new-client';
import { findClients } from '@/features/clients/queries';
import { SearchField } from '@/features/clients/search-field';
import { loadHouse, salonToday } from '@/features/house/queries';
import { buttonLook } from '@/ui/button-look';
import { Link } from '@/ui/link';

export const metadata: Metadata = { title: 'Clients' };

type Asked = { find?: string | string[]; away?: string | string[]; page?: string | string[] };

export default async function ClientsPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const { find, away, page: asked } = await searchParams;
  const search = typeof find === 'string' ? find : '';
  const archived = away === 'yes';
  const { clients, page, pages, all } = await findClients(
    search,
    archived,
    typeof asked === 'string' && /^\d{1,6}$/.test(asked) ? Math.max(0, Number(asked) - 1) : 0,
  );
  const toPage = (value: number) =>
    `/clients?${new URLSearchParams({ ...(archived && { away: 'yes' }), page: String(value + 1) }).toString()}`;
  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-4">
        <h1 className="mr-4 text-2xl font-bold wide">{archived ? 'Archived clients' : 'Clients'}</h1>
        <SearchField search={search} archived={archived} />
        <Link href={archived ? '/clients' : '/clients?away=yes'} className={buttonLook('quiet', true)}>
          {archived ? 'Back to clients' : 'Archived'}
        </Link>
        {!archived && (
          <div className="flex flex-wrap items-center gap-3 md:ml-auto">
            <ClientTables />
            <NewClient name={clients.length === 0 ? search : ''} />
          </div>
        )}
      </div>
      {clients.length > 0 ? (
        <ClientList clients={clients} today={await salonToday()} house={(await loadHouse()).document} />
      ) : (
        <p className="card p-8 text-center text-ink-soft">
          {search
            ? `No client here has “${search}” in name, phone, note or pattern.`
            : archived
              ? 'No archived clients.'
              : 'No clients yet. Begin with New client.'}
        </p>
      )}
      {pages > 1 && (
        <nav aria-label="Pages" className="mt-4 flex flex-wrap items-center justify-end gap-3">
          <span className="text-base text-ink-soft">
            {all} clients, page {page + 1} of {pages}
          </span>
          {page > 0 && (
            <Link href={toPage(page - 1)} className={buttonLook('plain')}>
              Previous
            </Link>
          )}
          {page < pages - 1 && (
            <Link href={toPage(page + 1)} className={buttonLook('plain')}>
              Next
            </Link>
          )}
        </nav>
      )}
    </>
  );
}
