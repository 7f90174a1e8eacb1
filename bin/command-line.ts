import { writeFile } from 'node:fs/promises';
import { messageOf } from '@/core/units';
import { clockVerb } from './verbs/clock';
import { growthVerb } from './verbs/growth';
import { mixVerb } from './verbs/mix';
import { planVerb } from './verbs/plan';
import { techniquesVerb, techniqueVerb } from './verbs/techniques';
import type { Verb } from './verbs/verb';
import { wearVerb } from './verbs/wear';
import { workVerb } from './verbs/work';

const VERBS: readonly Verb[] = [
  planVerb,
  techniquesVerb,
  techniqueVerb,
  wearVerb,
  workVerb,
  mixVerb,
  clockVerb,
  growthVerb,
];

const usage = () =>
  [
    'Usage: bin/lattice VERB [arguments]',
    '',
    ...VERBS.map((verb) => `  ${verb.usage.padEnd(52)}${verb.summary}`),
    '',
    'bin/lattice VERB --help says more. Exit: 0 done, 2 the call or the document is wrong (a sentence on standard error).',
  ].join('\n');

/** Runs one call of the command line; returns the exit code. */
export async function main(args: readonly string[]): Promise<number> {
  const [name, ...rest] = args;
  if (name === undefined || name === '--help' || name === 'help') {
    process.stdout.write(`${usage()}\n`);
    return name === undefined ? 2 : 0;
  }
  const verb = VERBS.find((candidate) => candidate.name === name);
  if (!verb) {
    process.stderr.write(
      `bin/lattice: there is no verb “${name}”. Verbs: ${VERBS.map((v) => v.name).join(', ')}.\n`,
    );
    return 2;
  }
  if (rest.includes('--help')) {
    process.stdout.write(`Usage: bin/lattice ${verb.usage}\n\n${verb.summary}\n\n${verb.help}\n`);
    return 0;
  }
  const result = await verb.run(rest);
  if (!result.ok) {
    process.stderr.write(`bin/lattice ${name}: ${result.problem}\n`);
    return 2;
  }
  for (const [file, text] of Object.entries(result.files ?? {})) {
    try {
      await writeFile(file, text);
    } catch (error) {
      process.stderr.write(`bin/lattice ${name}: ${file} cannot be written: ${messageOf(error)}.\n`);
      return 2;
    }
  }
  process.stdout.write(result.output);
  return 0;
}
