import { DEVELOPERS } from '@/core/bowl';
import { EMPTY_CONSULT, EMPTY_MIX, type Parsed } from '@/core/formats';
import { readingProblem } from '@/core/lift';
import { mixOfVisit, Shelf, usualFormula, type Formula, type VisitMix, type VisitMixed } from '@/core/mix';
import { createPatternEngine, type ComputedPlan, type Plan } from '@/core/pattern';
import { USUAL_RANGE } from '@/core/products';
import { USUAL_SCHOOLS } from '@/core/school';
import { flagsOf } from './flags';
import { readMix, readPlan } from './read-plan';

const USUAL = { from: 6, to: 9, ratio: 2, bowl: 90, useful: 35 } as const;
const USUAL_VOLUMES = 20;
const [WEAKEST, STRONGEST] = [DEVELOPERS[0], DEVELOPERS[DEVELOPERS.length - 1]];
const FLAGS = ['--from', '--to', '--mix', '--volumes', '--ratio', '--bowl', '--useful', '--read'];

/** What the flags mean that say how a plan is mixed. */
export const MIX_HELP: readonly string[] = [
    `--from, --to: natural level and level wished for, 1 to 10; without them ${USUAL.from} and ${USUAL.to}.`,
    '--mix MIX.json: a mix document (docs/formats/mix.schema.json) with formulas, strand tests, toners, root colour and corrections.',
    'Products are those of the document, and the invented range that a house begins with.',
    `--volumes V, or by formula A=20,B=10: strength of the developer, ${WEAKEST} to ${STRONGEST}; without it ${USUAL_VOLUMES}.`,
    `--ratio R: grams of developer for one of powder; without it ${USUAL.ratio}. --bowl G: grams in one bowl at most, ${USUAL.bowl}. --useful MIN: how long`,
    `a bowl is used, ${USUAL.useful}. These four stand in where no mix document is given.`,
    '--read MINUTES:LEVEL: a strand test with the first formula, read then; it fits the lift to this head.',
];

/** A plan with its mix, as a call of the command line names them. */
export interface MixedPlan {
  readonly plan: Plan;
  readonly computed: ComputedPlan;
  readonly mix: VisitMix;
  readonly mixed: VisitMixed;
  readonly from: number;
  readonly to: number;
}

/** Reads the plan and the mix that a call names, and computes both; a sentence where one cannot be. */
export async function mixedPlan(verb: string, args: readonly string[]): Promise<Parsed<MixedPlan>> {
  const call = flagsOf(verb, args, FLAGS);
  if (!call.ok) return call;
  const { flags } = call;
  const from = figureOf(flags, 'from', aLevel, 'must be a level from 1 to 10');
  const to = figureOf(flags, 'to', aLevel, 'must be a level from 1 to 10');
  if (!from.ok) return from;
  if (!to.ok) return to;
  const plan = await readPlan(call.file);
  if (!plan.ok) return plan;
  const computed = createPatternEngine().compute(plan.value);
  const file = flags.get('--mix');
  const given = file === undefined ? mixOfFlags(flags, plan.value, computed) : await readMix(file);
  if (!given.ok) return given;
  const mix = withReading(given.value, flags.get('--read'), from.value, computed);
  if (!mix.ok) return mix;
  const consult = { ...EMPTY_CONSULT, naturalLevel: from.value, goalLevel: to.value, head: plan.value.head as typeof EMPTY_CONSULT.head, hair: plan.value.hair as typeof EMPTY_CONSULT.hair };
  const mixed = mixOfVisit({ consult, plan: plan.value, computed, mix: mix.value, range: USUAL_RANGE, uses: [], schools: USUAL_SCHOOLS });
  const wrong = mixed.formulas.find(({ problem }) => problem !== null);
  if (wrong) return { ok: false, problem: `Formula ${wrong.letter}: ${wrong.problem}.` };
  if (!mixed.bowls.ok) return { ok: false, problem: mixed.bowls.problem };
  return { ok: true, value: { plan: plan.value, computed, mix: mix.value, mixed, from: from.value, to: to.value } };
}

const aLevel = (value: number) => value >= 1 && value <= 10;
const above = (value: number) => value > 0 && Number.isFinite(value);

function figureOf(flags: ReadonlyMap<string, string>, name: keyof typeof USUAL, fits: (value: number) => boolean, words: string): Parsed<number> {
  const value = Number(flags.get(`--${name}`) ?? USUAL[name]);
  return fits(value) ? { ok: true, value } : { ok: false, problem: `--${name}: ${words}.` };
}

/** A mix of the strengths and the ratio that were called for, with the first lightener of the range. */
function mixOfFlags(flags: ReadonlyMap<string, string>, plan: Plan, { sheet }: ComputedPlan): Parsed<VisitMix> {
  const ratio = figureOf(flags, 'ratio', (value) => value >= 0.5 && value <= 5, 'must be a number from 0.5 to 5');
  const mostGrams = figureOf(flags, 'bowl', above, 'must be grams above 0');
  const usefulMinutes = figureOf(flags, 'useful', above, 'must be minutes above 0');
  if (!ratio.ok) return ratio;
  if (!mostGrams.ok) return mostGrams;
  if (!usefulMinutes.ok) return usefulMinutes;
  const strengths = strengthsOf(flags.get('--volumes'));
  if (typeof strengths === 'string') return { ok: false, problem: strengths };
  const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
  const letters = new Set([...sheet.foils, ...sheet.painted, ...plan.panels].map(({ formula }) => formula));
  const formulas = Object.fromEntries([...letters].map((letter): [string, Formula] => [letter, { ...usual, ratio: ratio.value, volumes: strengths.get(letter) ?? strengths.get('') ?? USUAL_VOLUMES }]));
  return { ok: true, value: { ...EMPTY_MIX, formulas, bowl: { mostGrams: mostGrams.value, usefulMinutes: usefulMinutes.value } } };
}

function withReading(mix: VisitMix, read: string | undefined, from: number, { sheet }: ComputedPlan): Parsed<VisitMix> {
  if (read === undefined) return { ok: true, value: mix };
  const found = /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)$/.exec(read);
  if (!found) return { ok: false, problem: '--read: must be MINUTES:LEVEL, such as 15:7.5.' };
  const reading = { formula: sheet.foils[0]?.formula ?? sheet.painted[0]?.formula ?? 'A', from, minutes: Number(found[1]), level: Number(found[2]) };
  const problem = readingProblem({ ...reading, volumes: USUAL_VOLUMES, known: 1 });
  return problem ? { ok: false, problem: `--read: ${problem}.` } : { ok: true, value: { ...mix, tests: [...mix.tests, reading] } };
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
