import type { ValueResult } from '../units';
import { z } from 'zod';
import type { ScriptLift, ScriptUnit, ServiceScript } from '../chair';
import { MIX_PARTS } from '../bowl';
import { ZONES } from '../head';
import { SECOND_PERSON, USUAL_RULES, type ClockRules } from '../clock';
import { courseSchema } from './course-fields';
import { singleGatherSchema } from './panel-fields';
import type { ScriptPart } from '../chair';
import { plainSteps, type ServiceStep, type StepHair, type StepKind } from '../steps';
import { parsePlan, planSchema } from './plan-document';
import { stepSchema } from './step-fields';
import { parseWith } from './problem';

const figure = z.number({ error: 'must be a number' });
const id = z.string().min(1).max(200);
const letter = z.string().regex(/^[A-Z]$/, 'must be a letter from A to Z');
const lift = z.looseObject({
  volumes: figure,
  factor: figure,
  warmth: z
    .strictObject({ factor: figure, fromMinutes: figure })
    .optional()
    .describe('So many times as fast, from a minute on'),
});

const unitSchema = z.strictObject({
  id,
  number: z
    .int()
    .min(0)
    .describe('Its number among those of its kind, from 1; foils as the pattern numbers them'),
  kind: z.enum(['foil', 'open-air', 'tip-out', 'lowlight', 'paint']),
  panel: id,
  panelName: z.string(),
  side: z.enum(['left', 'right', 'across']).describe('The client’s side'),
  zone: z.enum(ZONES),
  letter: letter.describe('Letter of its formula'),
  lifts: z.boolean().describe('false where the formula only deposits'),
  gather: singleGatherSchema,
  widthMm: figure,
  thicknessMm: figure,
  angleDeg: figure.describe('Angle of the parting, degrees; positive diagonal back'),
  startMm: figure,
  featherMm: figure,
  edgesMm: figure.default(0).describe('Further from the scalp at both edges, by this much, mm'),
  teasing: figure,
  reach: z.enum(['ends', 'regrowth', 'stretch']),
  reachMm: z.tuple([figure, figure]).describe('Stretch that is painted, mm from the scalp'),
  hairMm: figure,
  surface: z.boolean().describe('Only the surface of the section is painted'),
  endsMm: figure.describe('Last stretch with a mix of its own, mm; 0 without'),
  endsOutMm: figure.default(0).describe('Light tips that are drawn out of the foil, mm'),
  mixes: z.array(z.string()).min(1).describe('Bowls that it is painted from, by the names of their mixes'),
  fromOld: z.boolean().default(false).describe('From a bowl past its useful time'),
  again: z
    .strictObject({ afterMinutes: figure, mix: z.string(), words: z.string(), grams: figure })
    .nullable()
    .default(null)
    .describe('Opened, wiped and painted again so many minutes after it was closed'),
  mix: z.string(),
  endsMix: z.string().nullable(),
  laidWith: z.enum(['foil', 'between foils', 'open air']),
  seconds: figure,
  grams: figure,
  endsGrams: figure,
  limitMinutes: figure.describe('Longest that the maker allows, minutes'),
  lifting: z.array(z.int().min(0)).describe('How its stretches lift: indices into lifts'),
  depositMinutes: figure.describe('It is not done before, minutes: what only deposits is done then'),
});

/** What of a script follows Mix. */
const part = {
  units: z.array(unitSchema).max(1000).describe('Everything that product is put on, in the order of work'),
  lifts: z.array(
    z.strictObject({
      letter,
      from: figure,
      target: figure,
      stretch: z.enum(['length', 'ends', 'band']),
      lift,
    }),
  ),
  mixes: z
    .record(
      z.string(),
      z.strictObject({
        of: z.array(z.strictObject({ letter, part: z.enum(MIX_PARTS) })).describe('What it is for'),
        words: z.string(),
        volumes: figure.nullable().describe('Strength that is poured; null where it stays'),
        strengths: z.array(figure).max(40),
      }),
    )
    .describe('Mixes by their name in a bowl'),
  products: z.record(z.string(), z.strictObject({ id: z.string(), name: z.string(), speed: figure })),
};

/** As events hold it, too: those of an older service are read as the newest. */
export const scriptPartSchema = z.preprocess(
  newestPart,
  z.strictObject(part),
) satisfies z.ZodType<ScriptPart>;

/** What a strand or a foil of this head was read at. */
const readingSchema = z.looseObject({
  from: figure.describe('Level before'),
  volumes: figure,
  minutes: figure,
  level: figure.describe('Level read'),
  known: figure.default(1).describe('Factors that were known already, this head’s left out'),
  atCap: z.boolean().optional().describe('The product lifts no further: it could have been more'),
});

/** A rule that a service lacks, since it began before there was one, is the usual. */
const rule = (key: Exclude<keyof ClockRules, 'second' | 'away'>) => figure.default(USUAL_RULES[key]);
const rulesSchema = z.looseObject({
  panelChange: figure,
  mixChange: rule('mixChange'),
  usefulMinutes: figure,
  setUp: rule('setUp'),
  each: rule('each'),
  clearAfter: rule('clearAfter'),
  finish: rule('finish'),
  margin: rule('margin'),
  pullEach: rule('pullEach'),
  pullChange: rule('pullChange'),
  perStep: rule('perStep'),
  second: z.enum(SECOND_PERSON).catch(USUAL_RULES.second),
  away: z.array(z.looseObject({ from: figure, to: figure })).default([]),
});

/** A script as it is kept: written by the application itself when the service begins. */
export const scriptSchema = z.strictObject({
  version: z.literal(4),
  plan: planSchema,
  naturalLevel: figure,
  ...part,
  blocks: z.array(
    z.looseObject({
      id,
      panel: id,
      name: z.string(),
      units: z.array(id).describe('Ids of its units, in order'),
      foils: z.array(
        z.looseObject({
          seconds: figure,
          mixes: z.array(z.string()),
          readyMinutes: figure,
          limitMinutes: figure,
        }),
      ),
    }),
  ),
  readings: z.array(readingSchema).describe('What was read of this head before'),
  rules: rulesSchema.describe('Minutes of everything beside the foils'),
  course: courseSchema,
  steps: z.array(stepSchema).max(100).describe('What follows the foils'),
  offers: z.array(stepSchema).max(100).describe('What can be added at the chair'),
});

/** Reads a script of any version. */
export function parseScript(value: unknown): ValueResult<ServiceScript> {
  const first = scriptSchema1.safeParse(value);
  return parseWith(
    scriptSchema,
    fromVersion3(fromVersion2(first.success ? fromVersion1(first.data) : value)),
  );
}

/** Version 3: a bowl was one letter's, and nothing was painted again by plan. */
function fromVersion3(value: unknown): unknown {
  const third = value as { version?: unknown } | null;
  return typeof third === 'object' && third?.version === 3 ? { ...newestPart(third), version: 4 } : value;
}

interface OldUnit {
  readonly letter?: unknown;
  readonly grams?: unknown;
  readonly endsGrams?: unknown;
  readonly mixes?: unknown;
}

/** Warmth was a factor on all the time once. */
const oldWarmth = (own: { lift?: { warmth?: unknown } }) =>
  typeof own?.lift?.warmth === 'number'
    ? { ...own, lift: { ...own.lift, warmth: { factor: own.lift.warmth, fromMinutes: 0 } } }
    : own;

/** Units and mixes of a script as they are kept now: those of version 3 had their bowls by their letter. */
function newestPart<T>(value: T): T | object {
  const { units, mixes, lifts } = (value ?? {}) as { units?: unknown; mixes?: unknown; lifts?: unknown };
  if (!Array.isArray(units) || typeof mixes !== 'object' || mixes === null) return value;
  const bowlsOf = ({ letter: item, grams = 0, endsGrams = 0 }: OldUnit) => {
    const ends = Number(endsGrams) > 0;
    return [...(Number(grams) > 0 || !ends ? [item] : []), ...(ends ? [`${String(item)} ends`] : [])];
  };
  return {
    ...value,
    lifts: Array.isArray(lifts) ? (lifts as { lift?: { warmth?: unknown } }[]).map(oldWarmth) : lifts,
    units: (units as OldUnit[]).map((oldUnit) =>
      typeof oldUnit === 'object' && oldUnit !== null && oldUnit.mixes === undefined
        ? { ...oldUnit, mixes: bowlsOf(oldUnit) }
        : oldUnit,
    ),
    mixes: Object.fromEntries(
      Object.entries(mixes as Record<string, { letter?: unknown; part?: unknown; of?: unknown }>).map(
        ([name, own]) => {
          if (typeof own !== 'object' || own === null || own.of !== undefined) return [name, own];
          const { letter: oldLetter, part: oldPart, ...rest } = own;
          return [name, { ...rest, of: [{ letter: oldLetter, part: oldPart }] }];
        },
      ),
    ),
  };
}

const lift1 = z.looseObject({
  from: figure,
  target: figure,
  stretch: z.enum(['length', 'ends', 'band']),
  lift,
});

/** Version 1: a block had one letter, and a foil said neither its mix nor how far it goes. */
const scriptSchema1 = z.looseObject({
  version: z.literal(1),
  plan: z.unknown(),
  naturalLevel: figure,
  foils: z.array(
    z.looseObject({
      id,
      number: figure,
      kind: z.enum(['foil', 'open-air']),
      zone: z.enum(ZONES).nullable(),
      gather: singleGatherSchema,
      widthMm: figure,
      thicknessMm: figure,
      startMm: figure,
      featherMm: figure,
      teasing: figure,
      seconds: figure,
    }),
  ),
  blocks: z.array(
    z.looseObject({
      id,
      panel: id,
      name: z.string(),
      formula: z.string(),
      seconds: z.array(figure),
      readyMinutes: figure,
      limitMinutes: figure,
      touches: z.array(z.string()),
      foils: z.array(id),
      lifts: z.array(lift1),
      depositMinutes: figure,
    }),
  ),
  mixes: z.record(z.string(), z.string()),
  products: z
    .record(z.string(), z.strictObject({ id: z.string(), name: z.string(), speed: figure }))
    .optional(),
  readings: z.array(z.looseObject({})),
  rules: z.looseObject({}),
  fixed: z.looseObject({ order: z.array(z.int()).nullish() }),
  after: z.array(z.looseObject({ id })),
});

const step2 = z.looseObject({
  id,
  kind: z.enum(['wash', 'correction', 'root', 'toner', 'rinse', 'dry']).catch('rinse'),
  name: z.string(),
  from: figure,
  to: figure,
  detail: z.looseObject({ items: z.unknown(), hair: z.string().optional() }).nullish(),
});

const OLD_HAIR: Readonly<Record<string, StepHair>> = {
  'on dry hair': 'dry',
  'on damp hair': 'damp',
  'on wet hair': 'damp',
  'under a treatment': 'treated',
};

/**
 * Version 2: steps had their times and said their place in their name; nothing could be added, and a mix had
 * no other strength.
 */
function fromVersion2(value: unknown): unknown {
  const second = value as { version?: unknown; after?: unknown; mixes?: unknown } | null;
  if (typeof second !== 'object' || second?.version !== 2) return value;
  const { after, mixes, ...rest } = second;
  const steps = z.array(step2).safeParse(after);
  return {
    ...rest,
    version: 3,
    steps: steps.success ? steps.data.map(fromStep2) : after,
    offers: plainSteps(),
    mixes:
      typeof mixes === 'object' && mixes !== null
        ? Object.fromEntries(
            Object.entries(mixes).map(([name, own]) => [name, { ...own, volumes: null, strengths: [] }]),
          )
        : mixes,
  };
}

function fromStep2({ id: own, kind, name, from, to, detail }: z.infer<typeof step2>): ServiceStep {
  const kinds: StepKind = kind === 'correction' ? (name.startsWith('Spot') ? 'spot' : 'bleach-wash') : kind;
  return {
    id: own,
    kind: kinds,
    name,
    minutes: Math.max(1, to - from),
    hair: OLD_HAIR[detail?.hair ?? ''] ?? 'any',
    place: null,
    items: (detail?.items ?? null) as ServiceStep['items'],
  };
}

/**
 * A service that began before version 2, as it was carried out then: every foil with the letter and the limit
 * of its block.
 */
function fromVersion1({
  plan,
  foils,
  blocks,
  mixes,
  products = {},
  after,
  rules,
  fixed,
  ...rest
}: z.infer<typeof scriptSchema1>): unknown {
  const newest = parsePlan(plan);
  if (!newest.ok) return { ...rest, version: 2, plan };
  const order = fixed.order ?? blocks.map((_, b) => b);
  const lengthIn = (zone: (typeof ZONES)[number]) =>
    newest.value.hair.byZone[zone]?.lengthMm ?? newest.value.hair.lengthMm;
  const sides = new Map(newest.value.panels.map((panel) => [panel.id, panel.side]));
  const lifts: ScriptLift[] = [];
  const byId = new Map(foils.map((foil) => [foil.id, foil]));
  const units = blocks.flatMap((block) => {
    const lifting = block.lifts.map((current) => lifts.push({ ...current, letter: block.formula }) - 1);
    return block.foils.flatMap((foilId): ScriptUnit[] => {
      const own = byId.get(foilId);
      if (!own) return [];
      const zone = own.zone ?? 'crown';
      const hairMm = lengthIn(zone);
      const side = sides.get(block.panel);
      return [
        {
          id: foilId,
          number: own.number,
          kind: own.kind,
          panel: block.panel,
          panelName: block.name.replace(/, part \d+$/, ''),
          side: side === 'left' || side === 'right' ? side : 'across',
          zone,
          letter: block.formula,
          lifts: block.lifts.length > 0,
          gather: own.gather,
          widthMm: own.widthMm,
          thicknessMm: own.thicknessMm,
          angleDeg: 0,
          startMm: own.startMm,
          featherMm: own.featherMm,
          edgesMm: 0,
          teasing: own.teasing,
          reach: 'ends',
          reachMm: [Math.min(own.startMm + own.featherMm / 2, hairMm), hairMm],
          hairMm,
          surface: own.kind === 'open-air',
          endsMm: 0,
          endsOutMm: 0,
          mixes: [block.formula],
          fromOld: false,
          again: null,
          mix: mixes[block.formula] ?? block.formula,
          endsMix: null,
          laidWith: own.kind === 'foil' ? 'foil' : 'open air',
          seconds: own.seconds,
          grams: 0,
          endsGrams: 0,
          limitMinutes: block.limitMinutes,
          lifting,
          depositMinutes: block.depositMinutes,
        },
      ];
    });
  });
  return {
    ...rest,
    version: 2,
    plan: newest.value,
    units,
    lifts,
    products,
    rules: { ...USUAL_RULES, ...rules, ...(rules.second === 'mixes' && { second: 'pulls' }) },
    course: { order: order.flatMap((b) => blocks[b]?.id ?? []), rinses: [], pulling: 'own', by: {} },
    mixes: Object.fromEntries(
      Object.entries(mixes).map(([name, words]) => [name, { letter: name[0], part: 'length', words }]),
    ),
    blocks: blocks.map(
      ({
        formula,
        seconds,
        readyMinutes,
        limitMinutes,
        foils: own,
        lifts: _lifts,
        depositMinutes: _minutes,
        others: _others,
        touches: _touches,
        ...block
      }) => ({
        ...block,
        units: own,
        foils: seconds.map((each) => ({ seconds: each, mixes: [formula], readyMinutes, limitMinutes })),
      }),
    ),
    after: after.map((step) => ({ ...step, detail: null })),
  };
}
