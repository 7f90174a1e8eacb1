import 'server-only';
import type { House } from '@/core/formats';
import { readHouse } from '@/data/house';
import { listTechniques, type KeptTechnique } from '@/data/techniques';
import type { Revised } from '@/data/visits';
import { requirePerson } from '../session/current';

export type { KeptTechnique };

/** What the signed-in person's salon has set, and whether she may change it. */
export async function loadHouse(): Promise<Revised<House> & { mayChange: boolean }> {
  const person = await requirePerson();
  return { ...(await readHouse(person)), mayChange: person.role === 'owner' };
}

/** The salon's own techniques. */
export async function loadTechniques(): Promise<KeptTechnique[]> {
  return listTechniques(await requirePerson());
}
