import type { Plan, TreatedDropout } from '../pattern';
import type { VisitMix } from '../visit';
import type { WorkBowls } from './bowls';
import type { LetterRow } from './letters';
import { UNIT_WORDS, type WorkUnit } from './unit';

/** Something that cannot be done as it is written. */
export interface WorkProblem {
  /** Panel that it is seen at; null where it is the mix alone. */
  readonly panel: string | null;
  /** A sentence that names the place. */
  readonly words: string;
}

interface Facts {
  readonly plan: Plan;
  readonly mix: Pick<VisitMix, 'formulas'>;
  readonly rows: readonly LetterRow[];
  readonly units: readonly WorkUnit[];
  readonly unplaced: readonly TreatedDropout[];
  readonly bowls: WorkBowls;
}

/** Everything in the work that cannot be done as it is written, a sentence each. */
export function workProblems(facts: Facts): WorkProblem[] {
  return [
    ...mixProblems(facts),
    ...rotationProblems(facts),
    ...endsProblems(facts),
    ...emptyProblems(facts),
    ...lowlightProblems(facts),
    ...(facts.bowls.ok ? [] : [{ panel: null, words: facts.bowls.problem }]),
  ];
}

const foilsIn = (units: readonly WorkUnit[]) => {
  const [first] = units;
  const [one, many] = UNIT_WORDS[first.kind];
  return `${first.panelName}, ${units.length === 1 ? `${one} ${first.number}` : `${units.length} ${many}`}`;
};

/** Letters that no formula was chosen for where others were, and those that cannot be mixed. */
function mixProblems({ mix, rows, units }: Facts): WorkProblem[] {
  const chosen = Object.keys(mix.formulas).length > 0;
  const known = new Set(rows.map(({ letter }) => letter));
  const without = new Map(
    units
      .filter(({ letter }) => !known.has(letter))
      .reverse()
      .map((unit) => [unit.letter, unit]),
  );
  return [
    ...[...without.values()].map(({ letter, panel, panelName }) => ({
      panel,
      words: `Letter ${letter} (${panelName}) has no formula, and the house has no lightener to use.`,
    })),
    ...rows.flatMap(({ letter, chosen: own, problem }): WorkProblem[] => {
      const [first] = units.filter((unit) => unit.letter === letter);
      if (!first) return [];
      if (problem !== null)
        return [{ panel: first.panel, words: `Formula ${letter} (${first.panelName}): ${problem}.` }];
      return chosen && !own
        ? [
            {
              panel: first.panel,
              words: `Letter ${letter} (${first.panelName}) has no formula yet: the usual one is used, ${first.mix}.`,
            },
          ]
        : [];
    }),
  ];
}

/** Letters of a rotation that the panel is too short for. */
function rotationProblems({ plan, units }: Facts): WorkProblem[] {
  return plan.panels.flatMap(({ id, name, rotation, muted }): WorkProblem[] => {
    if (muted || !rotation) return [];
    const own = units.filter(({ panel, kind }) => panel === id && (kind === 'foil' || kind === 'open-air'));
    if (own.length === 0) return [];
    const places =
      rotation.by === 'foil'
        ? own.length
        : new Set(own.map(({ side, row }) => (rotation.anew ? row : `${side} ${row}`))).size;
    const there = Math.min(places, rotation.to ?? Infinity) - rotation.from + 1;
    const what = rotation.by === 'foil' ? 'foils' : 'rows';
    if (there <= 0)
      return [
        {
          panel: id,
          words: `${name}: its formulas take turns from ${what.slice(0, -1)} ${rotation.from} on, and it has ${places} ${what}.`,
        },
      ];
    return there < rotation.sequence.length
      ? [
          {
            panel: id,
            words: `${name}: ${[...rotation.sequence].join(' ')} in turn is longer than its ${there} ${what}: ${[...rotation.sequence.slice(there)].join(' ')} is never reached.`,
          },
        ]
      : [];
  });
}

/** Ends with a mix of their own that are longer than the hair: all of it takes their mix. */
function endsProblems({ rows, units }: Facts): WorkProblem[] {
  return rows.flatMap(({ letter, formula }): WorkProblem[] => {
    const last = formula.ends?.lastMm;
    const own =
      last === undefined
        ? []
        : units.filter((unit) => unit.letter === letter && unit.endsMm > 0 && last >= unit.hairMm);
    return own.length === 0
      ? []
      : [
          {
            panel: own[0].panel,
            words: `Formula ${letter}: its ends (the last ${Math.round(last!)} mm) are longer than the hair, ${Math.round(Math.min(...own.map(({ hairMm }) => hairMm)))} mm (${own[0].panelName}): all of it takes the ends’ mix.`,
          },
        ];
  });
}

/** Units on which nothing is painted. */
function emptyProblems({ units }: Facts): WorkProblem[] {
  const groups = new Map<string, WorkUnit[]>();
  for (const unit of units)
    if (unit.grams + unit.endsGrams <= 0)
      groups.set(`${unit.panel} ${unit.kind}`, [...(groups.get(`${unit.panel} ${unit.kind}`) ?? []), unit]);
  return [...groups.values()].map((own) => ({
    panel: own[0].panel,
    words: `${foilsIn(own)}: nothing is painted. The product would begin ${Math.round(own[0].startMm + own[0].featherMm / 2)} mm from the scalp and end before that; the hair there is ${Math.round(own[0].hairMm)} mm long.`,
  }));
}

function lowlightProblems({ plan, unplaced }: Facts): WorkProblem[] {
  return [...new Set(unplaced.map(({ panel }) => panel))].map((id) => ({
    panel: id,
    words: `${plan.panels.find((panel) => panel.id === id)?.name ?? id}: its lowlit drop-outs have no formula that deposits, and the house has no shade for one.`,
  }));
}
