import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rename, rm } from 'node:fs/promises';
import { messageOf } from '../../core/units';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { connect } from '../database';
import { readArchive } from './read';
import { restoreForATry } from './restore-try';
import { writeArchive } from './write';

interface Salon {
  readonly id: string;
  readonly name: string;
}

/** What an archive holds. */
export interface Held {
  readonly rows: number;
  readonly photos: number;
}

/** Every salon of the installation, by name. */
export const salonsOf = (owner: Knex): Promise<Salon[]> =>
  owner('salon').select('id', 'name').orderBy('name');

/**
 * Writes a salon into a file and reads it back. It is written beside and put in place when it is whole: one
 * that stops half-way spoils none that is there.
 */
export async function backUp(owner: Knex, { id }: Salon, file: string): Promise<Held> {
  const half = `${file}.part`;
  try {
    const manifest = await writeArchive(id, createWriteStream(half), owner);
    const { close } = await readArchive(half);
    close();
    await rename(half, file);
    return heldBy(manifest);
  } finally {
    await rm(half, { force: true });
  }
}

export const heldBy = ({
  tables,
  photos,
}: {
  readonly tables: Readonly<Record<string, { readonly rows: number }>>;
  readonly photos: object;
}): Held => ({
  rows: Object.values(tables).reduce((sum, { rows }) => sum + rows, 0),
  photos: Object.keys(photos).length / 2,
});

export const saidOf = ({ rows, photos }: Held) =>
  `${rows} rows and ${photos} ${photos === 1 ? 'photo' : 'photos'}`;

/** Name of a salon's file at a moment: `fernhollow-colour-rooms-2027-03-01T0230Z.zip`. */
const fileOf = ({ id, name }: Salon, now: Date) =>
  `${slugOf(name) || id}-${now.toISOString().slice(0, 16).replace(/:/g, '')}Z.zip`;
const slugOf = (name: string) =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);

/**
 * Backs every salon up into a folder, restores each archive into an empty database for a try, and takes the
 * oldest away beyond
 * so many. What fails of one salon holds no other up, and takes none of its older archives away.
 * @param say called with a line for each salon
 * @returns how many failed
 */
export async function backUpAll(
  ownerUrl: string,
  folder: string,
  { keep, now }: { readonly keep: number; readonly now: Date },
  say: (line: string) => void,
): Promise<number> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const owner = connect(ownerUrl, 2);
  let failed = 0;
  try {
    for (const salon of await salonsOf(owner)) {
      const file = join(folder, fileOf(salon, now));
      try {
        const held = await backUp(owner, salon, file);
        await restoreForATry(file, ownerUrl);
        const gone = await thin(folder, salon, keep);
        say(
          `${file}: ${saidOf(held)} of “${salon.name}”, restored for a try and sound.${gone > 0 ? ` ${gone} older taken away.` : ''}`,
        );
      } catch (error) {
        failed += 1;
        say(`“${salon.name}” was not backed up: ${messageOf(error)}`);
      }
    }
  } finally {
    await owner.destroy();
  }
  return failed;
}

/** Takes the oldest archives of a salon away; nothing else in the folder is touched. @returns how many */
async function thin(folder: string, salon: Salon, keep: number): Promise<number> {
  const regExp = new RegExp(`^${slugOf(salon.name) || salon.id}-\\d{4}-\\d{2}-\\d{2}T\\d{4}Z\\.zip$`);
  const old = (await readdir(folder))
    .filter((name) => regExp.test(name))
    .sort()
    .reverse()
    .slice(keep);
  for (const name of old) await rm(join(folder, name));
  return old.length;
}
