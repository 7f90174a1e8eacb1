import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';

const USAGE = `Usage: npm run mutate -- ROOM [FILE ...] [--sample PERCENT]

Changes a room of core in small ways, one at a time, and runs its tests on each: core/ROOM, or some files of it.
--sample changes only so much of the lines, the same ones each time: for rooms that would take hours.
Results lie in .local/mutate/ROOM.html; what did not change since the last run is not run again.`;

/** Lines are drawn in stretches of so many: a change must lie within one. */
const STRETCH = 12;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { sample: { type: 'string' }, help: { type: 'boolean' } },
});
const [room, ...named] = positionals;
const percent = Number(values.sample ?? 100);
const problem = !room
  ? ''
  : !existsSync(`core/${room}`)
    ? `There is no room core/${room}.\n\n`
    : !(percent > 0 && percent <= 100)
      ? `--sample: “${values.sample}” is no percentage from 1 to 100.\n\n`
      : null;
if (problem !== null || values.help) {
  console.log(`${problem ?? ''}${USAGE}`);
  process.exit(values.help ? 0 : 2);
}

const files =
  named.length > 0
    ? named
    : readdirSync(`core/${room}`, { recursive: true, encoding: 'utf8' }).filter(
        (file) => file.endsWith('.ts') && !/\.test\.ts$|(^|\/)(testing|index)\.ts$/.test(file),
      );

/** Stretches of lines of all files: one in so many, counted through. */
function drawn(): string[] {
  const stretches = files.sort().flatMap((file) => {
    const lines = readFileSync(path.join('core', room, file), 'utf8').split('\n').length;
    return Array.from({ length: Math.ceil(lines / STRETCH) }, (_, i) => {
      const first = i * STRETCH + 1;
      return `core/${room}/${file}:${first}-${Math.min(lines, first + STRETCH - 1)}`;
    });
  });
  return stretches.filter((_, i) => Math.floor(((i + 1) * percent) / 100) > Math.floor((i * percent) / 100));
}

mkdirSync('.local/mutate', { recursive: true });
const mutated = percent < 100 ? drawn() : files.map((file) => `core/${room}/${file}`);
const kept = percent < 100 ? `${room}-${percent}` : room;
const { status } = spawnSync(
  'node_modules/.bin/stryker',
  ['run', '--mutate', mutated.join(','), '--incrementalFile', `.local/mutate/${kept}.json`],
  { stdio: 'inherit', env: { ...process.env, LATTICE_MUTATED: room } },
);
process.exit(status ?? 1);
