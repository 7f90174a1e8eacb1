import { connect } from './database';

/**
 * Makes one more database on the server of LATTICE_OWNER_DATABASE_URL, named by the first argument: tests
 * that run beside each other have one each.
 */
async function main(): Promise<void> {
  const ownerUrl = process.env.LATTICE_OWNER_DATABASE_URL;
  const [name] = process.argv.slice(2);
  if (!ownerUrl || !/^[a-z_]+$/.test(name ?? ''))
    throw new Error('Set LATTICE_OWNER_DATABASE_URL, and name the database in small letters.');
  const owner = connect(ownerUrl, 1);
  try {
    await owner.raw('drop database if exists ??', [name]);
    await owner.raw('create database ??', [name]);
  } finally {
    await owner.destroy();
  }
}

await main();
