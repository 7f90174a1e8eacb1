import { inSalon, type Actor, type Transaction } from './database';
import { announce, type VisitSignal } from './signals';

/** Tells everybody who has a visit open. @returns whether this salon has it */
export function tellVisit(actor: Actor, visitId: string, signal: VisitSignal): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const clientId = await clientIn(trx, visitId);
    if (clientId !== undefined) await announce(trx, { topic: 'visit', id: visitId, ...signal });
    return clientId !== undefined;
  });
}

/** Whose visit it is; undefined when this salon has none of that id. */
export const clientOfVisit = (actor: Actor, visitId: string): Promise<string | undefined> =>
  inSalon(actor.salonId, (trx) => clientIn(trx, visitId));

/** The same within a transaction. */
export async function clientIn(trx: Transaction, visitId: string): Promise<string | undefined> {
  return (await trx('visit').where({ id: visitId }).first('client_id'))?.client_id;
}
