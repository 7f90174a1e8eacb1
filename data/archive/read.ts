import { createHash } from 'node:crypto';
import { buffer } from 'node:stream/consumers';
import { open, type Entry, type ZipFile } from 'yauzl';
import { parseArchiveManifest, type ArchiveManifest } from '../../core/formats';
import { MIGRATION_NAMES } from '../migrate';
import { ARCHIVED, MANIFEST_PATH, PHOTO_PATH, tablePath } from './tables';

/** Something wrong with an archive, as a sentence for whoever restores it. */
export class ArchiveProblem extends Error {}

/** An archive that was read whole and found sound. */
export interface ReadArchive {
  readonly manifest: ArchiveManifest;
  /** Lines of JSON by table. */
  readonly tables: ReadonlyMap<string, readonly string[]>;
  /** Reads a photo of the archive. */
  photo(path: string): Promise<Buffer>;
  readonly close: () => void;
}

/**
 * More than these is a bomb, not a salon: bytes of one file, of all files unpacked, and how far the whole is
 * blown up.
 */
export const LIMITS = {
  manifest: 8 << 20,
  table: 512 << 20,
  photo: 48 << 20,
  all: 16 * 2 ** 30,
  entries: 500_000,
  blownUp: 400,
};

/**
 * Reads an archive and checks all of it: names, sizes, checksums, rows. Nothing is written anywhere.
 * @throws ArchiveProblem with a sentence that says what is wrong
 */
export async function readArchive(file: string, limits = LIMITS): Promise<ReadArchive> {
  const zip = await opened(file);
  try {
    const entries = await entriesOf(zip, limits);
    const content = (path: string, most: number) => contentOf(zip, entries, path, most);
    const manifest = manifestIn(await content(MANIFEST_PATH, limits.manifest));
    const tables = new Map<string, readonly string[]>();
    for (const [table] of ARCHIVED) {
      const said = manifest.tables[table];
      // A table that an older installation did not have yet is empty.
      if (!said) continue;
      const bytes = await content(tablePath(table), limits.table);
      checked(tablePath(table), bytes, said.sha256);
      const lines = bytes.toString('utf8').split('\n').filter(Boolean);
      if (lines.length !== said.rows)
        throw new ArchiveProblem(
          `${tablePath(table)} holds ${lines.length} rows where the manifest says ${said.rows}.`,
        );
      lines.forEach((line, i) =>
        checkLine({ table, at: i, line, archiveManifest: manifest, columns: said.columns }),
      );
      tables.set(table, lines);
    }
    for (const table of Object.keys(manifest.tables))
      if (!tables.has(table))
        throw new ArchiveProblem(`The manifest names a table that nobody here knows: ${table}.`);
    for (const [path, hash] of Object.entries(manifest.photos)) {
      if (!PHOTO_PATH.test(path))
        throw new ArchiveProblem(`The manifest names a photo at a place where none belongs: ${path}.`);
      checked(path, await content(path, limits.photo), hash);
    }
    for (const path of entries.keys()) {
      if (
        path !== MANIFEST_PATH &&
        !manifest.photos[path] &&
        !(path.startsWith('tables/') && manifest.tables[path.slice(7, -6)])
      )
        throw new ArchiveProblem(`The archive holds a file that its manifest does not name: ${path}.`);
    }
    return { manifest, tables, photo: (path) => content(path, limits.photo), close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}

function opened(file: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    open(
      file,
      { lazyEntries: true, autoClose: false, validateEntrySizes: true, strictFileNames: true },
      (error, zip) => {
        if (!error) return resolve(zip);
        reject(
          new ArchiveProblem(
            (error as NodeJS.ErrnoException).code === 'ENOENT'
              ? `${file} is not there.`
              : `${file} is no archive of Dappled Lattice, or was cut short (${error.message}).`,
          ),
        );
      },
    );
  });
}

const KNOWN = new RegExp(`^(manifest\\.json|tables/[a-z_]+\\.jsonl|${PHOTO_PATH.source.slice(1, -1)})$`);

/** All entries by name, once each name and size was found harmless. */
function entriesOf(zip: ZipFile, limits: typeof LIMITS): Promise<Map<string, Entry>> {
  return new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>();
    let unpacked = 0;
    let packed = 0;
    const refuse = (problem: string) => reject(new ArchiveProblem(problem));
    zip.on('error', (error: Error) => refuse(`The archive cannot be read: ${error.message}.`));
    zip.on('entry', (entry: Entry) => {
      const { fileName, uncompressedSize, compressedSize } = entry;
      unpacked += uncompressedSize;
      packed += compressedSize;
      if (!KNOWN.test(fileName))
        return refuse(`The archive holds a file that does not belong there: ${fileName.slice(0, 120)}.`);
      if (entries.has(fileName)) return refuse(`The archive holds ${fileName} twice.`);
      if (
        unpacked > limits.all ||
        unpacked > limits.blownUp * Math.max(packed, 1 << 20) ||
        entries.size >= limits.entries
      )
        return refuse('The archive unpacks to far more than a salon holds: it is not read.');
      entries.set(fileName, entry);
      zip.readEntry();
    });
    zip.on('end', () => resolve(entries));
    zip.readEntry();
  });
}

async function contentOf(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  path: string,
  most: number,
): Promise<Buffer> {
  const entry = entries.get(path);
  if (!entry)
    throw new ArchiveProblem(`The archive lacks ${path}: it was cut short, or is none of Dappled Lattice.`);
  if (entry.uncompressedSize > most)
    throw new ArchiveProblem(
      `${path} is larger than it can be: ${Math.round(entry.uncompressedSize / 2 ** 20)} MB.`,
    );
  const stream = await new Promise<NodeJS.ReadableStream>((resolve, reject) =>
    zip.openReadStream(entry, (error, readable) => (error ? reject(error) : resolve(readable))),
  ).catch((error: Error) => {
    throw new ArchiveProblem(`${path} cannot be read: ${error.message}.`);
  });
  return buffer(stream as never).catch((error: Error) => {
    throw new ArchiveProblem(`${path} cannot be read: ${error.message}. Was the archive cut short?`);
  });
}

function manifestIn(bytes: Buffer): ArchiveManifest {
  let value: unknown;
  try {
    value = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new ArchiveProblem(`${MANIFEST_PATH} is not JSON.`);
  }
  const manifest = parseArchiveManifest(value);
  if (!manifest.ok) throw new ArchiveProblem(`${MANIFEST_PATH}, ${manifest.problem}`);
  if (!MIGRATION_NAMES.includes(manifest.value.schema))
    throw new ArchiveProblem(
      `The archive was made by a newer Dappled Lattice (${manifest.value.schema}): bring this installation up to date first.`,
    );
  return manifest.value;
}

function checked(path: string, bytes: Buffer, hash: string): void {
  if (createHash('sha256').update(bytes).digest('hex') !== hash)
    throw new ArchiveProblem(`${path} does not match its checksum: the archive was changed or damaged.`);
}

/** A row is one object of the salon's own, with the columns that the manifest names. */
function checkLine({
  table,
  at,
  line,
  archiveManifest: { salon },
  columns,
}: {
  readonly table: string;
  readonly at: number;
  readonly line: string;
  readonly archiveManifest: ArchiveManifest;
  readonly columns: readonly string[];
}): void {
  let row: Record<string, unknown>;
  try {
    row = JSON.parse(line) as Record<string, unknown>;
  } catch {
    throw new ArchiveProblem(`${tablePath(table)}, row ${at + 1} is not JSON.`);
  }
  if (Object.keys(row).sort().join() !== [...columns].sort().join())
    throw new ArchiveProblem(`${tablePath(table)}, row ${at + 1} has other columns than the manifest names.`);
  if (row[table === 'salon' ? 'id' : 'salon_id'] !== salon.id)
    throw new ArchiveProblem(`${tablePath(table)}, row ${at + 1} belongs to another salon.`);
}
