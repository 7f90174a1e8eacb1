import pg from 'pg';
import type { Transaction } from './database';
import { appDatabaseUrl } from './environment';

const CHANNEL = 'lattice_service';
/** Before the connection that listens is opened anew. */
const AGAIN_MS = 500;

/** Something was added to a service. */
export interface Signal {
  readonly salonId: string;
  readonly visitId: string;
  readonly position: number;
}

/** Tells every application server, once the transaction is through. */
export async function announce(trx: Transaction, signal: Signal): Promise<void> {
  await trx.raw('select pg_notify(?, ?)', [CHANNEL, JSON.stringify(signal)]);
}

type Listener = (signal: Signal | null) => void;

/** One connection of this server listens for all of its streams; when it was lost, everybody is told to look anew. */
class Signals {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: pg.Client | undefined;
  private opening: Promise<void> | undefined;

  /** @param on called with each signal of a visit, and with null when some may have been missed @returns ends it */
  async listen(visitId: string, on: Listener): Promise<() => void> {
    const own = this.listeners.get(visitId) ?? new Set();
    own.add(on);
    this.listeners.set(visitId, own);
    await this.open();
    return () => {
      own.delete(on);
      if (own.size === 0 && this.listeners.get(visitId) === own) this.listeners.delete(visitId);
    };
  }

  async close(): Promise<void> {
    this.listeners.clear();
    await this.client?.end();
  }

  private open(): Promise<void> {
    if (this.client) return Promise.resolve();
    this.opening ??= this.connect().finally(() => (this.opening = undefined));
    return this.opening;
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({ connectionString: appDatabaseUrl(), keepAlive: true });
    let lost = false;
    const again = () => {
      if (lost) return;
      lost = true;
      this.client = undefined;
      client.removeAllListeners('notification');
      client.end().catch(() => undefined);
      if (this.listeners.size > 0) setTimeout(() => void this.open(), AGAIN_MS);
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload }) => {
      const signal = JSON.parse(payload ?? '{}') as Signal;
      this.listeners.get(signal.visitId)?.forEach((on) => on(signal));
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
    } catch {
      return again();
    }
    this.client = client;
    this.listeners.forEach((all) => all.forEach((on) => on(null)));
  }
}

const kept = globalThis as typeof globalThis & { latticeSignals?: Signals };

export function listenToService(visitId: string, on: Listener): Promise<() => void> {
  kept.latticeSignals ??= new Signals();
  return kept.latticeSignals.listen(visitId, on);
}

/** Ends the connection that listens (tests). */
export async function closeSignals(): Promise<void> {
  await kept.latticeSignals?.close();
  kept.latticeSignals = undefined;
}
