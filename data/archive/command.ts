import { parseArgs } from 'node:util';
import { messageOf } from '../../core/units';
import { connect } from '../database';
import { backUp, backUpAll, heldBy, saidOf, salonsOf } from './backup';
import { readArchive } from './read';
import { restoreArchive } from './restore';
import { restoreForATry } from './restore-try';

const USAGE =
  'Usage: bin/backup FILE.zip [SALON], bin/backup --every HOURS [--keep N] FOLDER, bin/restore FILE.zip, bin/restore --check FILE.zip';
const HOUR_MS = 3_600_000;

/**
 * At the server's own command line: a salon into one archive, every salon into a folder again and again, an
 * archive into this
 * installation, or an archive only looked at. LATTICE_OWNER_DATABASE_URL is the role that owns the tables;
 * bin/backup and
 * bin/restore set it.
 */
async function main([verb, ...given]: readonly string[]): Promise<void> {
  const { values, positionals } = parseArgs({
    args: [...given],
    allowPositionals: true,
    options: { check: { type: 'boolean' }, every: { type: 'string' }, keep: { type: 'string' } },
  });
  const [place, salonName, ...more] = positionals;
  if (!place || more.length > 0 || (verb === 'restore' && salonName)) throw new Error(USAGE);
  if (verb === 'restore' && values.check) return check(place);
  const url = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!url) throw new Error('LATTICE_OWNER_DATABASE_URL is not set: run bin/backup or bin/restore.');
  if (values.every !== undefined)
    return keepBackingUp(
      url,
      place,
      figure({ flag: '--every', text: values.every, unit: 'hours', least: 0.01, most: 24 * 366 }),
      figure({ flag: '--keep', text: values.keep ?? '30', unit: 'archives', least: 1, most: 10_000 }),
    );
  const owner = connect(url, 2);
  try {
    if (verb === 'restore') {
      const { salon, ...held } = await restoreArchive(place, owner);
      return console.log(
        `“${salon}” is restored: ${saidOf(held)}. Nobody has a password yet: bin/reset-link name@salon.example makes a link for the owner.`,
      );
    }
    const salons = await salonsOf(owner);
    const own = salonName ? salons.filter(({ id, name }) => name === salonName || id === salonName) : salons;
    if (own.length !== 1)
      throw new Error(
        own.length === 0
          ? `There is no salon ${salonName ? `“${salonName}”` : 'yet'}. Salons: ${salons.map(({ name }) => name).join(', ') || 'none'}.`
          : `Name the salon: ${salons.map(({ name }) => `“${name}”`).join(', ')}.`,
      );
    console.log(
      `${place}: ${saidOf(await backUp(owner, own[0], place))} of “${own[0].name}”, read back and sound.`,
    );
  } finally {
    await owner.destroy();
  }
}

async function check(file: string): Promise<void> {
  const { manifest, close } = await readArchive(file);
  close();
  const said = `${file} is sound: ${saidOf(heldBy(manifest))} of “${manifest.salon.name}”. Every checksum fits;`;
  const at = process.env.LATTICE_OWNER_DATABASE_URL;
  if (!at) return console.log(`${said} it was not restored for a try, since no database runs here.`);
  await restoreForATry(file, at);
  console.log(`${said} it was restored into an empty database for a try, which is gone again.`);
}

/**
 * At once, and again after so many hours, until it is stopped. A round that fails is said, and the next comes
 * all the same.
 */
async function keepBackingUp(ownerUrl: string, folder: string, hours: number, keep: number): Promise<never> {
  for (;;) {
    const from = Date.now();
    const failed = await backUpAll(ownerUrl, folder, { keep, now: new Date(from) }, (line) =>
      console.log(line),
    ).catch((error: Error) => {
      console.error(`No backup was made: ${error.message}`);
      return 1;
    });
    const next = from + hours * HOUR_MS;
    console.log(
      `${failed > 0 ? 'NOT everything was backed up. ' : ''}The next round is at ${new Date(next).toISOString().slice(0, 16).replace('T', ' ')} UTC.`,
    );
    await new Promise((resolve) => setTimeout(resolve, Math.max(1000, next - Date.now())));
  }
}

function figure({
  flag,
  text,
  unit,
  least,
  most,
}: {
  readonly flag: string;
  readonly text: string;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
}): number {
  const value = Number(text);
  if (!Number.isFinite(value) || value < least || value > most)
    throw new Error(`${flag} takes ${unit} from ${least} to ${most}, not “${text}”.`);
  return value;
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(messageOf(error));
  process.exitCode = 2;
});
