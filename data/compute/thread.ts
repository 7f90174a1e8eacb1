import { scriptPartOf, type ScriptPart } from '../../core/chair';
import { checksOf } from '../../core/check';
import { mixCard, stationSheet } from '../../core/formats';
import { createPatternEngine } from '../../core/pattern';
import { againSheet } from '../../core/record';
import { inMeasures, moneyIn } from '../../core/units';
import { limitsOf, timeThereIs, type House } from '../../core/visit';
import {
  createVisitEngine,
  type ComputedVisit,
  type VisitDocuments,
  type VisitFacts,
} from '../../core/visit/computed';

/** They remember heads and parts of visits, and what they remember changes no result. */
const visits = createVisitEngine();
const patterns = createPatternEngine();

/** A visit to compute. */
export interface Asked {
  readonly documents: VisitDocuments;
  readonly facts: VisitFacts;
}

/**
 * What of a computed visit passes between threads: all that holds no function; of the pattern its sheet, of
 * the shelf its products.
 */
export type Sent = Omit<ComputedVisit, 'next' | 'checkFacts' | 'pattern' | 'shelf'> & {
  readonly sheet: ComputedVisit['pattern']['sheet'];
  readonly products: ComputedVisit['shelf']['all'];
  readonly scriptPart: ScriptPart;
};
export type SentKey = keyof Sent;

type StationFacts = Parameters<typeof stationSheet>[3];
type CardFacts = Parameters<typeof mixCard>[1];

const computeOf = ({ documents, facts }: Asked) => visits.compute(documents, facts);
/** The most cautions that a sheet has room for. */
const MOST_CAUTIONS = 4;

/** All that is computed beside the requests; what is asked and answered passes as a copy. */
const TASKS = {
  computed({ keys, ...asked }: Asked & { keys: readonly SentKey[] }): Pick<Sent, SentKey> {
    const all = computeOf(asked);
    const valueOf = (key: SentKey) => {
      if (key === 'sheet') return all.pattern.sheet;
      if (key === 'products') return all.shelf.all;
      return key === 'scriptPart' ? scriptPartOf(all) : all[key];
    };
    return Object.fromEntries(keys.map((key) => [key, valueOf(key)])) as unknown as Pick<Sent, SentKey>;
  },
  next: (asked: Asked) => computeOf(asked).next(),
  sheet: (plan: Parameters<typeof patterns.compute>[0]) => patterns.compute(plan).sheet,
  stationSheet({
    house,
    words,
    ...asked
  }: Asked & { house: House; words: Omit<StationFacts, 'brightness' | 'shares' | 'cautions'> }) {
    const computed = computeOf(asked);
    const { consult, plan, pattern, work, shares } = computed;
    const limits = { ...limitsOf(house), minutes: timeThereIs(house, consult.minutesAtMost) };
    const findings = checksOf({
      plan,
      computed: pattern,
      limits,
      off: house.rulesOff,
      facts: computed.checkFacts(moneyIn(house.prices.currency)),
    });
    const cautions = [
      ...work.problems.map((problem) => problem.words),
      ...findings.map(({ seen }) => seen),
    ].slice(0, MOST_CAUTIONS);
    return stationSheet(plan, pattern, work, {
      ...words,
      brightness: consult.brightness,
      shares: shares.total,
      cautions: cautions.map((caution) => inMeasures(caution, words.measures)),
    });
  },
  againSheet({ words, ...asked }: Asked & { words: Parameters<typeof againSheet>[3] }) {
    const { plan, pattern, work } = computeOf(asked);
    return againSheet(plan, pattern, work, words);
  },
  mixCard({ words, ...asked }: Asked & { words: Omit<CardFacts, 'cautions'> }) {
    const computed = computeOf(asked);
    return mixCard(computed, {
      ...words,
      cautions: computed.cautions.map(({ weight, seen }) => (weight === 'stop' ? `Stop: ${seen}` : seen)),
    });
  },
};
export type Tasks = typeof TASKS;

/** Entry of a thread. */
export default function run({ kind, given }: { kind: keyof Tasks; given: never }): unknown {
  return TASKS[kind](given);
}
