import { lightenedIn, overlapping } from './overlap';
import { unitWith } from './testing';

test('hair counts as lightened from a whole level on, in the lengths or at the ends, against how it grew there', () => {
  const map = {
    crown: { midsLevel: 7 },
    'top-l': { midsLevel: 6.5 },
    'top-r': { endsLevel: 8 },
    'front-l': { naturalLevel: 7, midsLevel: 7.5 },
    'front-r': { naturalLevel: 4, midsLevel: 5 },
    'nape-l': {},
  };
  expect(lightenedIn({ map, naturalLevel: 6 }).sort()).toEqual(['crown', 'front-r', 'top-r']);
});

describe('lightener over hair that was lightened before', () => {
  const lies = (part: Parameters<typeof unitWith>[0], mm?: number, zones: readonly 'upper-back-l'[] = []) =>
    overlapping([unitWith(part)], mm === undefined ? {} : { 'upper-back-l': mm }, zones).length === 1;

  test('goes by the measured regrowth, and 3 mm past it are no overlap', () => {
    expect(lies({ reachMm: [0, 33] }, 30)).toBe(false);
    expect(lies({ reachMm: [0, 34] }, 30)).toBe(true);
    expect(lies({ reachMm: [0, 300] }, 30)).toBe(true);
  });
  test('what only deposits, and what is not painted at all, never lies over it', () => {
    expect(lies({ lifts: false }, 30)).toBe(false);
    expect(lies({ reachMm: [40, 40] }, 30)).toBe(false);
  });
  test('where nothing was measured it goes by what is light, but for what keeps to the regrowth', () => {
    expect(lies({})).toBe(false);
    expect(lies({}, undefined, ['upper-back-l'])).toBe(true);
    expect(lies({ reach: 'regrowth' }, undefined, ['upper-back-l'])).toBe(false);
  });
  test('all of it has grown since: nothing light is left to lie over, unless it is seen', () => {
    expect(lies({}, 300)).toBe(false);
    expect(lies({}, 300, ['upper-back-l'])).toBe(true);
  });
});
