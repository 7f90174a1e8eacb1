import { endsSeenIn, lightEndsMm } from './ends';

const seen = (endsLevel: number | undefined, target: number | null = null, naturalLevel?: number) =>
  endsSeenIn({
    map: endsLevel === undefined ? {} : { crown: { endsLevel, ...(naturalLevel && { naturalLevel }) } },
    naturalLevel: 6,
    goalLevel: 9,
  })('crown', target);

test('ends that nobody looked at are not guessed', () => expect(seen(undefined)).toBe('unknown'));

test.each([
  [5, 'dark'],
  [6.9, 'dark'],
  [7, 'lighter'],
  [8.7, 'lighter'],
  // A quarter of a level is not seen.
  [8.75, 'there'],
  [10, 'there'],
] as const)('at level %d on hair of level 6 that is to come to 9: %s', (level, words) =>
  expect(seen(level)).toBe(words),
);

test('a formula with a target of its own, and a zone with a level of its own, come first', () => {
  expect(seen(8, 8)).toBe('there');
  expect(seen(9, 10)).toBe('lighter');
  expect(seen(7, null, 6.5)).toBe('dark');
});

test('light ends are 80 mm, and a third of short hair', () => {
  expect([lightEndsMm(400), lightEndsMm(240), lightEndsMm(150)]).toEqual([80, 80, 50]);
});
