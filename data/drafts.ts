import { z } from 'zod';
import { inSalon, type Actor, type Transaction } from './database';

/** The documents of a visit that are edited and saved apart. */
export const VISIT_PARTS = ['consult', 'plan', 'mix', 'outcome'] as const;
export type VisitPart = (typeof VISIT_PARTS)[number];

/**
 * An edit that was refused because somebody else's came first: kept, never lost, never written over the
 * other.
 */
export interface Draft {
  /** Of the edit that was refused. */
  readonly editId: string;
  readonly part: VisitPart;
  readonly baseRevision: number;
  readonly document: unknown;
  readonly keptAt: string;
}

const row = z.object({
  edit_id: z.string(),
  part: z.enum(VISIT_PARTS),
  base_revision: z.number(),
  document: z.unknown(),
  kept_at: z.date(),
});

export async function listDrafts(trx: Transaction, actor: Actor, visitId: string): Promise<Draft[]> {
  const rows = await trx('draft')
    .select('edit_id', 'part', 'base_revision', 'document', 'kept_at')
    .where({ visit_id: visitId, person_id: actor.personId })
    .orderBy('kept_at');
  return rows.map((raw) => {
    const { edit_id, part, base_revision, document, kept_at } = row.parse(raw);
    return { editId: edit_id, part, baseRevision: base_revision, document, keptAt: kept_at.toISOString() };
  });
}

/**
 * Keeps a refused edit; a later one that follows it takes its place, as it holds the earlier one. One from
 * another station is a draft of its own.
 */
export async function keepDraft(
  trx: Transaction,
  actor: Actor,
  draft: {
    visitId: string;
    part: VisitPart;
    baseRevision: number;
    editId: string;
    following?: readonly string[];
    document: unknown;
  },
): Promise<void> {
  const own = { visit_id: draft.visitId, part: draft.part, person_id: actor.personId };
  if (draft.following && draft.following.length > 0)
    await trx('draft').where(own).whereIn('edit_id', draft.following).delete();
  await trx('draft')
    .insert({
      ...own,
      salon_id: actor.salonId,
      edit_id: draft.editId,
      base_revision: draft.baseRevision,
      document: JSON.stringify(draft.document),
    })
    .onConflict(['visit_id', 'part', 'person_id', 'edit_id'])
    .merge({
      base_revision: draft.baseRevision,
      document: JSON.stringify(draft.document),
      kept_at: trx.fn.now(),
    });
}

/** Throws one's own draft away. */
export async function discardDraft(
  actor: Actor,
  visitId: string,
  part: VisitPart,
  editId: string,
): Promise<void> {
  await inSalon(actor.salonId, (trx) =>
    trx('draft').where({ visit_id: visitId, part, person_id: actor.personId, edit_id: editId }).delete(),
  );
}
