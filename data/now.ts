import { readFileSync } from 'node:fs';

/**
 * The server's own time, milliseconds since 1970. LATTICE_CLOCK, where it is set, names a file with
 * milliseconds that are
 * added: a stand-in for hours that tests do not wait for.
 */
export function serverNow(): number {
  const file = process.env.LATTICE_CLOCK;
  if (!file) return Date.now();
  const added = Number(readFileSync(file, 'utf8'));
  return Date.now() + (Number.isFinite(added) ? added : 0);
}
