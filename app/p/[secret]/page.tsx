import type { Metadata } from 'next';
import { TheirPageForm } from '@/features/their-page/their-page-form';
import { theirPage } from '@/features/their-page/queries';

export const dynamic = 'force-dynamic';

/** The address is a secret: no page that is gone to from here hears it, and none lists it. */
export const metadata: Metadata = {
  title: 'Before your visit',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};

/** The page for a client's own phone. Its secret opens it, no session does, and nothing else is behind it. */
export default async function ClientsOwnPage({ params }: { params: Promise<{ secret: string }> }) {
  const { secret } = await params;
  const page = await theirPage(secret);
  if ('closed' in page) {
    return (
      <main className="mx-auto grid min-h-[80dvh] max-w-[440px] content-center gap-3 px-5">
        <h1 className="text-2xl font-bold wide">Not open</h1>
        <p>{page.closed}</p>
      </main>
    );
  }
  return <TheirPageForm secret={secret} page={page} />;
}
