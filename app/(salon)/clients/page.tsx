import type { Metadata } from 'next';
import { ClientList } from '@/features/clients/client-list';
import { NewClient } from '@/features/clients/new-client';
import { findClients } from '@/features/clients/queries';
import { SearchField } from '@/features/clients/search-field';
import { today } from '@/features/shared';

export const metadata: Metadata = { title: 'Clients' };

export default async function ClientsPage({ searchParams }: { searchParams: Promise<{ find?: string | string[] }> }) {
  const { find } = await searchParams;
  const search = typeof find === 'string' ? find : '';
  const clients = await findClients(search);
  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-4">
        <h1 className="mr-4 text-2xl font-bold wide">Clients</h1>
        <SearchField search={search} />
        <div className="ml-auto"><NewClient name={clients.length === 0 ? search : ''} /></div>
      </div>
      {clients.length > 0 ? (
        <ClientList clients={clients} today={today()} />
      ) : (
        <p className="card p-8 text-center text-ink-soft">
          {search ? `No client here has “${search}” in name, phone or note.` : 'No clients yet. Begin with New client.'}
        </p>
      )}
    </>
  );
}
