import { engine, planWith } from './testing';
import type { HandEdit } from './types';

const plain = planWith([{ id: 'back' }]);
const compute = (edits: readonly HandEdit[], dropoutMm = 5) =>
  engine.compute({ ...planWith([{ id: 'back', spacing: { kind: 'constant', dropoutMm } }]), edits }).sheet;
const before = engine.compute(plain).sheet;
const foil = (sheet: typeof before, id: string) => sheet.foils.find((other) => other.id === id)!;

test('delete takes one foil and leaves every other as it was', () => {
  const sheet = compute([{ kind: 'delete', foil: 'back/3/1' }]);
  expect(sheet.foils.map(({ id }) => id)).toEqual(
    before.foils.map(({ id }) => id).filter((id) => id !== 'back/3/1'),
  );
  expect(sheet.edits).toEqual([]);
});

test('move shifts it along the spine', () => {
  const sheet = compute([{ kind: 'move', foil: 'back/5/1', byMm: 2 }]);
  expect(foil(sheet, 'back/5/1').byHand).toBe(true);
  expect(foil(sheet, 'back/5/1').widthMm).not.toBe(foil(before, 'back/5/1').widthMm);
  expect(sheet.edits).toEqual([]);
});

test('moved onto its neighbour it is moved, and that is said', () => {
  const sheet = compute([{ kind: 'move', foil: 'back/5/1', byMm: 8 }]);
  expect(sheet.edits).toEqual([{ edit: 0, applied: true, note: 'back/5/1 now lies over back/6/1.' }]);
});

test('widen changes its width by what was asked, to a millimetre', () => {
  const sheet = compute([{ kind: 'widen', foil: 'back/12/1', startMm: -10, endMm: -5 }]);
  expect(Math.abs(foil(sheet, 'back/12/1').widthMm - foil(before, 'back/12/1').widthMm + 15)).toBeLessThan(1);
});

test('retype changes gather, formula and thickness of one foil', () => {
  const sheet = compute([
    { kind: 'retype', foil: 'back/2/-1', gather: { kind: 'slice' }, formula: 'C', thicknessMm: 2 },
  ]);
  expect(foil(sheet, 'back/2/-1')).toMatchObject({
    gather: 'slice',
    formula: 'C',
    thicknessMm: 2,
    pickedShare: 1,
    byHand: true,
  });
  expect(Math.abs(foil(sheet, 'back/2/-1').areaMm2 / foil(before, 'back/2/-1').areaMm2 - 0.5)).toBeLessThan(
    0.02,
  );
});

test('add puts one more on the parting that far into the panel, numbered from 1001', () => {
  const sheet = compute([{ kind: 'add', panel: 'back', side: 'left', atMm: 60 }]);
  const known = new Set(before.foils.map(({ id }) => id));
  const added = sheet.foils.filter(({ id }) => !known.has(id));
  expect(added.length).toBeGreaterThan(0);
  expect(added).toEqual(
    added.map(() => expect.objectContaining({ row: 1001, byHand: true, side: 'left', panel: 'back' })),
  );
  expect(sheet.totals.foils).toBe(before.totals.foils + added.length);
});

describe('when the recipe changes', () => {
  const edits: HandEdit[] = [
    { kind: 'retype', foil: 'back/4/1', gather: { kind: 'slice' } },
    { kind: 'delete', foil: 'back/20/-1' },
  ];

  test('edits whose foil is still there survive', () => {
    const sheet = compute(edits, 6);
    expect(foil(sheet, 'back/4/1').gather).toBe('slice');
    expect(sheet.edits).toEqual([]);
  });

  test('those whose foil is gone are listed, and change nothing', () => {
    const sheet = compute(edits, 14);
    expect(foil(sheet, 'back/4/1').gather).toBe('slice');
    expect(sheet.edits).toEqual([{ edit: 1, applied: false, note: 'There is no foil back/20/-1 any more.' }]);
  });
});

test.each([
  [{ kind: 'move', foil: 'back/1/1', byMm: -100 }, /cannot be moved by -100 mm/],
  [{ kind: 'widen', foil: 'back/9/1', startMm: -100, endMm: -100 }, /narrower than 5 mm/],
  [
    { kind: 'add', panel: 'back', side: 'left', atMm: 480 },
    /cannot be added 480 mm into Panel 1: it is \d+ mm long/,
  ],
  [{ kind: 'add', panel: 'nowhere', side: 'left', atMm: 5 }, /There is no panel nowhere/],
] as [HandEdit, RegExp][])('%j is listed with its reason', (edit, sentence) => {
  const sheet = compute([edit]);
  expect(sheet.edits).toEqual([{ edit: 0, applied: false, note: expect.stringMatching(sentence) }]);
  expect(sheet.totals).toEqual(before.totals);
});
