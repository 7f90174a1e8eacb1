import { inSalon, type Actor, type Transaction } from './database';
import { VISIT_PARTS, type VisitPart } from './drafts';
import { PLACES, READ } from './places';
import { isSigned } from './signed';
import { leaveTrail } from './trail';
import { clientIn } from './presence';

/** A document of a visit that cannot be read, and whether the one before it can. */
export interface BrokenPart {
  readonly part: VisitPart;
  readonly problem: string;
  /** The name or words of the one before, to know it by; null where there is none that can be read. */
  readonly before: string | null;
}

interface Row {
  readonly document: unknown;
  readonly before: unknown;
}

async function rowOf(trx: Transaction, visitId: string, part: VisitPart): Promise<Row | undefined> {
  const { table, key, document, before } = PLACES[part];
  return trx(table)
    .where({ [key]: visitId })
    .forUpdate()
    .select({ document, before })
    .first();
}

/** The documents of a visit that cannot be read. */
export function brokenParts(actor: Actor, visitId: string): Promise<BrokenPart[]> {
  return inSalon(actor.salonId, async (trx) => {
    const broken: BrokenPart[] = [];
    for (const part of VISIT_PARTS) {
      const row = await rowOf(trx, visitId, part);
      const read = row && READ[part](row.document);
      if (!read || read.ok) continue;
      const before = row.before === null ? undefined : READ[part](row.before);
      const { name, done } = (before?.ok ? before.value : {}) as { name?: string; done?: string };
      broken.push({ part, problem: read.problem, before: before?.ok ? (name ?? done ?? '') : null });
    }
    return broken;
  });
}

/**
 * Puts the documents of a visit that cannot be read back to what they were before their last change. The one
 * that cannot be read is kept
 * in its place.
 * @returns how many were put back
 */
export function restoreBefore(actor: Actor, visitId: string): Promise<number> {
  return inSalon(actor.salonId, async (trx) => {
    if (await isSigned(trx, visitId)) return 0;
    let many = 0;
    for (const part of VISIT_PARTS) {
      const row = await rowOf(trx, visitId, part);
      if (!row || row.before === null || READ[part](row.document).ok || !READ[part](row.before).ok) continue;
      const { table, key, document, before, revision, edit } = PLACES[part];
      await trx(table)
        .where({ [key]: visitId })
        .update({
          [document]: trx.ref(before),
          [before]: trx.ref(document),
          [edit]: null,
          [revision]: trx.raw('?? + 1', [revision]),
        });
      await leaveTrail(trx, actor, part, {
        clientId: await clientIn(trx, visitId),
        visitId,
        words: 'put back to what it was before: the last version could not be read',
      });
      many += 1;
    }
    return many;
  });
}
