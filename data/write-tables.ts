import { writeFileSync } from 'node:fs';
import { connect } from './database';
import { describeTables } from './describe-tables';
import { migrate } from './migrate';

/** Writes data/tables.ts from a database that LATTICE_OWNER_DATABASE_URL names, once it is up to date. */
async function main(): Promise<void> {
  const ownerUrl = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!ownerUrl) throw new Error('LATTICE_OWNER_DATABASE_URL must be set: run npm run tables.');
  const owner = connect(ownerUrl, 2);
  try {
    await migrate(owner);
    writeFileSync('data/tables.ts', await describeTables(owner));
  } finally {
    await owner.destroy();
  }
}

await main();
