import knex, { type Knex } from 'knex';
import pg from 'pg';
import { appDatabaseUrl } from './environment';

export type Transaction = Knex.Transaction;

// Days stay days: YYYY-MM-DD, never a moment in some time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (day: string) => day);

const silent = () => undefined;
const SILENT: Knex.Logger = { warn: silent, error: silent, deprecate: silent, debug: silent };

/**
 * Opens a pool on a database. Nothing outside data/ does this.
 * Knex writes nothing of its own: every failure is thrown, and whoever catches it says it once.
 */
export function connect(url: string, poolSize = 10, limits: object = {}): Knex {
  return knex({
    client: 'pg',
    connection: { connectionString: url, ...limits },
    pool: { min: 0, max: poolSize },
    acquireConnectionTimeout: 10_000,
    log: SILENT,
  });
}

/**
 * The application waits no longer than this for one statement, a lock, or its own work within a transaction,
 * ms.
 */
const LIMITS = {
  statement_timeout: 20_000,
  lock_timeout: 10_000,
  idle_in_transaction_session_timeout: 90_000,
};

// Kept across hot reloads, where modules are loaded anew but connections stay.
const kept = globalThis as typeof globalThis & { latticeDatabase?: Knex };

/** The application's pool. */
export function database(): Knex {
  kept.latticeDatabase ??= connect(appDatabaseUrl(), 10, LIMITS);
  return kept.latticeDatabase;
}

/** Closes the application's pool (tests). */
export async function closeDatabase(): Promise<void> {
  await kept.latticeDatabase?.destroy();
  kept.latticeDatabase = undefined;
}

/** Who acts, and in which salon: every read and write is made for one. */
export interface Actor {
  readonly salonId: string;
  readonly personId: string;
  /** The tool that acts in the person's name; nothing where the person does. */
  readonly via?: string;
}

/**
 * Runs work in one transaction for one salon: row-level security shows that salon's rows only and refuses to
 * write any
 * other's. The setting ends with the transaction.
 */
export function inSalon<T>(
  salonId: string,
  work: (trx: Transaction) => Promise<T>,
  pool: Knex = database(),
): Promise<T> {
  return pool.transaction(async (trx) => {
    await trx.raw("select set_config('lattice.salon', ?, true)", [salonId]);
    return work(trx);
  });
}

/** One connection of a pool, for what Knex has no words for. It goes back to the pool afterwards. */
export async function onConnection<T>(pool: Knex, work: (connection: pg.Client) => Promise<T>): Promise<T> {
  const client = pool.client as {
    acquireConnection(): Promise<pg.Client>;
    releaseConnection(connection: pg.Client): Promise<void>;
  };
  const connection = await client.acquireConnection();
  try {
    return await work(connection);
  } finally {
    await client.releaseConnection(connection);
  }
}

/** Connections of the application's pool by what they do. */
export function connectionsNow(): {
  readonly used: number;
  readonly free: number;
  readonly waitedFor: number;
} {
  const { pool } = database().client as {
    pool: { numUsed(): number; numFree(): number; numPendingAcquires(): number };
  };
  return { used: pool.numUsed(), free: pool.numFree(), waitedFor: pool.numPendingAcquires() };
}
