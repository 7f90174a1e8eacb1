import type { Knex } from 'knex';
import { messageOf } from '../../core/units';
import { inSalon, type Transaction } from '../database';
import { ArchiveProblem, readArchive } from './read';
import { ARCHIVED, photoAt, type ArchivedTable } from './tables';
import { signInWith } from '../sign-in-lookup';

/** Nobody can sign in with it: it is the hash of nothing. New passwords come by bin/reset-link. */
const NO_PASSWORD = '$argon2id$restored';
const CHUNK = 1000;

export interface Restored {
  readonly salon: string;
  readonly rows: number;
  readonly photos: number;
}

/**
 * Brings a salon from an archive into this installation, all of it or nothing. A salon that is here already
 * is never touched:
 * the archive is refused. People keep their addresses and set new passwords.
 * @param owner pool of the role that owns the tables
 * @throws ArchiveProblem with a sentence
 */
export async function restoreArchive(file: string, owner: Knex): Promise<Restored> {
  const archive = await readArchive(file);
  const { manifest, tables } = archive;
  try {
    return await inSalon(
      manifest.salon.id,
      async (trx) => {
        await trx.raw("set local time zone 'UTC'");
        if (await trx('salon').where({ id: manifest.salon.id }).first())
          throw new ArchiveProblem(
            `The salon “${manifest.salon.name}” is in this installation already; nothing was changed. Restore into an empty one.`,
          );
        await refuseTakenAddresses(trx, tables.get('person') ?? []);
        let rows = 0;
        for (const [table] of ARCHIVED) {
          const lines = tables.get(table) ?? [];
          rows += lines.length;
          for (let i = 0; i < lines.length; i += CHUNK)
            await insert(trx, table, manifest.tables[table].columns, lines.slice(i, i + CHUNK));
        }
        for (const path of Object.keys(manifest.photos)) {
          const { photoId, size } = photoAt(path)!;
          await trx('photo_bytes').insert({
            photo_id: photoId,
            salon_id: manifest.salon.id,
            size,
            bytes: await archive.photo(path),
          });
        }
        await trx.raw(
          "select setval(pg_get_serial_sequence('trail', 'id'), greatest((select coalesce(max(id), 1) from trail), (select last_value from trail_id_seq)))",
        );
        return { salon: manifest.salon.name, rows, photos: Object.keys(manifest.photos).length / 2 };
      },
      owner,
    );
  } catch (error) {
    if (error instanceof ArchiveProblem) throw error;
    // The driver's errors have these fields; whatever else is thrown has none.
    const { code, table, detail } = error as { code?: string; table?: string; detail?: string };
    // What the database refuses (a doubled id, a reference to nothing, a value out of bounds) is a fault of
    // the archive.
    if (code?.startsWith('23') || code?.startsWith('22'))
      throw new ArchiveProblem(
        `The archive does not hold together${table ? `, in ${table}` : ''}: ${detail ?? messageOf(error)} Nothing was written.`,
      );
    throw error;
  } finally {
    archive.close();
  }
}

/** Columns that the archive does not carry and the table must have. */
const MADE: Readonly<Partial<Record<ArchivedTable, Readonly<Record<string, string>>>>> = {
  person: { password_hash: NO_PASSWORD },
  photo: { stored_in: 'database' },
};

/**
 * Columns that an archive may carry and that do not come over: a salon that is restored works, and is no
 * demo.
 */
const LEFT_BEHIND: Readonly<Partial<Record<ArchivedTable, readonly string[]>>> = { salon: ['demo'] };

async function insert(
  trx: Transaction,
  table: ArchivedTable,
  carried: readonly string[],
  lines: readonly string[],
): Promise<void> {
  const columns = carried.filter((name) => !LEFT_BEHIND[table]?.includes(name));
  const made = Object.entries(MADE[table] ?? {});
  const names = columns.map(() => '??').join(', ');
  await trx.raw(
    `insert into ?? (${names}${made.map(() => ', ??').join('')}) overriding system value select ${names}${made.map(() => ', ?').join('')} from jsonb_populate_recordset(null::??, ?::jsonb)`,
    [
      table,
      ...columns,
      ...made.map(([name]) => name),
      ...columns,
      ...made.map(([, value]) => value),
      table,
      `[${lines.join(',')}]`,
    ],
  );
}

async function refuseTakenAddresses(trx: Transaction, lines: readonly string[]): Promise<void> {
  for (const line of lines) {
    const { email } = JSON.parse(line) as { email: string };
    if (await signInWith(trx, email))
      throw new ArchiveProblem(
        `Somebody signs in here as ${email} already, in another salon; nothing was changed.`,
      );
  }
}
