import type { HairTest, Health } from '../visit';

/** What a caution asks: to be read, to be given a reason that is kept, or to stop. */
type CautionWeight = 'shown' | 'reason' | 'stop';

export const CAUTION_KEYS = [
  'allergy',
  'alert-reaction',
  'alert-test',
  'allergy-unasked',
  'scalp',
  'scalp-unseen',
  'dye',
  'dye-unasked',
  'stretchy',
  'age',
  'fragile',
  'noted',
  'strong-scalp',
  'forty-near',
  'strong-hairline',
  'strong-fragile',
  'overlap',
  'heat',
  'over-time',
  'root-dark',
  'bowl-old',
] as const;
export type CautionKey = (typeof CAUTION_KEYS)[number];

/** One caution. It defers to the product's leaflet, local rules and licensed judgement, always. */
export interface Caution {
  readonly key: CautionKey;
  readonly weight: CautionWeight;
  /** What is the case. */
  readonly seen: string;
  /** Why it matters, and what is asked. */
  readonly why: string;
}

export interface CautionFacts {
  /** Day of the visit, YYYY-MM-DD. */
  readonly onDay: string;
  /** The client's birthday, YYYY-MM-DD; null when it is not known. */
  readonly bornOn: string | null;
  readonly health: Health;
  /** Whether the history names a metal-salt or plant dye. */
  readonly dyeInHistory: boolean;
  readonly tests: readonly HairTest[];
  /** Whether a guardian's consent stands. */
  readonly guardianConsent: boolean;
  /** Names of zones with fragile or broken hair. */
  readonly fragileZones: readonly string[];
}

/** What the house, its law and its leaflets set. */
export interface CautionLimits {
  readonly alertHours: number;
  readonly alertDays: number;
  readonly age: number;
}

const DAY_MS = 86_400_000;
const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** Whole years from a birthday to a day. */
export function ageOn(bornOn: string, day: string): number {
  const years = Number(day.slice(0, 4)) - Number(bornOn.slice(0, 4));
  return day.slice(5) < bornOn.slice(5) ? years - 1 : years;
}

/**
 * The cautions of the client and their hair, stops first; those of what is mixed stand in mix-cautions.
 * Table: model, cautions.
 */
export function cautionsOf(facts: CautionFacts, limits: CautionLimits): Caution[] {
  const { health } = facts;
  const out: (Caution | undefined)[] = [
    allergy(health),
    ...alertTest(facts, limits),
    scalp(health),
    dye(facts),
    health.strandFeel === 'stretchy'
      ? {
          key: 'stretchy',
          weight: 'reason',
          seen: 'The wet strand is stretchy or gummy.',
          why: 'Hair like this breaks under more lightener. Say why it is still lightened, and where it is left alone.',
        }
      : undefined,
    age(facts, limits),
    facts.fragileZones.length > 0
      ? {
          key: 'fragile',
          weight: 'shown',
          seen: `Fragile or broken hair: ${facts.fragileZones.join(', ')}.`,
          why: 'Go one strength down there, do it late or leave it out. Not over 20 vol without a reason.',
        }
      : undefined,
    health.noted.length > 0
      ? {
          key: 'noted',
          weight: 'shown',
          seen: `Noted: ${health.noted.map((fact) => NOTED_WORDS[fact]).join(', ')}.`,
          why: 'Left to your licensed judgement and, where in doubt, to the client’s doctor.',
        }
      : undefined,
  ];
  return stopsFirst(out.filter((caution) => caution !== undefined));
}

const RANK = { stop: 0, reason: 1, shown: 2 };

export function stopsFirst(cautions: readonly Caution[]): Caution[] {
  return [...cautions].sort((a, b) => RANK[a.weight] - RANK[b.weight]);
}

export const NOTED_WORDS = {
  pregnancy: 'pregnancy',
  medication: 'medication',
  'recent-chemical': 'a recent chemical service',
} as const;

function allergy({ allergy: known }: Health): Caution | undefined {
  if (known === 'known')
    return {
      key: 'allergy',
      weight: 'stop',
      seen: 'A known allergic reaction to colour.',
      why: 'No colour or lightener: send the client to a doctor. No reason overrides this.',
    };
  if (known === null)
    return {
      key: 'allergy-unasked',
      weight: 'reason',
      seen: 'Allergic reactions have not been asked about.',
      why: 'Ask before any product.',
    };
  return undefined;
}

function alertTest(
  { tests, onDay }: CautionFacts,
  { alertHours, alertDays }: CautionLimits,
): (Caution | undefined)[] {
  const alerts = tests
    .filter(({ kind, onDay: put }) => kind === 'alert' && put <= onDay)
    .sort((a, b) => (a.onDay < b.onDay ? 1 : -1));
  if (alerts.some(({ result }) => result === 'reaction')) {
    return [
      {
        key: 'alert-reaction',
        weight: 'stop',
        seen: 'An alert test of this client reacted.',
        why: 'No colour that deposits: send the client to a doctor. No reason overrides this.',
      },
    ];
  }
  const [last] = alerts.filter(({ result }) => result === 'clear');
  const why = `The leaflet asks for an alert test before any deposit (${alertHours} h here, counting ${alertDays} days). Say why the visit goes on without one.`;
  if (!last) {
    const waiting = alerts.length > 0;
    return [
      {
        key: 'alert-test',
        weight: 'reason',
        seen: waiting ? 'The alert test is not read yet.' : 'No alert test on record.',
        why,
      },
    ];
  }
  const old = days(last.onDay, onDay);
  if (old > alertDays)
    return [{ key: 'alert-test', weight: 'reason', seen: `The alert test is ${old} days old.`, why }];
  if (old * 24 < alertHours)
    return [
      {
        key: 'alert-test',
        weight: 'reason',
        seen: `The alert test was put on less than ${alertHours} h ago.`,
        why,
      },
    ];
  return [];
}

function scalp({ scalp: state }: Health): Caution | undefined {
  if (state === null)
    return {
      key: 'scalp-unseen',
      weight: 'reason',
      seen: 'The scalp has not been checked.',
      why: 'Check it before any product and write down what you saw.',
    };
  if (state === 'sound') return undefined;
  const again = state === 'irritated' ? 'is sound' : 'has healed';
  return {
    key: 'scalp',
    weight: 'stop',
    seen: `The scalp is ${state}.`,
    why: `No lightener or colour on it. Come back when it ${again}. No reason overrides this.`,
  };
}

function dye({ health, dyeInHistory, tests, onDay }: CautionFacts): Caution | undefined {
  const { dyes } = health;
  if (dyes === null && !dyeInHistory)
    return {
      key: 'dye-unasked',
      weight: 'reason',
      seen: 'Metal-salt and plant dyes have not been asked about.',
      why: 'Lightener on them can heat and smoke. Ask, and check the hair.',
    };
  const there = dyeInHistory || (dyes !== null && dyes !== 'none');
  if (!there) return undefined;
  // The newest test that was read decides: a failed one is not undone by an older pass.
  const [last] = tests
    .filter(({ kind, result, onDay: put }) => kind === 'strand' && result !== null && put <= onDay)
    .sort((a, b) => (a.onDay < b.onDay ? 1 : -1));
  const waiting = tests.some(({ kind, result }) => kind === 'strand' && result === null);
  if (last?.result === 'passed')
    return {
      key: 'dye',
      weight: 'shown',
      seen: 'Metal-salt or plant dye in the hair; its strand test passed.',
      why: 'Still watch the first foils closely.',
    };
  return {
    key: 'dye',
    weight: 'stop',
    seen: last
      ? 'The strand test on dyed hair failed.'
      : `Metal-salt, plant or unknown dye, and ${waiting ? 'its strand test is not read yet' : 'no strand test'}.`,
    why: 'Heat and smoke are possible. Put nothing on until a strand test has passed.',
  };
}

function age({ bornOn, onDay, guardianConsent }: CautionFacts, limits: CautionLimits): Caution | undefined {
  if (bornOn === null) return undefined;
  const years = ageOn(bornOn, onDay);
  if (years >= limits.age || guardianConsent) return undefined;
  return {
    key: 'age',
    weight: 'reason',
    seen: `The client is ${years}, and no guardian’s consent is on record.`,
    why: `Many places ask for it below ${limits.age}. Follow local law; record the consent or say why not.`,
  };
}

/** Those that still keep the visit from beginning: stops, and reasons not given. */
export function openCautions(cautions: readonly Caution[], given: readonly CautionKey[]): Caution[] {
  return cautions.filter(
    ({ key, weight }) => weight === 'stop' || (weight === 'reason' && !given.includes(key)),
  );
}
