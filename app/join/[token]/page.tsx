import type { Metadata } from 'next';
import { JoinForm } from '@/features/people/links-form';
import { linkBehind } from '@/features/people/queries';
import { Gate, GONE_LINK } from '@/features/session/gate';

export const metadata: Metadata = { title: 'Join', referrer: 'no-referrer' };

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const link = await linkBehind(token, 'invitation');
  return (
    <Gate title={link ? `Join ${link.salonName}` : 'Join'} words={link ? `You were invited as ${link.role}.` : 'Dappled Lattice'}>
      {link ? <JoinForm token={token} /> : GONE_LINK}
    </Gate>
  );
}
