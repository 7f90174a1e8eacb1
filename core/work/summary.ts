import { keysOf } from '../units';
import { recipeLine, type Plan } from '../pattern';
import type { WorkList } from './list';
import { UNIT_WORDS, type UnitKind, type WorkUnit } from './unit';

/** What a panel takes of one letter in one way. */
export interface WorkGroup {
  readonly letter: string;
  readonly kind: UnitKind;
  readonly count: number;
}

/** Units by letter and kind, letters in order. */
export function groupsOf(units: readonly Pick<WorkUnit, 'letter' | 'kind'>[]): WorkGroup[] {
  const groups = new Map<string, { letter: string; kind: UnitKind; count: number }>();
  for (const { letter, kind } of units) {
    const own = groups.get(`${letter} ${kind}`) ?? { letter, kind, count: 0 };
    groups.set(`${letter} ${kind}`, own);
    own.count += 1;
  }
  const kinds = Object.keys(UNIT_WORDS);
  return [...groups.values()].sort((a, b) =>
    a.letter === b.letter ? kinds.indexOf(a.kind) - kinds.indexOf(b.kind) : a.letter < b.letter ? -1 : 1,
  );
}

/** `23 foils A, 24 foils B, 12 tip-outs A`. */
export const groupWords = (groups: readonly WorkGroup[]): string =>
  groups
    .map(({ letter, kind, count }) => `${count} ${UNIT_WORDS[kind][count === 1 ? 0 : 1]} ${letter}`)
    .join(', ');

/** Units by their numbers, those of a kind together: `foils 1–8, 11, tip-outs 2–3`. */
export function numberWords(units: readonly Pick<WorkUnit, 'kind' | 'number'>[]): string {
  const kinds = keysOf(UNIT_WORDS);
  return kinds
    .flatMap((kind) => {
      const numbers = units
        .flatMap((unit) => (unit.kind === kind ? [unit.number] : []))
        .sort((a, b) => a - b);
      return numbers.length > 0
        ? [`${UNIT_WORDS[kind][numbers.length === 1 ? 0 : 1]} ${ranges(numbers)}`]
        : [];
    })
    .join(', ');
}

function ranges(numbers: readonly number[]): string {
  const runs: { from: number; to: number }[] = [];
  for (const value of numbers) {
    const last = runs.at(-1);
    if (last && value === last.to + 1) last.to = value;
    else runs.push({ from: value, to: value });
  }
  return runs.map(({ from, to }) => (from === to ? String(from) : `${from}–${to}`)).join(', ');
}

/** The work in one sentence per panel, as a colourist would write it down, and what each letter is. */
export function workSummary(plan: Plan, { units, letters }: Pick<WorkList, 'units' | 'letters'>): string {
  const foils = units.filter(({ kind }) => kind === 'foil').length;
  const lines = plan.panels.flatMap((panel) => {
    const own = units.filter((unit) => unit.panel === panel.id);
    return own.length > 0 ? [`${panel.name}: ${groupWords(groupsOf(own))}; ${recipeLine(panel)}.`] : [];
  });
  const mixes = letters.flatMap(({ letter }) => {
    const workUnit = units.find((unit) => unit.letter === letter);
    return workUnit
      ? [`${letter}: ${workUnit.mix}${workUnit.endsMix ? `; ends ${workUnit.endsMix}` : ''}.`]
      : [];
  });
  return [`${plan.name}, ${foils} foils.`, ...lines, ...mixes].join('\n');
}
