import { connect } from './database';
import { makeResetLink } from './people';

/**
 * At the server's own command line: a link with which the person of an address sets a new password, also the only owner who
 * has lost theirs. LATTICE_OWNER_DATABASE_URL is the role that owns the tables; bin/reset-link sets it.
 */
async function main([email = '', ...more]: readonly string[]): Promise<void> {
  if (!/^[^\s@]+@[^\s@]+$/.test(email) || more.length > 0)
    throw new Error('Write one e-mail address: bin/reset-link name@salon.example.');
  const url = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!url) throw new Error('LATTICE_OWNER_DATABASE_URL is not set: run bin/reset-link.');
  const owner = connect(url, 2);
  try {
    const { rows } = await owner.raw('select person_id, salon_id from find_sign_in(?)', [email.trim()]);
    const token =
      rows[0] &&
      (await makeResetLink({ salonId: rows[0].salon_id, personId: null }, rows[0].person_id, owner));
    if (!token) throw new Error(`Nobody who works here signs in as ${email}.`);
    console.log(`/reset/${token}\nOpen it under the application's address within 24 hours; it works once.`);
  } finally {
    await owner.destroy();
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 2;
});
