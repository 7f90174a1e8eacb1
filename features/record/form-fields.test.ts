import { fieldsOf, readFields, type Fields } from './form-fields';
import { EMPTY_OUTCOME, type Outcome } from '@/core/visit';

const record: Outcome = {
  ...EMPTY_OUTCOME,
  done: 'Fine weaves',
  foilsPlaced: 98,
  levelReached: 8.5,
  nextOn: '2027-03-01',
  nextWhat: 'full',
  said: 'Likes it',
  zones: { 'temple-l': { leftMm: 2, measured: true, level: 8, tone: 'cool' } },
  inspection: { 'tied-back': { mark: 'mended', words: 'behind the ear' } },
  corrections: [{ what: 'spot', zone: 'crown', words: 'two foils' }],
};
const read = (part: Partial<Fields>, heldOn = '2027-01-04') =>
  readFields({ ...fieldsOf(record), ...part }, heldOn);

test('a record into fields and back is the same record, with and without a next visit', () => {
  expect(read({})).toEqual({ ok: true, value: record });
  expect(readFields(fieldsOf({ ...record, nextOn: null }), '2027-01-04')).toEqual({
    ok: true,
    value: { ...record, nextOn: null },
  });
});

test.each([
  [{ foilsPlaced: '9 8' }, { foilsPlaced: 'Foils placed: must be a whole number.' }],
  [{ foilsPlaced: '-3' }, { foilsPlaced: 'Foils placed: must be a whole number.' }],
  [{ foilsPlaced: '4000' }, { foilsPlaced: 'Foils placed: must be at most 1000.' }],
  [{ done: '  ' }, { done: 'What was done: must say what was done.' }],
  [{ said: 'x'.repeat(2001) }, { said: 'What they said: must be at most 2000 characters.' }],
  [{ levelReached: 8.3 }, { levelReached: 'Level reached: must be a level in halves, such as 8 or 8.5.' }],
  [{ nextOn: 'soon' }, { nextOn: 'Next visit: must be a day such as 2027-01-31.' }],
  [{ nextOn: '2027-01-03' }, { nextOn: 'Next visit: the day lies before this visit.' }],
  [
    { zones: { 'temple-l': { leftMm: 140, measured: true, level: 8, tone: null } } },
    { zones: 'By zone: temple-l.leftMm: must be a number from 0 to 100 mm.' },
  ],
] as [Partial<Fields>, object][])('%j is said at its field', (part, problems) =>
  expect(read(part)).toEqual({ ok: false, problems }),
);

test('every problem is said, each at its own field', () => {
  expect(read({ foilsPlaced: 'many', done: '', nextOn: '2026-12-31' })).toEqual({
    ok: false,
    problems: {
      foilsPlaced: expect.any(String),
      done: expect.any(String),
      nextOn: 'Next visit: the day lies before this visit.',
    },
  });
});

test('figures are taken with spaces around them', () =>
  expect(read({ foilsPlaced: ' 98 ' })).toEqual({ ok: true, value: record }));
