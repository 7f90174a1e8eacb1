import { lessonOf, type Compared, type OfService, type PaceSample } from '../core/learn';
import { serviceState } from '../core/chair';
import { inSalon, type Actor } from './database';
import { finishedServices } from './services';
import { leaveTrail } from './trail';

/** What the records of a salon teach. */
export interface Learnt {
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    /** From when on they are learnt from; null for always. */ readonly since: string | null;
  }[];
  readonly services: number;
  readonly pace: readonly PaceSample[];
  readonly levels: readonly Compared[];
  /**
   * Checks as readings of the lift; those of a person or a product before they or it had it forgotten are
   * left out.
   */
  readonly lifts: readonly OfService[];
  /** From when on lighteners are learnt from, by their id. */
  readonly productsSince: Readonly<Record<string, string>>;
  readonly minutes: readonly Compared[];
  /** Grams that a formula took, beside the estimate, by visit; with whose visit it was. */
  readonly grams: readonly (Compared & { readonly person: string; readonly on: string })[];
}

const MOST_GRAMS = 200;

/**
 * Pace, lift, minutes and grams out of the records, each beside its estimate; what somebody had forgotten is
 * left out.
 */
export async function learntOf(actor: Actor): Promise<Learnt> {
  const { people, grams, productsSince } = await inSalon(actor.salonId, async (trx) => {
    const rows = await trx('person')
      .where({ active: true })
      .whereNot({ role: 'assistant' })
      .orderBy('name')
      .select('id', 'name', 'learnt_since');
    const used = await trx('visit as v')
      .join('mix as m', 'm.visit_id', 'v.id')
      .join('person as p', 'p.id', 'v.person_id')
      .whereRaw("m.document -> 'used' <> '{}'::jsonb")
      .whereRaw('v.held_on >= coalesce(p.learnt_since::date, v.held_on)')
      .orderBy('v.held_on', 'desc')
      .limit(MOST_GRAMS)
      .select(
        'p.name',
        'v.held_on',
        trx.raw("(select sum((u.value ->> 'grams')::float) from jsonb_each(m.document -> 'used') u) as used"),
        trx.raw(
          "(select sum((u.value ->> 'predicted')::float) from jsonb_each(m.document -> 'used') u) as predicted",
        ),
      );
    const forgotten: { product: string; since: Date }[] = await trx('learnt_since').select(
      'product',
      'since',
    );
    return {
      productsSince: Object.fromEntries(forgotten.map((own) => [own.product, own.since.toISOString()])),
      people: rows.map((row) => ({
        id: row.id,
        name: row.name,
        since: row.learnt_since?.toISOString() ?? null,
      })),
      grams: used.map((row: { name: string; held_on: string; used: number; predicted: number }) => ({
        person: row.name,
        on: row.held_on,
        estimated: row.predicted,
        reached: row.used,
      })),
    };
  });
  const since = new Map(
    people.map((person) => [person.name, person.since === null ? 0 : Date.parse(person.since)]),
  );
  const finished = await finishedServices(actor);
  const lessons = finished.map(({ visitId, script, events }) => ({
    visitId,
    begun: events[0]?.at ?? 0,
    lesson: lessonOf(script, serviceState(script, events)),
  }));
  return {
    people,
    grams,
    productsSince,
    services: finished.length,
    pace: lessons.flatMap(({ begun, lesson }) =>
      lesson.pace.filter(({ person }) => begun >= (since.get(person) ?? 0)),
    ),
    lifts: lessons.flatMap(({ visitId, begun, lesson }) =>
      lesson.lifts.flatMap((lift): OfService[] =>
        begun >= (since.get(lift.person) ?? 0) &&
        begun >= Date.parse(productsSince[lift.product.id] ?? '1970-01-01')
          ? [{ ...lift, service: visitId }]
          : [],
      ),
    ),
    levels: lessons.flatMap(({ lesson }) => lesson.levels),
    minutes: lessons.flatMap(({ lesson }) => (lesson.minutes ? [lesson.minutes] : [])),
  };
}

/**
 * Forgets what was learnt of a person up to now; records stay as they are.
 * @returns whether they work in the salon
 */
export function forgetLearnt(actor: Actor, personId: string): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const person = await trx('person').where({ id: personId }).select('name').first();
    if (!person) return false;
    await trx('person').where({ id: personId }).update({ learnt_since: trx.fn.now() });
    await leaveTrail(trx, actor, 'learnt-reset', { words: person.name });
    return true;
  });
}

/** Forgets what was learnt of a lightener up to now. */
export function forgetProduct(
  actor: Actor,
  { id, name }: { readonly id: string; readonly name: string },
): Promise<void> {
  return inSalon(actor.salonId, async (trx) => {
    await trx('learnt_since')
      .insert({ salon_id: actor.salonId, product: id, set_by: actor.personId })
      .onConflict(['salon_id', 'product'])
      .merge({ since: trx.fn.now(), set_by: actor.personId });
    await leaveTrail(trx, actor, 'learnt-reset', { words: name });
  });
}
