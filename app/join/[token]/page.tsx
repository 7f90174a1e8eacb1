import type { Metadata } from 'next';
import { JoinForm } from '@/features/people/links-form';
import { linkBehind } from '@/features/people/queries';
import { Gate, GONE_LINK } from '@/features/session/gate';

export const metadata: Metadata = { title: 'Join', referrer: 'no-referrer' };

export default async function Page({ params, searchParams }: { params: Promise<{ token: string }>; searchParams: Promise<{ email?: string | string[] }> }) {
  const [{ token }, { email = '' }] = await Promise.all([params, searchParams]);
  const link = await linkBehind(token, 'invitation');
  return (
    <Gate title={link ? `Join ${link.salonName}` : 'Join'} words={link ? `You were invited as ${link.role}.` : 'Dappled Lattice'}>
      {link ? <JoinForm token={token} email={typeof email === 'string' ? email.slice(0, 200) : ''} /> : GONE_LINK}
    </Gate>
  );
}
