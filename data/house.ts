import { USUAL_HOUSE } from '../core/formats';
import type { House } from '../core/visit';
import { inSalon, type Actor } from './database';
import { houseIn, houseRow } from './house-row';
import { saveSalonDocument, type SalonDocument, type SalonDocumentSaved } from './salon-document';
import { changesBetween } from './trail';
import type { Revised } from './revised';

/** What the salon has set; revision 0 and the usual figures where it has set nothing yet. */
export function readHouse(actor: Pick<Actor, 'salonId'>): Promise<Revised<House>> {
  return inSalon(
    actor.salonId,
    async (trx) => (await houseRow(trx, actor.salonId)) ?? { revision: 0, document: USUAL_HOUSE },
  );
}

const HOUSE: SalonDocument<House> = {
  table: 'house',
  act: 'house',
  usual: USUAL_HOUSE,
  read: houseIn,
  changes: changesBetween,
};

/** Saves the settings, unless somebody saved others since `baseRevision`: then nothing is written. */
export function saveHouse(actor: Actor, baseRevision: number, house: House): Promise<SalonDocumentSaved> {
  return saveSalonDocument({ actor, salonDocument: HOUSE, baseRevision, document: house });
}
