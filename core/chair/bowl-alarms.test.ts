import { alarmsOf, type EventBody } from '.';
import { at, closed, inTurn, standing, started } from './testing';

const script = inTurn();
const bowls = (...events: (readonly [number, EventBody])[]) =>
  alarmsOf(script, standing(script, [0, started], ...events))
    .filter(({ kind }) => kind === 'bowl')
    .map(({ words, due }) => [words, due]);
const mixed = (mix: string) => ({ kind: 'bowl', mix }) as const satisfies EventBody;
const old = (mix: string, minute: number) => [
  `Bowl ${mix} is 35 min old: treat it as weak.`,
  at(minute + script.rules.usefulMinutes),
];

describe('a bowl that grows old', () => {
  test('is called for as long as foils wait that take it, each bowl for itself', () => {
    expect(bowls([0, mixed('A')])).toEqual([old('A', 0)]);
    expect(bowls([0, mixed('A')], [4, mixed('B')], [1, closed('b0/0')])).toEqual([old('A', 0), old('B', 4)]);
  });

  test('is not once the last foil that takes it is closed, though others wait', () => {
    const done = [
      [1, closed('b0/0')],
      [3, closed('b1/0')],
    ] as const;
    expect(bowls([0, mixed('A')], [0, mixed('B')], ...done)).toEqual([old('B', 0)]);
    expect(
      bowls([0, mixed('A')], [0, mixed('B')], ...done, [2, closed('b0/1')], [4, closed('b1/1')]),
    ).toEqual([]);
  });

  test('counts from the newest of its mix', () =>
    expect(bowls([0, mixed('A')], [20, mixed('A')])).toEqual([old('A', 20)]));
});
