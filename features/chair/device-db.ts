'use client';

import type { CalendarWriting, Measures } from '@/core/units';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { ServiceEvent, ServiceScript } from '@/core/chair';

/** A service as this device keeps it. */
export interface KeptService {
  readonly visitId: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly script: ServiceScript;
  readonly salonId: string;
  readonly person: string;
  /** Whether the house has it that a tap anywhere counts. */
  readonly tapAnywhere?: boolean;
  /** In what the house says its figures. */
  readonly measures?: Measures;
  /** How it writes days and times, and where it is. */
  readonly written?: { readonly calendar: CalendarWriting; readonly timeZone: string };
}

/** An event as this device keeps it: without a position until the server has taken it. */
export interface KeptEvent {
  /** Order in which this device came to know it. */
  readonly n?: number;
  readonly id: string;
  readonly visitId: string;
  readonly event: ServiceEvent;
  readonly position: number | null;
}

interface Schema extends DBSchema {
  services: { key: string; value: KeptService };
  events: { key: number; value: KeptEvent; indexes: { visit: string; id: [string, string] } };
}

/** What this device keeps of services: each event is here before anything else is done with it. */
export class DeviceDb {
  private constructor(private readonly db: IDBPDatabase<Schema>) {}

  static async open(name = 'lattice-chair'): Promise<DeviceDb> {
    const db = await openDB<Schema>(name, 1, {
      upgrade(iDBPDatabase) {
        iDBPDatabase.createObjectStore('services', { keyPath: 'visitId' });
        const events = iDBPDatabase.createObjectStore('events', { keyPath: 'n', autoIncrement: true });
        events.createIndex('visit', 'visitId');
        events.createIndex('id', ['visitId', 'id'], { unique: true });
      },
    });
    return new DeviceDb(db);
  }

  service(visitId: string): Promise<KeptService | undefined> {
    return this.db.get('services', visitId);
  }

  services(): Promise<KeptService[]> {
    return this.db.getAll('services');
  }

  async putService(service: KeptService): Promise<void> {
    await this.db.put('services', service);
  }

  events(visitId: string): Promise<KeptEvent[]> {
    return this.db.getAllFromIndex('events', 'visit', visitId);
  }

  /** Keeps events; what is known already gets its position, and its moment as the server has it. */
  async putEvents(events: readonly KeptEvent[]): Promise<void> {
    const trx = this.db.transaction('events', 'readwrite', { durability: 'strict' });
    for (const keptEvent of events) {
      const before = await trx.store.index('id').get([keptEvent.visitId, keptEvent.id]);
      if (!before) await trx.store.put(keptEvent);
      else if (before.position === null && keptEvent.position !== null)
        await trx.store.put({ ...keptEvent, n: before.n });
    }
    await trx.done;
  }

  /** Forgets a service, unless something of it was not sent yet. @returns whether it is forgotten */
  async forget(visitId: string): Promise<boolean> {
    const events = await this.events(visitId);
    if (events.some(({ position }) => position === null)) return false;
    const trx = this.db.transaction(['services', 'events'], 'readwrite');
    await trx.objectStore('services').delete(visitId);
    for (const { n } of events) await trx.objectStore('events').delete(n!);
    await trx.done;
    return true;
  }

  /**
   * Forgets every service that was sent in full.
   * @returns how many stay, because something of them was not sent yet
   */
  async forgetSent(): Promise<number> {
    const kept = await Promise.all((await this.services()).map(({ visitId }) => this.forget(visitId)));
    return kept.filter((gone) => !gone).length;
  }

  close(): void {
    this.db.close();
  }
}
