import { foilingMinutes } from './pace';

const foil = (panel: string, gather: 'slice' | 'weave') => ({ panel, gather });

test('two weaves and a slice in two panels', () => {
  const foils = [foil('back', 'weave'), foil('back', 'weave'), foil('side', 'slice')];
  expect(foilingMinutes(foils)).toBeCloseTo((62 + 62 + 50) / 60 + 2, 9);
});

test('nothing takes no time', () => expect(foilingMinutes([])).toBe(0));
