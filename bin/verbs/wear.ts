import { growthRate } from '@/core/growth';
import { createPatternEngine } from '@/core/pattern';
import { lookAt, type Way } from '@/core/wear';
import { readPlan } from './read-plan';
import { printed, type Verb, type VerbResult } from './verb';

const MOST_WEEKS = 60;
const MOST_PART_MM = 60;

/** `wear FILE.json`: what an onlooker would notice of a plan, as JSON. */
export const wearVerb: Verb = {
  name: 'wear',
  usage: 'wear FILE.json [--style S] [--weeks N] [--part MM]',
  summary: 'prints what shows of a plan as it is worn: brightness by view, unlit hairline (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    '--style down (as it is when none is named), tied-low, tied-back or tied-high.',
    `--weeks N shows it N weeks later, 0 to ${MOST_WEEKS}, at the average growth. --part MM moves the part of hair worn down, + to the`,
    `client's left, −${MOST_PART_MM} to ${MOST_PART_MM}; without it the plan's own part. Estimates of placement and contrast, no promise of colour.`,
  ].join('\n'),
  run,
};

const STYLES: Readonly<Record<string, (partMm: number) => Way>> = {
  down: (partMm) => ({ kind: 'down', partMm }),
  'tied-low': () => ({ kind: 'tied', at: 'low' }),
  'tied-back': () => ({ kind: 'tied', at: 'middle' }),
  'tied-high': () => ({ kind: 'tied', at: 'high' }),
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const flags = new Map<string, string>();
  const files: string[] = [];
  for (let i = 0; i < args.length; i += 1) {
    if (!args[i].startsWith('--')) files.push(args[i]);
    else if (!['--style', '--weeks', '--part'].includes(args[i])) return { ok: false, problem: `${args[i]} is not known. bin/lattice wear --help says what is.` };
    else if (args[i + 1] === undefined) return { ok: false, problem: `${args[i]} needs a value.` };
    else flags.set(args[i], args[(i += 1)]);
  }
  if (files.length !== 1) return { ok: false, problem: 'name one plan document. bin/lattice wear --help says how.' };
  const style = flags.get('--style') ?? 'down';
  const wayOf = STYLES[style];
  if (!wayOf) return { ok: false, problem: `--style: “${style}” is none of ${Object.keys(STYLES).join(', ')}.` };
  const weeks = Number(flags.get('--weeks') ?? 0);
  if (!(weeks >= 0 && weeks <= MOST_WEEKS)) return { ok: false, problem: `--weeks: must be a number from 0 to ${MOST_WEEKS}.` };
  const plan = await readPlan(files[0]);
  if (!plan.ok) return plan;
  const partMm = Number(flags.get('--part') ?? plan.value.head.part.offsetMm);
  if (!(Math.abs(partMm) <= MOST_PART_MM)) return { ok: false, problem: `--part: must be a number from −${MOST_PART_MM} to ${MOST_PART_MM}.` };
  const look = lookAt(plan.value, createPatternEngine(), wayOf(partMm), weeks * growthRate([]).mmPerWeek);
  const share = (value: number) => Math.round(value * 1000) / 1000;
  const { longestUnlit } = look;
  return {
    ok: true,
    output: printed({
      style, weeks, partMm: style === 'down' ? partMm : null, foils: look.foils, lightenedShare: share(look.lightenedShare),
      brightness: Object.fromEntries(Object.entries(look.brightness).map(([view, value]) => [view, share(value)])),
      longestUnlitHairline: longestUnlit && { mm: Math.round(longestUnlit.mm), place: longestUnlit.place, fromDeg: Math.round(longestUnlit.fromDeg), toDeg: Math.round(longestUnlit.toDeg) },
    }),
  };
}
