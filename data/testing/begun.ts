import { lockedVisit } from '../cautions';
import { inSalon, type Actor } from '../database';
import { freezeScript } from '../services';

/** Begins the service of a visit and freezes its script, whatever its cautions ask. */
export function beginUnasked(actor: Actor, visitId: string): Promise<void> {
  return inSalon(actor.salonId, async (trx) => {
    await trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: actor.personId });
    await freezeScript(
      trx,
      actor,
      visitId,
      (await lockedVisit(trx, actor, visitId, ['script']))!.computed.script,
    );
  });
}
