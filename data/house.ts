import { USUAL_HOUSE, type House } from '../core/formats';
import { inSalon, type Actor } from './database';
import { houseRow } from './house-row';
import { changesBetween, leaveTrail } from './trail';
import type { Revised } from './visits';

/** What the salon has set; revision 0 and the usual figures where it has set nothing yet. */
export function readHouse(actor: Actor): Promise<Revised<House>> {
  return inSalon(actor.salonId, async (trx) => (await houseRow(trx, actor.salonId)) ?? { revision: 0, document: USUAL_HOUSE });
}

export type HouseSaved = { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly revision: number };

/** Saves the settings, unless somebody saved others since `baseRevision`: then nothing is written. */
export function saveHouse(actor: Actor, baseRevision: number, house: House): Promise<HouseSaved> {
  return inSalon(actor.salonId, async (trx) => {
    const written = { document: JSON.stringify(house), updated_by: actor.personId };
    if (baseRevision === 0) {
      const made = await trx('house').insert({ salon_id: actor.salonId, ...written }).onConflict('salon_id').ignore().returning('revision');
      if (made.length > 0) {
        await leaveTrail(trx, actor, 'house', { changes: changesBetween(USUAL_HOUSE, house) });
        return { ok: true, revision: made[0].revision };
      }
    }
    const row = await trx('house').select('revision', 'document').where({ salon_id: actor.salonId }).forUpdate().first();
    if (row.revision !== baseRevision) return { ok: false, revision: row.revision };
    const revision = baseRevision + 1;
    await trx('house').where({ salon_id: actor.salonId }).update({ ...written, revision, updated_at: trx.fn.now() });
    await leaveTrail(trx, actor, 'house', { changes: changesBetween(row.document, house) });
    return { ok: true, revision };
  });
}
