import { connect } from './database';
import { isEmpty, loadDemo, removeDemo, workedInDemo } from './demo/load';
import { ensureAppLogin, migrate } from './migrate';

/**
 * Gets a database ready: roles, migrations, the application's login, and the demo data where no salon exists
 * yet.
 * LATTICE_OWNER_DATABASE_URL may create tables and roles; LATTICE_APP_DATABASE_URL is the login to make.
 * --fresh-demo takes the demo data back to its first state; where somebody has worked in it only with --yes.
 * --without-demo loads none.
 */
async function main(): Promise<void> {
  const ownerUrl = process.env.LATTICE_OWNER_DATABASE_URL;
  const appUrl = process.env.LATTICE_APP_DATABASE_URL;
  if (!ownerUrl || !appUrl)
    throw new Error('LATTICE_OWNER_DATABASE_URL and LATTICE_APP_DATABASE_URL must be set.');
  const owner = connect(ownerUrl, 2);
  try {
    await migrate(owner);
    await ensureAppLogin(owner, appUrl);
    const fresh = process.argv.includes('--fresh-demo');
    const done = fresh && !process.argv.includes('--yes') ? await workedInDemo(owner) : 0;
    if (done > 0)
      throw new Error(
        `Somebody has worked in the demo (${done} ${done === 1 ? 'entry' : 'entries'} in its trail): --fresh-demo --yes deletes that for good. Nothing was changed.`,
      );
    if (fresh) await removeDemo(owner);
    if (fresh || (!process.argv.includes('--without-demo') && (await isEmpty(owner)))) {
      await loadDemo(owner, new Date().toISOString().slice(0, 10));
      console.log('Demo data loaded.');
    }
  } finally {
    await owner.destroy();
  }
}

/** Knex puts the whole statement before the server's own words; a person needs the words. */
function reason(error: unknown): string {
  const message =
    error instanceof Error ? error.message || (error as { code?: string }).code || error.name : String(error);
  return message
    .slice(message.lastIndexOf(' - ') + 1)
    .replace(/^- /, '')
    .trim();
}

main().catch((error: unknown) => {
  console.error(`The database could not be made ready: ${reason(error)}`);
  process.exitCode = 1;
});
