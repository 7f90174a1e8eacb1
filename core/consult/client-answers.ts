import { NOTED_WORDS } from '../caution';
import { brightnessStep } from '../pattern';
import type { Consult, HistoryEntry, Noted } from '../visit';

/** What a client answers by themselves, on their own phone, before the visit. null is what they left open. */
export interface ClientAnswers {
  version: 1;
  wish: {
    words: string;
    brightness: number | null;
    tone: Consult['tone'];
    contrast: Consult['contrast'];
    faceFrame: 'none' | 'soft' | 'bold' | null;
  };
  worn: { upShare: number | null; halfUpShare: number | null; partMoves: Consult['partMoves'] };
  upkeep: { weeksBetween: number | null; washesPerWeek: number | null };
  limits: { minutesAtMost: number | null; budgetMinor: number | null };
  history: HistoryEntry[];
  occasions: { what: string; on: string }[];
  health: { allergy: 'none' | 'known' | null; dyes: Consult['health']['dyes']; noted: Noted[] };
}

/** One answer beside what the consultation says. */
export interface OfferedAnswer {
  readonly key: AnswerKey;
  /** What it is about. */
  readonly name: string;
  readonly theirs: string;
  readonly now: string;
  /** It matters for safety: never passed over. */
  readonly grave: boolean;
}

export const ANSWER_KEYS = [
  'brightness',
  'tone',
  'contrast',
  'faceFrame',
  'worn',
  'partMoves',
  'weeksBetween',
  'washesPerWeek',
  'minutesAtMost',
  'budgetMinor',
  'history',
  'occasions',
  'allergy',
  'dyes',
  'noted',
  'words',
] as const;
export type AnswerKey = (typeof ANSWER_KEYS)[number];

const FRAME_MM = { none: 0, soft: 20, bold: 30 } as const;
const SERVICE_WORDS: Record<HistoryEntry['what'], string> = {
  lightener: 'lightener',
  permanent: 'permanent colour',
  demi: 'demi-permanent colour',
  toner: 'toner',
  metallic: 'metal-salt dye',
  plant: 'henna or plant dye',
  smoothing: 'smoothing',
  perm: 'perm',
  other: 'something else',
};
const NONE = '–';
const per = (share: number | null) => (share === null ? undefined : `${Math.round(100 * share)}%`);
const list = (words: readonly string[]) => (words.length === 0 ? NONE : words.join('; '));

interface Part {
  readonly name: string;
  readonly grave?: boolean;
  /** What is said of it; undefined where it was left open. */
  readonly theirs: (answers: ClientAnswers, say: Say) => string | undefined;
  readonly now: (consult: Consult, say: Say) => string;
  readonly into: (consult: Consult, answers: ClientAnswers) => Partial<Consult>;
}

/** How the house writes money and days. */
export interface Say {
  readonly money: (minor: number) => string;
  day(on: string): string;
}

const worn = (up: number | null, half: number | null) =>
  [per(up) && `tied up ${per(up)} of the time`, per(half) && `half up ${per(half)}`]
    .filter(Boolean)
    .join(', ');
const told = (entries: readonly HistoryEntry[], say: Say) =>
  entries.map(
    ({ what, where, on, note }) =>
      `${SERVICE_WORDS[what]} ${where === 'here' ? 'here' : where === 'home' ? 'at home' : 'elsewhere'}, ${say.day(on)}${note && ` (${note})`}`,
  );
const sameEntry = (a: HistoryEntry) => (b: HistoryEntry) =>
  a.what === b.what && a.on === b.on && a.where === b.where;
/** Lists keep what the consultation has: an answer adds to them. */
const joinedHistory = (before: readonly HistoryEntry[], added: readonly HistoryEntry[]) =>
  [...before, ...added.filter((historyEntry) => !before.some(sameEntry(historyEntry)))].slice(0, 30);

const PARTS: Readonly<Record<AnswerKey, Part>> = {
  brightness: {
    name: 'How bright',
    theirs: ({ wish }) => (wish.brightness === null ? undefined : brightnessStep(wish.brightness).words),
    now: ({ brightness }) => brightnessStep(brightness).words,
    into: (_, { wish }) => ({ brightness: wish.brightness! }),
  },
  tone: {
    name: 'Tone',
    theirs: ({ wish }) => wish.tone ?? undefined,
    now: ({ tone }) => tone ?? NONE,
    into: (_, { wish }) => ({ tone: wish.tone }),
  },
  contrast: {
    name: 'Contrast',
    theirs: ({ wish }) => wish.contrast ?? undefined,
    now: ({ contrast }) => contrast ?? NONE,
    into: (_, { wish }) => ({ contrast: wish.contrast }),
  },
  faceFrame: {
    name: 'Face frame',
    theirs: ({ wish }) => wish.faceFrame ?? undefined,
    now: ({ faceFrame }) => faceFrame?.strength ?? NONE,
    into: ({ faceFrame }, { wish }) => ({
      faceFrame: { strength: wish.faceFrame!, behindMm: faceFrame?.behindMm ?? FRAME_MM[wish.faceFrame!] },
    }),
  },
  worn: {
    name: 'How it is worn',
    theirs: ({ worn: { upShare, halfUpShare } }) => worn(upShare, halfUpShare) || undefined,
    now: ({ wornUpShare, wornHalfUpShare }) => worn(wornUpShare, wornHalfUpShare) || NONE,
    into: ({ wornUpShare, wornHalfUpShare }, { worn: own }) => {
      const up = own.upShare ?? wornUpShare;
      const half = own.halfUpShare ?? wornHalfUpShare;
      // Together they are no more than all of the time: what they said themselves stands.
      return {
        wornUpShare: own.upShare === null && up !== null ? Math.min(up, 1 - (half ?? 0)) : up,
        wornHalfUpShare: half !== null && up !== null && own.upShare !== null ? Math.min(half, 1 - up) : half,
      };
    },
  },
  partMoves: {
    name: 'The part moves',
    theirs: ({ worn: own }) => own.partMoves ?? undefined,
    now: ({ partMoves }) => partMoves ?? NONE,
    into: (_, { worn: own }) => ({ partMoves: own.partMoves }),
  },
  weeksBetween: {
    name: 'Weeks between visits',
    theirs: ({ upkeep }) => upkeep.weeksBetween?.toString(),
    now: ({ weeksBetween }) => weeksBetween?.toString() ?? NONE,
    into: (_, { upkeep }) => ({ weeksBetween: upkeep.weeksBetween }),
  },
  washesPerWeek: {
    name: 'Washes a week',
    theirs: ({ upkeep }) => upkeep.washesPerWeek?.toString(),
    now: ({ washesPerWeek }) => washesPerWeek?.toString() ?? NONE,
    into: (_, { upkeep }) => ({ washesPerWeek: upkeep.washesPerWeek }),
  },
  minutesAtMost: {
    name: 'Time they have',
    theirs: ({ limits }) => (limits.minutesAtMost === null ? undefined : `${limits.minutesAtMost} min`),
    now: ({ minutesAtMost }) => (minutesAtMost === null ? NONE : `${minutesAtMost} min`),
    into: (_, { limits }) => ({ minutesAtMost: limits.minutesAtMost }),
  },
  budgetMinor: {
    name: 'Budget',
    theirs: ({ limits }, { money }) => (limits.budgetMinor === null ? undefined : money(limits.budgetMinor)),
    now: ({ budgetMinor }, { money }) => (budgetMinor === null ? NONE : money(budgetMinor)),
    into: (_, { limits }) => ({ budgetMinor: limits.budgetMinor }),
  },
  history: {
    name: 'Done to the hair before',
    theirs: ({ history }, say) => (history.length === 0 ? undefined : list(told(history, say))),
    now: ({ history }, say) => list(told(history, say)),
    into: ({ history }, answers) => ({ history: joinedHistory(history, answers.history) }),
  },
  occasions: {
    name: 'Occasions',
    theirs: ({ occasions }, say) =>
      occasions.length === 0 ? undefined : list(occasions.map(({ what, on }) => `${what}, ${say.day(on)}`)),
    now: ({ occasions }, say) => list(occasions.map(({ what, on }) => `${what}, ${say.day(on)}`)),
    into: ({ occasions }, answers) => ({
      occasions: [
        ...occasions,
        ...answers.occasions.filter(
          (occasion) => !occasions.some(({ what, on }) => what === occasion.what && on === occasion.on),
        ),
      ].slice(0, 12),
    }),
  },
  allergy: {
    name: 'Reaction to colour',
    grave: true,
    theirs: ({ health }) =>
      health.allergy === null ? undefined : health.allergy === 'known' ? 'had one' : 'none',
    now: ({ health }) => (health.allergy === null ? NONE : health.allergy === 'known' ? 'had one' : 'none'),
    into: ({ health }, answers) => ({ health: { ...health, allergy: answers.health.allergy } }),
  },
  dyes: {
    name: 'Metal-salt or plant dyes',
    grave: true,
    theirs: ({ health }) => health.dyes ?? undefined,
    now: ({ health }) => health.dyes ?? NONE,
    into: ({ health }, answers) => ({ health: { ...health, dyes: answers.health.dyes } }),
  },
  noted: {
    name: 'To keep in mind',
    grave: true,
    theirs: ({ health }) =>
      health.noted.length === 0 ? undefined : list(health.noted.map((own) => NOTED_WORDS[own])),
    now: ({ health }) => list(health.noted.map((own) => NOTED_WORDS[own])),
    into: ({ health }, answers) => ({
      health: { ...health, noted: [...new Set([...health.noted, ...answers.health.noted])] },
    }),
  },
  words: {
    name: 'In their own words',
    theirs: ({ wish }) => wish.words || undefined,
    now: ({ notes }) => notes || NONE,
    into: ({ notes }, { wish }) => ({
      notes: notes.includes(wish.words)
        ? notes
        : [notes, `“${wish.words}”`].filter(Boolean).join('\n').slice(0, 4000),
    }),
  },
};

/**
 * What a client answered, beside what the consultation says, in the order of the conversation. What is in it
 * already is left out.
 */
export function offeredAnswers(answers: ClientAnswers, consult: Consult, say: Say): OfferedAnswer[] {
  return ANSWER_KEYS.flatMap((key) => {
    const { name, grave = false, theirs, now, into } = PARTS[key];
    const said = theirs(answers, say);
    if (said === undefined) return [];
    const after = { ...consult, ...into(consult, answers) };
    return now(after, say) === now(consult, say)
      ? []
      : [{ key, name, theirs: said, now: now(consult, say), grave: grave && said !== 'none' }];
  });
}

/**
 * The consultation with some of a client's answers in it. Lists are added to and nothing is taken out of
 * them.
 */
export function withAnswers(consult: Consult, answers: ClientAnswers, keys: readonly AnswerKey[]): Consult {
  return keys.reduce<Consult>(
    (current, key) => ({ ...current, ...PARTS[key].into(current, answers) }),
    consult,
  );
}
