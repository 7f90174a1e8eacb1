import { crossedLines } from './crossed';
import { pathPoints } from './panel-foils';
import { engine, planWith } from './testing';

const W = 63;
const flat = () => [-W / 2, W / 2] as const;
const lines = crossedLines([0, 154], flat, 37, 'left', false);
const fromEdge = (u: number) => u + W / 2;

test('W 63, length 154, 37° from a corner: eight, whose far ends stay inside; a closing one makes nine', () => {
  expect(lines).toHaveLength(8);
  for (const { to } of lines) expect(to[0]).toBeLessThanOrEqual(154);
  expect(crossedLines([0, 154], flat, 37, 'left', true)).toHaveLength(9);
});

test('each begins in the middle of the last and runs to the other edge', () => {
  lines.slice(1).forEach(({ from, to }, i) => {
    const last = lines[i];
    expect(from[0]).toBeCloseTo((last.from[0] + last.to[0]) / 2, 9);
    expect(from[1]).toBeCloseTo((last.from[1] + last.to[1]) / 2, 9);
    expect(Math.abs(to[1])).toBeCloseTo(W / 2, 9);
    expect(Math.sign(to[1])).toBe(-Math.sign(last.to[1]));
  });
});

test('from about the sixth the starts lie at 21 and 42 mm and advance (W/3)·tan θ', () => {
  const long = crossedLines([0, 600], flat, 37, 'left', false);
  for (const { from } of long.slice(5))
    expect(Math.min(Math.abs(fromEdge(from[1]) - 21), Math.abs(fromEdge(from[1]) - 42))).toBeLessThan(1);
  const late = long.slice(10);
  late
    .slice(1)
    .forEach(({ from }, i) =>
      expect(from[0] - late[i].from[0]).toBeCloseTo((W / 3) * Math.tan((37 * Math.PI) / 180), 1),
    );
});

// Far off the middle the hairline runs aslant and the strip is longer by its corner: one more fits.
test.each([
  [0, 8],
  [12, 8],
  [22, 8],
  [30, 9],
  [-22, 9],
])('with the part at %d mm it is %d: a hairline cut aslant does not narrow the strip', (offsetMm, foils) => {
  const panel = {
    place: { kind: 'part-strip', leftMm: 25, rightMm: 38 },
    side: 'across',
    direction: { kind: 'crossed', angleDeg: 37, firstFrom: 'left' },
  } as const;
  const plan = planWith([panel]);
  expect(
    engine.compute({ ...plan, head: { ...plan.head, part: { ...plan.head.part, offsetMm } } }).sheet.totals
      .foils,
  ).toBe(foils);
});

test('on the head: eight along a part panel of 25 and 38 mm, nine when closed', () => {
  const part = (closing: boolean) =>
    engine.compute(
      planWith([
        {
          place: { kind: 'part-strip', leftMm: 25, rightMm: 38 },
          side: 'across',
          thicknessMm: 6,
          direction: { kind: 'crossed', angleDeg: 37, firstFrom: 'left', closing },
        },
      ]),
    ).drawing.paths;
  expect(part(false)).toHaveLength(8);
  expect(part(true)).toHaveLength(9);
  // Turn by turn to the right (x falls) and to the left.
  const runs = part(false)
    .map((path) => pathPoints(path))
    .map((points) => Math.sign(points.at(-1)!.x - points[0].x));
  expect(runs).toEqual([-1, 1, -1, 1, -1, 1, -1, 1]);
});
