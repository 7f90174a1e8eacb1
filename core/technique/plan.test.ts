import { startPlan } from '../formats';
import { engine } from '../pattern/testing';
import { techniqueOf } from './library';
import { applyToPanel, planOf } from './plan';

test('a technique for one panel changes its recipe, and neither its place nor any other panel', () => {
  const before = startPlan();
  const after = applyToPanel(before, 'side-left', techniqueOf('staggered-back')!);
  expect(after.panels.filter(({ id }) => id !== 'side-left')).toEqual(
    before.panels.filter(({ id }) => id !== 'side-left'),
  );
  const [own, was] = [after, before].map(({ panels }) => panels.find(({ id }) => id === 'side-left')!);
  expect({ name: own.name, place: own.place, side: own.side }).toEqual({
    name: was.name,
    place: was.place,
    side: was.side,
  });
  expect(own.direction.kind).toBe('sequence');
  expect(engine.compute(after).sheet.totals.foils).not.toBe(engine.compute(before).sheet.totals.foils);
});

test('the panel on a place of the same kind gives the recipe', () => {
  const quarters = techniqueOf('four-quarters')!;
  const after = applyToPanel(startPlan(), 'side-left', quarters).panels.find(({ id }) => id === 'side-left')!;
  expect(after.direction).toEqual(
    planOf(quarters).panels.find(({ place }) => place.kind === 'side')!.direction,
  );
});
