import { inSalon, type Actor } from './database';
import { announce, type VisitSignal } from './signals';

/** Tells everybody who has a visit open. @returns whose visit it is; undefined when this salon has none of that id */
export function tellVisit(actor: Actor, visitId: string, signal: VisitSignal): Promise<{ readonly clientId: string } | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const visit: { client_id: string } | undefined = await trx('visit').where({ id: visitId }).first('client_id');
    if (!visit) return undefined;
    await announce(trx, { topic: 'visit', id: visitId, ...signal });
    return { clientId: visit.client_id };
  });
}
