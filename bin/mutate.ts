import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';

const USAGE = `Usage: npm run mutate -- ROOM [FILE ...]

Changes a room of core in small ways, one at a time, and runs its tests on each: core/ROOM, or some files of it.
Results lie in .local/mutate/ROOM.html; what did not change since the last run is not run again.`;

const [room, ...files] = process.argv.slice(2);
if (!room || room === '--help' || !existsSync(`core/${room}`)) {
  console.log(room && room !== '--help' ? `There is no room core/${room}.\n\n${USAGE}` : USAGE);
  process.exit(room === '--help' ? 0 : 2);
}
mkdirSync('.local/mutate', { recursive: true });
const mutated =
  files.length > 0
    ? files.map((file) => `core/${room}/${file}`)
    : [
        `core/${room}/**/*.ts`,
        `!core/${room}/**/*.test.ts`,
        `!core/${room}/**/testing.ts`,
        `!core/${room}/**/index.ts`,
      ];
const { status } = spawnSync(
  'node_modules/.bin/stryker',
  ['run', '--mutate', mutated.join(','), '--incrementalFile', `.local/mutate/${room}.json`],
  { stdio: 'inherit', env: { ...process.env, LATTICE_MUTATED: room } },
);
process.exit(status ?? 1);
