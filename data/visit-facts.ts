import type { Consult, Outcome } from '../core/formats';
import type { GrowthInterval } from '../core/growth';
import type { Transaction } from './database';

/** What a list needs of a visit: taken out of its documents by the server, since reading hundreds of them whole takes longer than the search. */
export interface VisitFacts {
  readonly id: string;
  readonly heldOn: string;
  readonly consult: Pick<Consult, 'naturalLevel' | 'goalLevel' | 'regrowthMm'>;
  readonly outcome: Pick<Outcome, 'nextOn'> | null;
}

/** Facts of the clients' visits, each client's newest first. */
export async function visitFacts(trx: Transaction, clientIds: readonly string[]): Promise<Map<string, VisitFacts[]>> {
  const rows = await trx('visit as v').leftJoin('outcome as o', 'o.visit_id', 'v.id')
    .whereIn('v.client_id', [...clientIds])
    .orderBy([{ column: 'v.held_on', order: 'desc' }, { column: 'v.created_at', order: 'desc' }])
    .select('v.id', 'v.client_id', 'v.held_on', trx.raw(
      "v.consult -> 'naturalLevel' as natural, v.consult -> 'goalLevel' as goal, v.consult -> 'regrowthMm' as regrowth, o.visit_id is not null as recorded, o.document ->> 'nextOn' as next_on",
    ));
  const groups = new Map<string, VisitFacts[]>();
  for (const row of rows) {
    const facts = {
      id: row.id, heldOn: row.held_on, consult: { naturalLevel: row.natural, goalLevel: row.goal, regrowthMm: row.regrowth },
      outcome: row.recorded ? { nextOn: row.next_on } : null,
    };
    const own = groups.get(row.client_id);
    if (own) own.push(facts);
    else groups.set(row.client_id, [facts]);
  }
  return groups;
}

/**
 * Growth between visits: weeks from a recorded visit to the next one, with the middle of the regrowth measured there.
 * @param visits of one client, newest first
 */
export function growthIntervals(
  visits: readonly { readonly heldOn: string; readonly consult: Pick<Consult, 'regrowthMm'>; readonly outcome: object | null }[],
): GrowthInterval[] {
  const out: GrowthInterval[] = [];
  visits.forEach((visit, i) => {
    const before = visits.slice(i + 1).find((earlier) => earlier.outcome !== null);
    const measured = Object.values(visit.consult.regrowthMm).sort((a, b) => a - b);
    if (!before || measured.length === 0) return;
    const weeks = (Date.parse(visit.heldOn) - Date.parse(before.heldOn)) / 86_400_000 / 7;
    if (weeks >= 1) out.push({ weeks, grownMm: measured[measured.length >> 1] });
  });
  return out;
}
