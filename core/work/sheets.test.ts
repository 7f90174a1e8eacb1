import { visitOf } from '../visit/computed/testing';
import { planWith } from '../pattern/testing';
import { sheetsToCut, together } from '.';

const units = (panel: object, lengthMm = 300) => {
  const plan = {
    ...planWith([
      {
        place: { kind: 'hairline-band', widthMm: 10 },
        direction: { kind: 'hairline' },
        spacing: { kind: 'constant', dropoutMm: 5 },
        ...panel,
      },
    ]),
    hair: { densityPerCm2: 170, strand: 'medium' as const, lengthMm, byZone: {} },
  };
  return { plan, work: visitOf({ plan }).work };
};

test('a sheet is as long as the hair and the fold, as wide as the section and its sides; longer hair is folded back once', () => {
  const cut = (lengthMm: number) => {
    const { plan, work } = units({}, lengthMm);
    return sheetsToCut(work.units, plan);
  };
  // 706 mm of hairline in eight foils of about 88 mm: 88 + 25 is 120 wide; 300 + 30 is 350 long.
  expect(cut(300)).toEqual([{ widthMm: 120, lengthMm: 350, count: 8 }]);
  // 500 + 30 is more than a sheet of 400 holds: half of it, and the fold.
  expect(cut(500)).toEqual([{ widthMm: 120, lengthMm: 300, count: 8 }]);
});

test('one sheet under and one over are two; painted in the open air takes none', () => {
  const covered = units({ cover: 'under-and-over' });
  expect(sheetsToCut(covered.work.units, covered.plan)).toEqual([{ widthMm: 120, lengthMm: 350, count: 16 }]);
  const open = units({ medium: 'open-air' });
  expect(sheetsToCut(open.work.units, open.plan)).toEqual([]);
});

test('sheets of several visits are counted by size, widest first', () => {
  const size = (widthMm: number, lengthMm: number, count: number) => ({ widthMm, lengthMm, count });
  expect(together([size(80, 200, 3), size(120, 350, 2), size(80, 200, 4), size(80, 300, 1)])).toEqual([
    size(120, 350, 2),
    size(80, 300, 1),
    size(80, 200, 7),
  ]);
});
