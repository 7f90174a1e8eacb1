import type { Metadata } from 'next';
import { ResetForm, Said } from '@/features/people/links-form';
import { linkBehind } from '@/features/people/queries';
import { Gate, GONE_LINK } from '@/features/session/gate';

export const metadata: Metadata = { title: 'New password' };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ done?: string }>;
}) {
  const [{ token }, { done }] = await Promise.all([params, searchParams]);
  const link = await linkBehind(token, 'reset');
  if (!link && done)
    return (
      <Gate title="New password" words="Dappled Lattice">
        <Said ok words="Your new password is set. Sign in with it." />
      </Gate>
    );
  return (
    <Gate
      title="Set a new password"
      words={link ? `For ${link.personName}, ${link.email}` : 'Dappled Lattice'}
    >
      {link ? <ResetForm token={token} /> : GONE_LINK}
    </Gate>
  );
}
