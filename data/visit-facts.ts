import { z } from 'zod';
import type { Consult, Outcome } from '../core/visit';
import type { Transaction } from './database';

/**
 * What a list needs of a visit: taken out of its documents by the server, since reading hundreds of them
 * whole takes longer than the search.
 */
export interface VisitFacts {
  readonly id: string;
  readonly heldOn: string;
  readonly consult: Pick<Consult, 'regrowthMm'> & {
    readonly naturalLevel: number | null;
    readonly goalLevel: number | null;
  };
  readonly outcome: (Pick<Outcome, 'nextOn' | 'zones'> & { readonly levelReached: number | null }) | null;
}

const figure = z.number().nullable();
const byZone = z.record(z.string(), z.unknown());
/** What is taken out of documents that this version may not be able to read. */
const takenSchema = z.object({
  natural: figure,
  goal: figure,
  regrowth: z.record(z.string(), z.number()),
  next_on: z.string().nullable(),
  zones: byZone.nullish(),
  level: figure.nullish(),
});

/**
 * Facts of the clients' visits, each client's newest first; a visit whose document cannot be read has none.
 */
export async function visitFacts(
  trx: Transaction,
  clientIds: readonly string[],
): Promise<Map<string, VisitFacts[]>> {
  const rows = await trx('visit as v')
    .leftJoin('outcome as o', 'o.visit_id', 'v.id')
    .whereIn('v.client_id', [...clientIds])
    .orderBy([
      { column: 'v.held_on', order: 'desc' },
      { column: 'v.created_at', order: 'desc' },
    ])
    .select<{ id: string; client_id: string; held_on: string; recorded: boolean }[]>(
      'v.id',
      'v.client_id',
      'v.held_on',
      trx.raw(
        "v.consult -> 'naturalLevel' as natural, v.consult -> 'goalLevel' as goal, v.consult -> 'regrowthMm' as regrowth, o.visit_id is not null as recorded, o.document ->> 'nextOn' as next_on, o.document -> 'zones' as zones, o.document -> 'levelReached' as level",
      ),
    );
  const groups = new Map<string, VisitFacts[]>();
  for (const row of rows) {
    const taken = takenSchema.safeParse(row);
    if (!taken.success) continue;
    const { natural, goal, regrowth, next_on, zones, level } = taken.data;
    const facts: VisitFacts = {
      id: row.id,
      heldOn: row.held_on,
      consult: { naturalLevel: natural, goalLevel: goal, regrowthMm: regrowth },
      outcome: row.recorded ? { nextOn: next_on, zones: zones ?? null, levelReached: level ?? null } : null,
    };
    const own = groups.get(row.client_id);
    if (own) own.push(facts);
    else groups.set(row.client_id, [facts]);
  }
  return groups;
}
