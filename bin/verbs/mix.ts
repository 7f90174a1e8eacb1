import { DEVELOPERS } from '@/core/bowl';
import { headFactor, readingProblem, undercoatsBetween, type StrandReading } from '@/core/lift';
import { mixOf, type Recipe } from '@/core/mix';
import { createPatternEngine } from '@/core/pattern';
import { flagsOf } from './flags';
import { readPlan } from './read-plan';
import { printed, type Verb, type VerbResult } from './verb';

const USUAL = { from: 6, to: 9, volumes: 20, ratio: 2, bowl: 90, useful: 35, limit: 45 } as const;
const [WEAKEST, STRONGEST] = [DEVELOPERS[0], DEVELOPERS[DEVELOPERS.length - 1]];

/** `mix FILE.json`: what a plan takes in the bowl, and when it is ready, as JSON. */
export const mixVerb: Verb = {
  name: 'mix',
  usage: 'mix FILE.json [--from L] [--to L] [--volumes V] [--ratio R]',
  summary: 'prints amounts, bowls, lift and undercoats of a plan (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    `--from, --to: natural level and level wished for, 1 to 10; without them ${USUAL.from} and ${USUAL.to}.`,
    `--volumes V, or by formula A=20,B=10: strength of the developer, ${WEAKEST} to ${STRONGEST}; without it ${USUAL.volumes}.`,
    `--ratio R: grams of developer for one of powder; without it ${USUAL.ratio}. --bowl G: grams in one bowl at most, ${USUAL.bowl}. --useful MIN: how long`,
    `a bowl is used, ${USUAL.useful}. --limit MIN: longest that the maker allows, ${USUAL.limit}.`,
    '--read MINUTES:LEVEL: a strand test with the first formula, read then; it fits the lift to this head.',
    'Estimates: follow the product’s leaflet, local rules and licensed judgement.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const call = flagsOf('mix', args, ['--from', '--to', '--volumes', '--ratio', '--bowl', '--useful', '--limit', '--read']);
  if (!call.ok) return call;
  const { flags } = call;
  const problems: string[] = [];
  const figure = (name: keyof typeof USUAL, fits: (value: number) => boolean, words: string) => {
    const value = Number(flags.get(`--${name}`) ?? USUAL[name]);
    if (!fits(value)) problems.push(`--${name}: ${words}.`);
    return value;
  };
  const aLevel = (value: number) => value >= 1 && value <= 10;
  const above = (value: number) => value > 0 && Number.isFinite(value);
  const from = figure('from', aLevel, 'must be a level from 1 to 10');
  const to = figure('to', aLevel, 'must be a level from 1 to 10');
  const ratio = figure('ratio', above, 'must be a number above 0');
  const mostGrams = figure('bowl', above, 'must be grams above 0');
  const usefulMinutes = figure('useful', above, 'must be minutes above 0');
  const limitMinutes = figure('limit', above, 'must be minutes above 0');
  const strengths = strengthsOf(flags.get('--volumes'));
  if (typeof strengths === 'string') problems.push(strengths);
  if (problems.length > 0 || typeof strengths === 'string') return { ok: false, problem: problems[0] };
  const recipeOf = (formula: string): Recipe => ({ volumes: strengths.get(formula) ?? strengths.get('') ?? USUAL.volumes, ratio, limitMinutes });

  const plan = await readPlan(call.file);
  if (!plan.ok) return plan;
  const computed = createPatternEngine().compute(plan.value);
  const readings: StrandReading[] = [];
  const read = flags.get('--read');
  if (read !== undefined) {
    const found = /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)$/.exec(read);
    if (!found) return { ok: false, problem: '--read: must be MINUTES:LEVEL, such as 15:7.5.' };
    const reading = { from, volumes: recipeOf(computed.sheet.foils[0]?.formula ?? 'A').volumes, minutes: Number(found[1]), level: Number(found[2]), known: 1 };
    const problem = readingProblem(reading);
    if (problem) return { ok: false, problem: `--read: ${problem}.` };
    readings.push(reading);
  }
  const head = headFactor(readings);
  const mixed = mixOf(plan.value, computed, { naturalLevel: from, targetLevel: to, head, personal: 1, bowl: { mostGrams, usefulMinutes }, recipeOf });
  if (!mixed.bowls.ok) return { ok: false, problem: mixed.bowls.problem };
  const tenth = (value: number | null) => (value === null ? null : Math.round(value * 10) / 10);
  return {
    ok: true,
    output: printed({
      from, to, headFactor: { factor: Math.round(head.factor * 100) / 100, low: Math.round(head.low * 100) / 100, high: Math.round(head.high * 100) / 100, strandTests: head.readings },
      amounts: mixed.amounts.map((own) => ({ ...own, net: tenth(own.net), mixed: tenth(own.mixed), developer: tenth(own.developer) })),
      bowls: mixed.bowls.bowls.map((own) => ({
        formula: own.formula, foils: own.foils, firstFoil: computed.sheet.foils[own.which[0]].id, powder: own.powder, developer: tenth(own.developer), mixAtMinute: tenth(own.fromMinutes), doneAtMinute: tenth(own.toMinutes),
      })),
      panels: mixed.panels.map(({ panel, formula, ready, atLimit, oldestBowlMinutes, readyFromOldest }) => ({
        panel, formula, readyMinutes: tenth(ready?.minutes ?? null), soonest: tenth(ready?.soonest ?? null), latest: tenth(ready?.latest ?? null),
        levelAtLimit: tenth(atLimit.level), levelAtLimitLow: tenth(atLimit.low), levelAtLimitHigh: tenth(atLimit.high), oldestBowlMinutes: tenth(oldestBowlMinutes), readyFromOldestBowl: tenth(readyFromOldest),
      })),
      undercoats: undercoatsBetween(from, to),
    }),
  };
}

/** Strengths by formula, '' for all others; a sentence where they cannot be read. */
function strengthsOf(text: string | undefined): Map<string, number> | string {
  const out = new Map<string, number>();
  for (const part of text?.split(',') ?? []) {
    const found = /^(?:([A-Z])=)?(\d+(?:\.\d+)?)$/.exec(part.trim());
    if (!found) return `--volumes: “${part}” is neither a strength nor a formula with one, such as A=20.`;
    const volumes = Number(found[2]);
    if (!(volumes >= WEAKEST && volumes <= STRONGEST)) return `--volumes: must be from ${WEAKEST} to ${STRONGEST}, not ${found[2]}.`;
    out.set(found[1] ?? '', volumes);
  }
  return out;
}
