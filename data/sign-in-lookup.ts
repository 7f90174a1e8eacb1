import type { Knex } from 'knex';
import { rawRows } from './raw-rows';

/** Somebody who works in one of the salons, and what their password is compared with. */
export interface FoundSignIn {
  readonly person_id: string;
  readonly salon_id: string;
  readonly password_hash: string;
}

/** Who signs in with an address, in whichever salon; undefined where nobody does. */
export async function signInWith(db: Knex, address: string): Promise<FoundSignIn | undefined> {
  const [found] = await rawRows<FoundSignIn>(db, 'select * from find_sign_in(?)', [address]);
  return found;
}
