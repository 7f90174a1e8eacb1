import { openedHeadSvg, roundedSheet } from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
import { readPlan } from './read-plan';
import { printed, type Verb, type VerbResult } from './verb';

/** `plan FILE.json`: reads a plan document, prints the computed sheet; on request draws the opened head. */
export const planVerb: Verb = {
  name: 'plan',
  usage: 'plan FILE.json [--svg OUT.svg]',
  summary: 'computes a plan document and prints its sheet as JSON: foils, zones, totals',
  help: [
    'FILE.json is a plan document ("format": "dappled-lattice/plan", "version": 2; older ones are read too);',
    '- reads standard input. --svg OUT.svg also draws the pattern on the opened head, in real size.',
    'The schema is docs/formats/plan.schema.json, the printed sheet’s is docs/formats/plan.sheet.schema.json;',
    'worked examples lie in docs/formats/examples/.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const rest = [...args];
  const flag = rest.indexOf('--svg');
  let svg: string | undefined;
  if (flag >= 0) {
    svg = rest[flag + 1];
    if (svg === undefined) return { ok: false, problem: '--svg needs the name of the file to draw into.' };
    rest.splice(flag, 2);
  }
  if (rest.length !== 1)
    return { ok: false, problem: 'name one plan document. bin/lattice plan --help says how.' };
  const plan = await readPlan(rest[0]);
  if (!plan.ok) return plan;
  const computed = createPatternEngine().compute(plan.value);
  return {
    ok: true,
    output: printed(roundedSheet(computed.sheet)),
    files: svg === undefined ? undefined : { [svg]: openedHeadSvg(plan.value, computed) },
  };
}
