import { database } from '@/data/database';

/** Ends every connection to the database of this process's role but the one that asks. */
export async function cutConnections(): Promise<void> {
  await database().raw(
    'select pg_terminate_backend(pid) from pg_stat_activity where usename = current_user and datname = current_database() and pid <> pg_backend_pid()',
  );
}
