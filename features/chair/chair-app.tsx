'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { calendarOf, DAY_FIRST, METRIC } from '@/core/units';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { isTyping } from '@/ui/is-typing';
import { CalendarProvider, useCalendar } from '../house/calendar';
import { MeasuresProvider } from '../house/measures';
import { ChairScreen } from './chair-screen';
import { OtherClients, ServiceLine } from './other-clients';
import type { LinkSnapshot } from './service-link';
import { wakeSound } from './sound';
import { useAlarms } from './use-alarms';
import { useDevice, useLinks, useNow, useSnapshots, type Device } from './use-chair';

/** A service that runs somewhere in the salon. */
interface Running {
  readonly visitId: string;
  readonly clientName: string;
  readonly begunAt: string;
}

/** The services of this device: one in sight, the others with their timers; alarms of all of them sound. */
export function ChairApp() {
  const device = useDevice();
  const [visitId, setVisitId] = useVisitOfAddress();
  const kept = useKeptServices(device);
  const ids = useMemo(() => [...new Set([...(visitId ? [visitId] : []), ...kept.ids])], [visitId, kept.ids]);
  const links = useLinks(device, ids);
  const snapshots = useSnapshots(links);
  const now = useNow(device);
  const alarms = useAlarms(links, snapshots, now);
  const [choosing, setChoosing] = useState(false);
  useStepKeys(visitId, choosing);
  useEffect(() => {
    const wake = () => void wakeSound();
    window.addEventListener('pointerdown', wake);
    window.addEventListener('keydown', wake);
    return () => {
      window.removeEventListener('pointerdown', wake);
      window.removeEventListener('keydown', wake);
    };
  }, []);

  const linkSnapshot = snapshots.find((one) => one.visitId === visitId);
  const link = links.find((one) => one.visitId === visitId);
  const others = snapshots.filter(
    (one) =>
      one.visitId !== visitId &&
      one.state !== null &&
      one.state.startedAt !== null &&
      one.state.finishedAt === null,
  );
  const written = [linkSnapshot, ...snapshots].find((one) => one?.service?.written)?.service?.written;
  return (
    <CalendarProvider calendar={calendarOf(written ?? { calendar: DAY_FIRST, timeZone: ownTimeZone() })}>
      <div data-live={device !== undefined} className="flex h-dvh flex-col">
        {others.length > 0 && <OtherClients snapshots={others} now={now} onShow={setVisitId} />}
        {device && linkSnapshot && link && linkSnapshot.service && linkSnapshot.state ? (
          <MeasuresProvider measures={linkSnapshot.service.measures ?? METRIC}>
            <ChairScreen
              key={linkSnapshot.visitId}
              device={device}
              link={link}
              links={links}
              snapshot={linkSnapshot}
              service={linkSnapshot.service}
              state={linkSnapshot.state}
              alarms={alarms}
              now={now}
              onServices={() => setChoosing(true)}
            />
          </MeasuresProvider>
        ) : (
          <Nothing
            problem={linkSnapshot?.problem ?? null}
            opening={visitId !== null && (linkSnapshot === undefined || linkSnapshot.status === 'opening')}
            offline={linkSnapshot?.status === 'offline'}
            onServices={() => setChoosing(true)}
            visitId={visitId}
          />
        )}
        <Dialog open={choosing} onOpenChange={setChoosing} title="Services under way" middle>
          {choosing && (
            <Choose
              snapshots={snapshots}
              now={now}
              onShow={(id) => {
                kept.keep(id);
                setVisitId(id);
                setChoosing(false);
              }}
            />
          )}
        </Dialog>
      </div>
    </CalendarProvider>
  );
}

/** Where this device is: until it knows where the salon is. */
const ownTimeZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The visit that the address names; changing it changes the address, without asking the server. */
function useVisitOfAddress(): [string | null, (id: string) => void] {
  const [visitId, set] = useState<string | null>(null);
  useEffect(() => {
    const read = () => set(new URL(location.href).searchParams.get('visit'));
    read();
    window.addEventListener('popstate', read);
    return () => window.removeEventListener('popstate', read);
  }, []);
  const show = useCallback((id: string) => {
    history.pushState(null, '', `/chair?visit=${id}`);
    set(id);
  }, []);
  return [visitId, show];
}

/** Services that this device keeps; those of another salon are not shown to this one. */
function useKeptServices(device: Device | undefined): { ids: readonly string[]; keep(id: string): void } {
  const [ids, setIds] = useState<readonly string[]>([]);
  useEffect(() => {
    if (!device?.db) return;
    const { db } = device;
    let gone = false;
    void (async () => {
      const all = await db.services().catch(() => []);
      const answer = (await fetch('/api/services', { cache: 'no-store' }).then(
        (response) => response.json(),
        () => null,
      )) as { ok: boolean; salonId?: string; services?: Running[] } | null;
      const shown: string[] = [];
      for (const { visitId, salonId } of all) {
        if (answer?.ok && answer.salonId !== salonId) continue;
        // What is over, and was sent in full, need not stay on the device.
        if (
          answer?.ok &&
          !answer.services?.some((service) => service.visitId === visitId) &&
          (await db.forget(visitId).catch(() => false))
        )
          continue;
        shown.push(visitId);
      }
      if (!gone) setIds(shown);
    })();
    return () => {
      gone = true;
    };
  }, [device]);
  return { ids, keep: (id) => setIds((before) => (before.includes(id) ? before : [...before, id])) };
}

/** The keys that lead to the step before and the step after, as in every step of a visit. */
function useStepKeys(visitId: string | null, off: boolean): void {
  const router = useRouter();
  useEffect(() => {
    if (visitId === null || off) return;
    const onKey = (event: KeyboardEvent) => {
      if (
        event.altKey ||
        event.ctrlKey ||
        event.metaKey ||
        isTyping(event.target) ||
        document.querySelector('[role=dialog]')
      )
        return;
      if (event.key === '[') router.push(`/visits/${visitId}/clock`);
      if (event.key === ']') router.push(`/visits/${visitId}/record`);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [visitId, off, router]);
}

interface NothingProps {
  problem: string | null;
  opening: boolean;
  offline: boolean;
  visitId: string | null;
  onServices(): void;
}

function Nothing({ problem, opening, offline, visitId, onServices }: NothingProps) {
  const words =
    problem ??
    (opening
      ? 'Opening the service …'
      : offline
        ? 'No network, and this device does not keep that service yet. It opens as soon as the network is back.'
        : 'Choose the service you are working on.');
  return (
    <main className="grid flex-1 place-items-center p-8">
      <div className="grid max-w-[560px] gap-4 text-center">
        <h1 className="text-3xl font-bold wide">Chair</h1>
        <p role="status" className="text-lg">
          {words}
        </p>
        <div className="flex justify-center gap-3">
          <Button look="primary" onClick={onServices}>
            Services under way
          </Button>
          <a
            href={visitId ? `/visits/${visitId}/clock` : '/clients'}
            className="inline-flex h-11 items-center rounded-ui border border-edge px-4 font-semibold hover:border-ink"
          >
            {visitId ? 'To the visit' : 'To the clients'}
          </a>
        </div>
      </div>
    </main>
  );
}

/** Every service that runs: those of this device with what is due next, the others by their names. */
function Choose({
  snapshots,
  now,
  onShow,
}: {
  snapshots: readonly LinkSnapshot[];
  now: number;
  onShow(id: string): void;
}) {
  const calendar = useCalendar();
  const [services, setServices] = useState<readonly Running[]>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    fetch('/api/services', { cache: 'no-store' }).then(
      async (response) => {
        const answer = (await response.json()) as { ok: boolean; problem?: string; services: Running[] };
        if (answer.ok) setServices(answer.services);
        else setProblem(answer.problem);
      },
      () => setProblem('No network: only what is kept on this device can be shown.'),
    );
  }, []);
  const here = snapshots.filter(
    ({ state }) => state !== null && state.startedAt !== null && state.finishedAt === null,
  );
  const elsewhere = (services ?? []).filter(
    ({ visitId }) => !here.some((linkSnapshot) => linkSnapshot.visitId === visitId),
  );
  return (
    <div className="grid max-h-[60dvh] gap-3 overflow-y-auto">
      {here.length > 0 && (
        <div className="divide-y divide-line rounded-ui border border-line">
          {here.map((linkSnapshot) => (
            <ServiceLine key={linkSnapshot.visitId} snapshot={linkSnapshot} now={now} onShow={onShow} />
          ))}
        </div>
      )}
      {problem && (
        <p role="alert" className="text-lg">
          {problem}
        </p>
      )}
      {!services && !problem && (
        <p role="status" className="text-lg text-ink-soft">
          Looking …
        </p>
      )}
      {services && here.length === 0 && elsewhere.length === 0 && (
        <p className="text-lg">No service is under way. Begin one from its visit, under Before you begin.</p>
      )}
      <ul className="grid gap-2">
        {elsewhere.map(({ visitId, clientName, begunAt }) => (
          <li key={visitId}>
            <Button className="h-[56px] w-full justify-between text-lg" onClick={() => onShow(visitId)}>
              {clientName}
              <span className="text-base font-medium text-ink-soft">
                begun {calendar.timeOf(Date.parse(begunAt))}
              </span>
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
