import { serviceState } from '../chair';
import { closed, happened, scriptFor, started } from '../chair/testing';
import { dose, effortTo, LIFT_FACTORS } from '../lift';
import { handLift, lessonOf, productSpeed, type OfService } from '.';

const moth = { id: 'moth', name: 'Moth powder', speed: 1 };
const sample = (service: string, log: number, part: Partial<OfService> = {}): OfService => ({
  product: moth,
  person: 'Ottilie',
  log,
  weight: 16,
  headSd: 0.25,
  service,
  ...part,
});
const many = (count: number, log: number, part: Partial<OfService> = {}) =>
  Array.from({ length: count }, (_, i) => sample(`visit ${i}`, log, part));

test('nothing read: what is set stands, with its spread', () => {
  expect(productSpeed([], 'moth', 0.8)).toMatchObject({
    factor: expect.closeTo(0.8, 9),
    readings: 0,
    services: 0,
  });
  expect(handLift([], 'Ottilie')).toMatchObject({ factor: 1, low: expect.closeTo(Math.exp(-0.128), 9) });
});

test('a service counts by its readings and by what is not known of its head', () => {
  // One service of one reading: k = 1 / (1/16 + 1/16) = 8 against the prior’s 1 / 0.15² = 44.4.
  expect(productSpeed([sample('a', Math.log(0.5))], 'moth', 1).factor).toBeCloseTo(
    Math.exp((8 * Math.log(0.5)) / (8 + 1 / 0.15 ** 2)),
    9,
  );
  // However often one head is read, it stays one head: k is never above 16.
  const often = productSpeed(
    Array.from({ length: 100 }, () => sample('a', Math.log(0.5))),
    'moth',
    1,
  );
  expect(often).toMatchObject({ readings: 100, services: 1 });
  expect(Math.log(often.factor)).toBeGreaterThan((16 * Math.log(0.5)) / (16 + 1 / 0.15 ** 2));
  // Ten heads say more than ten readings of one.
  expect(productSpeed(many(10, Math.log(0.5)), 'moth', 1).factor).toBeLessThan(
    productSpeed(
      Array.from({ length: 10 }, () => sample('a', Math.log(0.5))),
      'moth',
      1,
    ).factor,
  );
  expect(productSpeed(many(2000, Math.log(0.5)), 'moth', 1).factor).toBeCloseTo(0.5, 2);
});

test('the speed that was reckoned with at the time does not matter; a hand’s does', () => {
  const slow = many(50, 0, { product: { ...moth, speed: 0.8 } });
  const usual = many(50, Math.log(0.8));
  expect(productSpeed(slow, 'moth', 1).factor).toBeCloseTo(productSpeed(usual, 'moth', 1).factor, 9);
  expect(handLift(slow, 'Ottilie').factor).toBeCloseTo(1, 9);
  expect(handLift(usual, 'Ottilie').factor).toBeLessThan(0.9);
  expect(handLift(usual, 'Bram')).toMatchObject({ factor: 1, readings: 0 });
});

test('a check at the chair is a reading; one at the product’s end says nothing', () => {
  const events = (level: number) =>
    happened([
      [0, started],
      [1, closed('b0/0')],
      [21, { kind: 'checked', foil: 'b0/0', level, then: 'rinse', minutes: null, reason: null, photo: null }],
    ]);
  const script = { ...scriptFor([3]), products: { A: moth } };
  const lesson = (level: number) => lessonOf(script, serviceState(script, events(level))).lifts;
  // 20 minutes of 20 vol on medium hair give dose(20, 20) = 2.69 of effort.
  expect(LIFT_FACTORS.strand.medium).toBe(1);
  expect(lesson(8)).toMatchObject([{ product: moth, person: 'Ottilie', headSd: 0.25 }]);
  expect(lesson(8)[0].log).toBeCloseTo(Math.log((effortTo(8) - effortTo(6)) / dose(20, 20)), 9);
  expect(lesson(10)).toEqual([]);
  expect(lessonOf(scriptFor([3]), serviceState(scriptFor([3]), events(8))).lifts).toEqual([]);
});
