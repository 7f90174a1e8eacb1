import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { USUAL_RANGE } from '../../core/products';
import { zonesOfPlan, zonesRecorded } from '../../core/record';
import { dayAfter, entriesOf } from '../../core/units';
import { createVisitEngine, type ComputedVisit, type VisitFacts } from '../../core/visit/computed';
import { inSalon, type Transaction } from '../database';
import { hashPassword } from '../passwords';
import { insertMix } from '../mix-rows';
import { insertVisit } from '../visits';
import {
  EMPTY_MIX,
  EMPTY_TEST,
  parseConsult,
  parseMix,
  parseOutcome,
  parsePlan,
  parseTest,
  USUAL_HOUSE,
} from '../../core/formats';
import { stored } from '../documents';
import { DEMO_CLIENTS } from './clients';
import type { DemoClient, DemoVisit } from './visit-parts';
import { DEMO_PASSWORD, DEMO_SALONS } from './people';

/** In the order in which rows can go. */
const TABLES = [
  'trail',
  'access_link',
  'api_token',
  'stock_move',
  'stock',
  'learnt_since',
  'reminder',
  'appointment',
  'calendar_feed',
  'technique_version',
  'technique',
  'house',
  'product_range',
  'draft',
  'addendum',
  'outcome',
  'service_event',
  'service',
  'mix',
  'plan',
  'caution_reason',
  'consent',
  'hair_test',
  'photo_bytes',
  'photo',
  'visit',
  'client',
  'client_word',
  'session',
  'person',
] as const;

const dayBefore = (today: string, weeks: number) => dayAfter(today, -7 * weeks);

/** Born this many years and half a year before. */
const birthday = (today: string, years: number) => dayBefore(today, Math.round((years + 0.5) * 52.18));

/** Whether any salon exists. The owner of the tables may look salons up, being a member of lattice_lookup. */
export async function isEmpty(owner: Knex): Promise<boolean> {
  const row = await owner('salon').select('id').first();
  return row === undefined;
}

/**
 * How much was done in the demo salons since they were loaded: entries of their trails. What is loaded is
 * written at one moment.
 */
export async function workedInDemo(owner: Knex): Promise<number> {
  const salons: { id: string }[] = await owner('salon').select('id').where({ demo: true });
  let many = 0;
  for (const { id } of salons) {
    const [{ count }] = await inSalon(
      id,
      (trx) =>
        trx('trail')
          .where({ salon_id: id })
          .whereRaw('at <> (select created_at from salon where id = ?)', [id])
          .count(),
      owner,
    );
    many += Number(count);
  }
  return many;
}

/** Removes the demo salons with all that is theirs; salons that are not demo data are left alone. */
export async function removeDemo(owner: Knex): Promise<void> {
  const salons: { id: string }[] = await owner('salon').select('id').where({ demo: true });
  for (const { id } of salons) {
    await inSalon(
      id,
      async (trx) => {
        for (const table of TABLES) await trx(table).where({ salon_id: id }).delete();
        await trx('salon').where({ id }).delete();
      },
      owner,
    );
  }
}

/** What the zones of a demo record are worked out with: they go by nothing else. */
const BARE_FACTS: VisitFacts = {
  heldOn: '2026-01-01',
  bornOn: null,
  house: USUAL_HOUSE,
  range: USUAL_RANGE,
  uses: [],
  tests: [],
  consents: [],
  history: [],
  previous: null,
  foiled: null,
};

/** Writes the demo salons, people, clients and visits, dated back from `today` (YYYY-MM-DD). */
export async function loadDemo(owner: Knex, today: string): Promise<void> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const engine = createVisitEngine();
  for (const [index, salon] of DEMO_SALONS.entries()) {
    const salonId = randomUUID();
    await inSalon(
      salonId,
      async (trx) => {
        await trx('salon').insert({ id: salonId, name: salon.name, demo: true });
        const people: { id: string }[] = await trx('person')
          .insert(
            salon.people.map(({ hours, ...person }) => ({
              ...person,
              hours: hours ? JSON.stringify(hours) : null,
              salon_id: salonId,
              password_hash: passwordHash,
            })),
          )
          .returning('id');
        const ids = people.map((person) => person.id);
        for (const client of DEMO_CLIENTS.filter((candidate) => candidate.salon === index)) {
          await loadClient({
            trx,
            salonId,
            people: ids,
            client,
            today,
            computedOf: (visit) =>
              engine.compute(
                { consult: visit.consult, plan: visit.plan, mix: visit.mix ?? EMPTY_MIX, outcome: null },
                BARE_FACTS,
              ),
          });
        }
      },
      owner,
    );
  }
}

async function loadClient({
  trx,
  salonId,
  people,
  client,
  today,
  computedOf,
}: {
  readonly trx: Transaction;
  readonly salonId: string;
  readonly people: readonly string[];
  readonly client: DemoClient;
  readonly today: string;
  readonly computedOf: (visit: DemoVisit) => ComputedVisit;
}): Promise<void> {
  const [{ id: clientId }] = await trx('client')
    .insert({
      salon_id: salonId,
      name: client.name,
      phone: client.phone,
      email: '',
      note: client.note,
      born_on: client.age ? birthday(today, client.age) : null,
      created_by: people[0],
    })
    .returning('id');
  for (const { kind, result, weeksAgo, document } of client.tests ?? []) {
    await trx('hair_test').insert({
      salon_id: salonId,
      client_id: clientId,
      kind,
      result,
      on_day: dayBefore(today, weeksAgo),
      document: JSON.stringify(stored('test', parseTest({ ...EMPTY_TEST, ...document }))),
      noted_by: people[0],
    });
  }
  for (const kind of client.consents ?? []) {
    await trx('consent').insert({
      salon_id: salonId,
      client_id: clientId,
      kind,
      words: 'As shown at the station.',
      signed_name: kind === 'guardian' ? 'The guardian' : client.name,
      taken_by: people[0],
    });
  }
  for (const { inDays, at, minutes, kind, person } of client.coming ?? []) {
    await trx('appointment').insert({
      salon_id: salonId,
      client_id: clientId,
      person_id: people[person],
      minutes,
      kind,
      created_by: people[0],
      starts_at: trx.raw('((?::date + ?::int + ?::time) at time zone ?)', [
        today,
        inDays,
        at,
        USUAL_HOUSE.timeZone,
      ]),
    });
  }
  for (const visit of client.visits) {
    const actor = { salonId, personId: people[visit.person] };
    const heldOn = dayBefore(today, visit.weeksAgo);
    const visitId = await insertVisit(trx, actor, {
      clientId,
      heldOn,
      consult: stored('consultation', parseConsult(visit.consult)),
      plan: stored('plan', parsePlan(visit.plan)),
    });
    if (visit.mix) await insertMix({ trx, actor, visitId, document: stored('mix', parseMix(visit.mix)) });
    if (visit.booked) {
      const { at, minutes, kind } = visit.booked;
      await trx('appointment').insert({
        salon_id: salonId,
        client_id: clientId,
        person_id: actor.personId,
        visit_id: visitId,
        minutes,
        kind,
        created_by: people[0],
        starts_at: trx.raw('((?::date + ?::time) at time zone ?)', [heldOn, at, USUAL_HOUSE.timeZone]),
      });
    }
    if (!visit.outcome) continue;
    await trx('visit')
      .where({ id: visitId })
      .update({ begun_at: `${heldOn}T13:00:00Z`, begun_by: actor.personId });
    const { nextInWeeks, zoneLevels = {}, ...said } = visit.outcome;
    const { work, pattern } = computedOf(visit);
    await trx('outcome').insert({
      visit_id: visitId,
      salon_id: salonId,
      recorded_by: actor.personId,
      recorded_at: `${heldOn}T17:00:00Z`,
      document: JSON.stringify(
        stored(
          'outcome',
          parseOutcome({
            version: 2,
            ...said,
            foilsPlaced: pattern.sheet.totals.foils,
            zones: Object.fromEntries(
              entriesOf(zonesRecorded(zonesOfPlan(work, pattern.sheet))).map(([zone, own]) => [
                zone,
                { ...own, level: zoneLevels[zone] ?? said.levelReached, tone: visit.consult.tone },
              ]),
            ),
            nextOn: nextInWeeks === null ? null : dayBefore(heldOn, -nextInWeeks),
          }),
        ),
      ),
    });
  }
}
