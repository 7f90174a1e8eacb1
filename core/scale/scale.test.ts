import fc from 'fast-check';
import { against, LineBuffer, readScaleLine, scaledUp, scaleLine, toleranceOf, type ScaleLine } from '.';

const lines: ScaleLine[] = [
  { kind: 'id', simulated: true, stepGrams: 0.1, mostGrams: 2000, name: 'Bench scale' },
  { kind: 'reading', grams: 30.2, settled: false },
  { kind: 'reading', grams: -1.5, settled: true },
  { kind: 'done', command: 'TARE' },
  { kind: 'refused', words: 'the pan moves' },
];

test.each(lines)('%o is written and read alike', (line) =>
  expect(readScaleLine(scaleLine(line))).toEqual(line),
);

test.each(['', 'R', 'R 12', 'R 12.0 X', 'R 1e9 S', 'R 12,5 S', 'xR 12.0 S', 'ID real 1 2 x', 'tare'])(
  'noise is no weight: %j',
  (line) => expect(readScaleLine(line)).toBeUndefined(),
);

test('lines come whole however they are cut on the way', () => {
  const text = lines.map(scaleLine).join('\r\n') + '\n';
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1 }), (cuts) => {
      const buffer = new LineBuffer();
      const out: string[] = [];
      for (let at = 0, i = 0; at < text.length; i += 1) {
        const size = cuts[i % cuts.length];
        out.push(...buffer.take(text.slice(at, at + size)));
        at += size;
      }
      expect(out.map(readScaleLine)).toEqual(lines);
    }),
  );
  const buffer = new LineBuffer(20);
  buffer.take('R 12'.padEnd(30, '0'));
  expect(buffer.take('\nR 1.0 S\n').map(readScaleLine)).toEqual([
    { kind: 'reading', grams: 1, settled: true },
  ]);
});

test.each([
  [0, 30, 'empty'],
  [12, 30, 'under'],
  [27.5, 30, 'near'],
  [29, 30, 'right'],
  [31, 30, 'right'],
  [31.2, 30, 'over'],
  [98, 100, 'right'],
  [97.9, 100, 'near'],
] as const)('%d of %d g is %s', (grams, wanted, said) => expect(against(grams, wanted)).toBe(said));

test('too much of one thing asks for more of the others, in proportion', () => {
  expect(scaledUp([30, 60, 3], [36, null, null])).toEqual({ factor: 1.2, grams: [36, 72, 4] });
  // Within what a scale can do nothing changes.
  expect(scaledUp([30, 60, 3], [30.8, 59, null])).toEqual({ factor: 1, grams: [30, 60, 3] });
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.integer({ min: 1, max: 200 }),
          fc.option(fc.double({ min: 0, max: 300, noNaN: true }), { nil: null }),
        ),
        { minLength: 1, maxLength: 5 },
      ),
      (parts) => {
        const { factor, grams } = scaledUp(
          parts.map(([own]) => own),
          parts.map(([, own]) => own),
        );
        expect(factor).toBeGreaterThanOrEqual(1);
        parts.forEach(
          ([wanted, weighed], i) =>
            weighed !== null && expect(weighed).toBeLessThanOrEqual(grams[i] + 0.5 + toleranceOf(wanted)),
        );
      },
    ),
  );
});
