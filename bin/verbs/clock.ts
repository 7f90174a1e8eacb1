import type { ValueResult } from '@/core/units';
import { plansOf, SECOND_PERSON } from '@/core/clock';
import { clockDocument } from '@/core/formats';
import { BASIN_VISITS } from '@/core/visit';
import { MIX_HELP, mixedPlan } from './mixed-plan';
import { printed, type Verb, type VerbResult } from './verb';

/** `clock FILE.json`: when each foil is placed, opened and rinsed, and the plans that there are, as JSON. */
export const clockVerb: Verb = {
  name: 'clock',
  usage: 'clock FILE.json [--visits K] [--second none|pulls|foils] [--margin MIN] [--mix MIX.json] …',
  summary:
    'prints the plans of the clock with their figures, and when each foil is placed, ready and off (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    ...MIX_HELP,
    'The clock section of MIX.json is taken as it stands: frame, plan, second person, painting, pace, breaks. Over it:',
    '--visits K    visits to the basin at most: 1, 2, 3 or free',
    '--second WHO  a second person: none, pulls (mixes and opens foils) or foils',
    '--margin MIN  minutes kept in hand before every limit',
    'The schema is docs/formats/clock.schema.json, a worked example docs/formats/examples/clock.json.',
    'Minutes from the first foil on. Estimates: follow the product’s leaflet, local rules and licensed judgement.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const visit = await mixedPlan('clock', args, { flags: ['--visits', '--second', '--margin'], change });
  if (!visit.ok) return visit;
  const { clock, work, after } = visit.value;
  return { ok: true, output: printed(clockDocument({ plans: plansOf(clock), clock, work, after })) };
}

type Change = Parameters<NonNullable<Parameters<typeof mixedPlan>[2]>['change']>;

/** What the flags change of the clock that the documents have. */
function change(flags: Change[0], { mix, facts }: Change[1]): ValueResult<Change[1]> {
  const visits = flags.get('--visits');
  const second = flags.get('--second');
  const margin = flags.get('--margin');
  const most = BASIN_VISITS.find((basinVisit) => basinVisit !== 'house' && String(basinVisit) === visits);
  if (visits !== undefined && most === undefined)
    return { ok: false, problem: `--visits: “${visits}” is none of 1, 2, 3, free.` };
  const who = SECOND_PERSON.find((own) => own === second);
  if (second !== undefined && who === undefined)
    return { ok: false, problem: `--second: “${second}” is none of ${SECOND_PERSON.join(', ')}.` };
  const marginMinutes = margin === undefined ? facts.house.clock.marginMinutes : Number(margin);
  if (!(marginMinutes >= 0 && marginMinutes <= 15))
    return { ok: false, problem: '--margin: must be minutes from 0 to 15.' };
  return {
    ok: true,
    value: {
      mix: {
        ...mix,
        clock: { ...mix.clock, ...(most !== undefined && { visits: most }), ...(who && { second: who }) },
      },
      facts: { ...facts, house: { ...facts.house, clock: { ...facts.house.clock, marginMinutes } } },
    },
  };
}
