import { workDocument } from '@/core/formats';
import { MIX_HELP, mixedPlan } from './mixed-plan';
import { printed, type Verb } from './verb';

/**
 * `work FILE.json`: everything that product is put on, in order, with its mix, reach, grams and times, as
 * JSON.
 */
export const workVerb: Verb = {
  name: 'work',
  usage: 'work FILE.json [--mix MIX.json] [--consult CONSULT.json] …',
  summary:
    'prints the list of the work: units with their mixes, bowls, and the steps after the foils (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    ...MIX_HELP,
    'The schema is docs/formats/work.schema.json, a worked example docs/formats/examples/work.json.',
    'Estimates: follow the product’s leaflet, local rules and licensed judgement.',
  ].join('\n'),
  async run(args) {
    const visit = await mixedPlan('work', args);
    return visit.ok
      ? { ok: true, output: printed(workDocument(visit.value.work, visit.value.after)) }
      : visit;
  },
};
