import type { Knex } from 'knex';
import { EMPTY_CONSULT, startPlan } from '../../core/formats';
import { readClient, listClients } from '../clients';
import { scratchDatabase } from '../testing/scratch';
import { rawRows } from '../raw-rows';

/**
 * Medians at the server of the client search, the list and the client page with 10 000, 50 000 and 200 000
 * clients in one
 * salon and five visits each, and the plans of the search's queries. Needs LATTICE_OWNER_DATABASE_URL and
 * LATTICE_APP_DATABASE_URL; works in a database of its own, which it drops. About ten minutes; `--most 50000`
 * stops earlier.
 */
const SIZES = [10_000, 50_000, 200_000];
const most = Number(process.argv[process.argv.indexOf('--most') + 1]) || SIZES.at(-1)!;
const SEARCHES = [
  ['part of a name', 'rowby'],
  ['a whole name', 'marrowby'],
  ['a slip of the finger', 'marowby'],
  ['two words', 'tansy holl'],
  ['two letters', 'jo'],
  ['part of a phone number', '0734'],
  ['a word of a note', 'knows'],
  ['nobody', 'nobodyatall'],
  ['a pattern', 'ribbons'],
  ['a word of every record', 'toned'],
] as const;
const RUNS = 15;
const TODAY = '2026-11-25';

const scratch = await scratchDatabase();
const actor = {
  salonId: '00000000-0000-4000-8000-000000000001',
  personId: '00000000-0000-4000-8000-000000000002',
};
await inSalon(async (trx) => {
  await trx('salon').insert({ id: actor.salonId, name: 'Measured' });
  await trx('person').insert({
    id: actor.personId,
    salon_id: actor.salonId,
    name: 'Measurer',
    email: 'measure@lattice.example',
    role: 'owner',
    password_hash: '$argon2id$none',
  });
});

let made = 0;
for (const size of SIZES.filter((other) => other <= most)) {
  const filling = performance.now();
  await fill(made, size);
  made = size;
  console.log(
    `\n${size.toLocaleString('en-GB')} clients, ${(5 * size).toLocaleString('en-GB')} visits (filled in ${Math.round((performance.now() - filling) / 1000)} s)`,
  );
  const medians: number[] = [];
  for (const [what, words] of SEARCHES) {
    const { median, slowest, result } = await timed(async () => {
      await inApp((trx) => trx.raw('select * from find_by_pattern(?, 100)', [words.split(' ')]));
      const found = await inApp((trx) =>
        rawRows(trx, 'select * from find_clients(?, 100, false)', [words.split(' ')]),
      );
      return found.length;
    });
    medians.push(median);
    say(`search: ${what}`, median, slowest, `${result} found`);
  }
  medians.sort((a, b) => a - b);
  say('search: median of these', medians[medians.length >> 1], medians.at(-1)!, '');
  const list = await timed(() => listClients(actor, 'tansy', TODAY));
  say('list with its facts', list.median, list.slowest, `${list.result.length} clients`);
  const [{ id }] = list.result;
  const page = await timed(() => readClient(actor, id, TODAY));
  say('client page', page.median, page.slowest, `${page.result!.visits.length} visits`);
}
const PLANS = [
  [
    'a part of a name',
    "select c.id from client c where c.salon_id = $1 and c.archived_at is null and c.search like '%rowby%' limit 100",
  ],
  [
    'the beginning of one',
    "select c.id from client c where c.salon_id = $1 and c.archived_at is null and lower(c.name) like 'tansy%' limit 100",
  ],
  [
    'a pattern of one name',
    "select p.visit_id from plan p where p.salon_id = $1 and p.search = 'chunky ribbons' limit 400",
  ],
  [
    'what was done',
    "select o.visit_id from outcome o where o.salon_id = $1 and o.search like '%ribbons%' limit 400",
  ],
] as const;
for (const [what, sql] of PLANS) {
  const explain = `explain (analyze, costs off, timing off) ${sql.replace('$1', `'${actor.salonId}'`)}`;
  const rows = await inSalon(
    (trx) => rawRows<Record<string, string>>(trx, explain),
    (trx) => trx.raw('set local role lattice_lookup'),
  );
  console.log(`\n${what}\n${rows.map((row) => row['QUERY PLAN']).join('\n')}`);
}
await scratch.drop();

async function timed<T>(work: () => Promise<T>): Promise<{ median: number; slowest: number; result: T }> {
  const times: number[] = [];
  let result = await work();
  for (let run = 0; run < RUNS; run += 1) {
    const start = performance.now();
    result = await work();
    times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  return { median: times[RUNS >> 1], slowest: times[RUNS - 1], result };
}

function say(what: string, median: number, slowest: number, result: string): void {
  console.log(
    `  ${what.padEnd(32)} median ${median.toFixed(1).padStart(6)} ms, slowest ${slowest.toFixed(1).padStart(6)} ms  ${result}`,
  );
}

function inSalon<T>(
  work: (trx: Knex.Transaction) => Promise<T>,
  before: (trx: Knex.Transaction) => Promise<unknown> = () => Promise.resolve(),
): Promise<T> {
  return scratch.owner.transaction(async (trx) => {
    await trx.raw("select set_config('lattice.salon', ?, true)", [actor.salonId]);
    await before(trx);
    return work(trx);
  });
}

function inApp<T>(work: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  return scratch.app.transaction(async (trx) => {
    await trx.raw("select set_config('lattice.salon', ?, true)", [actor.salonId]);
    return work(trx);
  });
}

/** Invented clients, evenly mixed, the same ones every time; five visits each, the last of them open. */
async function fill(from: number, to: number): Promise<void> {
  const consult = JSON.stringify({ ...EMPTY_CONSULT, regrowthMm: { crown: 22, 'temple-l': 20 } });
  const plan = JSON.stringify(startPlan());
  for (let start = from; start < to; start += 10_000) {
    await inSalon((trx) =>
      trx.raw(
        `with made as (
         insert into client (salon_id, name, phone, note, created_by)
         select :salon, (array['Tansy','Orrin','Josune','Belline','Marek','Isaura','Quill','Wenna','Dorit','Aurel'])[1 + i % 10]
                   || ' ' || (array['Holl','Brack','Vane','Mirr','Ash','Lorn','Pell','Gris','Tarn','Wick','Mar','Sel','Dun','Ever','Fen','Hart','Ink','Kel','Ost','Pru'])[1 + (i / 10) % 20]
                   || (array['owby','enfield','amere','ister','worth','adine','over','eaux','ingley','mark','rowby','stone','ley','combe','thorn','den','ford','wick','by','sey'])[1 + (i / 200) % 20]
                   || case when i % 3 = 0 then '-' || chr(97 + i / 7 % 26) || chr(97 + i / 11 % 26) || 'ane' || chr(97 + i / 13 % 26) else '' end,
                '07' || lpad((abs(hashtext(i::text)::bigint) % 100000000)::text, 8, '0'), case when i % 997 = 0 then 'knows Marrowby' else '' end, :person
         from generate_series(:from::integer, :to::integer) i returning id
       ), held as (
         insert into visit (salon_id, client_id, person_id, held_on, consult, begun_at, begun_by)
         select :salon, id, :person, date '2026-11-20' - n * 60, :consult, now(), :person from made, generate_series(0, 4) n returning id, held_on
       ), planned as (
         insert into plan (salon_id, visit_id, document, updated_by)
         select :salon, id, jsonb_set(:plan::jsonb, '{name}', to_jsonb((array['Fine weave','Chunky ribbons','Baby lights','Face frame','Grey blend'])[1 + abs(hashtext(id::text)) % 5])), :person from held
       )
       insert into outcome (salon_id, visit_id, document, recorded_by)
       select :salon, id, jsonb_build_object('version', 1, 'done', 'As planned, toned.', 'foilsPlaced', 80, 'levelReached', 8, 'nextOn', null), :person
       from held where held_on < date '2026-11-20'`,
        {
          salon: actor.salonId,
          person: actor.personId,
          from: start + 1,
          to: Math.min(start + 10_000, to),
          consult,
          plan,
        },
      ),
    );
  }
  for (const table of ['client', 'client_word', 'visit', 'plan', 'outcome'])
    await scratch.owner.raw('vacuum analyze ??', [table]);
}
