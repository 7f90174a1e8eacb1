import { USUAL_LIMITS } from '../check/check';
import { SCHOOL_KEYS, SCHOOLS } from '../school';
import { limitsOf, timeThereIs } from '../visit';
import { parseHouse, USUAL_HOUSE } from './house-document';

const read = (value: Record<string, unknown>) => parseHouse({ version: 1, ...value });

test('a house that has set nothing goes by the usual limits and schools', () => {
  expect(limitsOf(USUAL_HOUSE)).toEqual(USUAL_LIMITS);
  expect(USUAL_HOUSE.rulesOff).toEqual([]);
  for (const key of SCHOOL_KEYS) expect(USUAL_HOUSE.schools[key]).toBe(SCHOOLS[key].usual);
});

test('every school has its usual answer among its answers, and says why', () => {
  for (const key of SCHOOL_KEYS) {
    const { answers, usual, why } = SCHOOLS[key];
    expect(Object.keys(answers)).toContain(usual);
    expect(Object.keys(answers).length).toBeGreaterThan(1);
    expect(why).toMatch(/\.$/);
  }
});

test('one limit may be set without the others', () => {
  const house = read({ limits: { sliceMm: 5 } });
  expect(house.ok && house.value.limits).toEqual({ ...USUAL_HOUSE.limits, sliceMm: 5 });
});

test.each([
  [{ units: 'yards' }, 'units: must be mm, cm or in.'],
  [{ rulesOff: ['nothing'] }, /^rulesOff\[0\]: must be one of thick, wide/],
  [{ limits: { sliceMm: 0 } }, 'limits.sliceMm: must be a number from 1 to 20 mm.'],
  [
    { prices: { ...USUAL_HOUSE.prices, currency: 'euro' } },
    'prices.currency: must be three capital letters, such as EUR.',
  ],
  [
    { prices: { ...USUAL_HOUSE.prices, baseMinor: 1.5 } },
    'prices.baseMinor: must be a whole number from 0 to 10000000.',
  ],
  [{ schools: { part: 'both' } }, 'schools.part: must be one of natural, foil.'],
  [{ colour: 'green' }, /Unrecognized key/],
])('%j is refused with a sentence', (value, problem) => {
  expect(read(value)).toEqual({
    ok: false,
    problem: typeof problem === 'string' ? problem : expect.stringMatching(problem),
  });
});

test('the time there is: the house’s, the client’s, or the shorter of both', () => {
  expect(timeThereIs(USUAL_HOUSE, null)).toBeNull();
  expect(timeThereIs(USUAL_HOUSE, 70)).toBe(70);
  expect(timeThereIs({ ...USUAL_HOUSE, slotMinutes: 90 }, null)).toBe(90);
  expect(timeThereIs({ ...USUAL_HOUSE, slotMinutes: 90 }, 120)).toBe(90);
});
