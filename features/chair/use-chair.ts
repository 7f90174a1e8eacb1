'use client';

import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { DeviceClock } from './device-clock';
import { DeviceDb } from './device-db';
import { ServiceLink, type LinkPorts, type LinkSnapshot } from './service-link';

const DEVICE_KEY = 'lattice/chair/device';

/** This page as a device: the same through a reload, another in another tab. */
function deviceName(): string {
  const kept = sessionStorage.getItem(DEVICE_KEY);
  if (kept) return kept;
  const made = crypto.randomUUID();
  sessionStorage.setItem(DEVICE_KEY, made);
  return made;
}

const ports: LinkPorts = {
  fetch: (url, init) => fetch(url, init),
  randomId: () => crypto.randomUUID(),
  listen(url, onEvent, onDown) {
    const source = new EventSource(url);
    for (const name of ['happened', 'now'])
      source.addEventListener(name, (event) => onEvent(name, (event as MessageEvent<string>).data));
    // The link opens it anew, from where it knows to be.
    source.onerror = () => {
      source.close();
      onDown();
    };
    return () => source.close();
  },
};

export interface Device {
  readonly name: string;
  readonly clock: DeviceClock;
  /** null where this device keeps nothing: what is done is then only in this page until it is sent. */
  readonly db: DeviceDb | null;
}

/** Opens what this device keeps; undefined until it is open. */
export function useDevice(): Device | undefined {
  const [device, setDevice] = useState<Device>();
  useEffect(() => {
    const clock = new DeviceClock(localStorage);
    let gone = false;
    DeviceDb.open().then(
      (db) => !gone && setDevice({ name: deviceName(), clock, db }),
      () => !gone && setDevice({ name: deviceName(), clock, db: null }),
    );
    return () => {
      gone = true;
    };
  }, []);
  return device;
}

/** Links to services, opened as they are named and closed when they no longer are. */
export function useLinks(device: Device | undefined, visitIds: readonly string[]): readonly ServiceLink[] {
  const open = useRef(new Map<string, ServiceLink>());
  const [links, setLinks] = useState<readonly ServiceLink[]>([]);
  const key = visitIds.join();
  useEffect(() => {
    if (!device) return;
    const wanted = key === '' ? [] : key.split(',');
    for (const [id, link] of open.current) {
      if (wanted.includes(id)) continue;
      link.close();
      open.current.delete(id);
    }
    for (const id of wanted) {
      if (open.current.has(id)) continue;
      const link = new ServiceLink(id, device.name, device.db, device.clock, ports);
      open.current.set(id, link);
      void link.open();
    }
    setLinks(wanted.map((id) => open.current.get(id)!));
  }, [device, key]);
  useEffect(() => {
    const again = () => open.current.forEach((link) => link.retryNow());
    const awake = () => document.visibilityState === 'visible' && again();
    window.addEventListener('online', again);
    document.addEventListener('visibilitychange', awake);
    const all = open.current;
    return () => {
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', awake);
      all.forEach((link) => link.close());
      all.clear();
    };
  }, []);
  return links;
}

const NOTHING: readonly LinkSnapshot[] = [];

/** Snapshots of some links as one value, which stays the same as long as all of them do. */
class SnapshotStore {
  private last: readonly LinkSnapshot[] = NOTHING;

  constructor(private readonly links: readonly ServiceLink[]) {}

  subscribe = (changed: () => void) => {
    const ends = this.links.map((link) => link.subscribe(changed));
    return () => ends.forEach((end) => end());
  };

  read = () => {
    const next = this.links.map((link) => link.read());
    if (next.length !== this.last.length || next.some((linkSnapshot, i) => linkSnapshot !== this.last[i]))
      this.last = next;
    return this.last;
  };
}

/** What all links show, anew whenever one changes. */
export function useSnapshots(links: readonly ServiceLink[]): readonly LinkSnapshot[] {
  const store = useMemo(() => new SnapshotStore(links), [links]);
  return useSyncExternalStore(store.subscribe, store.read, () => NOTHING);
}

/** The server's time, four times a second, also while the page is hidden. */
export function useNow(device: Device | undefined): number {
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (!device) return;
    const tick = () => setNow(device.clock.now());
    tick();
    const worker = new Worker(new URL('../../workers/ticker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = tick;
    document.addEventListener('visibilitychange', tick);
    window.addEventListener('pageshow', tick);
    return () => {
      worker.terminate();
      document.removeEventListener('visibilitychange', tick);
      window.removeEventListener('pageshow', tick);
    };
  }, [device]);
  return now;
}
