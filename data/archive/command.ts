import { randomBytes } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { connect } from '../database';
import { migrate } from '../migrate';
import { readArchive } from './read';
import { restoreArchive } from './restore';
import { writeArchive } from './write';

const USAGE = 'Usage: bin/backup FILE.zip [SALON], bin/restore FILE.zip, bin/restore --check FILE.zip';

/**
 * At the server's own command line: a salon into one archive, an archive into this installation, or an archive only looked at.
 * LATTICE_OWNER_DATABASE_URL is the role that owns the tables; bin/backup and bin/restore set it.
 */
async function main([verb, ...given]: readonly string[]): Promise<void> {
  const check = given.includes('--check');
  const [file, salonName, ...more] = given.filter((word) => word !== '--check');
  if (!file || more.length > 0 || (verb === 'restore' && salonName)) throw new Error(USAGE);
  if (verb === 'restore' && check) {
    const { manifest, close } = await readArchive(file);
    close();
    const said = `${file} is sound: ${saidOf(Object.values(manifest.tables).reduce((sum, { rows }) => sum + rows, 0), Object.keys(manifest.photos).length / 2)} of “${manifest.salon.name}”. Every checksum fits;`;
    const at = process.env.LATTICE_OWNER_DATABASE_URL;
    if (!at) return console.log(`${said} it was not restored for a try, since no database runs here.`);
    await restoreForATry(file, at);
    return console.log(`${said} it was restored into an empty database for a try, which is gone again.`);
  }
  const url = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!url) throw new Error('LATTICE_OWNER_DATABASE_URL is not set: run bin/backup or bin/restore.');
  const owner = connect(url, 2);
  try {
    if (verb === 'restore') {
      const { salon, rows, photos } = await restoreArchive(file, owner);
      return console.log(`“${salon}” is restored: ${saidOf(rows, photos)}. Nobody has a password yet: bin/reset-link name@salon.example makes a link for the owner.`);
    }
    const salons: { id: string; name: string }[] = await owner('salon').select('id', 'name').orderBy('name');
    const own = salonName ? salons.filter(({ id, name }) => name === salonName || id === salonName) : salons;
    if (own.length !== 1) throw new Error(own.length === 0 ? `There is no salon ${salonName ? `“${salonName}”` : 'yet'}. Salons: ${salons.map(({ name }) => name).join(', ') || 'none'}.` : `Name the salon: ${salons.map(({ name }) => `“${name}”`).join(', ')}.`);
    // Written beside and put in place when it is whole: a backup that stops half-way spoils none that is there.
    const half = `${file}.part`;
    try {
      const manifest = await writeArchive(own[0].id, createWriteStream(half), owner);
      const { close } = await readArchive(half);
      close();
      await rename(half, file);
      console.log(`${file}: ${saidOf(Object.values(manifest.tables).reduce((sum, { rows }) => sum + rows, 0), Object.keys(manifest.photos).length / 2)} of “${own[0].name}”, read back and sound.`);
    } finally {
      await rm(half, { force: true });
    }
  } finally {
    await owner.destroy();
  }
}

/** Restores into a database of its own, which goes again: what a restore refuses is refused here. */
async function restoreForATry(file: string, ownerUrl: string): Promise<void> {
  const name = `lattice_try_${randomBytes(6).toString('hex')}`;
  const server = connect(ownerUrl, 1);
  try {
    await server.raw('create database ??', [name]);
    const own = connect(Object.assign(new URL(ownerUrl), { pathname: `/${name}` }).href, 2);
    try {
      await migrate(own);
      await restoreArchive(file, own);
    } finally {
      await own.destroy();
      await server.raw('drop database ?? with (force)', [name]);
    }
  } finally {
    await server.destroy();
  }
}

const saidOf = (rows: number, photos: number) => `${rows} rows and ${photos} ${photos === 1 ? 'photo' : 'photos'}`;

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 2;
});
