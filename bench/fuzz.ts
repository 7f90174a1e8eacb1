import { parseArgs } from 'node:util';
import {
  EMPTY_CONSULT,
  EMPTY_MIX,
  parseConsult,
  parseHouse,
  parseMix,
  parseOutcome,
  parsePlan,
  parseTechnique,
  startPlan,
  USUAL_HOUSE,
} from '../core/formats';
import { createPatternEngine, seeded } from '../core/pattern';
import { TECHNIQUES, planOf } from '../core/technique';

/**
 * Documents changed at random, read, and computed where they are read: `npm run fuzz -- --documents 100000
 * --seed 1`. None may crash, and none
 * may take longer than half a second. Prints what did, with the seed of the document.
 */
const { values } = parseArgs({
  options: { documents: { type: 'string', default: '100000' }, seed: { type: 'string', default: '1' } },
});
const DOCUMENTS = Number(values.documents);
const SEED = Number(values.seed);
const MOST_MS = 500;
/** So many of the patterns that are read are computed too. */
const COMPUTED = 0.1;

const KINDS = {
  plan: { parse: parsePlan, bases: [startPlan(), ...TECHNIQUES.map((technique) => planOf(technique))] },
  consult: { parse: parseConsult, bases: [EMPTY_CONSULT] },
  mix: { parse: parseMix, bases: [EMPTY_MIX] },
  outcome: {
    parse: parseOutcome,
    bases: [
      { version: 2, done: 'As planned.', foilsPlaced: 80, levelReached: 8, zones: {}, nextOn: '2027-01-04' },
    ],
  },
  house: { parse: parseHouse, bases: [USUAL_HOUSE] },
  technique: { parse: parseTechnique, bases: [{}] },
} as const;
type Kind = keyof typeof KINDS;

const ODD: readonly unknown[] = [
  null,
  true,
  false,
  0,
  -1,
  1e308,
  -1e308,
  5e-324,
  2 ** 53,
  '',
  'A',
  '\0',
  '\ud800',
  'x'.repeat(5000),
  [],
  {},
  [[]],
  [null],
  { kind: 'whole' },
  'NaN',
  '2026-02-30',
  [1e9, -1e9],
];

/** Every place in a document where something else can stand. */
function places(value: unknown, out: { own: Record<string, unknown>; key: string }[] = []): typeof out {
  if (typeof value !== 'object' || value === null) return out;
  for (const key of Object.keys(value)) {
    out.push({ own: value as Record<string, unknown>, key });
    places((value as Record<string, unknown>)[key], out);
  }
  return out;
}

function changed(base: object, random: () => number): unknown {
  const document = structuredClone(base) as Record<string, unknown>;
  const pick = <T>(all: readonly T[]) => all[Math.floor(random() * all.length)];
  // Half of them are changed so little that many can still be read, and are then computed.
  const gentle = random() < 0.5;
  for (let n = 1 + Math.floor(random() * 3); n > 0; n -= 1) {
    const all = places(document).filter(({ own, key }) => !gentle || typeof own[key] === 'number');
    if (all.length === 0) break;
    const { own, key } = pick(all);
    const before = own[key];
    const what = random();
    if (gentle)
      own[key] = Number(((before as number) * (0.7 + 0.6 * random())).toFixed(random() < 0.5 ? 0 : 2));
    else if (what < 0.35 && typeof before === 'number')
      own[key] = before * pick([0, 0.5, 2, 10, -1, 1.0001]) + pick([0, 0, 1, -1, 0.5]);
    else if (what < 0.5) own[key] = structuredClone(pick(all).own);
    else if (what < 0.6) delete own[key];
    else if (what < 0.7 && Array.isArray(before))
      own[key] = Array.from({ length: Math.floor(random() * 60) }, () => structuredClone(before[0] ?? null));
    else if (what < 0.75) {
      let deep: unknown = before;
      for (let i = Math.floor(random() * 400); i > 0; i -= 1)
        deep = random() < 0.5 ? [deep] : { kind: 'union', of: [deep] };
      own[key] = deep;
    } else own[key] = structuredClone(pick(ODD));
  }
  return document;
}

const engine = createPatternEngine();
// The first head takes longer: it is what every process does once.
engine.compute(startPlan());
const counts = { read: 0, refused: 0, computed: 0 };
let [crashes, slow, slowest] = [0, 0, 0];
const kinds = Object.keys(KINDS) as Kind[];
for (let i = 0; i < DOCUMENTS; i += 1) {
  const seed = SEED * 1_000_003 + i;
  const random = seeded(seed);
  // Patterns are what is computed of: half of all documents.
  const kind = random() < 0.5 ? 'plan' : kinds[Math.floor(random() * kinds.length)];
  const { parse, bases } = KINDS[kind];
  const document = changed(bases[Math.floor(random() * bases.length)], random);
  const from = performance.now();
  try {
    const read = parse(document);
    if (!read.ok) counts.refused += 1;
    else {
      counts.read += 1;
      if (typeof read.value !== 'object') throw new Error('read as no document');
      if (kind === 'plan' && random() < COMPUTED) {
        engine.compute(read.value as Parameters<typeof engine.compute>[0]);
        counts.computed += 1;
      }
    }
    if (!read.ok && !/\w.*\.$/s.test(read.problem))
      throw new Error(`refused without a sentence: ${read.problem}`);
  } catch (error) {
    crashes += 1;
    console.log(`${kind}, seed ${seed}: ${error instanceof Error ? error.message : String(error)}`);
  }
  const ms = performance.now() - from;
  slowest = Math.max(slowest, ms);
  if (ms > MOST_MS) {
    slow += 1;
    console.log(`${kind}, seed ${seed}: ${Math.round(ms)} ms`);
  }
}
console.log(
  `${DOCUMENTS} documents: ${counts.read} read (${counts.computed} computed), ${counts.refused} refused with a sentence; ${crashes} crashed, ${slow} over ${MOST_MS} ms, the slowest ${Math.round(slowest)} ms`,
);
process.exit(crashes + slow > 0 ? 1 : 0);
