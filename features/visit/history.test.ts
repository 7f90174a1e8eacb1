import fc from 'fast-check';
import { advance, held, historyOf, redo, undo, rebased, type History } from './history';

const set = (value: number, gesture: string, at: number) => ({
  value,
  step: { label: (before: number, after: number) => `${before} → ${after}`, gesture, at },
});
const run = (steps: ReturnType<typeof set>[]) =>
  steps.reduce((h, { value, step }) => advance(h, value, step), historyOf(0));

test('undo and redo walk the steps and say what they did', () => {
  const made = run([set(5, 'a', 0), set(8, 'b', 5000)]);
  expect(made.past.map((step) => step.label)).toEqual(['0 → 5', '5 → 8']);
  const back = undo(made);
  expect(back.present).toBe(5);
  expect(back.future[0].label).toBe('5 → 8');
  expect(redo(back)).toEqual(made);
});

test('the steps of one drag are one step, named from where it began', () => {
  const made = run([set(5, 'drop', 0), set(6, 'drop', 100), set(9, 'drop', 300)]);
  expect(made.past).toHaveLength(1);
  expect(made.past[0].label).toBe('0 → 9');
  expect(undo(made).present).toBe(0);
});

test('a pause, another gesture or an undo begins a new step', () => {
  expect(run([set(5, 'drop', 0), set(6, 'drop', 2000)]).past).toHaveLength(2);
  expect(run([set(5, 'drop', 0), set(6, 'thick', 100)]).past).toHaveLength(2);
  const undone = undo(run([set(5, 'drop', 0), set(6, 'other', 100)]));
  expect(advance(undone, 7, set(7, 'drop', 150).step).past).toHaveLength(2);
});

test('undoing everything gives the first value, redoing everything the last', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer(), fc.constantFrom('a', 'b'), fc.integer({ min: 0, max: 3000 })), {
        maxLength: 40,
      }),
      (edits) => {
        let at = 0;
        const made = run(edits.map(([value, gesture, wait]) => set(value, gesture, (at += wait))));
        let h = made;
        for (let i = 0; i < 50; i += 1) h = undo(h);
        expect(h.present).toBe(0);
        for (let i = 0; i < 50; i += 1) h = redo(h);
        expect(h.present).toBe(made.present);
      },
    ),
  );
});

test('nothing to undo changes nothing', () => expect(undo(historyOf(3))).toEqual(historyOf(3)));

test('a drag is one step however slowly it goes; another drag of the same thing is another', () => {
  const first = held('width 1');
  const made = run([set(2, first, 0), set(3, first, 60_000), set(4, held('width 2'), 60_100)]);
  expect(made.past.map((step) => step.label)).toEqual(['0 → 3', '3 → 4']);
});

test('somebody else’s change goes into every step: stepping back undoes one’s own work only', () => {
  const step = (history: History<{ n: number; m: number }>, n: number) =>
    advance(history, { ...history.present, n }, { label: () => `n ${n}`, gesture: `${n}`, at: 0 });
  const own = undo(step(step(historyOf({ n: 0, m: 0 }), 1), 2));
  const seen: string[] = [];
  const after = rebased(own, (value, at) => {
    seen.push(at);
    return { ...value, m: 9 };
  });
  expect(after.present).toEqual({ n: 1, m: 9 });
  expect(undo(after).present).toEqual({ n: 0, m: 9 });
  expect(redo(after).present).toEqual({ n: 2, m: 9 });
  expect(after.past.map(({ label }) => label)).toEqual(['n 1']);
  expect(seen).toEqual(['step', 'now', 'step']);
});
