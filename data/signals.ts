import pg from 'pg';
import type { Transaction } from './database';
import type { VisitPart } from './drafts';
import { appDatabaseUrl } from './environment';

const CHANNEL = 'lattice';
/** Before the connection that listens is opened anew. */
const AGAIN_MS = 500;

/** Where somebody is in a visit that is open at their station. */
export interface Present {
  /** Of the page that has it open. */
  readonly station: string;
  readonly name: string;
  /** The step that they look at, and the panel that they have in hand. */
  readonly step: string;
  readonly panel: string;
}

/**
 * Something was added to the service of a visit; a session of a salon was locked or ended; something of a
 * client changed beside the documents
 * of visits; or, of a visit: a document was saved, somebody is there or is gone.
 */
export type Signal =
  | { readonly topic: 'service'; readonly id: string; readonly position: number }
  | { readonly topic: 'sessions'; readonly id: string }
  | { readonly topic: 'client'; readonly id: string }
  | ({ readonly topic: 'visit'; readonly id: string } & VisitSignal);
export type VisitSignal =
  | { readonly saved: { readonly part: VisitPart; readonly revision: number } }
  | { readonly here: Present; /** Whoever is there, too, says so. */ readonly asks?: true }
  | { readonly gone: string };
type Topic = Signal['topic'];
type SignalOf<T extends Topic> = Extract<Signal, { readonly topic: T }>;

/** Tells every application server, once the transaction is through. */
export async function announce(trx: Transaction, signal: Signal): Promise<void> {
  await trx.raw('select pg_notify(?, ?)', [CHANNEL, JSON.stringify(signal)]);
}

const keyOf = ({ topic, id }: { readonly topic: Topic; readonly id: string }) => `${topic} ${id}`;

type Listener = (signal: Signal | null) => void;

/**
 * One connection of this server listens for all of its streams; when it was lost, everybody is told to look
 * anew.
 */
class Signals {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: pg.Client | undefined;
  private opening: Promise<void> | undefined;

  async listen(key: string, on: Listener): Promise<() => void> {
    const own = this.listeners.get(key) ?? new Set();
    own.add(on);
    this.listeners.set(key, own);
    await this.open();
    return () => {
      own.delete(on);
      if (own.size === 0 && this.listeners.get(key) === own) this.listeners.delete(key);
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
      this.listeners.get(keyOf(signal))?.forEach((on) => on(signal));
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

/**
 * @param on called with each signal of this topic and id, and with null when some may have been missed
 * @returns ends it
 */
export function listenTo<T extends Topic>(
  topic: T,
  id: string,
  on: (signal: SignalOf<T> | null) => void,
): Promise<() => void> {
  kept.latticeSignals ??= new Signals();
  return kept.latticeSignals.listen(keyOf({ topic, id }), on as Listener);
}

/** Ends the connection that listens (tests). */
export async function closeSignals(): Promise<void> {
  await kept.latticeSignals?.close();
  kept.latticeSignals = undefined;
}
