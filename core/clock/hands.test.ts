import { USUAL_RULES, type ClockRules } from '.';
import { basinMinutes, placing, whenThere, type Hands } from './hands';

const RULES: ClockRules = { ...USUAL_RULES, panelChange: 2, mixChange: 3, usefulMinutes: 35 };
const AT_WORK: Hands = { free: 10, panel: 'back', bowls: { A: 0 } };

test.each<[string, Partial<ClockRules>, readonly string[], number, number]>([
  ['from the open bowl', {}, ['A'], 10, 11],
  ['a fresh bowl of another mix first', {}, ['B'], 13, 14],
  ['a fresh bowl of each mix it takes', {}, ['B', 'C'], 16, 17],
  ['a bowl that the helper mixed and hands over', { second: 'pulls' }, ['B'], 10, 11],
  ['a fresh bowl of its own where the helper foils', { second: 'foils' }, ['B'], 13, 14],
])('the next foil of the panel: %s', (_, rules, mixes, begun, closed) =>
  expect(placing('back', 1, mixes, 10, AT_WORK, { ...RULES, ...rules })).toMatchObject({ begun, closed }),
);

test('the first foil of all waits for no bowl and no panel; the next panel takes a change', () => {
  const fresh: Hands = { free: 0, panel: undefined, bowls: undefined };
  expect(placing('back', 1, ['A'], 0, fresh, RULES)).toMatchObject({
    begun: 0,
    closed: 1,
    bowls: [{ mix: 'A', at: 0 }],
    hands: { free: 1, panel: 'back', bowls: { A: 0 } },
  });
  expect(placing('left', 1, ['A'], 10, AT_WORK, RULES)).toMatchObject({ begun: 12, bowls: [] });
});

test('a bowl serves for its useful time, and at the hairline for longer', () => {
  const at = (from: number, oldBowl = 0) => placing('back', 1, ['A'], from, AT_WORK, RULES, oldBowl).begun;
  expect([at(34.9), at(35)]).toEqual([34.9, 38]);
  expect([at(44, 10), at(45, 10)]).toEqual([44, 48]);
});

test('what takes a while is not begun before a break that it would run into', () => {
  const away = [{ from: 20, to: 50 }];
  expect([
    whenThere(18, 2, away),
    whenThere(18, 3, away),
    whenThere(30, 1, away),
    whenThere(50, 9, away),
  ]).toEqual([18, 50, 50, 50]);
});

test('at the basin: setting up, each panel, finishing', () =>
  expect([basinMinutes(1, RULES), basinMinutes(3, RULES)]).toEqual([7, 11]));
