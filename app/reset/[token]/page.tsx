import type { Metadata } from 'next';
import { ResetForm } from '@/features/people/links-form';
import { linkBehind } from '@/features/people/queries';
import { Mark } from '@/ui/mark';

export const metadata: Metadata = { title: 'New password', referrer: 'no-referrer' };

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const link = await linkBehind(token, 'reset');
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-[440px] content-center gap-6 px-5 py-10">
      <div className="flex items-center gap-4">
        <Mark size={52} />
        <div>
          <h1 className="text-2xl leading-tight font-bold wide">Set a new password</h1>
          <p className="text-ink-soft">{link ? `For ${link.personName}, ${link.email}` : 'Dappled Lattice'}</p>
        </div>
      </div>
      {link ? <ResetForm token={token} /> : (
        <p role="alert" className="card p-6">This link was used already, taken back, or is out of date. Ask the owner for a new one.</p>
      )}
    </main>
  );
}
