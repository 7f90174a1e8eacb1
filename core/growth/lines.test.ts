import { ZONES } from '../head';
import { levelLines, regrowthLines, type GrowthVisit } from '.';

const TO_ROOT = { leftMm: 0, measured: false };
const FIRST: GrowthVisit = { on: '2027-01-04', regrowthMm: {}, taken: 'unknown' };
const rate = { mmPerWeek: 3.5, sd: 0.3 };

test('zones that grow alike are one line, that falls at each visit that took them to the root', () => {
  const [line, ...rest] = regrowthLines(
    [FIRST, { on: '2027-03-01', regrowthMm: {}, taken: 'unknown' }],
    rate,
    '2027-03-15',
  );
  expect(rest).toEqual([]);
  expect(line.name).toBe('Whole head');
  expect(line.points).toEqual([
    { on: '2027-01-04', value: 0 },
    { on: '2027-02-28', value: expect.closeTo(27.5, 6) },
    { on: '2027-03-01', value: 0 },
    { on: '2027-03-15', value: 7 },
  ]);
});

test('what was measured at a visit is the height that it had grown to', () => {
  const [line] = regrowthLines(
    [
      FIRST,
      { on: '2027-03-01', regrowthMm: Object.fromEntries(ZONES.map((zone) => [zone, 31])), taken: 'unknown' },
    ],
    rate,
    '2027-03-15',
  );
  expect(line.points.map(({ value }) => value)).toEqual([0, 31, 0, 7]);
});

test('a visit to the face alone parts the lines, and the longer side counts', () => {
  const lines = regrowthLines(
    [
      FIRST,
      {
        on: '2027-03-01',
        regrowthMm: {},
        taken: { 'temple-l': TO_ROOT, 'temple-r': TO_ROOT, 'front-hairline-l': TO_ROOT },
      },
    ],
    rate,
    '2027-03-15',
  );
  expect(lines.map(({ name, points }) => [name, Math.round(points.at(-1)!.value)])).toEqual([
    ['Front hairline, ear hairline and 9 more', 35],
    ['Temple', 7],
  ]);
});

test('what was never lightened has no line; levels fall apart where the darker side says so', () => {
  expect(regrowthLines([{ ...FIRST, taken: {} }], rate, '2027-03-15')).toEqual([]);
  expect(
    levelLines([
      { on: '2027-03-01', levels: { 'temple-l': 8, 'temple-r': 9, crown: 9 } },
      { on: '2027-01-04', levels: { 'temple-l': 7, 'temple-r': 7, crown: 9 } },
    ]).map(({ name, points }) => [name, points.map(({ value }) => value)]),
  ).toEqual([
    ['Temple', [7, 8]],
    ['Crown', [9, 9]],
  ]);
});
