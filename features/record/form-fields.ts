import { outcomeSchema, sentenceOf } from '@/core/formats';
import { EMPTY_OUTCOME, type Outcome } from '@/core/visit';

/** The record while it is written: what is typed stays text until it is read. */
export interface Fields extends Omit<Outcome, 'version' | 'foilsPlaced' | 'nextOn'> {
  readonly foilsPlaced: string;
  readonly nextOn: string;
}
export type Problems = Partial<Record<keyof Fields, string>>;

const FIELD_NAMES: Record<keyof Fields, string> = {
  foilsPlaced: 'Foils placed',
  levelReached: 'Level reached',
  done: 'What was done',
  nextOn: 'Next visit',
  nextWhat: 'Next visit',
  zones: 'By zone',
  said: 'What they said',
  inspection: 'Checked',
  corrections: 'Corrections',
};

export function fieldsOf({ foilsPlaced, nextOn, ...outcome }: Outcome): Fields {
  return { ...outcome, foilsPlaced: String(foilsPlaced), nextOn: nextOn ?? '' };
}

/** Reads the record; each problem is a sentence at its field. */
export function readFields(
  fields: Fields,
  heldOn: string,
): { readonly ok: true; readonly value: Outcome } | { readonly ok: false; readonly problems: Problems } {
  const problems: Problems = {};
  const document = {
    ...fields,
    version: EMPTY_OUTCOME.version,
    foilsPlaced: /^\d+$/.test(fields.foilsPlaced.trim()) ? Number(fields.foilsPlaced) : Number.NaN,
    nextOn: fields.nextOn === '' ? null : fields.nextOn,
  };
  const read = outcomeSchema.safeParse(document);
  for (const issue of read.error?.issues ?? []) {
    const field = issue.path[0] as keyof Problems;
    problems[field] ??=
      `${FIELD_NAMES[field]}: ${sentenceOf({ issues: [{ ...issue, path: issue.path.slice(1) }] } as never)}`;
  }
  if (document.nextOn !== null && document.nextOn < heldOn)
    problems.nextOn = 'Next visit: the day lies before this visit.';
  return read.success && Object.keys(problems).length === 0
    ? { ok: true, value: read.data }
    : { ok: false, problems };
}
