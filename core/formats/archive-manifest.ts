import type { ValueResult } from '../units';
import { z } from 'zod';
import { parseWith } from './problem';

export const ARCHIVE_FORMAT = 'dappled-lattice/archive';
export const ARCHIVE_VERSION = 1;

const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in hexadecimal');

/** What an archive of a salon says of itself: what is in it, and a checksum for each file. */
const archiveManifestSchema = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT, { error: `must be ${ARCHIVE_FORMAT}` }),
  version: z.literal(ARCHIVE_VERSION),
  /** Newest change of the database that its rows know. */
  schema: z.string().regex(/^\d{4}-[a-z-]+$/, 'must name a change of the database such as 0010-diary'),
  salon: z.strictObject({ id: z.uuid('must be an id'), name: z.string().min(1).max(120) }),
  tables: z.record(
    z.string().regex(/^[a-z_]+$/),
    z.strictObject({ rows: z.int().min(0), columns: z.array(z.string()).max(200), sha256 }),
  ),
  /** Photos by their path in the archive. */
  photos: z.record(z.string(), sha256),
});

export type ArchiveManifest = z.infer<typeof archiveManifestSchema>;

/** Reads a manifest; one of a newer version says so. */
export function parseArchiveManifest(value: unknown): ValueResult<ArchiveManifest> {
  const version = (value as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > ARCHIVE_VERSION) {
    return {
      ok: false,
      problem: `version: it is of version ${version}, made by a newer Dappled Lattice; this one reads version ${ARCHIVE_VERSION}. Bring this installation up to date first.`,
    };
  }
  return parseWith(archiveManifestSchema, value);
}
