import { startPlan } from '../formats';
import { addPanel, duplicatePanel, mirrorPanelIn, movePanel, removePanel, sectionFirst } from './panel-edits';
import { engine } from './testing';

const plan = startPlan();
const ids = (current: typeof plan) => current.panels.map(({ id }) => id);
const names = (current: typeof plan) => current.panels.map(({ name }) => name);

test('duplicating puts the same panel behind it under names of its own', () => {
  const twice = duplicatePanel(duplicatePanel(plan, 'back'), 'back');
  expect(ids(twice)).toEqual(['back', 'back-3', 'back-2', 'side-left', 'side-right']);
  expect(names(twice).slice(0, 3)).toEqual(['Back', 'Back 3', 'Back 2']);
});

test('mirroring a one-sided panel makes the other side', () => {
  const left = removePanel(plan, 'side-right');
  const both = mirrorPanelIn(left, 'side-left');
  expect(both.panels.at(-1)).toMatchObject({ id: 'side-right', name: 'Side, right', side: 'right' });
  const foils = engine.compute(both).sheet.panels;
  expect(foils.find(({ panel }) => panel === 'side-right')!.foils).toBe(
    foils.find(({ panel }) => panel === 'side-left')!.foils,
  );
});

test('moving changes the order of work and nothing else', () => {
  expect(ids(movePanel(plan, 'back', 2))).toEqual(['side-left', 'side-right', 'back']);
  expect(ids(movePanel(plan, 'side-right', -5))).toEqual(['side-right', 'back', 'side-left']);
  expect(movePanel(plan, 'nowhere', 1)).toBe(plan);
});

test('removing takes the sectioning and the hand edits along', () => {
  const edited = {
    ...sectionFirst(plan, 'back', true),
    edits: [
      { kind: 'delete', foil: 'back/3/1' },
      { kind: 'delete', foil: 'side-left/1/1' },
    ] as const,
  };
  const without = removePanel(edited, 'back');
  expect(without.sectioning).toEqual([]);
  expect(without.edits).toEqual([{ kind: 'delete', foil: 'side-left/1/1' }]);
});

test('a panel sectioned off first has its hair, the others what is left', () => {
  const face = {
    ...plan.panels[1],
    id: 'face',
    name: 'Face',
    side: 'both' as const,
    place: { kind: 'face-frame' as const, depthMm: 50, reachDeg: 55 },
  };
  const last = addPanel(plan, face);
  expect(engine.compute(last).sheet.problems.map(({ panel }) => panel)).toContain('face');
  const first = engine.compute(sectionFirst(last, 'face', true)).sheet;
  expect(first.problems).toEqual([]);
  expect(first.panels.find(({ panel }) => panel === 'side-left')!.takenBy).toEqual([
    { panel: 'face', areaCm2: expect.any(Number) },
  ]);
});
