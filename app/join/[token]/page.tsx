import type { Metadata } from 'next';
import { JoinForm, Said } from '@/features/people/links-form';
import { linkBehind } from '@/features/people/queries';
import { Gate, GONE_LINK } from '@/features/session/gate';

export const metadata: Metadata = { title: 'Join' };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ email?: string | string[]; done?: string }>;
}) {
  const [{ token }, { email = '', done }] = await Promise.all([params, searchParams]);
  const link = await linkBehind(token, 'invitation');
  if (!link && done)
    return (
      <Gate title="Join" words="Dappled Lattice">
        <Said ok words="You have joined. Sign in with your e-mail and password." />
      </Gate>
    );
  return (
    <Gate
      title={link ? `Join ${link.salonName}` : 'Join'}
      words={link ? `You were invited as ${link.role}.` : 'Dappled Lattice'}
    >
      {link ? (
        <JoinForm token={token} email={typeof email === 'string' ? email.slice(0, 200) : ''} />
      ) : (
        GONE_LINK
      )}
    </Gate>
  );
}
