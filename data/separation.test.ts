import { startPlan, EMPTY_CONSULT } from '../core/formats';
import { createClient, listClients, readClient } from './clients';
import { inSalon, type Actor } from './database';
import { loadDemo, removeDemo } from './demo/load';
import { DEMO_PASSWORD } from './demo/people';
import { savePlan } from './saves';
import { demoAccounts, openSession, readSession, revokeSession } from './sessions';
import { sessionOf, signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';
import { rawRows } from './raw-rows';

const TODAY = '2026-11-24';
const TABLES = [
  'salon',
  'person',
  'session',
  'client',
  'visit',
  'plan',
  'outcome',
  'addendum',
  'appointment',
  'reminder',
  'learnt_since',
  'calendar_feed',
  'api_token',
  'draft',
  'house',
  'technique',
  'technique_version',
  'access_link',
  'trail',
  'hair_test',
  'consent',
  'caution_reason',
  'photo',
  'photo_bytes',
  'client_word',
  'client_page',
  'client_answer',
  'product_range',
  'client_merge',
  'stock',
  'stock_move',
  'mix',
  'service',
  'service_event',
];
/** Wrong tries, counted before any salon is known: no salon’s rows, and nothing the application can read. */
const OF_NO_SALON = 'attempt';
let scratch: Scratch;
let first: Actor;
let second: Actor;

beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  first = await signedIn('ottilie@fernhollow.example');
  second = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());

describe('what the server itself enforces', () => {
  test('row-level security is on and forced for every table, and the application’s login owns none', async () => {
    const rows = await rawRows<{ relname: string; owner: string }>(
      scratch.owner,
      `select relname, relrowsecurity, relforcerowsecurity, pg_get_userbyid(relowner) as owner
       from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relname not like 'knex%'`,
    );
    expect(rows.map((row) => row.relname).sort()).toEqual([...TABLES, OF_NO_SALON].sort());
    const login = new URL(process.env.LATTICE_APP_DATABASE_URL!).username;
    for (const row of rows) {
      expect(row).toMatchObject({ relrowsecurity: true, relforcerowsecurity: true });
      expect(row.owner).not.toBe(login);
    }
  });

  test.each(TABLES)('without a salon set, %s shows nothing to the application', async (table) => {
    expect(await scratch.app(table).select('*')).toEqual([]);
  });

  test.each(TABLES.filter((table) => table !== 'salon'))(
    'in a salon, %s shows that salon’s rows only',
    async (table) => {
      for (const { salonId } of [first, second]) {
        const rows = await inSalon(
          salonId,
          (trx) => rawRows<{ salon_id: string }>(trx, 'select distinct salon_id from ??', [table]),
          scratch.app,
        );
        for (const row of rows) expect(row.salon_id).toBe(salonId);
      }
    },
  );

  test('a row for another salon is refused', async () => {
    const write = inSalon(
      second.salonId,
      (trx) =>
        trx('client').insert({ salon_id: first.salonId, name: 'Intruder', created_by: first.personId }),
      scratch.app,
    );
    await expect(write).rejects.toThrow(/row-level security/);
  });

  test('a visit for another salon’s client is refused by its foreign key', async () => {
    const [theirs] = await listClients(first, 'Maren', TODAY);
    const write = inSalon(
      second.salonId,
      (trx) =>
        trx('visit').insert({
          salon_id: second.salonId,
          client_id: theirs.id,
          person_id: second.personId,
          held_on: TODAY,
          consult: JSON.stringify(EMPTY_CONSULT),
        }),
      scratch.app,
    );
    await expect(write).rejects.toThrow(/foreign key/);
  });

  test('wrong tries cannot be read or taken back but through their functions', async () => {
    for (const sql of [
      'select * from attempt',
      'delete from attempt',
      'insert into attempt (key) values (1)',
    ]) {
      await expect(scratch.app.raw(sql)).rejects.toThrow(/permission denied/);
    }
  });

  test('the application may not change salons, addresses, the trail, given consents or the schema', async () => {
    const tries = [
      'update salon set name = ?',
      'update person set email = ?',
      'update trail set act = ?',
      'delete from trail where act <> ?',
      'update consent set words = ?',
      'update caution_reason set reason = ?',
      'delete from hair_test where kind <> ?',
      'insert into client_word (word) values (?)',
      'delete from client where name <> ?',
      'create table mine (x text default ?)',
    ];
    for (const sql of tries)
      await expect(scratch.app.raw(sql.replace('?', "'owner'"))).rejects.toThrow(/permission denied/);
  });
});

describe('the second salon through the repositories', () => {
  test('finds no client, story or visit of the first, and cannot write on them', async () => {
    const [maren] = await listClients(first, 'Maren', TODAY);
    const story = await readClient(first, maren.id, TODAY);
    const visitId = story!.visits[0].id;
    expect(await listClients(second, 'Maren', TODAY)).toEqual([]);
    expect((await listClients(second, '', TODAY)).map((client) => client.name)).toEqual(['Quenby Sallow']);
    expect(await readClient(second, maren.id, TODAY)).toBeUndefined();
    expect(await readVisit(second, visitId)).toBeUndefined();
    expect(await createVisit(second, maren.id, TODAY)).toBeUndefined();
    const edit = {
      baseRevision: 1,
      editId: crypto.randomUUID(),
      document: { ...startPlan(), name: 'Taken over' },
    };
    expect(await savePlan(second, visitId, edit)).toEqual({ ok: false, reason: 'missing' });
    expect((await readVisit(first, visitId))!.plan.document.name).toBe('Fine weave, brighter sides');
  });
});

describe('sign-in', () => {
  test('a wrong password, an unknown address and an odd one open nothing', async () => {
    expect(await openSession('ottilie@fernhollow.example', 'wrong')).toBeUndefined();
    expect(await openSession('nobody@fernhollow.example', DEMO_PASSWORD)).toBeUndefined();
    expect(await openSession("' or true --", DEMO_PASSWORD)).toBeUndefined();
  });

  test('the address is taken in any case; passwords are argon2id', async () => {
    expect(await openSession('  Ottilie@Fernhollow.example ', DEMO_PASSWORD)).toBeDefined();
    const hashes = await inSalon(first.salonId, (trx) => trx('person').select('password_hash'), scratch.app);
    for (const { password_hash } of hashes)
      expect(password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });

  test('a revoked or expired session is nobody', async () => {
    const id = await sessionOf('bram@fernhollow.example');
    const bram = (await readSession(id))!;
    expect(bram).toMatchObject({
      personName: 'Bram Vale-Osei',
      role: 'colourist',
      salonName: 'Fernhollow Colour Rooms',
    });
    await revokeSession(bram);
    expect(await readSession(id)).toBeUndefined();
    const other = await sessionOf('bram@fernhollow.example');
    await inSalon(
      first.salonId,
      (trx) =>
        trx('session').where({ id: other }).update({ created_at: '2020-01-01', expires_at: '2020-01-02' }),
      scratch.app,
    );
    expect(await readSession(other)).toBeUndefined();
    expect(await readSession('not-a-session')).toBeUndefined();
  });
});

describe('demo data', () => {
  test('a fresh load takes away what was done to it and leaves other salons alone', async () => {
    const own = crypto.randomUUID();
    await inSalon(own, (trx) => trx('salon').insert({ id: own, name: 'A real one' }), scratch.owner);
    await createClient(first, { name: 'Extra', phone: '', email: '', note: '', bornOn: null });
    await removeDemo(scratch.owner);
    expect(await demoAccounts()).toEqual([]);
    await loadDemo(scratch.owner, TODAY);
    const again = await signedIn('ottilie@fernhollow.example');
    expect((await listClients(again, '', TODAY)).map((client) => client.name)).not.toContain('Extra');
    expect((await demoAccounts()).map((account) => account.email)).toHaveLength(4);
    expect(await inSalon(own, (trx) => trx('salon').select('name'), scratch.app)).toEqual([
      { name: 'A real one' },
    ]);
  });
});
