import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { currentPerson } from '@/features/session/current';
import { demoSignIns } from '@/features/session/queries';
import { SignInForm } from '@/features/session/sign-in-form';
import { Mark } from '@/ui/mark';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentPerson()) redirect('/clients');
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-[440px] content-center gap-6 px-5 py-10">
      <div className="flex items-center gap-4">
        <Mark size={52} />
        <div>
          <h1 className="text-2xl leading-tight font-bold wide">Dappled Lattice</h1>
          <p className="text-ink-soft">Foil highlights, planned and on record.</p>
        </div>
      </div>
      <SignInForm demo={await demoSignIns()} />
    </main>
  );
}
