import { growthReport, parseGrowthDocument } from '@/core/formats';
import { readJson } from './read-plan';
import { printed, type Verb, type VerbResult } from './verb';

/** `growth FILE.json`: what visits say about growth, as JSON. */
export const growthVerb: Verb = {
  name: 'growth',
  usage: 'growth FILE.json',
  summary: 'prints the growth rate, regrowth by zone, when the line shows and the next visit (estimates)',
  help: [
    'FILE.json holds visits with regrowth by zone ("format": "dappled-lattice/growth", "version": 1); - reads standard input.',
    'The schema is docs/formats/growth.schema.json, a worked example docs/formats/examples/growth.json.',
    'Lengths in mm. Estimates: a ruler on the day says more.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  if (args.length !== 1)
    return { ok: false, problem: 'name one growth document. bin/lattice growth --help says how.' };
  const document = await readJson(args[0], parseGrowthDocument);
  return document.ok ? { ok: true, output: printed(growthReport(document.value)) } : document;
}
