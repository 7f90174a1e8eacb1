import { randomBytes } from 'node:crypto';
import type { Knex } from 'knex';
import { closeDatabase, connect } from '../database';
import { ensureAppLogin, migrate } from '../migrate';

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
  const { LATTICE_OWNER_DATABASE_URL: ownerUrl, LATTICE_APP_DATABASE_URL: appUrl } = process.env;
  if (!ownerUrl || !appUrl) throw new Error('The data tests need a server: run bin/test.');
  const name = `lattice_scratch_${randomBytes(6).toString('hex')}`;
  const at = (url: string) => Object.assign(new URL(url), { pathname: `/${name}` }).href;
  const server = connect(ownerUrl, 1);
  await server.raw('create database ??', [name]);
  const owner = connect(at(ownerUrl), 2);
  await migrate(owner);
  await ensureAppLogin(owner, appUrl);
  process.env.LATTICE_APP_DATABASE_URL = at(appUrl);
  const app = connect(at(appUrl), 2);
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

/** The server's own vacuum may be at work in the database, and no login but the server's may end that: it is done in a moment. */
async function dropped(server: Knex, name: string, tries = 20): Promise<void> {
  try {
    await server.raw('drop database ?? with (force)', [name]);
  } catch (error) {
    if (tries === 0 || !/must be a member of the role/.test(String(error))) throw error;
    await new Promise((resolve) => setTimeout(resolve, 500));
    await dropped(server, name, tries - 1);
  }
}
