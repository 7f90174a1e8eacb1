import type { Knex } from 'knex';
import { scratchDatabase } from '../testing/scratch';

/**
 * Medians of the client search at the server with 10 000, 50 000 and 200 000 clients in one salon, and the query's plan.
 * Needs LATTICE_OWNER_DATABASE_URL and LATTICE_APP_DATABASE_URL; works in a database of its own, which it drops.
 */
const SIZES = [10_000, 50_000, 200_000];
const WORDS = [['marrowby'], ['marowby'], ['0734'], ['tansy', 'holl'], ['jo'], ['nobodyatall']];
const RUNS = 15;

const scratch = await scratchDatabase();
const salon = '00000000-0000-4000-8000-000000000001';
const person = '00000000-0000-4000-8000-000000000002';
await scratch.owner.transaction(async (trx) => {
  await trx.raw("select set_config('lattice.salon', ?, true)", [salon]);
  await trx('salon').insert({ id: salon, name: 'Measured' });
  await trx('person').insert({ id: person, salon_id: salon, name: 'Measurer', email: 'measure@lattice.example', role: 'owner', password_hash: '$argon2id$none' });
});

let made = 0;
for (const size of SIZES) {
  await fill(scratch.owner, made, size);
  made = size;
  console.log(`\n${size.toLocaleString('en-GB')} clients`);
  for (const words of WORDS) {
    const times: number[] = [];
    let found = 0;
    for (let run = 0; run < RUNS; run += 1) {
      await scratch.app.transaction(async (trx) => {
        await trx.raw("select set_config('lattice.salon', ?, true)", [salon]);
        const start = performance.now();
        found = (await trx.raw('select * from find_clients(?, 100)', [words])).rows.length;
        times.push(performance.now() - start);
      });
    }
    times.sort((a, b) => a - b);
    console.log(`  ${words.join(' ').padEnd(14)} median ${times[RUNS >> 1].toFixed(1).padStart(6)} ms, slowest ${times[RUNS - 1].toFixed(1).padStart(6)} ms, ${found} found`);
  }
}
await scratch.owner.transaction(async (trx) => {
  await trx.raw("select set_config('lattice.salon', ?, true)", [salon]);
  const { rows } = await trx.raw(
    "explain (analyze, costs off, timing off) select id from client c where c.salon_id = lattice_salon() and (c.search like '%marrowby%' or 'marrowby' <% c.search)",
  );
  console.log(`\n${rows.map((row: Record<string, string>) => row['QUERY PLAN']).join('\n')}`);
});
await scratch.drop();

/** Invented names, evenly mixed: the same ones every time. */
async function fill(owner: Knex, from: number, to: number): Promise<void> {
  await owner.transaction(async (trx) => {
    await trx.raw("select set_config('lattice.salon', ?, true)", [salon]);
    await trx.raw(
      `insert into client (salon_id, name, phone, note, created_by)
       select ?, (array['Tansy','Orrin','Josune','Belline','Marek','Isaura','Quill','Wenna','Dorit','Aurel'])[1 + i % 10]
                 || ' ' || (array['Holl','Brack','Vane','Mirr','Ash','Lorn','Pell','Gris','Tarn','Wick'])[1 + (i / 10) % 10]
                 || (array['owby','enfield','amere','ister','worth','adine','over','eaux','ingley','mark'])[1 + (i / 100) % 10] || ' ' || to_hex(i),
              '07' || lpad((i * 7919 % 100000000)::text, 8, '0'), case when i % 997 = 0 then 'knows Marrowby' else '' end, ?
       from generate_series(?::integer, ?::integer) i`,
      [salon, person, from + 1, to],
    );
  });
  await owner.raw('analyze client');
}
