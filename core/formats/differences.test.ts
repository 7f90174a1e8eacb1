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
  expect(differencesOf(mine, EMPTY_CONSULT)).toEqual([{ where: 'regrowth, temple, left', mine: '12 mm', theirs: 'none' }]);
});

test('equal documents do not differ', () => expect(differencesOf(startPlan(), startPlan())).toEqual([]));
