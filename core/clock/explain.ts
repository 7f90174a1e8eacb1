import {
  isPast,
  USUAL_RULES,
  type Block,
  type ClockRules,
  type FoilAt,
  type PlacedFoil,
  type Timeline,
} from './types';

/** What holds a plan as it is: nothing can move without it. */
export interface Binding {
  readonly kind: 'over' | 'limit' | 'again' | 'pull' | 'ready' | 'bowl';
  readonly block: number;
  /** Place of the foil in its block, from 0. */
  readonly foil: number;
  /** Minute that it is about, and minutes to spare (< 0: over). */
  readonly at: number;
  readonly slack: number;
  readonly words: string;
}

const rounded = (minutes: number) => String(Math.round(minutes));

/**
 * What binds a plan: the foil nearest to (or past) its limit, the pulls between the foils, what the basin
 * waits for, and bowls that are spent in the middle of a panel.
 */
export function bindingsOf(
  blocks: readonly Block[],
  timeline: Timeline,
  rules: ClockRules = USUAL_RULES,
): Binding[] {
  const nameOf = ({ block, index }: FoilAt) => `${blocks[block].name}, foil ${index + 1}`;
  return [
    ...limitBinding(timeline, nameOf),
    ...againBinding(timeline),
    ...pullBinding(timeline),
    ...readyBindings(timeline, nameOf),
    ...bowlBindings(timeline, rules, nameOf),
  ];
}

function limitBinding({ foils }: Timeline, nameOf: (foil: FoilAt) => string): Binding[] {
  // What comes off in its last minutes on purpose says nothing.
  const own = foils.filter((foil) => foil.expected || isPast(foil));
  const nearest = own.reduce<PlacedFoil | undefined>(
    (best, foil) => (best === undefined || foil.limit - foil.clear < best.limit - best.clear ? foil : best),
    undefined,
  );
  if (!nearest) return [];
  const { block, index, limit, clear } = nearest;
  const slack = limit - clear;
  const at = { block, foil: index, at: clear, slack };
  if (slack < -1e-6)
    return [
      {
        ...at,
        kind: 'over',
        words: `${nameOf(nearest)} is clear at minute ${rounded(clear)}, ${rounded(-slack)} min past its limit.`,
      },
    ];
  return [
    {
      ...at,
      kind: 'limit',
      words: `${nameOf(nearest)} is the nearest to its limit: clear at minute ${rounded(clear)}, ${rounded(slack)} min to spare.`,
    },
  ];
}

function againBinding({ pulls: all }: Timeline): Binding[] {
  const pulls = all.filter(({ paintedAgain }) => paintedAgain);
  const [first] = pulls;
  if (!first) return [];
  const count = pulls.reduce((sum, { foils }) => sum + foils.length, 0);
  const minutes = pulls.reduce((sum, { from, to }) => sum + to - from, 0);
  const { block, index } = first.foils[0];
  return [
    {
      kind: 'again',
      block,
      foil: index,
      at: first.from,
      slack: 0,
      words: `From minute ${rounded(first.from)} on ${count === 1 ? 'one foil is' : `${count} foils are`} opened, wiped and painted again: ${rounded(minutes)} min in all.`,
    },
  ];
}

function pullBinding({ pulls: all }: Timeline): Binding[] {
  const pulls = all.filter(({ paintedAgain }) => !paintedAgain);
  const [first] = pulls;
  if (!first) return [];
  const count = pulls.reduce((sum, { foils }) => sum + foils.length, 0);
  const minutes = pulls.reduce((sum, { from, to }) => sum + to - from, 0);
  const { block, index } = first.foils[0];
  const goes = pulls.length === 1 ? 'at once' : `in ${pulls.length} rounds`;
  return [
    {
      kind: 'pull',
      block,
      foil: index,
      at: first.from,
      slack: 0,
      words: `From minute ${rounded(first.from)} on ${count === 1 ? 'one foil is' : `${count} foils are`} opened and wiped as they are ready, ${goes}: ${rounded(minutes)} min in all.`,
    },
  ];
}

function readyBindings({ foils, stages }: Timeline, nameOf: (foil: FoilAt) => string): Binding[] {
  return stages.flatMap(({ foils: set, from, blocks: rinsed }): Binding[] => {
    const own = foils.filter(
      ({ pulled, block, index }) =>
        !pulled && rinsed.includes(block) && set.some((foil) => foil.block === block && foil.index === index),
    );
    if (own.length === 0) return [];
    const last = own.reduce((a, b) => (b.ready - b.wet > a.ready - a.wet ? b : a));
    if (Math.abs(last.ready - last.wet) > 1e-6) return [];
    return [
      {
        kind: 'ready',
        block: last.block,
        foil: last.index,
        at: from,
        slack: 0,
        words: `The basin at minute ${rounded(from)} waits for ${nameOf(last)}: it is ready at minute ${rounded(last.ready)}.`,
      },
    ];
  });
}

/** Bowls that are spent in the middle of a panel: the hands stop for them. */
function bowlBindings(
  { foils, bowls }: Timeline,
  rules: ClockRules,
  nameOf: (foil: FoilAt) => string,
): Binding[] {
  if (rules.second === 'pulls') return [];
  return bowls.flatMap(({ at }): Binding[] => {
    const before = foils.filter(({ placed }) => placed <= at + 1e-6);
    const last = before.reduce<PlacedFoil | undefined>(
      (a, b) => (a === undefined || b.placed > a.placed ? b : a),
      undefined,
    );
    if (!last || !foils.some(({ block, index }) => block === last.block && index > last.index)) return [];
    return [
      {
        kind: 'bowl',
        block: last.block,
        foil: last.index,
        at,
        slack: 0,
        words: `A fresh bowl at minute ${rounded(at)}, after ${nameOf(last)}, takes ${rules.mixChange} min.`,
      },
    ];
  });
}
