import { messageOf } from '../core/units';
import { connect } from './database';
import { makeResetLink } from './people';
import { signInWith } from './sign-in-lookup';

/**
 * At the server's own command line: a link with which the person of an address sets a new password, also the
 * only owner who
 * has lost theirs. LATTICE_OWNER_DATABASE_URL is the role that owns the tables; bin/reset-link sets it.
 */
async function main([email = '', ...more]: readonly string[]): Promise<void> {
  if (!/^[^\s@]+@[^\s@]+$/.test(email) || more.length > 0)
    throw new Error('Write one e-mail address: bin/reset-link name@salon.example.');
  const url = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!url) throw new Error('LATTICE_OWNER_DATABASE_URL is not set: run bin/reset-link.');
  const owner = connect(url, 2);
  try {
    const found = await signInWith(owner, email.trim());
    const token =
      found && (await makeResetLink({ salonId: found.salon_id, personId: null }, found.person_id, owner));
    if (!token) throw new Error(`Nobody who works here signs in as ${email}.`);
    console.log(`/reset/${token}\nOpen it under the application's address within 24 hours; it works once.`);
  } finally {
    await owner.destroy();
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(messageOf(error));
  process.exitCode = 2;
});
