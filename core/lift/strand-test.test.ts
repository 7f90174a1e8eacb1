import { headFactor, readingProblem, weighReading, type StrandReading } from '.';

const read = (part: Partial<StrandReading> = {}): StrandReading => ({
  from: 6,
  volumes: 20,
  minutes: 15,
  level: 7.5,
  known: 1,
  ...part,
});

test('6 to 7.5 in 15 minutes of 20 vol: 1.55 of 2.147, read to a quarter of a level', () => {
  const { raw, weight } = weighReading(read());
  expect(raw).toBeCloseTo(Math.log(1.55 / 2.1468), 4);
  // σ = 1.1 · √2 · 0.25 / 1.55.
  expect(weight).toBeCloseTo(15.884, 2);
  const head = headFactor([read()]);
  expect(head).toEqual({
    factor: expect.closeTo(0.8502, 3),
    sd: expect.closeTo(0.1771, 4),
    low: expect.closeTo(0.6778, 3),
    high: expect.closeTo(1.0665, 3),
    readings: 1,
    disagree: false,
  });
});

test('what is known already is not put down to the head', () =>
  expect(weighReading(read({ known: 1.15 })).raw).toBeCloseTo(weighReading(read()).raw - Math.log(1.15), 12));

test.each<[Partial<StrandReading>, RegExp]>([
  [{ minutes: 0 }, /needs its minutes/],
  [{ minutes: -1 }, /needs its minutes/],
  [{ volumes: 0 }, /needs the strength/],
  [{ volumes: NaN }, /needs the strength/],
  [{ level: 6 }, /no lift was read: 6 is not above 6/],
  [{ level: 5 }, /no lift was read/],
])('%j says nothing of the head', (part, sentence) => {
  expect(readingProblem(read(part))).toMatch(sentence);
  expect(headFactor([read(part), read()])).toEqual(headFactor([read()]));
});

test('a sound one has no problem', () => expect(readingProblem(read())).toBeUndefined());

test('at the end of the product it counts only where it asks for more than is known', () => {
  const slow = read({ level: 7, atCap: true });
  const fast = read({ level: 8.5, atCap: true });
  expect(headFactor([slow])).toMatchObject({ factor: 1, sd: 0.25, readings: 1 });
  expect(headFactor([fast]).factor).toBeGreaterThan(1);
  // Nor does it take part in how far apart readings are.
  expect(headFactor([read(), read(), fast]).disagree).toBe(false);
});

test('readings that agree add up; those that do not count for as much less', () => {
  const { weight } = weighReading(read());
  expect(headFactor([read(), read()]).sd).toBeCloseTo(1 / Math.sqrt(16 + 2 * weight), 12);
  const [low, high] = [read({ level: 7 }), read({ level: 8.5 })];
  const [a, b] = [weighReading(low), weighReading(high)];
  const mean = (a.weight * a.raw + b.weight * b.raw) / (a.weight + b.weight);
  const apart = a.weight * (a.raw - mean) ** 2 + b.weight * (b.raw - mean) ** 2;
  expect(apart).toBeGreaterThan(2.7);
  const both = headFactor([low, high]);
  expect(both.disagree).toBe(true);
  expect(both.sd).toBeCloseTo(1 / Math.sqrt(16 + (a.weight + b.weight) / apart), 12);
  expect(Math.log(both.factor)).toBeCloseTo(
    (a.weight * a.raw + b.weight * b.raw) / apart / (16 + (a.weight + b.weight) / apart),
    12,
  );
});

test('three readings: how far apart is counted for each after the first', () => {
  const all = [read({ level: 7 }), read({ level: 8.5 }), read({ level: 7.5 })];
  const weighed = all.map(weighReading);
  const whole = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const mean = weighed.reduce((sum, { weight, raw }) => sum + weight * raw, 0) / whole;
  const apart = weighed.reduce((sum, { weight, raw }) => sum + weight * (raw - mean) ** 2, 0) / 2;
  expect(apart).toBeGreaterThan(1);
  expect(headFactor(all).sd).toBeCloseTo(1 / Math.sqrt(16 + whole / apart), 12);
});

test('a reading at the end of the product is held against what the others say', () => {
  const others = [read({ level: 8.25 }), read({ level: 8.25 })];
  const { factor } = headFactor(others);
  expect(factor).toBeGreaterThan(1);
  expect(headFactor([...others, read({ level: 8, atCap: true })]).factor).toBe(factor);
  expect(headFactor([...others, read({ level: 9, atCap: true })]).factor).toBeGreaterThan(factor);
});
