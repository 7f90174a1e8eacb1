import { z } from 'zod';
import { inSalon, type Actor, type Transaction } from './database';

/** The documents of a visit that are edited and saved apart. */
export const VISIT_PARTS = ['consult', 'plan', 'mix', 'outcome'] as const;
export type VisitPart = (typeof VISIT_PARTS)[number];

/** An edit that was refused because somebody else's came first: kept, never lost, never written over the other. */
export interface Draft {
  readonly id: string;
  readonly part: VisitPart;
  readonly baseRevision: number;
  readonly document: unknown;
  readonly keptAt: string;
}

const row = z.object({
  id: z.string(),
  part: z.enum(VISIT_PARTS),
  base_revision: z.number(),
  document: z.unknown(),
  kept_at: z.date(),
});

export async function listDrafts(trx: Transaction, actor: Actor, visitId: string): Promise<Draft[]> {
  const rows = await trx('draft')
    .select('id', 'part', 'base_revision', 'document', 'kept_at')
    .where({ visit_id: visitId, person_id: actor.personId })
    .orderBy('kept_at');
  return rows.map((raw) => {
    const { id, part, base_revision, document, kept_at } = row.parse(raw);
    return { id, part, baseRevision: base_revision, document, keptAt: kept_at.toISOString() };
  });
}

/** Keeps a refused edit; a later one of the same person on the same part takes its place, as it holds the earlier one. */
export async function keepDraft(
  trx: Transaction,
  actor: Actor,
  draft: { visitId: string; part: VisitPart; baseRevision: number; document: unknown },
): Promise<void> {
  await trx('draft')
    .insert({
      salon_id: actor.salonId,
      person_id: actor.personId,
      visit_id: draft.visitId,
      part: draft.part,
      base_revision: draft.baseRevision,
      document: JSON.stringify(draft.document),
    })
    .onConflict(['visit_id', 'part', 'person_id'])
    .merge({ base_revision: draft.baseRevision, document: JSON.stringify(draft.document), kept_at: trx.fn.now() });
}

/** Throws one's own draft away. */
export async function discardDraft(actor: Actor, visitId: string, part: VisitPart): Promise<void> {
  await inSalon(actor.salonId, (trx) =>
    trx('draft').where({ visit_id: visitId, part, person_id: actor.personId }).delete(),
  );
}
