import { createHash } from 'node:crypto';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Knex } from 'knex';
import { ZipFile } from 'yazl';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type ArchiveManifest } from '../../core/formats';
import { database, type Transaction } from '../database';
import { newestMigration } from '../migrate';
import { inDatabase, objectStore, PHOTO_SIZES, type PhotoKey } from '../photo-store';
import { ARCHIVED, columnsOf, MANIFEST_PATH, photoPath, tablePath } from './tables';
import { rawRows } from '../raw-rows';

/** The same rows always make the same bytes: no moment of writing stands in the archive. */
const MTIME = new Date(Date.UTC(2000, 0, 1));
const sha256 = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

/**
 * Writes everything of a salon into one archive (ZIP): a line of JSON per row and table, photos as JPEG, a
 * manifest with checksums.
 * Passwords, PINs, sessions, links and calendar addresses are left out. One moment is written, whatever
 * happens meanwhile.
 * @throws Error with a sentence where a photo cannot be had
 */
export async function writeArchive(
  salonId: string,
  out: Writable,
  pool: Knex = database(),
): Promise<ArchiveManifest> {
  return pool.transaction(
    async (trx) => {
      await trx.raw("select set_config('lattice.salon', ?, true), set_config('timezone', 'UTC', true)", [
        salonId,
      ]);
      const zip = new ZipFile();
      const writing = pipeline(zip.outputStream, out);
      // A failure is thrown where it is awaited.
      writing.catch(() => undefined);
      const tables: ArchiveManifest['tables'] = {};
      const photos: ArchiveManifest['photos'] = {};
      for (const [table, order] of ARCHIVED) {
        const columns = await columnsOf(trx, table);
        const named = columns.map(() => '??').join(', ');
        const rows = await rawRows<{ line: string }>(
          trx,
          `select to_jsonb(own)::text as line from (select ${named} from ?? where ?? = ? order by ${order}) own`,
          [...columns, table, table === 'salon' ? 'id' : 'salon_id', salonId],
        );
        const bytes = Buffer.from(rows.map(({ line }) => `${line}\n`).join(''), 'utf8');
        tables[table] = { rows: rows.length, columns, sha256: sha256(bytes) };
        zip.addBuffer(bytes, tablePath(table), { mtime: MTIME });
      }
      const salon = await trx('salon').where({ id: salonId }).select('name').first();
      if (!salon) throw new Error('There is no such salon.');
      for (const { id } of await trx('photo').where({ salon_id: salonId }).orderBy('id').select('id')) {
        for (const size of PHOTO_SIZES) {
          const key = { salonId, photoId: id, size };
          photos[photoPath(id, size)] = sha256(await photoBytes(trx, key));
          // Read again when its turn comes, so that a thousand of them are not held at once.
          zip.addReadStreamLazy(photoPath(id, size), { mtime: MTIME, compress: false }, (give) => {
            photoBytes(trx, key).then(
              (bytes) => give(null, Readable.from([bytes])),
              (error: Error) => give(error, Readable.from([])),
            );
          });
        }
      }
      const manifest: ArchiveManifest = {
        format: ARCHIVE_FORMAT,
        version: ARCHIVE_VERSION,
        schema: newestMigration(),
        salon: { id: salonId, name: salon.name },
        tables,
        photos,
      };
      zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 1)}\n`, 'utf8'), MANIFEST_PATH, {
        mtime: MTIME,
      });
      zip.end();
      await writing;
      return manifest;
    },
    { isolationLevel: 'repeatable read' },
  );
}

async function photoBytes(trx: Transaction, key: PhotoKey): Promise<Buffer> {
  const bytes = (await inDatabase.get(trx, key)) ?? (await objectStore()?.get(key));
  if (!bytes)
    throw new Error(
      `The photo ${key.photoId} (${key.size}) cannot be had: is the object store reachable? Nothing was written.`,
    );
  return bytes;
}
