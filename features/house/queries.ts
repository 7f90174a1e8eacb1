import 'server-only';
import { cache } from 'react';
import type { House } from '@/core/formats';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { listTechniques, type KeptTechnique } from '@/data/techniques';
import type { Revised } from '@/data/visits';
import { requirePerson } from '../session/current';
import { today } from '../shared';

export type { KeptTechnique };

/** What the signed-in person's salon has set, and whether she may change it; read once per request. */
export const loadHouse = cache(async (): Promise<Revised<House> & { mayChange: boolean }> => {
  const person = await requirePerson();
  return { ...(await readHouse(person)), mayChange: person.role === 'owner' };
});

/** Today where the salon is, YYYY-MM-DD. */
export async function salonToday(): Promise<string> {
  return today((await loadHouse()).document.timeZone, new Date(serverNow()));
}

/** The salon's own techniques. */
export async function loadTechniques(): Promise<KeptTechnique[]> {
  return listTechniques(await requirePerson());
}
