import { EMPTY_CONSULT } from './consult-document';
import { differencesOf } from './differences';
import { startPlan } from './start-plan';

test('names the panel, the field and both values', () => {
  const mine = startPlan();
  const theirs = {
    ...mine,
    panels: mine.panels.map((panel) =>
      panel.id === 'back' ? { ...panel, spacing: { kind: 'constant' as const, dropoutMm: 10 } } : panel,
    ),
  };
  expect(differencesOf(mine, theirs)).toEqual([{ where: 'Back, drop-out', mine: '5 mm', theirs: '10 mm' }]);
});

test('a panel that only one side has differs in its own fields, not in its neighbours', () => {
  const mine = startPlan();
  const theirs = { ...mine, panels: mine.panels.slice(1) };
  const differences = differencesOf(mine, theirs);
  expect(differences.length).toBeGreaterThan(3);
  for (const difference of differences) {
    expect(difference.where).toMatch(/^Back, /);
    expect(difference.theirs).toBe('none');
  }
});

test('regrowth is named by zone', () => {
  const mine = { ...EMPTY_CONSULT, regrowthMm: { 'temple-l': 12 } };
  expect(differencesOf(mine, EMPTY_CONSULT)).toEqual([
    { where: 'regrowth, temple, left', mine: '12 mm', theirs: 'none' },
  ]);
});

test('lists are counted, zones named, and what is missing is none', () => {
  const [back] = startPlan().panels;
  const graded = (...dropoutsMm: number[]) => ({
    panels: [{ ...back, spacing: { kind: 'graded', dropoutsMm } }],
  });
  expect(differencesOf(graded(2, 5), graded(2, 6))).toEqual([
    { where: 'Back, drop-out 2', mine: '5 mm', theirs: '6 mm' },
  ]);
  const hair = (byZone: object) => ({ hair: { byZone } });
  expect(differencesOf(hair({ 'temple-l': { densityPerCm2: 120 } }), hair({}))).toEqual([
    { where: 'density, temple, left', mine: '120', theirs: 'none' },
  ]);
  expect(differencesOf({ earToEarMm: null }, {})).toEqual([]);
});

test('a list may hold nothing in places, such as the hours of a closed day', () => {
  const open = { from: 540, to: 1140 };
  expect(differencesOf({ opening: { week: [open, null] } }, { opening: { week: [open, null] } })).toEqual([]);
  expect(
    differencesOf({ opening: { week: [null, null] } }, { opening: { week: [null, open] } }).map(
      ({ theirs }) => theirs,
    ),
  ).toEqual(['540', '1140']);
});

test('equal documents do not differ', () => expect(differencesOf(startPlan(), startPlan())).toEqual([]));
