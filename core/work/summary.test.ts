import { startPlan } from '../formats';
import { visitOf } from '../visit/computed/testing';
import { groupsOf, groupWords, numberWords, workSummary } from './summary';
import { unitWith } from './testing';

const of = (kind: 'foil' | 'tip-out' | 'paint', letter: string, numbers: readonly number[]) =>
  numbers.map((number) => unitWith({ kind, letter, number }));
const units = [
  ...of('tip-out', 'A', [1, 2]),
  ...of('foil', 'B', [4, 5]),
  ...of('foil', 'A', [1, 2, 3]),
  ...of('paint', 'A', [1]),
];

test('what a panel takes is counted by letter, then by kind, foils first', () => {
  expect(groupsOf(units)).toEqual([
    { letter: 'A', kind: 'foil', count: 3 },
    { letter: 'A', kind: 'tip-out', count: 2 },
    { letter: 'A', kind: 'paint', count: 1 },
    { letter: 'B', kind: 'foil', count: 2 },
  ]);
  expect(groupWords(groupsOf(units))).toBe('3 foils A, 2 tip-outs A, 1 painted drop-out A, 2 foils B');
});

test('numbers that follow each other are a stretch, whatever the order they come in', () => {
  expect(numberWords(of('foil', 'A', [11, 3, 1, 2, 8, 7]))).toBe('foils 1–3, 7–8, 11');
  expect(numberWords(of('foil', 'A', [9]))).toBe('foil 9');
  expect(numberWords([...of('tip-out', 'A', [2]), ...of('foil', 'A', [1, 2])])).toBe('foils 1–2, tip-out 2');
  expect(numberWords([])).toBe('');
});

test('the work in words: its foils, a line a panel, and what each letter is', () => {
  const plan = startPlan();
  const { work } = visitOf({ plan });
  const foils = (panel: string) => work.units.filter((unit) => unit.panel === panel).length;
  const [head, ...lines] = workSummary(plan, work).split('\n');
  expect(head).toBe(`${plan.name}, ${work.units.length} foils.`);
  expect(lines.slice(0, 3)).toEqual(
    plan.panels.map(({ id, name }) =>
      expect.stringMatching(`^${name}: ${foils(id)} foils A; fine weave, 4 \\+ 5 mm\\.$`),
    ),
  );
  expect(lines.slice(3)).toEqual([`A: ${work.units[0].mix}.`]);
  const ends = workSummary(plan, { ...work, units: [unitWith({ endsMix: '10 vol, 1 : 2' })] });
  expect(ends).toMatch(/A: Moth blue powder, 20 vol, 1 : 2; ends 10 vol, 1 : 2\.$/);
  // A panel without units has no line.
  expect(ends).not.toContain('Side, left');
});
