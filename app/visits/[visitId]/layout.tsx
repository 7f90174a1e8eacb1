import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { HouseProvider } from '@/features/house/context';
import { loadHouse, salonToday } from '@/features/house/queries';
import { KeepNear } from '@/features/offline/keep-near';
import { IdleLock } from '@/features/session/idle-lock';
import { VisitSteps } from '@/features/steps/visit-steps';
import { ComputedProvider } from '@/features/visit/computed';
import { VisitFrame } from '@/features/visit/frame';
import { OnlyHere } from '@/features/visit/only-here';
import { UnreadableVisit } from '@/features/visit/unreadable';
import { loadVisit } from '@/features/visit/queries';
import { UnsavedGuard } from '@/ui/unsaved';
import { VisitProvider } from '@/features/visit/store';

type Props = { params: Promise<{ visitId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const visit = await loadVisit((await params).visitId);
  const name = visit === undefined ? 'Not found' : 'unreadable' in visit ? 'Visit' : visit.client.name;
  // Each step adds its own: `Pattern · Maren Tolland`.
  return { title: { default: name, template: `%s · ${name}` } };
}

export default async function VisitLayout({ params, children }: Props & { children: ReactNode }) {
  const { visitId } = await params;
  const [visit, { document: house }] = await Promise.all([loadVisit(visitId), loadHouse()]);
  if (!visit) notFound();
  if ('unreadable' in visit) return <UnreadableVisit visitId={visitId} visit={visit} />;
  return (
    <HouseProvider house={house}>
      <IdleLock minutes={house.lockMinutes} />
      <UnsavedGuard />
      <KeepNear />
      <OnlyHere meanwhile={<Opening name={visit.client.name} />}>
        <VisitProvider key={visit.id} initial={visit} meanwhile={<Opening name={visit.client.name} />}>
          <ComputedProvider>
            <VisitFrame today={await salonToday()}>
              <VisitSteps />
            </VisitFrame>
          </ComputedProvider>
        </VisitProvider>
      </OnlyHere>
      {children}
    </HouseProvider>
  );
}

/** What stands there until the page answers. */
function Opening({ name }: { name: string }) {
  return (
    <div className="flex h-dvh flex-col">
      <header className="flex h-12 items-center border-b border-line bg-raised px-14 text-lg font-bold wide">
        {name}
      </header>
      <p role="status" className="grid flex-1 place-content-center text-ink-soft">
        Opening the visit …
      </p>
    </div>
  );
}
