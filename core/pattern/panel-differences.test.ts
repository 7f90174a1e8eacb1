import { startPlan } from '../formats';
import { changePanel, duplicatePanel, removePanel } from './panel-edits';
import { panelDifferences, withPanelOf } from './panel-differences';

const saved = startPlan();
const thicker = changePanel(saved, 'back', (panel) => ({ ...panel, thicknessMm: 7 }));

test('what differs is said by panel: changed, added, removed, or changed by hand', () => {
  expect(panelDifferences(saved, saved)).toEqual([]);
  expect(panelDifferences(saved, thicker)).toEqual([{ id: 'back', name: 'Back', kind: 'changed' }]);
  expect(panelDifferences(saved, duplicatePanel(saved, 'back'))).toEqual([
    { id: 'back-2', name: 'Back 2', kind: 'added' },
  ]);
  expect(panelDifferences(saved, removePanel(saved, 'back'))).toEqual([
    { id: 'back', name: 'Back', kind: 'removed' },
  ]);
  expect(panelDifferences(saved, { ...saved, edits: [{ kind: 'delete', foil: 'side-left/1/1' }] })).toEqual([
    { id: 'side-left', name: 'Side, left', kind: 'changed' },
  ]);
});

test('one panel is taken over, and no other', () => {
  const draft = changePanel(
    changePanel(saved, 'back', (panel) => ({ ...panel, thicknessMm: 7 })),
    'side-left',
    (panel) => ({ ...panel, thicknessMm: 8 }),
  );
  const taken = withPanelOf(saved, { ...draft, edits: [{ kind: 'delete', foil: 'back/2/1' }] }, 'back');
  expect(taken.panels.map(({ thicknessMm }) => thicknessMm)).toEqual([7, 4, 4]);
  expect(taken.edits).toEqual([{ kind: 'delete', foil: 'back/2/1' }]);
  expect(panelDifferences(taken, { ...draft, edits: taken.edits }).map(({ id }) => id)).toEqual([
    'side-left',
  ]);
});

test('taking over every difference in turn gives the draft’s panels', () => {
  const draft = removePanel(duplicatePanel(thicker, 'back'), 'side-right');
  const all = panelDifferences(saved, draft).reduce((plan, { id }) => withPanelOf(plan, draft, id), saved);
  expect(all.panels).toEqual(draft.panels);
  expect(panelDifferences(all, draft)).toEqual([]);
});
