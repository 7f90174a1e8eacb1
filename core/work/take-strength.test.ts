import { EMPTY_MIX, startPlan } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualDeposit, usualFormula, type VisitMix } from '../visit';
import type { Plan } from '../pattern';
import type { LetterRow } from './letters';
import { takeStrength } from './take-strength';
import { unitWith } from './testing';

const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
const usual = usualFormula(shelf)!;
const plan = startPlan();
const row = (letter: string, formula: LetterRow['formula'] = usual) => ({
  letter,
  formula,
  chosen: false,
  recipe: null,
  problem: null,
  notes: [],
  units: 2,
  foils: 2,
});
const units = [
  unitWith({ id: 'back/1/0', panel: 'back' }),
  unitWith({ id: 'back/2/0', panel: 'back' }),
  unitWith({ id: 'side-left/1/0', panel: 'side-left' }),
];
const take = (
  ids: readonly string[],
  {
    all = false,
    letters = [row('A')],
    mix = EMPTY_MIX,
    on = plan,
    of = units,
  }: {
    all?: boolean;
    letters?: readonly ReturnType<typeof row>[];
    mix?: VisitMix;
    on?: Plan;
    of?: typeof units;
  } = {},
) => takeStrength({ plan: on, mix }, { letter: 'A', units: ids, all, volumes: 30 }, { units: of, letters });
const letterOf = (on: Plan, panel: string) => on.panels.find(({ id }) => id === panel)!.formula;

test('for all of its foils the formula itself changes, and what was poured from bottles is worked out again', () => {
  const letters = [row('A', { ...usual, bottles: ['moth-20'] })];
  const after = take([], { all: true, letters });
  expect(after.plan).toBe(plan);
  expect(after.mix.formulas).toEqual({ A: { ...usual, volumes: 30, bottles: null } });
});

test('a whole panel gets the first free letter; the one that is split is kept as it is', () => {
  const after = take(['side-left/1/0']);
  expect(letterOf(after.plan, 'side-left')).toBe('B');
  expect(letterOf(after.plan, 'back')).toBe('A');
  expect(after.plan.edits).toEqual([]);
  expect(after.mix.formulas).toEqual({ A: usual, B: { ...usual, volumes: 30, bottles: null } });
});

test('single foils are set by hand, painted sections stay', () => {
  const { plan: after } = take(['back/1/0']);
  expect(letterOf(after, 'back')).toBe('A');
  expect(after.edits).toHaveLength(1);
  expect(JSON.stringify(after.edits[0])).toContain('back/1/0');
  expect(JSON.stringify(after.edits[0])).toContain('"B"');
  const open = [unitWith({ id: 'back/1/0', kind: 'open-air' }), units[1]];
  expect(take(['back/1/0'], { of: open }).plan.edits).toEqual([]);
});

test('letters that the mix or the pattern has are not taken for another strength; the same formula is', () => {
  const other = { ...usual, volumes: 10 };
  expect(letterOf(take(['side-left/1/0'], { letters: [row('A'), row('B', other)] }).plan, 'side-left')).toBe(
    'C',
  );
  const mix = { ...EMPTY_MIX, formulas: { B: other } };
  expect(letterOf(take(['side-left/1/0'], { mix }).plan, 'side-left')).toBe('C');
  const same = { ...usual, volumes: 30, bottles: null };
  expect(letterOf(take(['side-left/1/0'], { letters: [row('A'), row('B', same)] }).plan, 'side-left')).toBe(
    'B',
  );
});

test('in a panel whose formulas take turns, only this one is exchanged', () => {
  const on: Plan = {
    ...plan,
    panels: plan.panels.map((panel) => ({
      ...panel,
      rotation: { sequence: 'CAA', by: 'foil', anew: false, from: 1, to: null } as const,
    })),
  };
  const { panels } = take(['side-left/1/0'], { on }).plan;
  expect(panels.map(({ rotation }) => rotation!.sequence)).toEqual(
    panels.map(({ id }) => (id === 'side-left' ? 'CBB' : 'CAA')),
  );
});

test('nothing changes where there is no lightener to strengthen, or no letter is free', () => {
  const deposit = take(['back/1/0'], { letters: [row('A', usualDeposit(shelf, 6)!)] });
  expect([deposit.plan, deposit.mix]).toEqual([plan, EMPTY_MIX]);
  const none = take(['back/1/0'], { letters: [] });
  expect([none.plan, none.mix]).toEqual([plan, EMPTY_MIX]);
  const full = take(['back/1/0'], {
    letters: [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].map((letter) => row(letter)),
  });
  expect([full.plan, full.mix]).toEqual([plan, EMPTY_MIX]);
});
