import type { Knex } from 'knex';
import PgBoss from 'pg-boss';
import { appDatabaseUrl } from './environment';
import { errorFacts, watch } from './watch';
import { onConnection } from './database';

/**
 * What the server does by itself: kinds of jobs, each with what it is given. Ids and names of salons only,
 * nothing of a client.
 */
export interface JobData {
  /** Looks for what is due; once a minute, on one of the machines. */
  readonly 'reminders-due': null;
  /** Sends one reminder. */
  readonly reminder: {
    readonly salonId: string;
    readonly salonName: string;
    readonly clientId: string;
    readonly appointmentId: string;
    readonly about: string;
  };
}
type JobKind = keyof JobData;

const QUEUES: Readonly<Record<JobKind, PgBoss.Queue>> = {
  'reminders-due': { name: 'reminders-due', policy: 'short', retryLimit: 0, expireInSeconds: 300 },
  // One that waits already is not put in again; one that failed is tried for about twenty minutes.
  reminder: {
    name: 'reminder',
    policy: 'short',
    retryLimit: 6,
    retryDelay: 20,
    retryBackoff: true,
    expireInSeconds: 60,
  },
};
/** The queue's own, for its schedules. */
const SCHEDULER: PgBoss.Queue = { name: '__pgboss__send-it' };
const EVERY_MINUTE = '* * * * *';

/**
 * Makes the queue's tables, or brings them up to this version, and lets the application work with them.
 * @param owner pool of the role that owns the tables
 */
export async function prepareJobs(owner: Knex): Promise<void> {
  await onConnection(owner, async (connection) => {
    const boss = new PgBoss({
      db: { executeSql: (sql, values) => connection.query(sql, values) },
      schedule: false,
      supervise: false,
    });
    await boss.start();
    for (const queue of [...Object.values(QUEUES), SCHEDULER]) await boss.createQueue(queue.name, queue);
    await boss.schedule('reminders-due', EVERY_MINUTE);
    await connection.query(
      'grant usage on schema pgboss to lattice_app; grant select, insert, update, delete on all tables in schema pgboss to lattice_app',
    );
    await boss.stop({ graceful: false, close: false });
  });
}

/** The queue as a machine works at it. */
export interface Jobs {
  /** @param key of one that waits already: it is not put in again */
  enqueue<K extends JobKind>(kind: K, data: JobData[K], key?: string): Promise<void>;
  stop(): Promise<void>;
}

export type Handlers = { readonly [K in JobKind]: (data: JobData[K], jobs: Jobs) => Promise<void> };

/**
 * Works at the queue on this machine, beside others: each job is taken by one. What a machine that died had
 * begun is given to
 * another when its time is up.
 * @param everySeconds how often it looks for jobs
 */
export async function workAtJobs(handlers: Handlers, everySeconds = 2): Promise<Jobs> {
  const boss = new PgBoss({
    connectionString: appDatabaseUrl(),
    application_name: 'lattice jobs',
    migrate: false,
    max: 2,
    maintenanceIntervalSeconds: 30,
  });
  boss.on('error', (error) => watch().log.error(errorFacts(error), 'jobs'));
  try {
    await boss.start();
  } catch (error) {
    await boss.stop({ graceful: false }).catch(() => undefined);
    throw error;
  }
  const jobs: Jobs = {
    enqueue: async (kind, data, key) =>
      void (await boss.send(kind, (data ?? {}) as object, key === undefined ? {} : { singletonKey: key })),
    stop: () => boss.stop({ timeout: 5000 }),
  };
  const work = async <K extends JobKind>(kind: K) => {
    await boss.work<JobData[K]>(kind, { pollingIntervalSeconds: everySeconds }, async ([job]) => {
      try {
        await handlers[kind](job.data, jobs);
      } catch (error) {
        watch().log.warn({ job: kind, ...errorFacts(error) }, 'job failed');
        // The queue keeps why: of what the database says, which quotes what was written, not a word.
        throw new Error(
          error instanceof Error && !('code' in error)
            ? error.message
            : 'The database refused something; see the log.',
        );
      }
      watch().log.info({ job: kind }, 'job');
    });
  };
  await work('reminders-due');
  await work('reminder');
  return jobs;
}
