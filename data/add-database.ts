import { connect } from './database';

/**
 * Copies the database of LATTICE_OWNER_DATABASE_URL, to which nobody is connected, under the name of the first
 * argument: tests that run beside each other have one each.
 */
async function main(): Promise<void> {
  const ownerUrl = process.env.LATTICE_OWNER_DATABASE_URL;
  const [name] = process.argv.slice(2);
  if (!ownerUrl || !/^[a-z_]+$/.test(name ?? ''))
    throw new Error('Set LATTICE_OWNER_DATABASE_URL, and name the database in small letters.');
  const url = new URL(ownerUrl);
  const from = url.pathname.slice(1);
  const owner = connect(Object.assign(url, { pathname: '/postgres' }).href, 1);
  try {
    await owner.raw('drop database if exists ??', [name]);
    await owner.raw('create database ?? template ??', [name, from]);
  } finally {
    await owner.destroy();
  }
}

await main();
