import { openCautions } from '../core/caution';
import { inSalon, type Actor } from './database';
import { lockedVisit, NO_VISIT, type Answered } from './cautions';
import { freezeScript } from './services';
import { leaveTrail } from './trail';

/**
 * Begins the service and freezes its script, unless a caution stands in the way: the server decides by what
 * it holds.
 */
export function beginVisit(actor: Actor, visitId: string): Promise<Answered> {
  return inSalon(actor.salonId, async (trx) => {
    const found = await lockedVisit(trx, actor, visitId, ['cautions', 'script']);
    if (!found) return NO_VISIT;
    const {
      visit,
      computed: { cautions, script },
    } = found;
    if (visit.begunAt) return { ok: true };
    const [open] = openCautions(
      cautions,
      visit.safety.reasons.map(({ caution }) => caution),
    );
    if (open)
      return {
        ok: false,
        reason: 'refused',
        problem: open.weight === 'stop' ? `${open.seen} ${open.why}` : `${open.seen} Give a reason first.`,
      };
    await trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: actor.personId });
    await freezeScript(trx, actor, visitId, script);
    const shown = cautions.map(({ seen }) => seen).join(' ');
    await leaveTrail(trx, actor, 'visit-begun', {
      clientId: visit.client.id,
      visitId,
      words: shown && `with: ${shown}`,
    });
    return { ok: true };
  });
}
