import { dropoutSeconds, foilSeconds, workMinutes } from './pace';

const foil = (panel: string, gather: 'slice' | 'weave') => ({
  panel,
  seconds: foilSeconds({ panel, gather }),
});

test('two weaves and a slice in two panels', () => {
  const foils = [foil('back', 'weave'), foil('back', 'weave'), foil('side', 'slice')];
  expect(workMinutes(foils)).toBeCloseTo((62 + 62 + 50) / 60 + 2, 9);
});

test('nothing takes no time', () => expect(workMinutes([])).toBe(0));

test('three drop-outs tipped out at once take as long as one painted section; a lowlight takes its own time each', () => {
  expect(3 * dropoutSeconds('tip-out', 3, 0)).toBeCloseTo(25, 9);
  expect(dropoutSeconds('paint', 1, 0)).toBe(25);
  expect([dropoutSeconds('lowlight', 3, 0), dropoutSeconds('lowlight', 1, 2)]).toEqual([50, 110]);
});
