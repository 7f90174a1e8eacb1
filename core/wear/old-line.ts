import { OPEN_ZONES } from '../growth';
import type { Plan, Sheet } from '../pattern';
import { oldLineOf, type HairLine, type OldLine } from './lines';
import { mended, type OldLineMend, type WearMend } from './mends';
import type { WearSubject } from './subject';

/** The old line without the plan and with it, and what would take more of it, the best first. */
export interface OldLineJudged {
  readonly before: OldLine;
  /** null where nothing of it is left. */
  readonly now: OldLine | null;
  /** Share of it that is left, 0–1. */
  readonly left: number;
  readonly mends: readonly OldLineMend[];
}

/** A mend that takes less than this of the line is not offered. */
const WORTH = 0.03;

/** @param read lines of a subject */
export function judgeOldLine(
  subject: WearSubject,
  { foils }: Pick<Sheet, 'foils'>,
  lines: readonly HairLine[],
  read: (subject: WearSubject) => readonly HairLine[],
): OldLineJudged | null {
  const before = oldLineOf(read({ ...subject, plan: { ...subject.plan, panels: [] }, shadowMm: null }));
  if (!before) return null;
  const leftOf = (oldLine: OldLine | null) =>
    oldLine === null ? 0 : Math.min(1, oldLine.share / before.share);
  const now = oldLineOf(lines);
  const left = leftOf(now);
  if (!now?.seen) return { before, now, left, mends: [] };
  const open = [...new Set(foils.filter(({ zone }) => OPEN_ZONES.has(zone)).map(({ panel }) => panel))];
  const ways: Omit<OldLineMend, 'left'>[] = [
    ...(open.length > 0
      ? (['slices', 'depth', 'tips'] as const).map((how) => ({
          kind: 'old-line' as const,
          how,
          panels: open,
          mm: 0,
        }))
      : []),
    { kind: 'old-line', how: 'shadow', panels: [], mm: Math.min(60, 5 * Math.ceil(before.atMm / 5)) },
  ];
  const mends = ways
    .map((way): OldLineMend => ({
      ...way,
      left: leftOf(oldLineOf(read(mendedSubject(subject, { ...way, left: 0 })))),
    }))
    .filter((oldLineMend) => oldLineMend.left <= left - WORTH)
    .sort((a, b) => a.left - b.left);
  return { before, now, left, mends };
}

/** A subject with a mend made, also one that is made in Mix. */
function mendedSubject(subject: WearSubject, mend: WearMend): WearSubject {
  if (mend.kind === 'old-line' && mend.how === 'shadow') return { ...subject, shadowMm: mend.mm };
  const plan: Plan = mended(subject.plan, mend);
  return { ...subject, plan };
}
