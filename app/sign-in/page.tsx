import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { currentPerson } from '@/features/session/current';
import { Gate } from '@/features/session/gate';
import { demoSignIns } from '@/features/session/queries';
import { SignInForm } from '@/features/session/sign-in-form';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentPerson()) redirect('/clients');
  return (
    <Gate title="Dappled Lattice" words="Foil highlights, planned and on record.">
      <SignInForm demo={await demoSignIns()} />
    </Gate>
  );
}
