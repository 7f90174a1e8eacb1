import { clearLostEdits, dropFoil, moveFoil, restoreFoil, retypeFoil } from './foil-edits';
import { engine, planWith } from './testing';

const plan = planWith([{ id: 'back' }]);
const foil = (current: typeof plan, id: string) =>
  engine.compute(current).sheet.foils.find((one) => one.id === id);

test('dropping takes one foil away, and restoring brings it back as it was', () => {
  const without = dropFoil(retypeFoil(plan, 'back/4/1', { formula: 'C' }), 'back/4/1');
  expect(foil(without, 'back/4/1')).toBeUndefined();
  expect(without.edits).toEqual([{ kind: 'delete', foil: 'back/4/1' }]);
  expect(foil(restoreFoil(without, 'back/4/1'), 'back/4/1')).toEqual(foil(plan, 'back/4/1'));
});

test('what is changed of a foil adds up in one edit', () => {
  const changed = retypeFoil(retypeFoil(plan, 'back/4/1', { gather: { kind: 'slice' } }), 'back/4/1', {
    formula: 'B',
  });
  expect(changed.edits).toEqual([
    { kind: 'retype', foil: 'back/4/1', gather: { kind: 'slice' }, formula: 'B' },
  ]);
  expect(foil(changed, 'back/4/1')).toMatchObject({ gather: 'slice', formula: 'B', byHand: true });
});

test('moves add up, and moving back leaves no edit', () => {
  const moved = moveFoil(moveFoil(plan, 'back/4/1', 2), 'back/4/1', 1);
  expect(moved.edits).toEqual([{ kind: 'move', foil: 'back/4/1', byMm: 3 }]);
  expect(moveFoil(moved, 'back/4/1', -3).edits).toEqual([]);
});

test('edits that lost their foil are cleared, the others stay', () => {
  const edited = dropFoil(dropFoil(plan, 'back/4/1'), 'back/99/1');
  expect(clearLostEdits(edited, engine.compute(edited).sheet.edits).edits).toEqual([
    { kind: 'delete', foil: 'back/4/1' },
  ]);
});
