import type { Metadata } from 'next';
import { ResetForm } from '@/features/people/links-form';
import { linkBehind } from '@/features/people/queries';
import { Gate, GONE_LINK } from '@/features/session/gate';

export const metadata: Metadata = { title: 'New password', referrer: 'no-referrer' };

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const link = await linkBehind(token, 'reset');
  return (
    <Gate title="Set a new password" words={link ? `For ${link.personName}, ${link.email}` : 'Dappled Lattice'}>
      {link ? <ResetForm token={token} /> : GONE_LINK}
    </Gate>
  );
}
