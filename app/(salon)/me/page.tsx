import type { Metadata } from 'next';
import { MePage } from '@/features/people/me-page';
import { loadMe } from '@/features/people/queries';

export const metadata: Metadata = { title: 'PIN, password, sessions' };

export default async function Page() {
  const me = await loadMe();
  return (
    <>
      <h1 className="mb-6 text-3xl font-bold wide">{me.name}</h1>
      <MePage me={me} />
    </>
  );
}
