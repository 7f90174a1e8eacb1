import { createHash } from 'node:crypto';
import { createWriteStream, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Knex } from 'knex';
import sharp from 'sharp';
import { ZipFile } from 'yazl';
import { EMPTY_OUTCOME } from '../../core/visit';
import { book, makeFeed } from '../appointments';
import { createClient } from '../clients';
import { mergeClients } from '../merges';
import { inSalon } from '../database';
import { loadDemo } from '../demo/load';
import { addPhoto } from '../photos';
import { readPicture } from '../picture';
import { saveOutcome } from '../saves';
import type { SignedIn } from '../sessions';
import { addAddendum, signOff } from '../sign-off';
import { signedIn } from '../testing/actor';
import { scratchDatabase, scratchWithDemo, type Scratch } from '../testing/scratch';
import { createVisit } from '../visits';
import { backUpAll } from './backup';
import { LIMITS, readArchive } from './read';
import { restoreArchive } from './restore';
import { ARCHIVED, LEFT_OUT } from './tables';
import { writeArchive } from './write';
import { rawRows } from '../raw-rows';

const folder = mkdtempSync(path.join(tmpdir(), 'lattice-archive-'));
let here: Scratch;
let there: Scratch;
let owner: SignedIn;
let file: string;

const written = async (salonId: string, pool: Knex): Promise<Buffer> => {
  const parts: Buffer[] = [];
  await writeArchive(
    salonId,
    new Writable({
      write: (part: Buffer, _, done) => {
        parts.push(part);
        done();
      },
    }),
    pool,
  );
  return Buffer.concat(parts);
};

beforeAll(async () => {
  here = await scratchWithDemo('2027-01-04');
  owner = await signedIn('ottilie@fernhollow.example');
  // What a salon holds beside demo data: a photo, a signed record with its addendum, a merged client, an
  // appointment, a secret.
  const clientId = await createClient(owner, {
    name: 'Zoë “Archive” Søndergård',
    phone: '0700 900 001',
    email: '',
    note: 'Line\nbreak',
    bornOn: '1990-02-28',
  });
  const picture = await readPicture(
    await sharp({ create: { width: 60, height: 40, channels: 3, background: '#c9a86a' } })
      .png()
      .toBuffer(),
  );
  if (!picture.ok) throw new Error(picture.problem);
  await addPhoto(owner, clientId, { visitId: null, kind: 'hair', note: '', picture: picture.value });
  const visitId = (await createVisit(owner, clientId, '2027-01-04'))!;
  await inSalon(owner.salonId, (trx) =>
    trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: owner.personId }),
  );
  await saveOutcome(owner, visitId, {
    baseRevision: 0,
    editId: crypto.randomUUID(),
    document: { ...EMPTY_OUTCOME, done: 'Foiled.' },
  });
  await signOff(owner, visitId, 1);
  await addAddendum(owner, visitId, 'The nape was 4 mm.');
  const twice = await createClient(owner, { name: 'Twice', phone: '', email: '', note: '', bornOn: null });
  await mergeClients(owner, twice, clientId);
  await book(
    owner,
    [
      {
        clientId,
        personId: owner.personId,
        on: '2027-03-01',
        from: 570,
        minutes: 60,
        kind: 'toner',
        note: '',
        redoOf: null,
      },
    ],
    'Europe/Berlin',
  );
  await makeFeed(owner);
  file = path.join(folder, 'salon.zip');
  await writeArchive(owner.salonId, createWriteStream(file), here.owner);
  there = await scratchDatabase();
}, 120_000);
afterAll(async () => {
  await there?.drop();
  await here?.drop();
});

const counts = async (pool: Knex) => {
  const out: Record<string, number> = {};
  for (const [table] of ARCHIVED)
    [{ n: out[table] }] = await inSalon(
      owner.salonId,
      (trx) =>
        rawRows<{ n: number }>(trx, 'select count(*)::int as n from ?? where ?? = ?', [
          table,
          table === 'salon' ? 'id' : 'salon_id',
          owner.salonId,
        ]),
      pool,
    );
  return out;
};
/**
 * The archive with one of its files changed, or files put in beside; checksums are made to fit where asked.
 */
async function changed(
  name: string,
  change: (files: Map<string, Buffer>) => void,
  { fitting = false } = {},
): Promise<string> {
  const archive = await readArchive(file);
  const files = new Map<string, Buffer>();
  for (const [table, lines] of archive.tables)
    files.set(`tables/${table}.jsonl`, Buffer.from(lines.map((line) => `${line}\n`).join('')));
  for (const photo of Object.keys(archive.manifest.photos)) files.set(photo, await archive.photo(photo));
  archive.close();
  files.set('manifest.json', Buffer.from(JSON.stringify(archive.manifest)));
  change(files);
  if (fitting) {
    const manifest = JSON.parse(files.get('manifest.json')!.toString()) as typeof archive.manifest;
    for (const table of Object.keys(manifest.tables)) {
      const bytes = files.get(`tables/${table}.jsonl`)!;
      manifest.tables[table] = {
        ...manifest.tables[table],
        rows: bytes.toString().split('\n').filter(Boolean).length,
        sha256: createHash('sha256').update(bytes).digest('hex'),
      };
    }
    files.set('manifest.json', Buffer.from(JSON.stringify(manifest)));
  }
  const zip = new ZipFile();
  const at = path.join(folder, name);
  const writing = pipeline(zip.outputStream, createWriteStream(at));
  for (const [own, bytes] of files) zip.addBuffer(bytes, own);
  zip.end();
  await writing;
  return at;
}

test('every table of a salon is either in the archive or left out on purpose', async () => {
  const rows = await rawRows<{ relname: string }>(
    here.owner,
    "select relname from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and relname not like 'knex%'",
  );
  expect(rows.map(({ relname }) => relname).sort()).toEqual(
    [...ARCHIVED.map(([table]) => table), ...LEFT_OUT].sort(),
  );
});

test('secrets stay behind', async () => {
  const { tables, manifest, close } = await readArchive(file);
  close();
  const everything = [...tables.values()].flat().join('\n');
  expect(everything).not.toContain('$argon2id$');
  expect(manifest.tables.person.columns).not.toContain('password_hash');
  expect(manifest.tables.person.columns).not.toContain('pin_hash');
  expect(everything).toContain('Zoë “Archive” Søndergård');
});

describe('refused, with nothing written', () => {
  const refused = async (at: string) => {
    const before = await counts(there.owner);
    const problem = await restoreArchive(at, there.owner).then(
      () => 'restored',
      (error: Error) => error.message,
    );
    expect(await counts(there.owner)).toEqual(before);
    expect(Object.values(before).every((n) => n === 0)).toBe(true);
    return problem;
  };

  test('cut short, at whatever place', async () => {
    const whole = readFileSync(file);
    for (const share of [0, 0.1, 0.5, 0.99]) {
      const at = path.join(folder, 'cut.zip');
      writeFileSync(at, whole.subarray(0, Math.floor(whole.length * share)));
      expect(await refused(at)).toMatch(/is no archive of Dappled Lattice, or was cut short/);
    }
    expect(await refused(path.join(folder, 'nowhere.zip'))).toMatch(/is not there/);
  });

  test('of a newer version, by its format or by its database', async () => {
    const newer = (part: object) =>
      changed('newer.zip', (files) =>
        files.set(
          'manifest.json',
          Buffer.from(JSON.stringify({ ...JSON.parse(files.get('manifest.json')!.toString()), ...part })),
        ),
      );
    expect(await refused(await newer({ version: 2 }))).toMatch(
      /of version 2, made by a newer Dappled Lattice/,
    );
    expect(await refused(await newer({ schema: '0999-later' }))).toMatch(
      /made by a newer Dappled Lattice \(0999-later\)/,
    );
  });

  test('changed, damaged, incomplete, or with rows of another salon', async () => {
    const client = 'tables/client.jsonl';
    expect(
      await refused(
        await changed('damaged.zip', (files) =>
          files.set(client, Buffer.from(files.get(client)!.toString().replace('Maren', 'Karen'))),
        ),
      ),
    ).toMatch(/client\.jsonl does not match its checksum/);
    expect(await refused(await changed('lacks.zip', (files) => files.delete(client)))).toMatch(
      /lacks tables\/client\.jsonl/,
    );
    expect(
      await refused(
        await changed(
          'strange.zip',
          (files) =>
            files.set(
              client,
              Buffer.from(files.get(client)!.toString().replaceAll(owner.salonId, crypto.randomUUID())),
            ),
          { fitting: true },
        ),
      ),
    ).toMatch(/client\.jsonl, row 1 belongs to another salon/);
    expect(
      await refused(
        await changed('nojson.zip', (files) => files.set(client, Buffer.from('nonsense\n')), {
          fitting: true,
        }),
      ),
    ).toMatch(/row 1 is not JSON/);
    // A visit of a client who is not there, and a client who is there twice: the database would not have it.
    expect(
      await refused(
        await changed(
          'loose.zip',
          (files) =>
            files.set(client, Buffer.from(files.get(client)!.toString().split('\n').slice(1).join('\n'))),
          { fitting: true },
        ),
      ),
    ).toMatch(/does not hold together.*Nothing was written/);
    expect(
      await refused(
        await changed(
          'twice.zip',
          (files) =>
            files.set(
              client,
              Buffer.from(
                files
                  .get(client)!
                  .toString()
                  .replace(/^(.*)\n/, '$1\n$1\n'),
              ),
            ),
          { fitting: true },
        ),
      ),
    ).toMatch(/does not hold together/);
  });

  test('with files that climb, that nobody named, or twice', async () => {
    const raw = async (name: string, inside: string) => {
      // The writer refuses such names itself: one of the same length is put in and changed in the bytes.
      const at = await changed(name, (files) => files.set('x'.repeat(inside.length), Buffer.from('x')));
      writeFileSync(
        at,
        Buffer.from(
          readFileSync(at).toString('latin1').replaceAll('x'.repeat(inside.length), inside),
          'latin1',
        ),
      );
      return at;
    };
    expect(await refused(await raw('climbs.zip', '../../etc/passwd'))).toMatch(
      /cannot be read|does not belong there/,
    );
    expect(await refused(await raw('absolute.zip', '/etc/some/passwords'))).toMatch(
      /cannot be read|does not belong there/,
    );
    expect(
      await refused(
        await changed('more.zip', (files) => files.set('tables/spells.jsonl', Buffer.from('{}\n'))),
      ),
    ).toMatch(/does not name: tables\/spells\.jsonl/);
  });

  test('a bomb', async () => {
    const at = await changed('bomb.zip', (files) =>
      files.set('tables/trail.jsonl', Buffer.alloc(40 << 20, 10)),
    );
    await expect(readArchive(at, { ...LIMITS, blownUp: 10 })).rejects.toThrow(
      /unpacks to far more than a salon holds/,
    );
    await expect(readArchive(at, { ...LIMITS, table: 1 << 20 })).rejects.toThrow(
      /larger than it can be: 40 MB/,
    );
    expect(await refused(at)).toMatch(/does not match its checksum/);
  });
});

test('written, restored into an empty installation and written again, it is the same to the last byte', async () => {
  const before = readFileSync(file);
  // Writing it twice here gives the same bytes too.
  expect((await written(owner.salonId, here.owner)).equals(before)).toBe(true);
  const restored = await restoreArchive(file, there.owner);
  expect(restored).toEqual({ salon: 'Fernhollow Colour Rooms', rows: expect.any(Number), photos: 1 });
  expect((await written(owner.salonId, there.owner)).equals(before)).toBe(true);
  expect(await counts(there.owner)).toEqual(await counts(here.owner));

  // What is here already is never touched.
  await expect(restoreArchive(file, there.owner)).rejects.toThrow(
    /is in this installation already; nothing was changed/,
  );
  expect((await written(owner.salonId, there.owner)).equals(before)).toBe(true);

  // Words are found again, nobody signs in without a new password, and the trail goes on behind what it
  // holds.
  const found = await inSalon(
    owner.salonId,
    (trx) => rawRows(trx, 'select client_id from find_clients(?, 10, false)', [['søndergård']]),
    there.owner,
  );
  expect(found).toHaveLength(1);
  const [{ password_hash: hash }] = await inSalon(
    owner.salonId,
    (trx) => trx('person').select('password_hash').limit(1),
    there.owner,
  );
  expect(hash).toBe('$argon2id$restored');
  const [{ id }] = await inSalon(
    owner.salonId,
    (trx) => trx('trail').insert({ salon_id: owner.salonId, act: 'house' }).returning('id'),
    there.owner,
  );
  const newer = await inSalon(
    owner.salonId,
    (trx) => trx('trail').where('id', '>=', id).select('id'),
    there.owner,
  );
  expect(newer).toHaveLength(1);
});

test('an archive of an older database is taken: what it does not know yet gets its usual value', async () => {
  const older = await changed(
    'older.zip',
    (files) => {
      const manifest = JSON.parse(files.get('manifest.json')!.toString()) as {
        schema: string;
        tables: Record<string, { columns: string[] }>;
      };
      manifest.schema = '0008-service';
      // Before signing off, the diary and learning.
      delete manifest.tables.appointment;
      files.delete('tables/appointment.jsonl');
      delete manifest.tables.addendum;
      files.delete('tables/addendum.jsonl');
      const without = (table: string, gone: readonly string[]) => {
        manifest.tables[table].columns = manifest.tables[table].columns.filter(
          (column) => !gone.includes(column),
        );
        const lines = files.get(`tables/${table}.jsonl`)!.toString().split('\n').filter(Boolean);
        files.set(
          `tables/${table}.jsonl`,
          Buffer.from(
            lines
              .map(
                (line) =>
                  `${JSON.stringify(Object.fromEntries(Object.entries(JSON.parse(line) as object).filter(([column]) => !gone.includes(column))))}\n`,
              )
              .join(''),
          ),
        );
      };
      without('outcome', ['signed_at', 'signed_by']);
      without('person', ['learnt_since', 'active']);
      files.set('manifest.json', Buffer.from(JSON.stringify(manifest)));
    },
    { fitting: true },
  );
  const third = await scratchDatabase();
  try {
    await restoreArchive(older, third.owner);
    const [{ signed_at: signedAt }] = await inSalon(
      owner.salonId,
      (trx) => trx('outcome').select('signed_at').limit(1),
      third.owner,
    );
    expect(signedAt).toBeNull();
    // A salon that comes over works: it is no demo, and the sign-in page names none of its people.
    expect(await inSalon(owner.salonId, (trx) => trx('salon').pluck('demo'), third.owner)).toEqual([false]);
    expect(
      await inSalon(owner.salonId, (trx) => trx('person').where({ active: true }).select('id'), third.owner),
    ).toHaveLength(3);
  } finally {
    await third.drop();
  }
});

test('somebody who signs in elsewhere in the installation is not taken over', async () => {
  const third = await scratchDatabase();
  try {
    await loadDemo(third.owner, '2027-01-04');
    await expect(restoreArchive(file, third.owner)).rejects.toThrow(
      /Somebody signs in here as .*@fernhollow\.example already/,
    );
  } finally {
    await third.drop();
  }
});

test('every salon is backed up, restored for a try, and the oldest go; what else lies there stays', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'lattice-rounds-'));
  writeFileSync(path.join(folder, 'notes.zip'), 'mine');
  const said: string[] = [];
  const {
    rows: [{ own }],
  } = await here.owner.raw('select current_database() as own');
  const at = Object.assign(new URL(process.env.LATTICE_OWNER_DATABASE_URL!), { pathname: `/${own}` }).href;
  const round = (hour: number) =>
    backUpAll(at, folder, { keep: 2, now: new Date(Date.UTC(2027, 2, 1, hour)) }, (line) => said.push(line));
  expect([await round(1), await round(2), await round(3)]).toEqual([0, 0, 0]);
  const files = readdirSync(folder).sort();
  expect(files).toContain('notes.zip');
  expect(files.filter((name) => name.startsWith('fernhollow-colour-rooms-'))).toEqual([
    'fernhollow-colour-rooms-2027-03-01T0200Z.zip',
    'fernhollow-colour-rooms-2027-03-01T0300Z.zip',
  ]);
  expect(files).toHaveLength(5);
  expect(said.at(-1)).toMatch(/restored for a try and sound\. 1 older taken away\.$/);
  // A folder that is none: said, and nothing is taken away.
  await expect(
    backUpAll(at, path.join(folder, 'notes.zip'), { keep: 1, now: new Date() }, () => undefined),
  ).rejects.toThrow(/EEXIST|ENOTDIR/);
}, 60_000);
