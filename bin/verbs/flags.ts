import type { Result } from '../../core/units';

export type Flags = Result<{ readonly file: string; readonly flags: ReadonlyMap<string, string> }>;

/** Reads a call of one file and named values: `FILE.json --weeks 6`. Each flag may stand once. */
export function flagsOf(verb: string, args: readonly string[], known: readonly string[]): Flags {
  const flags = new Map<string, string>();
  const files: string[] = [];
  for (let i = 0; i < args.length; i += 1) {
    if (!args[i].startsWith('--')) files.push(args[i]);
    else if (!known.includes(args[i]))
      return { ok: false, problem: `${args[i]} is not known. bin/lattice ${verb} --help says what is.` };
    else if (args[i + 1] === undefined) return { ok: false, problem: `${args[i]} needs a value.` };
    else if (flags.has(args[i])) return { ok: false, problem: `${args[i]} stands twice.` };
    else flags.set(args[i], args[(i += 1)]);
  }
  return files.length === 1
    ? { ok: true, file: files[0], flags }
    : { ok: false, problem: `name one plan document. bin/lattice ${verb} --help says how.` };
}
