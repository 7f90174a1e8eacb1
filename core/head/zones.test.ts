import { familyOf, swapSide, ZONE_FAMILIES, zoneName, ZONES, zonesOf } from './zones';

test('every zone lies in one family, and the families hold every zone once', () => {
  expect(ZONE_FAMILIES.flatMap(zonesOf).sort()).toEqual([...ZONES].sort());
  for (const family of ZONE_FAMILIES)
    expect(zonesOf(family).map(familyOf)).toEqual(zonesOf(family).map(() => family));
});

test('left becomes right and right left; what crosses the middle stays', () => {
  for (const zone of ZONES) {
    expect(swapSide(zone)).toBe(zone.replace(/-[lr]$/, (side) => (side === '-l' ? '-r' : '-l')));
    expect(swapSide(swapSide(zone))).toBe(zone);
  }
  expect(swapSide('crown')).toBe('crown');
});

test.each([
  ['temple-l', 'Temple, left'],
  ['upper-back-r', 'Upper back, right'],
  ['nape-hairline', 'Nape hairline'],
  ['nape-r', 'Nape, right'],
] as const)('%s is said as “%s”', (zone, words) => expect(zoneName(zone)).toBe(words));
