import { randomBytes } from 'node:crypto';
import { connect } from '../database';
import { migrate } from '../migrate';
import { restoreArchive } from './restore';

/** Restores into a database of its own, which goes again: what a restore refuses is refused here. */
export async function restoreForATry(file: string, ownerUrl: string): Promise<void> {
  const name = `lattice_try_${randomBytes(6).toString('hex')}`;
  const server = connect(ownerUrl, 1);
  try {
    await server.raw('create database ??', [name]);
    const knex = connect(Object.assign(new URL(ownerUrl), { pathname: `/${name}` }).href, 2);
    try {
      await migrate(knex);
      await restoreArchive(file, knex);
    } finally {
      await knex.destroy();
      await server.raw('drop database ?? with (force)', [name]);
    }
  } finally {
    await server.destroy();
  }
}
