import { randomBytes } from 'node:crypto';
import type { Knex } from 'knex';
import { closeDatabase, connect, onConnection } from '../database';
import { loadDemo } from '../demo/load';
import { ensureAppLogin, ensureRoles, migrate } from '../migrate';

/** A database of a test's own on the real server. */
export interface Scratch {
  /** Pool of the role that owns the tables. */
  readonly owner: Knex;
  /** Pool of the application's login, as the application has it. */
  readonly app: Knex;
  drop(): Promise<void>;
}

/**
 * Makes and migrates a database; the application's own pool (data/database) is pointed at it.
 * bin/test starts the server and sets LATTICE_OWNER_DATABASE_URL and LATTICE_APP_DATABASE_URL.
 */
export async function scratchDatabase(): Promise<Scratch> {
  const { appUrl, at, server, name } = ready();
  await server.raw('create database ??', [name]);
  const owner = connect(at.owner, 2);
  await migrate(owner);
  await ensureAppLogin(owner, appUrl);
  return opened(server, name, at.app, owner);
}

/**
 * The same with the demo data of a day, which is loaded once in a run and copied from then on.
 * @param today YYYY-MM-DD
 */
export async function scratchWithDemo(today: string): Promise<Scratch> {
  const template = `lattice_demo_${process.pid}_${today}`;
  const { appUrl, at, server, name } = ready();
  const { rows: kept }: { rows: { datname: string }[] } = await server.raw(
    "select datname from pg_database where datname like 'lattice_demo_%'",
  );
  // Those of runs before this one hold what the code of then has loaded.
  for (const { datname } of kept)
    if (!datname.startsWith(`lattice_demo_${process.pid}_`)) await dropped(server, datname);
  if (!kept.some(({ datname }) => datname === template)) {
    await server.raw('create database ??', [template]);
    const first = connect(Object.assign(new URL(at.owner), { pathname: `/${template}` }).href, 2);
    await migrate(first);
    await ensureAppLogin(first, appUrl);
    await loadDemo(first, today);
    await first.destroy();
  }
  await server.raw('create database ?? template ??', [name, template]);
  return opened(server, name, at.app, connect(at.owner, 2));
}

/**
 * The same as it was at an earlier version: made from a dump, not migrated.
 * @param dump SQL as pg_dump writes it, of a database whose owner was lattice_owner
 */
export async function scratchFromDump(dump: string): Promise<Scratch> {
  const { appUrl, at, server, name } = ready();
  await server.raw('create database ??', [name]);
  const owner = connect(at.owner, 2);
  await ensureRoles(owner);
  await ensureAppLogin(owner, appUrl);
  // Handing functions to lattice_lookup asks that it may make some; the names are whole everywhere in a dump.
  const sql = dump.replace(/\blattice_owner\b/g, 'current_user');
  await onConnection(owner, (connection) =>
    connection.query(
      `grant create on schema public to lattice_lookup; set check_function_bodies = false; ${sql}; reset all; revoke create on schema public from lattice_lookup;`,
    ),
  );
  return opened(server, name, at.app, owner);
}

/** The server, and the addresses of a database that is to be made there. */
function ready() {
  const { LATTICE_OWNER_DATABASE_URL: ownerUrl, LATTICE_APP_DATABASE_URL: appUrl } = process.env;
  if (!ownerUrl || !appUrl) throw new Error('The data tests need a server: run bin/test.');
  const name = `lattice_scratch_${randomBytes(6).toString('hex')}`;
  const at = (url: string) => Object.assign(new URL(url), { pathname: `/${name}` }).href;
  return { appUrl, name, server: connect(ownerUrl, 1), at: { owner: at(ownerUrl), app: at(appUrl) } };
}

/** Points the application's own pool at the database. */
function opened(server: Knex, name: string, appAt: string, owner: Knex): Scratch {
  process.env.LATTICE_APP_DATABASE_URL = appAt;
  const app = connect(appAt, 2);
  return {
    owner,
    app,
    drop: async () => {
      await Promise.all([owner.destroy(), app.destroy(), closeDatabase()]);
      await dropped(server, name);
      await server.destroy();
    },
  };
}

/**
 * The server's own vacuum may be at work in the database, and no login but the server's may end that: it is
 * done in a moment.
 */
async function dropped(server: Knex, name: string, tries = 20): Promise<void> {
  try {
    await server.raw('drop database ?? with (force)', [name]);
  } catch (error) {
    if (tries === 0 || !/must be a member of the role/.test(String(error))) throw error;
    await new Promise((resolve) => setTimeout(resolve, 500));
    await dropped(server, name, tries - 1);
  }
}
