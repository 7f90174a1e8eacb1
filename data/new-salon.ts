import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { messageOf } from '../core/units';
import { connect, inSalon } from './database';
import { invitationFor } from './people';
import { signInWith } from './sign-in-lookup';

const USAGE = 'Usage: bin/new-salon NAME --owner ADDRESS (while bin/start runs)';
const given = z.tuple(
  [
    z
      .string()
      .trim()
      .min(1, 'The name of the salon is empty.')
      .max(120, 'The name of the salon is longer than 120 characters.'),
    z.literal('--owner', { error: USAGE }),
    z
      .string()
      .trim()
      .regex(/^[^\s@]+@[^\s@]+$/, 'The owner’s address must be an e-mail address such as name@salon.example.')
      .max(200),
  ],
  { error: USAGE },
);

/**
 * Makes a salon at the server’s own command line, and the link with which its owner comes in.
 * LATTICE_OWNER_DATABASE_URL is the role that owns the tables; bin/new-salon sets it.
 */
async function main(words: readonly string[]): Promise<void> {
  const read = given.safeParse(words);
  if (!read.success) throw new Error(read.error.issues[0].message);
  const [name, , address] = read.data;
  const url = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!url) throw new Error('LATTICE_OWNER_DATABASE_URL is not set: run bin/new-salon.');
  const owner = connect(url, 1);
  try {
    if (await signInWith(owner, address))
      throw new Error(`Somebody signs in as ${address} already, in another salon. Nothing was made.`);
    const salonId = randomUUID();
    const token = await inSalon(
      salonId,
      async (trx) => {
        await trx('salon').insert({ id: salonId, name });
        return invitationFor(trx, { salonId, personId: null }, 'owner');
      },
      owner,
    );
    console.log(
      `“${name}” is made. Its owner opens this once, within 7 days, at the address of the application:\n/join/${token}?email=${encodeURIComponent(address)}`,
    );
  } finally {
    await owner.destroy();
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(messageOf(error));
  process.exitCode = 2;
});
