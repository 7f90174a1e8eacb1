import { startPlan } from './start-plan';
import { mergeEdits } from './merge';
import type { Plan } from '../pattern';

const base = startPlan();
const withPanel = (plan: Plan, n: number, change: object): Plan => ({
  ...plan,
  panels: plan.panels.map((panel, i) => (i === n ? { ...panel, ...change } : panel)),
});
const ids = (plan: Plan) => plan.panels.map(({ id }) => id);

test('different figures of one panel, and different panels, come together', () => {
  const mine = withPanel(withPanel(base, 0, { thicknessMm: 7 }), 1, { name: 'Mine' });
  const theirs = { ...withPanel(base, 0, { name: 'Theirs' }), name: 'Their plan' };
  const { document, conflicts } = mergeEdits(base, mine, theirs, 'theirs');
  expect(conflicts).toEqual([]);
  expect(document).toEqual({
    ...withPanel(withPanel(base, 0, { thicknessMm: 7, name: 'Theirs' }), 1, { name: 'Mine' }),
    name: 'Their plan',
  });
});

test('the same figure changed by both is a conflict: one stands, everything else comes together', () => {
  const mine = withPanel(base, 0, { thicknessMm: 7, name: 'Mine' });
  const theirs = withPanel(base, 0, { thicknessMm: 3 });
  const path = `panels/${base.panels[0].id}/thicknessMm`;
  expect(mergeEdits(base, mine, theirs, 'theirs')).toEqual({
    conflicts: [path],
    document: withPanel(base, 0, { thicknessMm: 3, name: 'Mine' }),
  });
  expect(mergeEdits(base, mine, theirs, 'mine')).toEqual({ conflicts: [path], document: mine });
  // Both came to the same: nothing to decide.
  expect(mergeEdits(base, mine, withPanel(base, 0, { thicknessMm: 7 }), 'theirs')).toEqual({
    conflicts: [],
    document: mine,
  });
});

test('a kind is never mixed out of two', () => {
  const thing = (own: object) => ({ gather: { kind: 'slice', thicknessMm: 4, ...own } });
  const weave = { gather: { kind: 'weave', stitchMm: 3, gapMm: 2 } };
  const fatter = thing({ thicknessMm: 6 });
  expect(mergeEdits<object>(thing({}), weave, fatter, 'theirs')).toEqual({
    conflicts: ['gather'],
    document: fatter,
  });
  expect(mergeEdits<object>(thing({}), weave, fatter, 'mine')).toEqual({
    conflicts: ['gather'],
    document: weave,
  });
});

test('panels added, removed and moved by both', () => {
  const [a, b] = base.panels;
  const panel = (id: string) => ({ ...a, id, name: id });
  const plan = (...panels: Plan['panels']): Plan => ({ ...base, panels });
  const start = plan(a, b);
  expect(
    ids(mergeEdits(start, plan(a, panel('mine'), b), plan(a, b, panel('theirs')), 'theirs').document),
  ).toEqual([a.id, 'mine', b.id, 'theirs']);
  // Mine was put first of all.
  expect(
    ids(mergeEdits(start, plan(panel('mine'), a, b), plan(panel('theirs'), a, b), 'theirs').document),
  ).toEqual(['mine', 'theirs', a.id, b.id]);
  expect(ids(mergeEdits(start, plan(a), plan(b, a), 'theirs').document)).toEqual([a.id]);
  expect(ids(mergeEdits(start, plan(b, a), plan(a, b, panel('theirs')), 'theirs').document)).toEqual([
    b.id,
    'theirs',
    a.id,
  ]);
  // Removed by one, changed by the other: what was changed is not lost silently.
  const removed = mergeEdits(start, plan(a), plan(a, { ...b, name: 'Changed' }), 'theirs');
  expect([removed.conflicts, ids(removed.document)]).toEqual([[`panels/${b.id}`], [a.id, b.id]]);
});

test('lists without ids are one thing; what nobody changed stays the same object', () => {
  const [first, second] = [
    { tags: ['a'], at: { x: 1 } },
    { tags: ['a', 'b'], at: { x: 1 } },
  ];
  expect(mergeEdits(first, second, { ...first, tags: ['c'] }, 'theirs')).toEqual({
    conflicts: ['tags'],
    document: { tags: ['c'], at: { x: 1 } },
  });
  expect(mergeEdits(first, second, { ...first }, 'theirs').document).toBe(second);
  const merged = mergeEdits<object>(first, second, { ...first, more: 2 }, 'theirs').document as typeof second;
  expect(merged).toEqual({ ...second, more: 2 });
  expect(merged.at).toBe(second.at);
});

test('a field that one side left out is gone; one that it added is there', () => {
  expect(mergeEdits<object>({ a: 1, b: 2 }, { b: 2 }, { a: 1, b: 2, c: 3 }, 'theirs')).toEqual({
    conflicts: [],
    document: { b: 2, c: 3 },
  });
});
