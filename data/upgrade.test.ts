import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { Knex } from 'knex';
import { readClient, listClients } from './clients';
import { inSalon } from './database';
import { migrate, newestMigration } from './migrate';
import { scratchFromDump, type Scratch } from './testing/scratch';
import { signedIn } from './testing/actor';
import { readVisit } from './visits';

/**
 * Databases as every landed version left them: two salons with three clients in all and their first visits.
 */
const folder = path.join(import.meta.dirname, 'testing', 'upgrades');
const DUMPS = readdirSync(folder).map((file) => file.replace('.sql.gz', ''));
const TODAY = '2026-11-25';
const TABLES = ['person', 'client', 'visit', 'plan', 'outcome'] as const;

/** What each salon has: rows, and the documents word by word. */
async function held(owner: Knex): Promise<Record<string, unknown[]>[]> {
  const salons: string[] = await owner('salon').orderBy('name').pluck('id');
  return Promise.all(
    salons.map((salonId) =>
      inSalon(
        salonId,
        async (trx) => {
          const own: Record<string, unknown[]> = {};
          for (const table of TABLES) own[table] = await trx(table).where({ salon_id: salonId }).count();
          own.consults = await trx('visit').where({ salon_id: salonId }).orderBy('id').pluck('consult');
          for (const table of ['plan', 'outcome'])
            own[`${table}s`] = await trx(table)
              .where({ salon_id: salonId })
              .orderBy('visit_id')
              .pluck('document');
          return own;
        },
        owner,
      ),
    ),
  );
}

describe.each(DUMPS)('a database of migration %s', (name) => {
  let scratch: Scratch;
  beforeAll(async () => {
    scratch = await scratchFromDump(
      gunzipSync(readFileSync(path.join(folder, `${name}.sql.gz`))).toString('utf8'),
    );
  });
  afterAll(() => scratch.drop());

  test('is brought up to date with all that it held, and is read', async () => {
    const before = await held(scratch.owner);
    expect(before).toHaveLength(2);
    await migrate(scratch.owner);
    expect(await scratch.owner('knex_migrations').orderBy('id').pluck('name')).toContain(newestMigration());
    expect(await held(scratch.owner)).toEqual(before);

    const [owner, other] = [
      await signedIn('ottilie@fernhollow.example'),
      await signedIn('leocadia@osieryard.example'),
    ];
    const clients = await listClients(owner, '', TODAY);
    expect(clients).toHaveLength(2);
    expect(await listClients(other, '', TODAY)).toHaveLength(1);
    let visits = 0;
    for (const { id } of clients) {
      const read = (await readClient(owner, id, TODAY))!;
      for (const visitSummary of read.visits) {
        expect((await readVisit(owner, visitSummary.id))!.plan.document.panels.length).toBeGreaterThan(0);
        visits += 1;
      }
    }
    expect(visits).toBe(before[0].plans.length);
    // Found with a slip of the finger, in its own salon only.
    expect((await listClients(owner, 'tolland', TODAY)).map((listClient) => listClient.name)).toEqual([
      'Maren Tolland',
    ]);
    expect((await listClients(owner, 'tollnad', TODAY)).map((listClient) => listClient.name)).toEqual([
      'Maren Tolland',
    ]);
    expect(await listClients(other, 'tolland', TODAY)).toEqual([]);
  });
});

test('a database of a newer version is refused, and stays as it is', async () => {
  const scratch = await scratchFromDump(
    gunzipSync(readFileSync(path.join(folder, '0014.sql.gz'))).toString('utf8'),
  );
  try {
    await scratch
      .owner('knex_migrations')
      .insert({ name: '0999-later', batch: 9, migration_time: new Date() });
    const before = await scratch.owner('knex_migrations').pluck('name');
    await expect(migrate(scratch.owner)).rejects.toThrow(
      /^This database belongs to a newer version of Dappled Lattice \(its 0999-later is unknown here\)/,
    );
    expect(await scratch.owner('knex_migrations').pluck('name')).toEqual(before);
  } finally {
    await scratch.drop();
  }
});
