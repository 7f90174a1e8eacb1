import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { currentPerson } from '@/features/session/current';
import { Gate } from '@/features/session/gate';
import { anySalon, demoSignIns } from '@/features/session/queries';
import { SignInForm } from '@/features/session/sign-in-form';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentPerson()) redirect('/clients');
  return (
    <Gate title="Dappled Lattice" words="Foil highlights, planned and on record.">
      {(await anySalon()) ? <SignInForm demo={await demoSignIns()} /> : <NoSalon />}
    </Gate>
  );
}

/** The first page of an installation that has no salon yet. */
function NoSalon() {
  return (
    <section className="card grid gap-3 p-6">
      <h2 className="text-lg font-bold wide">There is no salon here yet</h2>
      <p>Whoever runs the server makes one on the command line and gives the link to the owner:</p>
      <code className="rounded-ui bg-ground p-3 text-sm font-semibold">
        bin/new-salon &quot;Name of the salon&quot; --owner name@salon.example
      </code>
      <p className="text-sm text-ink-soft">To move a salon here, restore its archive with bin/restore.</p>
    </section>
  );
}
