import type { ValueResult } from '@/core/units';
import { DEVELOPERS } from '@/core/bowl';
import { EMPTY_CONSULT, EMPTY_MIX, parseConsult, USUAL_HOUSE } from '@/core/formats';
import { ZONES } from '@/core/head';
import { readingProblem } from '@/core/lift';
import type { ComputedPlan, Plan } from '@/core/pattern';
import { Shelf, USUAL_RANGE } from '@/core/products';
import { usualFormula, type Consult, type Formula, type VisitMix } from '@/core/visit';
import { createVisitEngine, type ComputedVisit, type VisitFacts } from '@/core/visit/computed';
import { flagsOf } from './flags';
import { readJson, readMix, readPlan } from './read-plan';

const USUAL = { from: 6, to: 9, ratio: 2, bowl: 90, useful: 35 } as const;
const USUAL_VOLUMES = 20;
const [WEAKEST, STRONGEST] = [DEVELOPERS[0], DEVELOPERS[DEVELOPERS.length - 1]];
const FLAGS = [
  '--from',
  '--to',
  '--mix',
  '--consult',
  '--regrowth',
  '--volumes',
  '--ratio',
  '--bowl',
  '--useful',
  '--read',
];

/** What the flags mean that say how a plan is mixed. */
export const MIX_HELP: readonly string[] = [
  `--from, --to: natural level and level wished for, 1 to 10; without them ${USUAL.from} and ${USUAL.to}.`,
  '--consult CONSULT.json: a consultation (docs/formats/consult.schema.json): levels, head and hair, hair map and regrowth are then its own, as on the screens.',
  '--regrowth MM: regrowth everywhere, since all of it was last taken to the root.',
  '--mix MIX.json: a mix document (docs/formats/mix.schema.json) with formulas, strand tests, toners, root colour and corrections.',
  'Products are those of the document, and the invented range that a house begins with.',
  `--volumes V, or by formula A=20,B=10: strength of the developer, ${WEAKEST} to ${STRONGEST}; without it ${USUAL_VOLUMES}.`,
  `--ratio R: grams of developer for one of powder; without it ${USUAL.ratio}. --bowl G: grams in one bowl at most, ${USUAL.bowl}. --useful MIN: how long`,
  `a bowl is used, ${USUAL.useful}. These four stand in where no mix document is given.`,
  '--read MINUTES:LEVEL: a strand test with the first formula, read then; it fits the lift to this head.',
];

/** Flags of a verb's own, and what they change of the visit. */
export interface OwnFlags {
  readonly flags: readonly string[];
  change(
    flags: ReadonlyMap<string, string>,
    visit: { readonly mix: VisitMix; readonly facts: VisitFacts },
  ): ValueResult<{ readonly mix: VisitMix; readonly facts: VisitFacts }>;
}

/**
 * Reads the plan, mix and consultation that a call names, and computes the visit; a sentence where one cannot
 * be.
 */
export async function mixedPlan(
  verb: string,
  args: readonly string[],
  ownFlags?: OwnFlags,
): Promise<ValueResult<ComputedVisit>> {
  const call = flagsOf(verb, args, [...FLAGS, ...(ownFlags?.flags ?? [])]);
  if (!call.ok) return call;
  const { flags } = call;
  const plan = await readPlan(call.file);
  if (!plan.ok) return plan;
  const consult = await consultOf(flags, plan.value);
  if (!consult.ok) return consult;
  const engine = createVisitEngine();
  const sheet = engine.pattern({ ...plan.value, head: consult.value.head, hair: consult.value.hair });
  const file = flags.get('--mix');
  const given = file === undefined ? mixOfFlags(flags, plan.value, sheet) : await readMix(file);
  if (!given.ok) return given;
  const mix = withReading(given.value, flags.get('--read'), consult.value.naturalLevel, sheet);
  if (!mix.ok) return mix;
  const changed = ownFlags
    ? ownFlags.change(flags, { mix: mix.value, facts: PLAIN_FACTS })
    : { ok: true as const, value: { mix: mix.value, facts: PLAIN_FACTS } };
  if (!changed.ok) return changed;
  const visit = engine.compute(
    { consult: consult.value, plan: plan.value, mix: changed.value.mix, outcome: null },
    changed.value.facts,
  );
  const wrong = visit.work.letters.find(({ problem, units }) => problem !== null && units > 0);
  if (wrong) return { ok: false, problem: `Formula ${wrong.letter}: ${wrong.problem}.` };
  if (!visit.work.bowls.ok) return { ok: false, problem: visit.work.bowls.problem };
  return { ok: true, value: visit };
}

/**
 * A visit of which nothing is known beside its documents. What is printed of it does not depend on the day.
 */
export const PLAIN_FACTS: VisitFacts = {
  heldOn: '2026-01-01',
  bornOn: null,
  house: USUAL_HOUSE,
  range: USUAL_RANGE,
  uses: [],
  tests: [],
  consents: [],
  history: [],
  previous: null,
  foiled: null,
};

/** The consultation that a call names, or one of its levels, on the plan's own head and hair. */
async function consultOf(flags: ReadonlyMap<string, string>, plan: Plan): Promise<ValueResult<Consult>> {
  const file = flags.get('--consult');
  const read = file === undefined ? undefined : await readJson(file, parseConsult);
  if (read && !read.ok) return read;
  const own = read?.value;
  const from = levelOf(flags, 'from', own?.naturalLevel);
  const to = levelOf(flags, 'to', own?.goalLevel);
  if (!from.ok) return from;
  if (!to.ok) return to;
  const consult = {
    ...(own ?? { ...EMPTY_CONSULT, head: plan.head, hair: plan.hair }),
    naturalLevel: from.value,
    goalLevel: to.value,
  };
  const text = flags.get('--regrowth');
  if (text === undefined) return { ok: true, value: consult };
  const mm = Number(text);
  if (!(mm >= 0 && mm <= 400))
    return { ok: false, problem: '--regrowth: must be a number from 0 to 400 mm.' };
  const lengthIn = (zone: (typeof ZONES)[number]) =>
    consult.hair.byZone[zone]?.lengthMm ?? consult.hair.lengthMm;
  return {
    ok: true,
    value: {
      ...consult,
      regrowthMm: Object.fromEntries(ZONES.map((zone) => [zone, Math.min(mm, lengthIn(zone))])),
    },
  };
}

function levelOf(
  flags: ReadonlyMap<string, string>,
  name: 'from' | 'to',
  value: number | undefined,
): ValueResult<number> {
  return value !== undefined && !flags.has(`--${name}`)
    ? { ok: true, value: value }
    : figureOf(flags, name, aLevel, 'must be a level from 1 to 10');
}

const aLevel = (value: number) => value >= 1 && value <= 10;
const above = (value: number) => value > 0 && Number.isFinite(value);

function figureOf(
  flags: ReadonlyMap<string, string>,
  name: keyof typeof USUAL,
  fits: (value: number) => boolean,
  words: string,
): ValueResult<number> {
  const value = Number(flags.get(`--${name}`) ?? USUAL[name]);
  return fits(value) ? { ok: true, value } : { ok: false, problem: `--${name}: ${words}.` };
}

/** A mix of the strengths and the ratio that were called for, with the first lightener of the range. */
function mixOfFlags(
  flags: ReadonlyMap<string, string>,
  plan: Plan,
  { sheet }: ComputedPlan,
): ValueResult<VisitMix> {
  const ratio = figureOf(
    flags,
    'ratio',
    (value) => value >= 0.5 && value <= 5,
    'must be a number from 0.5 to 5',
  );
  const mostGrams = figureOf(flags, 'bowl', above, 'must be grams above 0');
  const usefulMinutes = figureOf(flags, 'useful', above, 'must be minutes above 0');
  if (!ratio.ok) return ratio;
  if (!mostGrams.ok) return mostGrams;
  if (!usefulMinutes.ok) return usefulMinutes;
  const strengths = strengthsOf(flags.get('--volumes'));
  if (typeof strengths === 'string') return { ok: false, problem: strengths };
  const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
  const letters = new Set([...sheet.foils, ...sheet.painted, ...plan.panels].map(({ formula }) => formula));
  const formulas = Object.fromEntries(
    [...letters].map((letter): [string, Formula] => [
      letter,
      { ...usual, ratio: ratio.value, volumes: strengths.get(letter) ?? strengths.get('') ?? USUAL_VOLUMES },
    ]),
  );
  return {
    ok: true,
    value: {
      ...EMPTY_MIX,
      formulas,
      bowl: { mostGrams: mostGrams.value, usefulMinutes: usefulMinutes.value },
    },
  };
}

function withReading(
  mix: VisitMix,
  read: string | undefined,
  from: number,
  { sheet }: ComputedPlan,
): ValueResult<VisitMix> {
  if (read === undefined) return { ok: true, value: mix };
  const found = /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)$/.exec(read);
  if (!found) return { ok: false, problem: '--read: must be MINUTES:LEVEL, such as 15:7.5.' };
  const reading = {
    formula: sheet.foils[0]?.formula ?? sheet.painted[0]?.formula ?? 'A',
    from,
    minutes: Number(found[1]),
    level: Number(found[2]),
  };
  const problem = readingProblem({ ...reading, volumes: USUAL_VOLUMES, known: 1 });
  return problem
    ? { ok: false, problem: `--read: ${problem}.` }
    : { ok: true, value: { ...mix, tests: [...mix.tests, reading] } };
}

/** Strengths by formula, '' for all others; a sentence where they cannot be read. */
function strengthsOf(text: string | undefined): Map<string, number> | string {
  const out = new Map<string, number>();
  for (const part of text?.split(',') ?? []) {
    const found = /^(?:([A-Z])=)?(\d+(?:\.\d+)?)$/.exec(part.trim());
    if (!found) return `--volumes: “${part}” is neither a strength nor a formula with one, such as A=20.`;
    const volumes = Number(found[2]);
    if (!(volumes >= WEAKEST && volumes <= STRONGEST))
      return `--volumes: must be from ${WEAKEST} to ${STRONGEST}, not ${found[2]}.`;
    out.set(found[1] ?? '', volumes);
  }
  return out;
}
