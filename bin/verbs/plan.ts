import { readFile } from 'node:fs/promises';
import { parsePlanText, roundedSheet } from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
import { printed, type Verb, type VerbResult } from './verb';

/** `plan FILE.json`: reads a plan document, prints the computed sheet. */
export const planVerb: Verb = {
  name: 'plan',
  usage: 'plan FILE.json',
  summary: 'computes a plan document and prints its sheet as JSON: foils, zones, totals',
  help: [
    'FILE.json is a plan document ("format": "dappled-lattice/plan", "version": 1); - reads standard input.',
    'Its schema is docs/formats/plan.schema.json, the printed sheet’s is docs/formats/plan.sheet.schema.json;',
    'a worked example lies in docs/formats/examples/.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  if (args.length !== 1) return { ok: false, problem: 'name one plan document. bin/lattice plan --help says how.' };
  const [file] = args;
  let text: string;
  try {
    text = await readFile(file === '-' ? '/dev/stdin' : file, 'utf8');
  } catch (error) {
    return { ok: false, problem: `${file} cannot be read: ${(error as Error).message}.` };
  }
  const plan = parsePlanText(text);
  if (!plan.ok) return { ok: false, problem: `${file}: ${plan.problem}` };
  return { ok: true, output: printed(roundedSheet(createPatternEngine().compute(plan.value).sheet)) };
}
