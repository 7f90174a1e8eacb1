import { openCautions } from '../core/caution';
import { inSalon, type Actor } from './database';
import { NO_VISIT, visitCautions, type Answered } from './safety';
import { frozenScript } from './services';
import { leaveTrail } from './trail';

/** Begins the service and freezes its script, unless a caution stands in the way: the server decides by what it holds. */
export function beginVisit(actor: Actor, visitId: string): Promise<Answered> {
  return inSalon(actor.salonId, async (trx) => {
    const found = await visitCautions(trx, actor, visitId);
    if (!found) return NO_VISIT;
    if (found.begunAt) return { ok: true };
    const [open] = openCautions(found.cautions, found.safety.reasons.map(({ caution }) => caution));
    if (open) return { ok: false, reason: 'refused', problem: open.weight === 'stop' ? `${open.seen} ${open.why}` : `${open.seen} Give a reason first.` };
    await trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: actor.personId });
    await frozenScript(trx, actor, visitId);
    const shown = found.cautions.map(({ seen }) => seen).join(' ');
    await leaveTrail(trx, actor, 'visit-begun', { clientId: found.clientId, visitId, words: shown && `with: ${shown}` });
    return { ok: true };
  });
}
